import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { IssuedPropertyScreen } from '@/screens/report/IssuedPropertyScreen';
import { signedIn } from '@/server/accounts/viewer';
import { editionOf } from '@/work/reports/edition';
import { propertyReportIn } from '@/server/reports/propertyReports';
import { readIn } from '@/server/reports/setDocument';

export const metadata: Metadata = { title: 'Issued report' };

export default async function IssuedPropertyPage({
  params,
  searchParams,
}: {
  params: Promise<{ report: string }>;
  searchParams: Promise<{ length?: string | string[]; language?: string | string[] }>;
}) {
  const { report: id } = await params;
  const asked = new URLSearchParams({ length: 'letter' });
  for (const [key, value] of Object.entries(await searchParams))
    if (typeof value === 'string') asked.set(key, value);
  const edition = editionOf(asked);
  if ('problem' in edition) notFound();
  const { length, language } = edition;
  const found = await signedIn(async (db, viewer) => ({
    viewer,
    report: await propertyReportIn(db, id, length),
  }));
  if (!found.report) notFound();
  const { document, ...head } = found.report;
  const doc = await readIn(language, document, found.viewer, [head.property]);
  return <IssuedPropertyScreen {...{ head, doc, length, language }} />;
}
