import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { WorkScreen } from '@/screens/property/WorkScreen';
import { unitsOfDevice } from '@/server/accounts/device';
import { signedIn } from '@/server/accounts/viewer';
import { may } from '@/protocol/roles';
import { propertySources, propertyWork } from '@/server/offers/propertyWork';
import { issuedOfProperty } from '@/server/reports/propertyReports';
import { tickAction } from './actions';

export const metadata: Metadata = { title: 'Work on the property' };

export default async function WorkPage({ params }: { params: Promise<{ property: string }> }) {
  const { property } = await params;
  const system = await unitsOfDevice();
  const { sources, issued, viewer } = await signedIn(async (db, who) => ({
    sources: await propertySources(db, who, property, system),
    issued: await issuedOfProperty(db, property),
    viewer: who,
  }));
  if (!sources) notFound();
  const found = await propertyWork(sources, viewer);
  const tick = may(viewer.role, 'measure') ? tickAction : undefined;
  return (
    <WorkScreen
      work={found.work}
      rates={found.rates}
      issued={issued}
      mayIssue={may(viewer.role, 'judge')}
      tick={tick}
    />
  );
}
