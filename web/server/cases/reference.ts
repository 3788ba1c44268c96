import type { Finding, SoilLog } from '@undrel/core/records';
import { crownLook, type Yardstick } from '@undrel/core/recovery';
import { shootsIn } from '@undrel/core/history';
import { sameGenus } from '@undrel/core/species';
import type { ReferenceGround, ReferenceShoots } from '../../protocol/reference';
import type { Db } from '../database/transaction';
import { REFERENCE_LOGS, YARDSTICKS } from './sql';

/** By tree: the reference tree of its genus by whose shoots most years were read, one that was not treated itself before one that was. */
export async function yardsticks(db: Db, treeIds: readonly string[]): Promise<Map<string, Yardstick>> {
  const rows = await db.rows<{
    tree_id: string;
    species: string;
    beside: string;
    label: string;
    treated: string | null;
    visits: { date: string; findings: Finding[] }[];
  }>(YARDSTICKS, [treeIds]);
  const years = ({ shoots }: Yardstick) => Math.max(0, ...shoots.map((s) => s.values.length));
  const best = new Map<string, Yardstick>();
  for (const { tree_id, species, beside, label, treated, visits } of rows) {
    if (!sameGenus(species, beside)) continue;
    const read: Yardstick = {
      label,
      shoots: visits.flatMap((v) => shootsIn(v.findings)).filter((s) => s.values.length > 1),
      looks: visits.flatMap((v) => crownLook(v) ?? []),
      ...(treated && { treated }),
    };
    const known = best.get(tree_id);
    const better =
      known && (known.treated === undefined) !== (read.treated === undefined)
        ? read.treated === undefined
        : !known || years(read) > years(known);
    if (better) best.set(tree_id, read);
  }
  return best;
}

/** By tree: shoots of its reference tree; those that have none are left out. */
export async function referenceShoots(
  db: Db,
  treeIds: readonly string[],
): Promise<Map<string, ReferenceShoots>> {
  const found = await yardsticks(db, treeIds);
  return new Map(
    [...found]
      .filter(([, { shoots }]) => shoots.length > 0)
      .map(([id, { label, shoots }]) => [id, { label, series: [...shoots] }]),
  );
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
