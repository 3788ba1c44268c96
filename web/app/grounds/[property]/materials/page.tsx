import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { MaterialsScreen } from '@/screens/property/MaterialsScreen';
import { signedIn } from '@/server/accounts/viewer';
import { propertyHead } from '@/server/grounds/grounds';
import { casesWithTrenches } from '@/server/grounds/materials';
import { beside } from '@/server/beside';

export const metadata: Metadata = { title: 'Materials' };

export default async function MaterialsPage({ params }: { params: Promise<{ property: string }> }) {
  const { property } = await params;
  const { head, cases, viewer } = await signedIn(async (db, who) => ({
    head: await propertyHead(db, property),
    cases: await casesWithTrenches(db, property),
    viewer: who,
  }));
  if (!head) notFound();
  const trees = (await Promise.all(cases.map((loaded) => beside('materials', loaded, viewer)))).flatMap(
    (own) => own ?? [],
  );
  return <MaterialsScreen property={{ id: property, name: head.name }} trees={trees} />;
}
