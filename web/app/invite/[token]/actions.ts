'use server';

import { redirect } from 'next/navigation';
import { acceptInvitation } from '@/server/accounts/invitations';
import { keepSession, origin } from '@/server/accounts/viewer';
import { takingFormOf } from '@/server/taking';
import type { AcceptState } from '@/screens/account/InviteScreen';

export const acceptAction = takingFormOf(
  async (token: string, _: AcceptState, form): Promise<AcceptState> => {
    const name = String(form.get('name') ?? '').trim();
    if (name.length < 1 || name.length > 120)
      return { name, problem: `Your name: ${name.length} characters; 1 to 120 are allowed.` };
    const session = await acceptInvitation(token, name, String(form.get('password') ?? ''), await origin());
    if (!session.ok) return { name, problem: session.reason };
    await keepSession(session);
    redirect('/grounds');
  },
);
