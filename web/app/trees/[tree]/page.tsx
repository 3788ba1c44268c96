import type { Metadata } from 'next';
import { COUNTED } from '@undrel/core/assessment';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import type { Tree } from '@undrel/core/records';
import { TreeScreen } from '@/screens/tree/TreeScreen';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { glanceOf } from '@/server/cases/glance';
import { tried } from '@/server/known';
import { OnDevice } from '@/ui/OnDevice';
import { holdsLargeDig } from '@/protocol/heavy';
import { treePage } from '@/server/treePage';
import { today } from '@/server/cases/write';

const open = cache((treeId: string) =>
  signedIn(async (db, viewer) => ({ viewer, page: await treePage(db, treeId) })),
);

interface Props {
  params: Promise<{ tree: string }>;
  searchParams: Promise<{ station?: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { page } = await open((await params).tree);
  const tree = page?.loaded.items.find((i) => i.kind === 'tree')?.values as Tree | undefined;
  return { title: tree?.label };
}

export default async function TreePage({ params, searchParams }: Props) {
  const { viewer, page } = await open((await params).tree);
  if (!page) notFound();
  const { loaded, about } = page;
  const items = JSON.stringify(loaded.items);
  // A large dig is worked out on the device that opens it: the page waits for nothing.
  const large = holdsLargeDig(loaded.items);
  const glance = large ? undefined : await tried(glanceOf({ ...loaded, items }, viewer));
  return (
    <OnDevice when={large}>
      <TreeScreen
        treeId={loaded.treeId}
        items={items}
        {...about}
        glance={glance && 'value' in glance ? glance.value : undefined}
        mayMeasure={may(viewer.role, 'measure')}
        mayJudge={may(viewer.role, 'judge')}
        viewer={viewer.name}
        person={viewer.userId}
        today={today()}
        counted={COUNTED}
        station={(await searchParams).station}
      />
    </OnDevice>
  );
}
