import { FIRM } from '../accounts/sql';
import type { Viewer } from '../accounts/session';
import type { Db } from '../database/transaction';
import type { ReportStamp } from '../../documents/head';
import * as sql from './sql';

/** Runs work in one transaction of the firm. */
export type InFirm = <T>(work: (db: Db, viewer: Viewer) => Promise<T>) => Promise<T>;

/** How often a report is set anew because its number went to another meanwhile. */
const TRIES = 8;

/**
 * Issues something under the next number of the firm, without gaps. What carries the number is made outside of any
 * transaction; number and file are kept together in one short transaction, and only if that number is still the next.
 * Where it went to another, all of it is made anew.
 *
 * @param make what is kept under this number
 * @param before what stands in place of it all, found while whoever else issues waits
 * @param keep stores it; the number is taken
 */
export async function underNextNumber<Made, Kept>(
  inFirm: InFirm,
  make: (stamp: ReportStamp) => Promise<Made>,
  before: (db: Db) => Promise<Kept | undefined>,
  keep: (db: Db, stamp: ReportStamp, made: Made) => Promise<Kept>,
): Promise<Kept | { problem: string }> {
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const issued = new Date().toISOString().slice(0, 10);
    const year = Number(issued.slice(0, 4));
    const { prefix, next } = await inFirm(async (db) => ({
      prefix: (await db.row<{ report_prefix: string }>(FIRM))!.report_prefix,
      next: (await db.row<{ last: number }>(sql.LAST_NUMBER, [year]))?.last ?? 0,
    }));
    const stamp = { number: `${prefix}-${year}-${String(next + 1).padStart(4, '0')}`, issued };
    const made = await make(stamp);
    const done = await inFirm(async (db): Promise<Kept | 'taken'> => {
      // Whoever issues another report of the firm waits here.
      await db.rows(sql.HOLD_COUNTER, [year]);
      const there = await before(db);
      if (there) return there;
      const taken = await db.row<{ last: number }>(sql.TAKE_NUMBER, [year, next]);
      return taken ? keep(db, stamp, made) : 'taken';
    });
    if (done !== 'taken') return done;
  }
  return { problem: 'Other reports took the next numbers all the while; try again.' };
}
