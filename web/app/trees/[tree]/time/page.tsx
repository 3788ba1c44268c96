import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { may } from '@/protocol/roles';
import { NotNow } from '@/screens/shell/NotNow';
import { TimeScreen } from '@/screens/time/TimeScreen';
import { unitsOfDevice } from '@/server/accounts/device';
import { signedIn } from '@/server/accounts/viewer';
import { beside } from '@/server/beside';
import { yardsticks } from '@/server/cases/reference';
import { today } from '@/server/cases/write';
import { openDraft } from '@/server/reports/reports';
import { tried } from '@/server/known';
import { alignAction } from './actions';

export const metadata: Metadata = { title: 'Through time' };

export default async function TimePage(props: {
  params: Promise<{ tree: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const [{ tree }, asked] = await Promise.all([props.params, props.searchParams]);
  const system = await unitsOfDevice();
  const { viewer, draft, yardstick } = await signedIn(async (db, who) => ({
    viewer: who,
    draft: await openDraft(db, who, tree, undefined, system),
    yardstick: (await yardsticks(db, [tree])).get(tree),
  }));
  if (!draft) notFound();
  const day = (value: string | string[] | undefined) => (typeof value === 'string' ? value : undefined);
  const time = await tried(
    beside(
      'time',
      {
        source: draft.source,
        yardstick,
        on: today(),
        before: day(asked.before),
        after: day(asked.after),
      },
      viewer,
    ),
  );
  if ('problem' in time)
    return <NotNow title="The tree through time" problem={time.problem} back={`/trees/${tree}`} />;
  return (
    <TimeScreen
      treeId={tree}
      time={time.value}
      today={today()}
      align={may(viewer.role, 'measure') ? alignAction : undefined}
    />
  );
}
