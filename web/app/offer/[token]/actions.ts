'use server';

import { revalidatePath } from 'next/cache';
import { approveOffer } from '@/server/offers/offers';
import { takingFormOf } from '@/server/taking';
import type { ApproveState } from '@/screens/offer/OfferScreen';

export const approveAction = takingFormOf(
  async (token: string, state: ApproveState, form): Promise<ApproveState> => {
    const text = (name: string) => String(form.get(name) ?? '');
    const given = { option: text('option'), name: text('name'), note: text('note'), sha256: text('sha256') };
    if (!given.option) return { ...state, ...given, problem: 'Choose one of the options first.' };
    const problem = await approveOffer(token, given);
    if (problem) return { ...state, ...given, problem };
    revalidatePath(`/offer/${token}`);
    return { ...given, problem: undefined };
  },
);
