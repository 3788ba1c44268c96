'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import type { Worth } from '@undrel/core/records';
import { ownAddress } from '@/server/accounts/address';
import { unitsOfDevice } from '@/server/accounts/device';
import { beside } from '@/server/beside';
import { allowed } from '@/server/accounts/viewer';
import { changeTree } from '@/server/cases/changeTree';
import { today } from '@/server/cases/write';
import { isLanguage, LANGUAGES } from '@/language/languages';
import { makeOffer, OFFER_DAYS, revokeOffer } from '@/server/offers/offers';
import { openDraft } from '@/server/reports/reports';
import { ID, taking } from '@/server/taking';
import type { Made } from '@/screens/options/ClientLink';

/** Keeps what the page shows behind a new link. */
export const makeOfferAction = taking(
  // How many days are allowed is said below, NaN included.
  [ID, ID, z.custom<number>((days) => typeof days === 'number'), z.string()],
  async (treeId, visitId, days, language): Promise<Made> => {
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
    if (!content)
      return { problem: 'The firm has no rates, so there is nothing to offer. Enter them first.' };
    const made = await allowed('judge', (db) => makeOffer(db, visitId, content, days));
    if ('problem' in made) return made;
    revalidatePath(`/trees/${treeId}/options`);
    return { link: new URL(`/offer/${made.token}`, await ownAddress()).href };
  },
);

export const revokeOfferAction = taking([ID, ID], async (treeId, id): Promise<{ problem?: string }> => {
  const done = await allowed('judge', async (db) => ({ revoked: await revokeOffer(db, id) }));
  revalidatePath(`/trees/${treeId}/options`);
  if ('problem' in done) return { problem: done.problem };
  return done.revoked ? {} : { problem: 'The link has been approved or withdrawn; the page shows it now.' };
});

/** Keeps what a tree is worth to its owner, as they said it; without an amount, nothing is kept. The rules of a tree check it. */
export const keepWorthAction = taking(
  [ID, z.custom<Worth | undefined>()],
  async (treeId, worth): Promise<{ problem?: string }> => {
    const answer = await allowed('judge', (db, viewer) =>
      changeTree(db, viewer, treeId, async (tree) => ({ ...tree, worth })),
    );
    revalidatePath(`/trees/${treeId}/options`);
    return answer;
  },
);
