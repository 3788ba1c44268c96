import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { Tree } from '@undrel/core/records';
import { RecordScreen } from '@/screens/record/RecordScreen';
import { unitsOfDevice } from '@/server/accounts/device';
import { signedIn } from '@/server/accounts/viewer';
import { loadCase } from '@/server/cases/load';
import { treeRecord } from '@/server/cases/record';

export const metadata: Metadata = { title: 'Record of changes' };

export default async function RecordPage({ params }: { params: Promise<{ tree: string }> }) {
  const { tree: id } = await params;
  const system = await unitsOfDevice();
  const page = await signedIn(async (db) => {
    const loaded = await loadCase(db, id);
    return (
      loaded && {
        tree: loaded.items.find((i) => i.kind === 'tree')!.values as Tree,
        entries: await treeRecord(db, id, system),
      }
    );
  });
  if (!page) notFound();
  return <RecordScreen treeId={id} label={page.tree.label} entries={page.entries} />;
}
