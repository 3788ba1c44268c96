import type { Finding, SoilLog } from '@undrel/core/records';
import { shootsIn } from '@undrel/core/history';
import type { ReferenceGround, ReferenceShoots } from '../../protocol/reference';
import type { Db } from '../database/transaction';
import { REFERENCE_LOGS, REFERENCE_SHOOTS } from './sql';

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

/** Holes of the soil probe beside a reference tree of the property; undefined where there are none. */
export async function referenceGround(db: Db, treeId: string): Promise<ReferenceGround | undefined> {
  const row = await db.row<{
    label: string;
    logs: (Omit<SoilLog, 'refusal' | 'oldGrade'> & { refusal: number | null; oldGrade: number | null })[];
  }>(REFERENCE_LOGS, [treeId]);
  return (
    row && {
      label: row.label,
      logs: row.logs.map(({ refusal, oldGrade, ...log }) => ({
        ...log,
        ...(refusal !== null && { refusal }),
        ...(oldGrade !== null && { oldGrade }),
      })),
    }
  );
}
