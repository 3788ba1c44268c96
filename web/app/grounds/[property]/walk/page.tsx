import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { WalkScreen } from '@/screens/walk/WalkScreen';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { today } from '@/server/cases/write';
import { propertyRows } from '@/server/grounds/grounds';
import { propertyText } from '@/server/grounds/propertyText';
import { beginRoundAction } from '../actions';

export const metadata: Metadata = { title: 'Walk-round' };

export default async function WalkPage({ params }: { params: Promise<{ property: string }> }) {
  const { property } = await params;
  const { rows, viewer } = await signedIn(async (db, who) => ({
    rows: await propertyRows(db, property),
    viewer: who,
  }));
  if (!rows) notFound();
  return (
    <WalkScreen
      page={await propertyText(rows, viewer)}
      today={today()}
      viewer={viewer.name}
      person={viewer.userId}
      mayMeasure={may(viewer.role, 'measure')}
      begin={beginRoundAction.bind(null, property)}
    />
  );
}
