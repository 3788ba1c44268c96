import type { Finding } from '@undrel/core/casefile';
import { shootsIn } from '@undrel/core/history';
import type { ReferenceShoots } from '../../protocol/reference';
import type { Db } from '../database/transaction';
import { REFERENCE_SHOOTS } from './sql';

/** Shoots of the reference tree of a tree's genus with the most years read; undefined where there is none. */
export async function referenceShoots(db: Db, treeId: string): Promise<ReferenceShoots | undefined> {
  const rows = await db.rows<{ label: string; findings: Finding[] }>(REFERENCE_SHOOTS, [treeId]);
  const [most] = rows
    .map(({ label, findings }) => ({
      label,
      series: shootsIn(findings).filter((s) => s.values.length > 1),
    }))
    .filter((r) => r.series.length > 0)
    .sort((a, b) => b.series[0]!.values.length - a.series[0]!.values.length);
  return most;
}
