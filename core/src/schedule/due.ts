import type { Visit } from '../records';
import { DRAIN_TASK, LOOK_TASK } from './marks';

/** A day to come back to a tree, and what for. */
export interface Due {
  on: string;
  why: string;
  /** Which of the two it is, as it is marked. */
  task: typeof LOOK_TASK | typeof DRAIN_TASK;
  /** The visit that asked for it. */
  visit: string;
}

/** What the look at a filled hole is for. */
export const DRAIN_WHY = 'Drainage test: is the hole empty, damp or standing?';

type Dated = Pick<Visit, 'date' | 'walk' | 'lookAgain' | 'drainCheck' | 'findings' | 'followUps'>;

/** It as somebody moved it; undefined where it was done or dropped. */
function asMarked(due: Due, { followUps }: Pick<Visit, 'followUps'>): Due[] {
  const mark = followUps?.find((f) => f.task === due.task);
  if (!mark) return [due];
  return mark.how === 'moved' ? [{ ...due, on: mark.on }] : [];
}

/**
 * Days on which a tree is to be seen again, soonest first. One stays until it is done or moved: done by a visit on that
 * day or later, moved by a later visit that names a day of its own, or by whoever marked it so. A walk-round does neither.
 * The look at a filled hole stays until its answer is there.
 */
export function duesOf(visits: readonly Dated[]): Due[] {
  const full = visits.filter((v) => !v.walk);
  const looks = full.flatMap((visit): Due[] => {
    const asked = visit.lookAgain;
    const due = asked && asMarked({ ...asked, task: LOOK_TASK, visit: visit.date }, visit)[0];
    const over = full.some(
      (later) => later.date > visit.date && (later.lookAgain !== undefined || (due && later.date >= due.on)),
    );
    return due && !over ? [due] : [];
  });
  const holes = visits.flatMap((visit): Due[] =>
    visit.drainCheck && !visit.findings.some((f) => f.key === 'probe.drain' && f.answer !== undefined)
      ? asMarked({ on: visit.drainCheck, why: DRAIN_WHY, task: DRAIN_TASK, visit: visit.date }, visit)
      : [],
  );
  return [...looks, ...holes].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}
