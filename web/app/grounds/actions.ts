'use server';

import { redirect } from 'next/navigation';
import { allowed } from '@/server/accounts/viewer';
import { restoreTree } from '@/server/cases/write';
import { addProperty, restoreProperty } from '@/server/grounds/grounds';
import { ID, takingForm } from '@/server/taking';
import type { NewProperty } from '@/screens/grounds/GroundsScreen';

export const addPropertyAction = takingForm(async (_: NewProperty, form): Promise<NewProperty> => {
  const text = (name: string) => String(form.get(name) ?? '');
  const given = { name: text('name'), client: text('client'), note: text('note') };
  if (given.name.trim() === '' || given.name.length > 120) {
    return { ...given, problem: `Name: ${given.name.length} characters; 1 to 120 are allowed.` };
  }
  const added = await allowed('measure', async (db) => ({ id: await addProperty(db, given) }));
  if ('problem' in added) return { ...given, problem: added.problem };
  redirect(`/grounds/${added.id}`);
});

/** Undoes the removal of grounds or of a tree. */
export async function restoreAction(
  propertyId: string | undefined,
  treeId: string | undefined,
): Promise<void> {
  const known = [propertyId, treeId].every((id) => ID.optional().safeParse(id).success);
  if (!known) return;
  await allowed('measure', async (db) => {
    if (propertyId) await restoreProperty(db, propertyId);
    if (treeId) await restoreTree(db, treeId);
    return {};
  });
  redirect(propertyId ? `/grounds/${propertyId}` : `/trees/${treeId}`);
}
