import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ReportScreen } from '@/screens/report/ReportScreen';
import { NotNow } from '@/screens/shell/NotNow';
import { tried } from '@/server/known';
import { withoutDrawings } from '@/protocol/report';
import { unitsOfDevice } from '@/server/accounts/device';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { contentOf } from '@/server/reports/contentOf';
import { issuedOf, openDraft } from '@/server/reports/reports';
import { issueAction, saveWordingAction } from './actions';

export const metadata: Metadata = { title: 'Report' };

export default async function ReportPage(props: {
  params: Promise<{ tree: string }>;
  searchParams: Promise<{ visit?: string }>;
}) {
  const { tree } = await props.params;
  const { visit } = await props.searchParams;
  const system = await unitsOfDevice();
  const page = await signedIn(async (db, viewer) => ({
    draft: await openDraft(db, viewer, tree, visit, system),
    issued: await issuedOf(db, tree),
    viewer,
    mayJudge: may(viewer.role, 'judge'),
  }));
  if (!page.draft) notFound();
  const content = await tried(contentOf(page.draft.source, page.viewer));
  if ('problem' in content)
    return <NotNow title="The report" problem={content.problem} back={`/trees/${tree}`} />;
  return (
    <ReportScreen
      treeId={tree}
      visitId={page.draft.visitId}
      content={JSON.stringify(withoutDrawings(content.value))}
      head={page.draft.head}
      issued={page.issued}
      mayJudge={page.mayJudge}
      save={saveWordingAction}
      issue={issueAction}
    />
  );
}
