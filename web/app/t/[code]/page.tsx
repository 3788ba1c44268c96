import { notFound, redirect } from 'next/navigation';
import { signedIn } from '@/server/accounts/viewer';
import { treeOfCode } from '@/server/along/along';

/** Where the code on a tree's label leads: to the tree, for those who work on it; to signing in for everybody else. */
export default async function LabelPage({ params }: { params: Promise<{ code: string }> }): Promise<never> {
  const { code } = await params;
  const tree = await signedIn((db) => treeOfCode(db, code));
  if (!tree) notFound();
  redirect(`/trees/${tree}`);
}
