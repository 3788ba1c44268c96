import type { CrewJob } from '@undrel/core/crewDays';
import { CREW_DAYS, IN_THE_GROUND, NOT_IN_HEAT } from '@undrel/core/practice';
import { stretchesIn, type Spell } from '@undrel/core/schedule';
import { dayAfter } from '@undrel/core/vocabulary';
import type { WorkRow } from '../../protocol/season';
import type { Prescribed } from './useSeasonLines';

/** A job with the work that it is, or is a part of. */
export interface RowJob extends CrewJob {
  row: WorkRow;
  /** Which of how many days it takes, where it takes more than one. */
  piece: number;
  pieces: number;
}

/** Working days from one on: Monday to Friday, and Saturday where it is asked for. */
export function workDays(from: string, weeks: number, saturday: boolean): string[] {
  return Array.from({ length: 7 * weeks }, (_, i) => dayAfter(from, i)).filter((day) => {
    const weekday = new Date(day).getUTCDay();
    return weekday !== 0 && (saturday || weekday !== 6);
  });
}

/**
 * What a crew has to do, as jobs that each fit a day: a work of more hours is cut into equal pieces. Within a tree the
 * order of work holds, and what waits for dried bark comes two weeks after the digging.
 *
 * @param hours of a working day
 * @param span first and last of the days
 * @param spells how the year usually goes, by grounds
 * @param locks the day that somebody set a job on, by its id
 */
export function jobsOf(
  works: readonly WorkRow[],
  hours: number,
  locks: ReadonlyMap<string, string>,
  [begin, end]: readonly [string, string],
  spells: Prescribed['spells'],
): RowJob[] {
  const lies = (propertyId: string, key: Spell['key']) =>
    (spells.find((s) => s.propertyId === propertyId)?.spells ?? [])
      .filter((s) => s.key === key)
      .flatMap((s) => stretchesIn(s, begin, end));
  const longest = Math.max(0.5, hours - CREW_DAYS.travel.value);
  const mine = works.filter((w) => w.who === 'crew' && w.hours > 0 && w.open !== undefined && !w.waits);
  return mine.flatMap((row): RowJob[] => {
    const pieces = Math.max(1, Math.ceil(row.hours / longest - 1e-9));
    const idOf = (w: WorkRow, piece: number) => `${w.visitId} ${w.key}${piece > 1 ? ` ${piece}` : ''}`;
    const piecesOf = (w: WorkRow) => Math.max(1, Math.ceil(w.hours / longest - 1e-9));
    const before = mine.filter((w) => w.treeId === row.treeId && w.place < row.place);
    const after = before.map((w) => ({
      id: idOf(w, piecesOf(w)),
      days: row.dries && w.operation === 'excavate' ? CREW_DAYS.drying.value : 0,
    }));
    const open = row.open!;
    const ground = IN_THE_GROUND.includes(row.operation);
    const shut = [
      ...(ground ? lies(row.propertyId, 'frozen') : []),
      ...(NOT_IN_HEAT.includes(row.operation) ? lies(row.propertyId, 'heat') : []),
    ];
    const wet = ground ? lies(row.propertyId, 'wet') : [];
    return Array.from({ length: pieces }, (_, i): RowJob => {
      const id = idOf(row, i + 1);
      return {
        id,
        grounds: row.propertyId,
        hours: row.hours / pieces,
        air: row.air,
        from: open.from > row.from ? open.from : row.from,
        to: row.to,
        ...(open.to !== undefined && { until: open.to }),
        ...(shut.length > 0 && { shut }),
        ...(wet.length > 0 && { wet }),
        after: i === 0 ? after : [{ id: idOf(row, i), days: 1 }],
        ...(locks.has(id) && { lock: locks.get(id)! }),
        row,
        piece: i + 1,
        pieces,
      };
    });
  });
}
