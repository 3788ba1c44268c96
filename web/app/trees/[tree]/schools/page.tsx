import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { SchoolsScreen } from '@/screens/schools/SchoolsScreen';
import { NotNow } from '@/screens/shell/NotNow';
import { tried } from '@/server/known';
import { unitsOfDevice } from '@/server/accounts/device';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { beside } from '@/server/beside';
import { cutsUnderSchools } from '@/server/cuts/underSchools';
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
    viewer,
    mayMeasure: may(viewer.role, 'judge'),
  }));
  if (!page.draft) notFound();
  const { source } = page.draft;
  const made = await tried(
    Promise.all([beside('cuts', source, page.viewer), beside('schools', source, page.viewer)]),
  );
  if ('problem' in made)
    return <NotNow title="Other schools" problem={made.problem} back={`/trees/${tree}`} />;
  const [given, schools] = made.value;
  return (
    <SchoolsScreen
      treeId={tree}
      tree={source.tree.label}
      visitDate={source.visit.date}
      {...schools}
      cuts={given && cutsUnderSchools(given, page.viewer).catch(failedPlan)}
      choose={page.mayMeasure ? chooseSchoolAction.bind(null, tree) : undefined}
    />
  );
}
