'use server';

import { redirect } from 'next/navigation';
import { resetPassword } from '@/server/accounts/reset';

export async function resetAction(
  token: string,
  _: { problem?: string },
  form: FormData,
): Promise<{ problem?: string }> {
  const problem = await resetPassword(token, String(form.get('password') ?? ''));
  if (problem) return { problem };
  redirect('/sign-in?changed');
}
