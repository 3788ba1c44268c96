import { useState } from 'react';
import { late } from '../../ui/late';
import type { SectionProps } from './SectionView';

/** Stands in the place of the section where its code did not come. */
function NoSection({ again }: { again: () => Promise<void> }) {
  const [trying, setTrying] = useState(false);
  return (
    <p className="told m-4" role="status">
      {trying ? 'The drawing is being fetched.' : 'The drawing could not be fetched.'}{' '}
      <button
        type="button"
        className="link"
        onClick={() => {
          setTrying(true);
          void again().then(() => setTrying(false));
        }}
      >
        Try again
      </button>
    </p>
  );
}

/** The section, whose code comes after that of the fields. */
export const Section = late<SectionProps>(
  () => import('./SectionView').then((part) => part.SectionView),
  NoSection,
);
