'use server';

import { revalidatePath } from 'next/cache';
import type { ReceiveState } from '@/screens/notice/ReceiveScreen';
import { takingFormOf } from '@/server/taking';
import { receiveNotice } from '@/server/notices/notices';

export const receiveAction = takingFormOf(
  async (token: string, _: ReceiveState, form): Promise<ReceiveState> => {
    const text = (name: string) => String(form.get(name) ?? '');
    const given = { name: text('name'), sha256: text('sha256') };
    const problem = await receiveNotice(token, given);
    if (problem) return { ...given, problem };
    revalidatePath(`/notice/${token}`);
    return given;
  },
);
