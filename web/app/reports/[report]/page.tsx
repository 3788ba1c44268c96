import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { IssuedScreen } from '@/screens/report/IssuedScreen';
import { signedIn } from '@/server/accounts/viewer';
import { issuedReport, weighedNow } from '@/server/reports/reports';

export const metadata: Metadata = { title: 'Issued report' };

export default async function IssuedPage({ params }: { params: Promise<{ report: string }> }) {
  const { report: id } = await params;
  const report = await signedIn((db) => issuedReport(db, id));
  if (!report?.number) notFound();
  return (
    <IssuedScreen
      id={report.id}
      treeId={report.tree_id}
      number={report.number}
      issued={report.issued_at!}
      sha256={report.sha256!}
      content={report.content}
      again={weighedNow(report)}
    />
  );
}
