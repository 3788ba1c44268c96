'use server';

import { revalidatePath } from 'next/cache';
import { headers } from 'next/headers';
import type { Worth } from '@undrel/core/records';
import { unitsOfDevice } from '@/server/accounts/device';
import { beside } from '@/server/beside';
import { allowed } from '@/server/accounts/viewer';
import { changeTree } from '@/server/cases/changeTree';
import { today } from '@/server/cases/write';
import { isLanguage, LANGUAGES } from '@/language/languages';
import { makeOffer, OFFER_DAYS, revokeOffer } from '@/server/offers/offers';
import { openDraft } from '@/server/reports/reports';
import type { Made } from '@/screens/options/ClientLink';

/** Keeps what the page shows behind a new link. */
export async function makeOfferAction(
  treeId: string,
  visitId: string,
  days: number,
  language: string,
): Promise<Made> {
  if (!isLanguage(language)) return { problem: `Language: not one of ${LANGUAGES.join(', ')}.` };
  if (!Number.isInteger(days) || days < OFFER_DAYS.least || days > OFFER_DAYS.most)
    return {
      problem: `Open for: ${days} is not a number of days; ${OFFER_DAYS.least} to ${OFFER_DAYS.most} are allowed.`,
    };
  const system = await unitsOfDevice();
  const opened = await allowed('judge', async (db, viewer) => ({
    draft: await openDraft(db, viewer, treeId, visitId, system),
    viewer,
  }));
  if ('problem' in opened) return opened;
  const { draft, viewer } = opened;
  if (!draft) return { problem: 'The visit no longer exists.' };
  const content = await beside('offer', { source: draft.source, made: today(), language }, viewer);
  if (!content) return { problem: 'The firm has no rates, so there is nothing to offer. Enter them first.' };
  const made = await allowed('judge', (db) => makeOffer(db, visitId, content, days));
  if ('problem' in made) return made;
  const list = await headers();
  revalidatePath(`/trees/${treeId}/options`);
  return { link: `${list.get('x-forwarded-proto') ?? 'http'}://${list.get('host')}/offer/${made.token}` };
}

export async function revokeOfferAction(treeId: string, id: string): Promise<{ problem?: string }> {
  const done = await allowed('judge', async (db) => ({ revoked: await revokeOffer(db, id) }));
  revalidatePath(`/trees/${treeId}/options`);
  if ('problem' in done) return { problem: done.problem };
  return done.revoked ? {} : { problem: 'The link has been approved or withdrawn; the page shows it now.' };
}

/** Keeps what a tree is worth to its owner, as they said it; without an amount, nothing is kept. */
export async function keepWorthAction(
  treeId: string,
  worth: Worth | undefined,
): Promise<{ problem?: string }> {
  const answer = await allowed('judge', (db, viewer) =>
    changeTree(db, viewer, treeId, async (tree) => ({ ...tree, worth })),
  );
  revalidatePath(`/trees/${treeId}/options`);
  return answer;
}
