import { byDay } from '@undrel/core/vocabulary';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { holdsLargeDig } from '@/protocol/heavy';
import { OnDevice } from '@/ui/OnDevice';
import { CrewScreen } from '@/screens/crew/CrewScreen';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { loadCase } from '@/server/cases/load';
import { today } from '@/server/cases/write';

export const metadata: Metadata = { title: 'Crew sheet' };

interface Props {
  params: Promise<{ tree: string }>;
  searchParams: Promise<{ visit?: string; stage?: string }>;
}

export default async function CrewPage({ params, searchParams }: Props) {
  const [{ tree }, { visit, stage }] = await Promise.all([params, searchParams]);
  const { viewer, loaded } = await signedIn(async (db, who) => ({
    viewer: who,
    loaded: await loadCase(db, tree),
  }));
  const withRoots = new Set(
    loaded?.items.flatMap((i) => (i.kind === 'root' && i.values !== null ? [i.parent] : [])),
  );
  const dug = loaded?.items
    .flatMap((i) =>
      i.kind === 'visit' && i.values && withRoots.has(i.id) ? [{ id: i.id, date: i.values.date }] : [],
    )
    .filter((v) => !visit || v.id === visit)
    .sort((a, b) => byDay(b.date, a.date))[0];
  if (!loaded || !dug) notFound();
  return (
    <OnDevice when={holdsLargeDig(loaded.items)}>
      <CrewScreen
        treeId={loaded.treeId}
        items={JSON.stringify(loaded.items)}
        visitId={dug.id}
        property={loaded.property.name}
        house={loaded.house}
        mayMeasure={may(viewer.role, 'measure')}
        viewer={viewer.name}
        person={viewer.userId}
        today={today()}
        stage={/^[1-5]$/.test(stage ?? '') ? Number(stage) : 1}
      />
    </OnDevice>
  );
}
