import type { Visit } from '../records';

/** A day to come back to a tree, and what for. */
export interface Due {
  on: string;
  why: string;
}

/** What the look at a filled hole is for. */
export const DRAIN_WHY = 'Drainage test: is the hole empty, damp or standing?';

type Dated = Pick<Visit, 'date' | 'walk' | 'lookAgain' | 'drainCheck' | 'findings'>;

/**
 * Days on which a tree is to be seen again, soonest first. One stays until it is done or moved: done by a visit on that
 * day or later, moved by a later visit that names a day of its own. A walk-round does neither. The look at a filled hole
 * stays until its answer is there.
 */
export function duesOf(visits: readonly Dated[]): Due[] {
  const full = visits.filter((v) => !v.walk);
  const looks = full.flatMap((visit): Due[] => {
    const due = visit.lookAgain;
    const over = full.some(
      (later) => later.date > visit.date && (later.lookAgain !== undefined || (due && later.date >= due.on)),
    );
    return due && !over ? [due] : [];
  });
  const holes = visits.flatMap(({ drainCheck, findings }): Due[] =>
    drainCheck && !findings.some((f) => f.key === 'probe.drain' && f.answer !== undefined)
      ? [{ on: drainCheck, why: DRAIN_WHY }]
      : [],
  );
  return [...looks, ...holes].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}
