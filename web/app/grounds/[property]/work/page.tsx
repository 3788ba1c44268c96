import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { WorkScreen } from '@/screens/property/WorkScreen';
import { unitsOfDevice } from '@/server/accounts/device';
import { signedIn } from '@/server/accounts/viewer';
import { propertyWork } from '@/server/offers/propertyWork';

export const metadata: Metadata = { title: 'Work on the grounds' };

export default async function WorkPage({ params }: { params: Promise<{ property: string }> }) {
  const { property } = await params;
  const system = await unitsOfDevice();
  const found = await signedIn((db, viewer) => propertyWork(db, viewer, property, system));
  if (!found) notFound();
  return <WorkScreen work={found.work} rates={found.rates} />;
}
