import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { SchoolsScreen } from '@/screens/schools/SchoolsScreen';
import { unitsOfDevice } from '@/server/accounts/device';
import { may } from '@/server/accounts/roles';
import { signedIn } from '@/server/accounts/viewer';
import { cutsGiven } from '@/server/cuts/given';
import { cutsUnderSchools } from '@/server/cuts/underSchools';
import { schoolsOf } from '@/server/offers/schools';
import { openDraft } from '@/server/reports/reports';
import { chooseSchoolAction } from './actions';

export const metadata: Metadata = { title: 'Other schools' };

/** The page says that there is no plan; why is for whoever runs the server. */
function failedPlan(error: unknown): undefined {
  console.error(error);
}

export default async function SchoolsPage(props: {
  params: Promise<{ tree: string }>;
  searchParams: Promise<{ visit?: string }>;
}) {
  const [{ tree }, { visit }] = await Promise.all([props.params, props.searchParams]);
  const system = await unitsOfDevice();
  const page = await signedIn(async (db, viewer) => ({
    draft: await openDraft(db, viewer, tree, visit, system),
    mayMeasure: may(viewer.role, 'judge'),
  }));
  if (!page.draft) notFound();
  const { source } = page.draft;
  const given = cutsGiven(source);
  return (
    <SchoolsScreen
      treeId={tree}
      tree={source.tree.label}
      visitDate={source.visit.date}
      {...schoolsOf(source, source.rates)}
      cuts={given && cutsUnderSchools(given).catch(failedPlan)}
      choose={page.mayMeasure ? chooseSchoolAction.bind(null, tree) : undefined}
    />
  );
}
