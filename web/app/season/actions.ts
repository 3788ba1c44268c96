'use server';

import { revalidatePath } from 'next/cache';
import type { FeedHead, Marked, Marking, PlannedDay } from '@/protocol/season';
import { allowed } from '@/server/accounts/viewer';
import { ownAddress } from '@/server/accounts/address';
import { listFeeds, makeFeed, revokeFeed, type FeedGiven } from '@/server/season/feeds';
import { planDays } from '@/server/season/plan';
import { noteYard } from '@/server/season/yard';
import type { Place } from '@undrel/core/crewDays';
import { markTask } from '@/server/season/mark';

/** Says of a task that it was done, moved or dropped, or takes that back. */
export const markAction = async (visitId: string, task: string, marking: Marking): Promise<Marked> =>
  allowed('measure', (db, viewer) => markTask(db, viewer, String(visitId), String(task), marking));

/** Opens an address that another calendar reads. */
export async function makeFeedAction(
  given: FeedGiven,
): Promise<{ link: string; feeds: FeedHead[] } | { problem: string }> {
  const made = await allowed('judge', async (db, viewer) => {
    const feed = await makeFeed(db, viewer, given);
    return 'problem' in feed ? feed : { token: feed.token, feeds: await listFeeds(db) };
  });
  if ('problem' in made) return made;
  return { link: new URL(`/calendar/${made.token}.ics`, await ownAddress()).href, feeds: made.feeds };
}

/** Takes an address back. */
export const revokeFeedAction = async (id: string): Promise<{ feeds?: FeedHead[]; problem?: string }> =>
  allowed('judge', async (db) => {
    await revokeFeed(db, String(id));
    return { feeds: await listFeeds(db) };
  });

/** Notes where the crews start from. */
export async function noteYardAction(typed: {
  latitude: string;
  longitude: string;
}): Promise<{ problem: string } | { yard: Place | undefined }> {
  const noted = await allowed('judge', (db) => noteYard(db, typed));
  if (!('problem' in noted)) revalidatePath('/season');
  return noted;
}

/** Writes the days of works into the prescriptions. */
export const planDaysAction = async (days: PlannedDay[]): Promise<{ problem?: string; planned?: number }> =>
  allowed('judge', (db, viewer) => planDays(db, viewer, days));
