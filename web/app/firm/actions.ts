'use server';

import { revalidatePath } from 'next/cache';
import { listPeople, loadFirm, revokeInvitation, saveFirm, setPerson } from '@/server/accounts/firm';
import { ROLES, type Role } from '@/protocol/roles';
import { invite } from '@/server/accounts/invitations';
import { ownersReset, resetLink } from '@/server/accounts/reset';
import { CLOSE_SESSION } from '@/server/accounts/sql';
import { takeOffSecondStep } from '@/server/accounts/secondStep';
import { allowed } from '@/server/accounts/viewer';
import { ownAddress } from '@/server/accounts/address';
import { takingForm } from '@/server/taking';
import { mailer } from '@/server/mail/mailer';
import type { FirmState, InviteState, PersonState } from '@/screens/account/firmStates';

const text = (form: FormData, name: string) => String(form.get(name) ?? '').trim();
const roleIn = (form: FormData): Role | undefined => ROLES.find((r) => r === form.get('role'));

export const saveFirmAction = takingForm(async (state: FirmState, form): Promise<FirmState> => {
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
      problem: `Changed by someone else to “${name}”, ${report_prefix}. Yours is shown; Save keeps yours.`,
    };
  }
  return { ...given, version: saved.version!, told: 'Saved.' };
});

export const inviteAction = takingForm(async (_: InviteState, form): Promise<InviteState> => {
  const given = { email: text(form, 'email'), role: text(form, 'role') };
  const role = roleIn(form);
  if (!role) return { ...given, problem: `Role: “${given.role}” is not one of ${ROLES.join(', ')}.` };
  if (!/^[^\s@]+@[^\s@]+$/.test(given.email))
    return { ...given, problem: `E-mail: “${given.email}” is not an address.` };
  const made = await allowed('manage', async (db, viewer) => ({
    token: await invite(db, given.email, role),
    firm: viewer.firmName,
  }));
  if ('problem' in made) return { ...given, problem: made.problem };
  const link = new URL(`/invite/${made.token}`, await ownAddress()).toString();
  const mailed = await mailInvitation(given.email, made.firm, link);
  revalidatePath('/firm');
  return { email: '', role: given.role, link, mailed: mailed ? given.email : undefined };
});

/** Mails an invitation where this server sends mail; whether it does. */
async function mailInvitation(to: string, firm: string, link: string): Promise<boolean> {
  const send = mailer();
  if (!send) return false;
  try {
    await send({
      to,
      subject: `${firm} invites you to Undrel`,
      text: `${firm} invites you to work with them in Undrel.\n\n${link}\n\nThe link works once, for seven days.`,
    });
    return true;
  } catch (error) {
    console.error(`an invitation was not mailed: ${error instanceof Error ? error.message : String(error)}`);
    return false;
  }
}

export const setPersonAction = takingForm(async (_: PersonState, form): Promise<PersonState> => {
  const id = text(form, 'id');
  const wanted = text(form, 'do');
  if (wanted === 'link') return passwordLink(id);
  if (wanted === 'second') return secondStepOff(id);
  const role = roleIn(form);
  if (!role) return { problem: `Role: “${text(form, 'role')}” is not one of ${ROLES.join(', ')}.` };
  const answer = await allowed('manage', async (db) => ({
    refused: await setPerson(
      db,
      id,
      role,
      form.get('shut') === 'out' || (form.get('shut') === null && form.get('was') === 'out'),
      Number(form.get('version')),
    ),
  }));
  revalidatePath('/firm');
  return { problem: 'problem' in answer ? answer.problem : answer.refused };
});

/** A link with which a person of the firm chooses a new password. */
async function passwordLink(id: string): Promise<PersonState> {
  const answer = await allowed('manage', async (db, viewer) => ({
    viewer,
    person: (await listPeople(db)).find((p) => p.id === id && !p.disabled),
  }));
  if ('problem' in answer) return { problem: answer.problem };
  if (!answer.person) return { problem: 'This person is shut out or gone; the page shows it now.' };
  const link = resetLink(await ownAddress(), await ownersReset(answer.viewer, id));
  return {
    link,
    told: `Give ${answer.person.name} this link for a new password; it works once, within a day, and is not shown again.`,
  };
}

/** For who has lost phone and passkeys: the password alone does again. */
async function secondStepOff(id: string): Promise<PersonState> {
  const answer = await allowed('manage', async (db) => {
    await takeOffSecondStep(db, id);
    return { name: (await listPeople(db)).find((p) => p.id === id)?.name };
  });
  revalidatePath('/firm');
  if ('problem' in answer) return { problem: answer.problem };
  return {
    told: `The second step of ${answer.name ?? 'this person'} is off; they are signed out everywhere.`,
  };
}

/** Takes back an invitation that nobody has taken up. */
export const revokeInvitationAction = takingForm(
  async (_: { problem?: string }, form): Promise<{ problem?: string }> => {
    const answer = await allowed('manage', async (db) => ({
      revoked: await revokeInvitation(db, text(form, 'id')),
    }));
    revalidatePath('/firm');
    if ('problem' in answer) return { problem: answer.problem };
    return answer.revoked ? {} : { problem: 'It has been accepted or withdrawn; the page shows it now.' };
  },
);

/** Ends a session of somebody of the firm: what its device took along goes at its next contact. */
export const endSessionAction = takingForm(
  async (_: { problem?: string }, form): Promise<{ problem?: string }> => {
    const answer = await allowed('manage', async (db) => {
      await db.rows(CLOSE_SESSION, [text(form, 'id')]);
      return { ended: true };
    });
    revalidatePath('/firm');
    return 'problem' in answer ? { problem: answer.problem } : {};
  },
);
