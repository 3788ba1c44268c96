'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { allowed } from '@/server/accounts/viewer';
import { beginRound, propertyHead, removeProperty, setProperty } from '@/server/grounds/grounds';
import { ID, taking, takingFormOf } from '@/server/taking';
import type { PropertyEditState } from '@/screens/property/PropertyEdit';

export const savePropertyAction = takingFormOf(
  async (id: string, state: PropertyEditState, form): Promise<PropertyEditState> => {
    const text = (name: string) => String(form.get(name) ?? '');
    const given = { name: text('name'), client: text('client'), note: text('note') };
    if (given.name.trim() === '' || given.name.length > 120) {
      return { ...state, ...given, problem: `Name: ${given.name.length} characters; 1 to 120 are allowed.` };
    }
    const saved = await allowed('measure', async (db) =>
      (await setProperty(db, id, given, state.version))
        ? { ok: true as const }
        : { now: await propertyHead(db, id) },
    );
    if ('problem' in saved) return { ...state, ...given, problem: saved.problem };
    if ('ok' in saved) {
      revalidatePath(`/grounds/${id}`);
      return { ...state, ...given, done: true };
    }
    if (!saved.now) return { ...state, ...given, problem: 'This property has been removed.' };
    const { name, client, note, version } = saved.now;
    return {
      ...given,
      version,
      theirs: { name, client: client ?? '', note: note ?? '' },
      problem: 'Someone else has changed this property.',
    };
  },
);

export const removePropertyAction = taking([ID], async (id): Promise<{ problem: string }> => {
  const done = await allowed('judge', async (db) => ({ name: await removeProperty(db, id) }));
  if ('problem' in done) return done;
  redirect(`/grounds?removed=${encodeURIComponent(id)}&name=${encodeURIComponent(done.name ?? '')}`);
});

export const beginRoundAction = taking([ID], async (id): Promise<void> => {
  await allowed('measure', async (db) => ({ name: await beginRound(db, id) }));
  revalidatePath(`/grounds/${id}/walk`);
});
