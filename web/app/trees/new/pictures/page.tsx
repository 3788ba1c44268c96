import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { NewPicturesScreen } from '@/screens/pictures/NewPicturesScreen';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { loadCase } from '@/server/cases/load';
import { today } from '@/server/cases/write';
import { propertyHead } from '@/server/grounds/grounds';

export const metadata: Metadata = { title: 'Pictures of a new tree' };

interface Props {
  searchParams: Promise<{ property?: string; tree?: string; visit?: string }>;
}

/** The photographs of a tree until the server has it; one kept copy does for any number of trees. */
export default async function NewPicturesPage({ searchParams }: Props) {
  const { property, tree, visit } = await searchParams;
  if (!property) notFound();
  const { head, there, viewer } = await signedIn(async (db, who) => ({
    head: await propertyHead(db, property),
    there: tree !== undefined && (await loadCase(db, tree)) !== undefined,
    viewer: who,
  }));
  if (there) redirect(`/trees/${tree}/pictures${visit ? `?visit=${encodeURIComponent(visit)}` : ''}`);
  if (!head) notFound();
  return (
    <NewPicturesScreen
      property={{ id: property, name: head.name }}
      mayMeasure={may(viewer.role, 'measure')}
      viewer={viewer.name}
      person={viewer.userId}
      today={today()}
    />
  );
}
