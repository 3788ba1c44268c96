'use server';

import { revalidatePath } from 'next/cache';
import type { ReceiveState } from '@/screens/notice/ReceiveScreen';
import { receiveNotice } from '@/server/notices/notices';

export async function receiveAction(token: string, _: ReceiveState, form: FormData): Promise<ReceiveState> {
  const text = (name: string) => String(form.get(name) ?? '');
  const given = { name: text('name'), sha256: text('sha256') };
  const problem = await receiveNotice(token, given);
  if (problem) return { ...given, problem };
  revalidatePath(`/notice/${token}`);
  return given;
}
