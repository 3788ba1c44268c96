import type { Finding, SoilLog } from '@undrel/core/records';
import { shootsIn } from '@undrel/core/history';
import { sameGenus } from '@undrel/core/species';
import type { ReferenceGround, ReferenceShoots } from '../../protocol/reference';
import type { Db } from '../database/transaction';
import { REFERENCE_LOGS, REFERENCE_SHOOTS } from './sql';

/** By tree: shoots of the reference tree of its genus with the most years read; those that have none are left out. */
export async function referenceShoots(
  db: Db,
  treeIds: readonly string[],
): Promise<Map<string, ReferenceShoots>> {
  const rows = await db.rows<{
    tree_id: string;
    species: string;
    beside: string;
    label: string;
    findings: Finding[];
  }>(REFERENCE_SHOOTS, [treeIds]);
  const years = ({ series }: ReferenceShoots) => series[0]!.values.length;
  const most = new Map<string, ReferenceShoots>();
  for (const { tree_id, species, beside, label, findings } of rows) {
    if (!sameGenus(species, beside)) continue;
    const read = { label, series: shootsIn(findings).filter((s) => s.values.length > 1) };
    const known = most.get(tree_id);
    if (read.series.length > 0 && (!known || years(read) > years(known))) most.set(tree_id, read);
  }
  return most;
}

type StoredLog = Omit<SoilLog, 'refusal' | 'oldGrade'> & { refusal: number | null; oldGrade: number | null };

/** By tree: holes of the soil probe beside a reference tree of the property; those that have none are left out. */
export async function referenceGround(
  db: Db,
  treeIds: readonly string[],
): Promise<Map<string, ReferenceGround>> {
  const rows = await db.rows<{ tree_id: string; label: string; logs: StoredLog[] }>(REFERENCE_LOGS, [
    treeIds,
  ]);
  return new Map(
    rows.map(({ tree_id, label, logs }) => [
      tree_id,
      {
        label,
        logs: logs.map(({ refusal, oldGrade, ...log }) => ({
          ...log,
          ...(refusal !== null && { refusal }),
          ...(oldGrade !== null && { oldGrade }),
        })),
      },
    ]),
  );
}
