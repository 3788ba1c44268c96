import { byDay } from '@undrel/core/vocabulary';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { holdsLargeDig } from '@/protocol/heavy';
import { OnDevice } from '@/ui/OnDevice';
import { TrenchSheet } from '@/screens/crew/TrenchSheet';
import { signedIn } from '@/server/accounts/viewer';
import { loadCase } from '@/server/cases/load';
import { today } from '@/server/cases/write';

export const metadata: Metadata = { title: 'Trenches, crew sheet' };

interface Props {
  params: Promise<{ tree: string }>;
  searchParams: Promise<{ visit?: string; season?: string }>;
}

export default async function TrenchSheetPage({ params, searchParams }: Props) {
  const [{ tree }, { visit, season }] = await Promise.all([params, searchParams]);
  const { viewer, loaded } = await signedIn(async (db, who) => ({
    viewer: who,
    loaded: await loadCase(db, tree),
  }));
  const newest = loaded?.items
    .flatMap((i) =>
      i.kind === 'visit' && i.values && !i.values.walk ? [{ id: i.id, date: i.values.date }] : [],
    )
    .filter((v) => !visit || v.id === visit)
    .sort((a, b) => byDay(b.date, a.date))[0];
  if (!loaded || !newest) notFound();
  return (
    <OnDevice when={holdsLargeDig(loaded.items)}>
      <TrenchSheet
        treeId={loaded.treeId}
        items={JSON.stringify(loaded.items)}
        visitId={newest.id}
        property={loaded.property.name}
        house={loaded.house}
        site={loaded.site}
        season={Math.max(1, Number.parseInt(season ?? '1', 10) || 1)}
        person={viewer.userId}
        today={today()}
      />
    </OnDevice>
  );
}
