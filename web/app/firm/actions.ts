'use server';

import { revalidatePath } from 'next/cache';
import { headers } from 'next/headers';
import { loadFirm, revokeInvitation, saveFirm, setPerson } from '@/server/accounts/firm';
import { ROLES, type Role } from '@/protocol/roles';
import { invite } from '@/server/accounts/session';
import { allowed } from '@/server/accounts/viewer';
import type { FirmState, InviteState } from '@/screens/account/FirmScreen';

const text = (form: FormData, name: string) => String(form.get(name) ?? '').trim();
const roleIn = (form: FormData): Role | undefined => ROLES.find((r) => r === form.get('role'));

export async function saveFirmAction(state: FirmState, form: FormData): Promise<FirmState> {
  const given = {
    ...state,
    told: undefined,
    problem: undefined,
    name: text(form, 'name'),
    units: text(form, 'units'),
    prefix: text(form, 'prefix'),
  };
  if (given.name.length < 1 || given.name.length > 120)
    return { ...given, problem: `Name: ${given.name.length} characters; 1 to 120 are allowed.` };
  if (!/^[A-Z0-9]{1,8}$/.test(given.prefix))
    return { ...given, problem: `Report numbers: “${given.prefix}” is not 1 to 8 capitals or digits.` };
  const units = given.units === 'us' ? 'us' : 'metric';
  const saved = await allowed('manage', async (db) => {
    const version = await saveFirm(
      db,
      { name: given.name, units, report_prefix: given.prefix },
      state.version,
    );
    return version === undefined ? { theirs: await loadFirm(db) } : { version };
  });
  if ('problem' in saved) return { ...given, problem: saved.problem };
  if (saved.theirs) {
    const { name, report_prefix, version } = saved.theirs;
    return {
      ...given,
      version,
      problem: `Changed meanwhile to “${name}”, ${report_prefix}. Yours is shown; Save keeps yours.`,
    };
  }
  return { ...given, version: saved.version!, told: 'Saved.' };
}

export async function inviteAction(_: InviteState, form: FormData): Promise<InviteState> {
  const given = { email: text(form, 'email'), role: text(form, 'role') };
  const role = roleIn(form);
  if (!role) return { ...given, problem: `Role: “${given.role}” is not one of ${ROLES.join(', ')}.` };
  if (!/^[^\s@]+@[^\s@]+$/.test(given.email))
    return { ...given, problem: `E-mail: “${given.email}” is not an address.` };
  const made = await allowed('manage', async (db) => ({ token: await invite(db, given.email, role) }));
  if ('problem' in made) return { ...given, problem: made.problem };
  const list = await headers();
  const scheme = list.get('x-forwarded-proto') ?? 'http';
  revalidatePath('/firm');
  return { email: '', role: given.role, link: `${scheme}://${list.get('host')}/invite/${made.token}` };
}

export async function setPersonAction(
  _: { problem?: string },
  form: FormData,
): Promise<{ problem?: string }> {
  const role = roleIn(form);
  if (!role) return { problem: `Role: “${text(form, 'role')}” is not one of ${ROLES.join(', ')}.` };
  const answer = await allowed('manage', async (db) => ({
    refused: await setPerson(
      db,
      text(form, 'id'),
      role,
      form.get('shut') === 'out' || (form.get('shut') === null && form.get('was') === 'out'),
      Number(form.get('version')),
    ),
  }));
  revalidatePath('/firm');
  return { problem: 'problem' in answer ? answer.problem : answer.refused };
}

/** Takes back an invitation that nobody has taken up. */
export async function revokeInvitationAction(
  _: { problem?: string },
  form: FormData,
): Promise<{ problem?: string }> {
  const answer = await allowed('manage', async (db) => ({
    revoked: await revokeInvitation(db, text(form, 'id')),
  }));
  revalidatePath('/firm');
  if ('problem' in answer) return { problem: answer.problem };
  return answer.revoked ? {} : { problem: 'It was taken up or taken back meanwhile; the page shows it now.' };
}
