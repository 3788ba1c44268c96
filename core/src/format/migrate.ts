import type { QuantityKey } from '../vocabulary/quantities';
import { CASE_VERSION } from './case';

/** A case of an older version, as far as it is known. */
export type Old = { visit?: Record<string, unknown> & { probes?: Record<string, unknown>[] } } & Record<
  string,
  unknown
>;

/**
 * Version 1 held a single visit, and its rod was always read from grade.
 */
function fromVersion1(old: Old): Old {
  const { visit, ...rest } = old;
  const probes = visit?.probes?.map((probe) => ({ from: 'grade', ...probe }));
  return { ...rest, version: 2, visits: visit ? [{ ...visit, ...(probes ? { probes } : {}) }] : [] };
}

/** Version 2 had no places on the stem and no dig; what it held is unchanged. */
const fromVersion2 = (old: Old): Old => ({ ...old, version: 3 });

/** What the quantities of work done were called when they were still told by name; these names never change. */
const NAMED_IN_VERSION_3: Readonly<Record<string, QuantityKey>> = {
  'Air tool': 'airTool',
  'Bags of compost': 'bagsOfCompost',
  'Bags to bring': 'bagsToBring',
  'Bags to remove': 'bagsToCarryAway',
  Barrier: 'barrier',
  'Bowl radius': 'bowlRadius',
  'Chips to remove': 'chipsToTakeAway',
  Compost: 'compost',
  'Crew hours': 'crewHours',
  Drain: 'drain',
  'Drain to daylight': 'drainToDaylight',
  'Face of the wall': 'faceOfWall',
  'Floor below grade': 'floorBelowGrade',
  Guards: 'guards',
  Heap: 'heap',
  'Hole diameter': 'holeDiameter',
  Holes: 'holes',
  Lift: 'lift',
  'Mulch left over': 'mulchLeftOver',
  'Mulch missing': 'mulchMissing',
  'Native soil back': 'nativeSoilBack',
  'New ring radius': 'newRingRadius',
  'Radius kept clear': 'radiusKeptClear',
  'Regrade radius': 'regradeRadius',
  'Mulched ring': 'ringMulchCovers',
  'Root cross-section removed': 'rootSectionThatGoes',
  'Roots to cut in stage 1': 'rootsInStage1',
  'Soil dug': 'soilDug',
  'Soil to take out': 'soilToTakeOut',
  'Spoil heap': 'spoilHeap',
  'Spoil to remove': 'spoilToTakeAway',
  'Stability assessments': 'stabilityAssessments',
  'Stake sets': 'stakeSets',
  'Trenches, run': 'trenchesRun',
  'Wall radius': 'wallRadius',
  'Water at each watering': 'waterAtEachWatering',
  'Water to settle it': 'waterToSettle',
  Waterings: 'waterings',
  'Weight of compost': 'weightOfCompost',
  'Young trees': 'youngTrees',
};

const keyOf = (name: unknown): unknown =>
  Object.hasOwn(NAMED_IN_VERSION_3, String(name)) ? NAMED_IN_VERSION_3[String(name)] : name;

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The objects of a list changed; whatever else stands there stays, to be refused where it stands. */
const each = (list: unknown, change: (one: Record<string, unknown>) => Record<string, unknown>): unknown =>
  Array.isArray(list) ? list.map((one: unknown) => (isObject(one) ? change(one) : one)) : list;

/** A member of an object changed, where it has it. */
const within = (one: Record<string, unknown>, member: string, change: (value: unknown) => unknown) =>
  member in one ? { ...one, [member]: change(one[member]) } : one;

/** Version 3 told amounts of work done by the name of the quantity. A name it did not know stays, and is refused where it stands. */
const fromVersion3 = (old: Old): Old => ({
  ...within(old, 'visits', (visits) =>
    each(visits, (visit) =>
      within(visit, 'work', (work) =>
        each(work, (done) =>
          within(done, 'amounts', (amounts) =>
            each(amounts, ({ name, ...amount }) => ({
              quantity: keyOf(name),
              ...amount,
            })),
          ),
        ),
      ),
    ),
  ),
  version: CASE_VERSION,
});

const STEPS: readonly ((old: Old) => Old)[] = [fromVersion1, fromVersion2, fromVersion3];

/** A case of any version as this one holds it, step by step; what is no known version is left as it is. */
export function brought(raw: Old): unknown {
  const from = raw.version;
  if (!(typeof from === 'number' && STEPS[from - 1])) return raw;
  return STEPS.slice(from - 1).reduce((old, step) => step(old), raw);
}
