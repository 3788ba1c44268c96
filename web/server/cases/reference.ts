import type { Finding, SoilLog } from '@undrel/core/records';
import { crownLook, type Yardstick } from '@undrel/core/recovery';
import { shootsIn } from '@undrel/core/history';
import { sameGenus } from '@undrel/core/species';
import type { About } from '../../protocol/caseNow';
import type { ReadPlaces } from '../../protocol/grounds';
import type { ReferenceGround, ReferenceShoots } from '../../protocol/reference';
import type { Db } from '../database/transaction';
import { BESIDE_TREE, REFERENCE_LOGS, YARDSTICKS } from './sql';

interface YardstickRow {
  tree_id: string;
  species: string;
  beside: string;
  label: string;
  treated: string | null;
  visits: { date: string; findings: Finding[] }[];
}
type StoredLog = Omit<SoilLog, 'refusal' | 'oldGrade'> & { refusal: number | null; oldGrade: number | null };
interface GroundRow {
  tree_id: string;
  label: string;
  logs: StoredLog[];
}

function bestOf(rows: readonly YardstickRow[]): Map<string, Yardstick> {
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

const shootsOf = ({ label, shoots }: Yardstick): ReferenceShoots | undefined =>
  shoots.length > 0 ? { label, series: [...shoots] } : undefined;

const groundOf = ({ label, logs }: GroundRow): ReferenceGround => ({
  label,
  logs: logs.map(({ refusal, oldGrade, ...log }) => ({
    ...log,
    ...(refusal !== null && { refusal }),
    ...(oldGrade !== null && { oldGrade }),
  })),
});

/** By tree: the reference tree of its genus by whose shoots most years were read, one that was not treated itself before one that was. */
export const yardsticks = async (db: Db, treeIds: readonly string[]): Promise<Map<string, Yardstick>> =>
  bestOf(await db.rows<YardstickRow>(YARDSTICKS, [treeIds]));

/** By tree: shoots of its reference tree; those that have none are left out. */
export async function referenceShoots(
  db: Db,
  treeIds: readonly string[],
): Promise<Map<string, ReferenceShoots>> {
  const found = await yardsticks(db, treeIds);
  return new Map(
    [...found].flatMap(([id, yardstick]) => {
      const shoots = shootsOf(yardstick);
      return shoots ? [[id, shoots] as const] : [];
    }),
  );
}

/** By tree: holes of the soil probe beside a reference tree of the property; those that have none are left out. */
export async function referenceGround(
  db: Db,
  treeIds: readonly string[],
): Promise<Map<string, ReferenceGround>> {
  const rows = await db.rows<GroundRow>(REFERENCE_LOGS, [treeIds]);
  return new Map(rows.map((row) => [row.tree_id, groundOf(row)]));
}

/** What a page says beside one tree: by what its place is told, and what its reference trees show. */
export async function besideTree(
  db: Db,
  treeId: string,
  propertyId: string,
): Promise<Required<Pick<About, 'places'>> & Pick<About, 'reference' | 'referenceGround'>> {
  const { places, yardsticks, logs } = (await db.row<{
    places: ReadPlaces;
    yardsticks: YardstickRow[];
    logs: GroundRow[];
  }>(BESIDE_TREE, [[treeId], propertyId]))!;
  const yardstick = bestOf(yardsticks).get(treeId);
  return {
    places,
    reference: yardstick && shootsOf(yardstick),
    referenceGround: logs[0] && groundOf(logs[0]),
  };
}
