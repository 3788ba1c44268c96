import type { Metadata } from 'next';
import { may } from '@/protocol/roles';
import type { SeasonView } from '@/screens/season/SeasonChoice';
import { SeasonScreen } from '@/screens/season/SeasonScreen';
import { signedIn } from '@/server/accounts/viewer';
import { today } from '@/server/cases/write';
import { listTasks } from '@/server/season/tasks';
import { listFeeds } from '@/server/season/feeds';
import { listProperties } from '@/server/grounds/grounds';
import { placesOf } from '@/server/season/yard';
import { makeFeedAction, markAction, noteYardAction, planDaysAction, revokeFeedAction } from './actions';

export const metadata: Metadata = { title: 'Season' };

const VIEWS: readonly SeasonView[] = ['list', 'month', 'year', 'days'];

export default async function SeasonPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { view } = await searchParams;
  const day = today();
  const { viewer, tasks, feeds, grounds, places } = await signedIn(async (db, who) => ({
    viewer: who,
    tasks: await listTasks(db, day),
    feeds: await listFeeds(db),
    grounds: await listProperties(db),
    places: await placesOf(db),
  }));
  return (
    <SeasonScreen
      firm={viewer.firmName}
      today={day}
      viewer={viewer.name}
      person={viewer.userId}
      tasks={tasks}
      who={viewer.role === 'crew' ? 'crew' : undefined}
      view={VIEWS.find((v) => v === view) ?? 'list'}
      feeds={feeds}
      feedActions={may(viewer.role, 'judge') ? { make: makeFeedAction, revoke: revokeFeedAction } : undefined}
      grounds={grounds.map(({ id, name }) => ({ id, name }))}
      places={places}
      noteYard={may(viewer.role, 'judge') ? noteYardAction : undefined}
      plan={may(viewer.role, 'judge') ? planDaysAction : undefined}
      mark={may(viewer.role, 'measure') ? markAction : undefined}
    />
  );
}
