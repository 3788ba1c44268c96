'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import type { FeedHead, Marked, Marking, PlannedDay } from '@/protocol/season';
import { allowed } from '@/server/accounts/viewer';
import { ownAddress } from '@/server/accounts/address';
import { listFeeds, makeFeed, revokeFeed, type FeedGiven } from '@/server/season/feeds';
import { planDays } from '@/server/season/plan';
import { noteYard } from '@/server/season/yard';
import { ID, taking } from '@/server/taking';
import type { Place } from '@undrel/core/crewDays';
import { ROLES } from '@undrel/core/schedule';
import { OPERATION_KEYS } from '@undrel/core/vocabulary';
import { markTask } from '@/server/season/mark';

const on = z.string();
const why = z.string();
const MARKING: z.ZodType<Marking> = z.discriminatedUnion('how', [
  z.object({ how: z.literal('done'), on }),
  z.object({ how: z.literal('moved'), on, why }),
  z.object({ how: z.literal('dropped'), why }),
  z.object({ how: z.literal('open') }),
]);
const FEED: z.ZodType<FeedGiven> = z.object({
  name: z.string(),
  who: z.enum(['', ...ROLES]),
  property: z.string(),
});
const PLANNED: z.ZodType<PlannedDay> = z.object({
  visitId: ID,
  operation: z.enum(OPERATION_KEYS),
  part: z.number(),
  on,
});

/** Says of a task that it was done, moved or dropped, or takes that back. */
export const markAction = taking(
  [ID, z.string().max(120), MARKING],
  (visitId, task, marking): Promise<Marked> =>
    allowed('measure', (db, viewer) => markTask(db, viewer, visitId, task, marking)),
);

/** Opens an address that another calendar reads. */
export const makeFeedAction = taking(
  [FEED],
  async (given): Promise<{ link: string; feeds: FeedHead[] } | { problem: string }> => {
    const made = await allowed('judge', async (db, viewer) => {
      const feed = await makeFeed(db, viewer, given);
      return 'problem' in feed ? feed : { token: feed.token, feeds: await listFeeds(db) };
    });
    if ('problem' in made) return made;
    return { link: new URL(`/calendar/${made.token}.ics`, await ownAddress()).href, feeds: made.feeds };
  },
);

/** Takes an address back. */
export const revokeFeedAction = taking([ID], (id): Promise<{ feeds?: FeedHead[]; problem?: string }> =>
  allowed('judge', async (db) => {
    await revokeFeed(db, id);
    return { feeds: await listFeeds(db) };
  }),
);

/** Notes where the crews start from. */
export const noteYardAction = taking(
  [z.object({ latitude: z.string(), longitude: z.string() })],
  async (typed): Promise<{ problem: string } | { yard: Place | undefined }> => {
    const noted = await allowed('judge', (db) => noteYard(db, typed));
    if (!('problem' in noted)) revalidatePath('/season');
    return noted;
  },
);

/** Writes the days of works into the prescriptions. */
export const planDaysAction = taking(
  [z.array(PLANNED)],
  (days): Promise<{ problem?: string; planned?: number }> =>
    allowed('judge', (db, viewer) => planDays(db, viewer, days)),
);
