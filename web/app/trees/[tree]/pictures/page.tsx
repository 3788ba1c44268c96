import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { byDay, operationOf } from '@undrel/core/vocabulary';
import { may } from '@/protocol/roles';
import { PicturesScreen } from '@/screens/pictures/PicturesScreen';
import { signedIn } from '@/server/accounts/viewer';
import { loadCase } from '@/server/cases/load';
import { today } from '@/server/cases/write';

export const metadata: Metadata = { title: 'Pictures' };

export default async function PicturesPage(props: {
  params: Promise<{ tree: string }>;
  searchParams: Promise<{ visit?: string; step?: string | string[] }>;
}) {
  const [{ tree }, { visit, step }] = await Promise.all([props.params, props.searchParams]);
  const { viewer, loaded } = await signedIn(async (db, who) => ({
    viewer: who,
    loaded: await loadCase(db, tree),
  }));
  if (!loaded) notFound();
  const visits = loaded.items
    .flatMap((i) => (i.kind === 'visit' && i.values ? [{ id: i.id, date: i.values.date }] : []))
    .sort((a, b) => byDay(a.date, b.date));
  const current = visits.find((v) => v.id === visit) ?? visits.at(-1);
  if (!current) notFound();
  return (
    <PicturesScreen
      key={current.id}
      treeId={tree}
      items={JSON.stringify(loaded.items)}
      visitId={current.id}
      mayMeasure={may(viewer.role, 'measure')}
      viewer={viewer.name}
      person={viewer.userId}
      today={today()}
      step={typeof step === 'string' && operationOf(step) ? step : undefined}
    />
  );
}
