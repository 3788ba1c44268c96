import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { WalkScreen } from '@/screens/walk/WalkScreen';
import { may } from '@/server/accounts/roles';
import { signedIn } from '@/server/accounts/viewer';
import { today } from '@/server/cases/write';
import { loadProperty } from '@/server/grounds/grounds';
import { beginRoundAction } from '../actions';

export const metadata: Metadata = { title: 'Walk-round' };

export default async function WalkPage({ params }: { params: Promise<{ property: string }> }) {
  const { property } = await params;
  const { page, viewer } = await signedIn(async (db, viewer) => ({
    page: await loadProperty(db, property),
    viewer,
  }));
  if (!page) notFound();
  return (
    <WalkScreen
      page={page}
      today={today()}
      viewer={viewer.name}
      mayMeasure={may(viewer.role, 'measure')}
      begin={beginRoundAction.bind(null, property)}
    />
  );
}
