import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { WorkScreen } from '@/screens/property/WorkScreen';
import { unitsOfDevice } from '@/server/accounts/device';
import { signedIn } from '@/server/accounts/viewer';
import { may } from '@/server/accounts/roles';
import { propertyWork } from '@/server/offers/propertyWork';
import { tickAction } from './actions';

export const metadata: Metadata = { title: 'Work on the grounds' };

export default async function WorkPage({ params }: { params: Promise<{ property: string }> }) {
  const { property } = await params;
  const system = await unitsOfDevice();
  const { found, mayTick } = await signedIn(async (db, viewer) => ({
    found: await propertyWork(db, viewer, property, system),
    mayTick: may(viewer.role, 'measure'),
  }));
  if (!found) notFound();
  return <WorkScreen work={found.work} rates={found.rates} tick={mayTick ? tickAction : undefined} />;
}
