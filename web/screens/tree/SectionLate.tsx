import { late } from '../../ui/late';
import type { SectionProps } from './SectionView';

/** Stands in the place of the section where its code did not come. */
const NoSection = ({ again }: { again: () => void }) => (
  <p className="told m-4" role="status">
    The drawing could not be fetched.{' '}
    <button type="button" className="link" onClick={again}>
      Try again
    </button>
  </p>
);

/** The section, whose code comes after that of the fields. */
export const Section = late<SectionProps>(
  () => import('./SectionView').then((part) => part.SectionView),
  NoSection,
);
