import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { OptionsScreen } from '@/screens/options/OptionsScreen';
import { NotNow } from '@/screens/shell/NotNow';
import { tried } from '@/server/known';
import { unitsOfDevice } from '@/server/accounts/device';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { leftOut } from '@/work/costs/words';
import { OFFER_DAYS, offersOf } from '@/server/offers/offers';
import { beside } from '@/server/beside';
import { openDraft } from '@/server/reports/reports';
import { keepWorthAction, makeOfferAction, revokeOfferAction } from './actions';

export const metadata: Metadata = { title: 'Is it worth it?' };

export default async function OptionsPage(props: {
  params: Promise<{ tree: string }>;
  searchParams: Promise<{ visit?: string }>;
}) {
  const [{ tree }, { visit }] = await Promise.all([props.params, props.searchParams]);
  const system = await unitsOfDevice();
  const page = await signedIn(async (db, viewer) => ({
    draft: await openDraft(db, viewer, tree, visit, system),
    offers: await offersOf(db, tree),
    viewer,
    mayJudge: may(viewer.role, 'judge'),
  }));
  if (!page.draft) notFound();
  const { source, visitId } = page.draft;
  const worth = await tried(beside('worth', source, page.viewer));
  if ('problem' in worth)
    return <NotNow title="Is it worth it?" problem={worth.problem} back={`/trees/${tree}`} />;
  const sheet = worth.value;
  return (
    <OptionsScreen
      treeId={tree}
      tree={source.tree.label}
      property={source.property}
      visitDate={source.visit.date}
      options={sheet.options}
      whole={sheet.whole}
      stages={sheet.stages}
      prescribed={sheet.prescribed}
      undecided={sheet.undecided}
      notes={leftOut(sheet.whole, sheet.unpriced)}
      offers={page.offers}
      days={OFFER_DAYS}
      worth={source.tree.worth}
      keepWorth={page.mayJudge ? keepWorthAction.bind(null, tree) : undefined}
      make={page.mayJudge ? makeOfferAction.bind(null, tree, visitId) : undefined}
      revoke={revokeOfferAction.bind(null, tree)}
    />
  );
}
