import type { House } from '@undrel/core/house';
import type { FollowUpMark } from '@undrel/core/records';
import { byTime, isOpen, tasksOf, type Looked } from '@undrel/core/schedule';
import type { Schools } from '@undrel/core/practice';
import { dayAfter } from '@undrel/core/vocabulary';
import type { TaskRow } from '../../protocol/season';
import type { Db } from '../database/transaction';
import * as sql from './sql';

interface LookedRow {
  treeId: string;
  label: string;
  species: string;
  schools: Schools | null;
  propertyId: string;
  property: string;
  house: House;
  /** Last day on which somebody received the notice of the grounds. */
  noticed: string | null;
  visits: {
    id: string;
    date: string;
    walk: boolean | null;
    lookOn: string | null;
    lookWhy: string | null;
    drainCheck: string | null;
    work: NonNullable<Looked['work']>;
    followUps: (FollowUpMark & { version: number })[];
    looks: string[];
    profile: boolean;
    probe: boolean;
    push: boolean;
    dig: boolean;
  }[];
}

const ANY = [true];

function lookedOf(v: LookedRow['visits'][number]): Looked {
  return {
    date: v.date,
    ...(v.walk && { walk: true as const }),
    ...(v.lookOn && { lookAgain: { on: v.lookOn, why: v.lookWhy ?? '' } }),
    ...(v.drainCheck && { drainCheck: v.drainCheck }),
    work: v.work,
    followUps: v.followUps,
    findings: v.looks.map((key) => ({ key, answer: 'seen' })),
    profiles: v.profile ? ANY : [],
    probes: v.probe ? ANY : [],
    pushes: v.push ? ANY : [],
    ...(v.dig && { dig: true }),
  };
}

/** How far ahead a calendar looks, days. */
export const AHEAD_DAYS = 400;
/** What was done or dropped stays in view for so many days, so that it can be taken back. */
const KEPT_DAYS = 30;

/**
 * What follows the work of a firm, on all grounds or on one, what presses first: open tasks of the year to come, and what was
 * closed lately.
 */
export async function listTasks(db: Db, today: string, propertyId: string | null = null): Promise<TaskRow[]> {
  const until = dayAfter(today, AHEAD_DAYS);
  const since = dayAfter(today, -KEPT_DAYS);
  const rows = await db.rows<LookedRow>(sql.LOOKED, [propertyId]);
  return rows
    .flatMap(({ visits, schools, house, noticed, ...place }): TaskRow[] =>
      tasksOf({ ...(schools && { schools }) }, visits.map(lookedOf), house, today, [], noticed ?? undefined)
        .filter((t) => t.from <= until && (isOpen(t) || (t.closed !== undefined && t.closed >= since)))
        .map((task) => {
          const { id: visitId, followUps } = visits[task.visit]!;
          const version = followUps.find((f) => f.task === task.key)?.version ?? 0;
          return { ...task, ...place, visitId, version };
        }),
    )
    .sort(byTime);
}
