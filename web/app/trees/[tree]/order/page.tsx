import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { OrderScreen } from '@/screens/order/OrderScreen';
import { NotNow } from '@/screens/shell/NotNow';
import { tried } from '@/server/known';
import { unitsOfDevice } from '@/server/accounts/device';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { loadCase } from '@/server/cases/load';
import { today } from '@/server/cases/write';
import { beside } from '@/server/beside';
import { openDraft } from '@/server/reports/reports';

export const metadata: Metadata = { title: 'Crew order' };

export default async function OrderPage(props: {
  params: Promise<{ tree: string }>;
  searchParams: Promise<{ visit?: string }>;
}) {
  const [{ tree }, { visit }] = await Promise.all([props.params, props.searchParams]);
  const system = await unitsOfDevice();
  const page = await signedIn(async (db, viewer) => ({
    viewer,
    loaded: await loadCase(db, tree),
    draft: await openDraft(db, viewer, tree, visit, system),
  }));
  if (!page.draft || !page.loaded) notFound();
  const { source, visitId } = page.draft;
  const order = await tried(beside('order', { source, treeId: tree }, page.viewer));
  if ('problem' in order)
    return <NotNow title="The crew order" problem={order.problem} back={`/trees/${tree}`} />;
  return (
    <OrderScreen
      treeId={tree}
      items={JSON.stringify(page.loaded.items)}
      visitId={visitId}
      visitDate={source.visit.date}
      property={source.property}
      order={order.value}
      mayMeasure={may(page.viewer.role, 'measure')}
      viewer={page.viewer.name}
      person={page.viewer.userId}
      today={today()}
    />
  );
}
