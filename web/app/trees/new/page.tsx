import type { Metadata } from 'next';
import { COUNTED } from '@undrel/core/assessment';
import { notFound, redirect } from 'next/navigation';
import { NewTreeScreen } from '@/screens/tree/NewTreeScreen';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { blankTree } from '@/server/along/along';
import { loadCase } from '@/server/cases/load';
import { readPlaces } from '@/server/grounds/grounds';
import { today } from '@/server/cases/write';

export const metadata: Metadata = { title: 'New tree' };

interface Props {
  searchParams: Promise<{ property?: string; tree?: string; station?: string }>;
}

/**
 * A tree that was entered on a device without signal, until the server has it. The page itself knows the property alone, so
 * that one kept copy does for any number of trees; which tree it is stands in the address.
 */
export default async function NewTreePage({ searchParams }: Props) {
  const { property, tree } = await searchParams;
  if (!property) notFound();
  const { blank, places, there, viewer } = await signedIn(async (db, who) => ({
    places: await readPlaces(db, property),
    blank: await blankTree(db, property),
    there: tree !== undefined && (await loadCase(db, tree)) !== undefined,
    viewer: who,
  }));
  if (there) redirect(`/trees/${tree}`);
  if (!blank) notFound();
  return (
    <NewTreeScreen
      {...blank}
      site={{ things: [], others: [] }}
      glance={undefined}
      places={places}
      reference={undefined}
      referenceGround={undefined}
      mayMeasure={may(viewer.role, 'measure')}
      mayJudge={may(viewer.role, 'judge')}
      viewer={viewer.name}
      person={viewer.userId}
      today={today()}
      counted={COUNTED}
      station={undefined}
    />
  );
}
