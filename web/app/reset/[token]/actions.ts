'use server';

import { redirect } from 'next/navigation';
import { takingFormOf } from '@/server/taking';
import { resetPassword } from '@/server/accounts/reset';

export const resetAction = takingFormOf(
  async (token: string, _: { problem?: string }, form): Promise<{ problem?: string }> => {
    const problem = await resetPassword(token, String(form.get('password') ?? ''));
    if (problem) return { problem };
    redirect('/sign-in?changed');
  },
);
