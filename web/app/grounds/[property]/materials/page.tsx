import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { MaterialsScreen } from '@/screens/property/MaterialsScreen';
import { signedIn } from '@/server/accounts/viewer';
import { propertyHead } from '@/server/grounds/grounds';
import { loadMaterials } from '@/server/grounds/materials';

export const metadata: Metadata = { title: 'Materials' };

export default async function MaterialsPage({ params }: { params: Promise<{ property: string }> }) {
  const { property } = await params;
  const { head, trees } = await signedIn(async (db) => ({
    head: await propertyHead(db, property),
    trees: await loadMaterials(db, property),
  }));
  if (!head) notFound();
  return <MaterialsScreen property={{ id: property, name: head.name }} trees={trees} />;
}
