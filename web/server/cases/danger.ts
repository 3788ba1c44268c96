import { DANGER_SIGNS } from '@undrel/core/diagnosis';
import type { SignSeen } from '../../protocol/mayFall';
import type { Db } from '../database/transaction';
import * as sql from './sql';

/** Trees of a firm that show a sign that they may fall and were not assessed since: what has to be known first of all. */
export const signsSeen = (db: Db): Promise<SignSeen[]> =>
  db.rows<SignSeen>(sql.SIGNS_SEEN, [
    DANGER_SIGNS.map((s) => s.key),
    DANGER_SIGNS.map((s) => s.answer),
    DANGER_SIGNS.map((s) => s.from ?? null),
  ]);
