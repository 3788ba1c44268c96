import type { Metadata } from 'next';
import { GroundsScreen } from '@/screens/grounds/GroundsScreen';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { today } from '@/server/cases/write';
import { listProperties } from '@/server/grounds/grounds';
import { signsSeen } from '@/server/cases/danger';
import { listTasks } from '@/server/season/tasks';
import { addPropertyAction, restoreAction } from './actions';

export const metadata: Metadata = { title: 'Properties' };

export default async function GroundsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { removed, tree, name } = await searchParams;
  const day = today();
  const page = await signedIn(async (db, viewer) => ({
    firm: viewer.firmName,
    mayAdd: may(viewer.role, 'measure'),
    properties: await listProperties(db),
    tasks: await listTasks(db, day),
    signs: await signsSeen(db),
  }));
  return (
    <GroundsScreen
      {...page}
      today={day}
      addProperty={page.mayAdd ? addPropertyAction : undefined}
      removed={
        removed || tree ? { name: name ?? '', restore: restoreAction.bind(null, removed, tree) } : undefined
      }
    />
  );
}
