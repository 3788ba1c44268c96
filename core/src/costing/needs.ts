import type { Visit } from '../records';
import type { OperationKey } from '../vocabulary/operations';
import type { QuantityKey } from '../vocabulary/quantities';
import { LIMITS } from '../practice';
import { stagesOf, stepKey, type Operation } from '../prescription';
import type { Quantity } from '../units/quantity';
import { stillStands } from '../weighing/planned';
import type { Need } from './estimate';
import { unitWord, type ResourceKey } from './rates';

/** From which quantity of an operation a resource is charged, and what it is for. */
interface Charge {
  quantity: QuantityKey;
  resource: ResourceKey;
  for: string;
}

const AIR: Charge = { quantity: 'airTool', resource: 'airTool', for: 'air tool' };
const CREW: Charge = { quantity: 'crewHours', resource: 'crew', for: 'labour' };

const LABORATORY: Charge = { quantity: 'laboratoryTests', resource: 'laboratory', for: 'laboratory' };

/** What is charged of each operation, by its quantities. */
const CHARGES: Record<OperationKey, readonly Charge[]> = {
  stability: [{ quantity: 'stabilityAssessments', resource: 'assessor', for: 'qualified person' }, CREW],
  alive: [],
  identify: [LABORATORY],
  ties: [CREW],
  mulch: [
    CREW,
    { quantity: 'mulchMissing', resource: 'mulch', for: 'mulch' },
    { quantity: 'mulchLeftOver', resource: 'disposal', for: 'mulch taken away' },
  ],
  mulchRing: [
    CREW,
    { quantity: 'mulchMissing', resource: 'mulch', for: 'mulch' },
    { quantity: 'turfToTakeAway', resource: 'disposal', for: 'turf taken away' },
    { quantity: 'stoneToTakeAway', resource: 'disposal', for: 'stone taken away' },
    { quantity: 'soilToBring', resource: 'topsoil', for: 'soil over roots' },
  ],
  explore: [CREW],
  excavate: [CREW, AIR, { quantity: 'spoilHeap', resource: 'disposal', for: 'soil taken away' }],
  regrade: [CREW, AIR, { quantity: 'spoilHeap', resource: 'disposal', for: 'soil taken away' }],
  treeWell: [CREW, { quantity: 'faceOfWall', resource: 'wall', for: 'stone' }],
  ring: [CREW],
  prune: [CREW],
  reset: [CREW, { quantity: 'compost', resource: 'compost', for: 'compost' }],
  raise: [CREW, { quantity: 'moundSoil', resource: 'topsoil', for: 'soil of the mound' }],
  slopeUp: [CREW, { quantity: 'soilToBring', resource: 'topsoil', for: 'soil of the slope' }],
  openBall: [CREW],
  move: [CREW, AIR],
  // A sump is a metre of pipe and stone set upright.
  drain: [
    CREW,
    { quantity: 'sumps', resource: 'drain', for: 'stone of the sump' },
    { quantity: 'drain', resource: 'drain', for: 'pipe and stone' },
  ],
  trench: [
    CREW,
    { quantity: 'compost', resource: 'compost', for: 'compost' },
    { quantity: 'spoilToTakeAway', resource: 'disposal', for: 'soil taken away' },
    { quantity: 'inoculantDoses', resource: 'inoculant', for: 'inoculant' },
  ],
  straighten: [CREW],
  stake: [CREW, { quantity: 'stakeSets', resource: 'stakes', for: 'stakes and tie' }],
  guard: [CREW, { quantity: 'guards', resource: 'guard', for: 'guard' }],
  leach: [LABORATORY, { quantity: 'waterings', resource: 'watering', for: 'rounds' }],
  feed: [LABORATORY],
  crown: [CREW],
  water: [{ quantity: 'waterings', resource: 'watering', for: 'rounds' }],
  fertiliser: [],
  watch: [],
  postmortem: [CREW],
  remove: [CREW, { quantity: 'chipsToTakeAway', resource: 'disposal', for: 'chips taken away' }],
  replace: [
    CREW,
    { quantity: 'youngTrees', resource: 'youngTree', for: 'tree' },
    { quantity: 'stakeSets', resource: 'stakes', for: 'stakes and tie' },
    { quantity: 'waterings', resource: 'watering', for: 'watering' },
  ],
};

/** The way of opening the soil that was chosen: what it comes to, and whether it is done with air. */
export interface TrenchWork {
  quantities: readonly Quantity[];
  /** What each season takes where it goes over several, one a year; the whole is their sum. */
  bySeason?: readonly (readonly Quantity[])[];
  byAir: boolean;
}

/** Hours of the consultant for a look after the work, and for the years of watching. Common practice, no source. */
export const LOOK_HOURS = 1;

/**
 * What the prescribed operations take, line by line, with a trip for each stage of work; nothing for steps that fell away
 * because the tree was taken down.
 *
 * @param trenches the trenches that were laid out, whose quantities the operation itself does not carry
 * @param look whether a look of the consultant after the work is charged
 */
export function needsOf(
  planned: readonly Operation[],
  visit: Pick<Visit, 'cuts' | 'date' | 'work'>,
  trenches: TrenchWork | undefined,
  look = true,
): Need[] {
  const year = Number(visit.date.slice(0, 4));
  const charged = (
    { key, title }: Operation,
    quantities: readonly Quantity[],
    part = 1,
    at = year,
  ): Need[] => {
    const name = part > 1 ? `${title}, season ${part}` : title;
    // Ways without hours of the tool alone are worked with it from first to last.
    const air = quantities.some((q) => q.key === AIR.quantity) ? AIR : { ...AIR, quantity: CREW.quantity };
    const airToo: Charge[] = key === 'trench' && trenches?.byAir ? [air] : [];
    return [...CHARGES[key], ...airToo].flatMap(({ quantity, resource, for: what }) => {
      const amount = quantities.find((q) => q.key === quantity)?.value;
      return amount === undefined
        ? []
        : [
            {
              resource,
              amount,
              of: `${name}: ${what}`,
              year: at,
              stage: 1,
              operation: key,
              step: stepKey(key, part),
            },
          ];
    });
  };
  const seasons = trenches?.bySeason ?? [];
  const of = (operation: Operation): Need[] =>
    charged(
      operation,
      operation.key === 'trench' ? (seasons[0] ?? trenches?.quantities ?? []) : operation.quantities,
    );
  const dug = planned.find((o) => o.key === 'trench');
  const nextSeasons = (dug ? seasons.slice(1) : []).flatMap((quantities, i): Need[] => [
    ...charged(dug!, quantities, i + 2, year + 1 + i),
    { resource: 'trip', amount: 1, of: `Travel, season ${i + 2}`, year: year + 1 + i, stage: 1 },
  ]);
  const prune = planned.find((o) => o.key === 'prune');
  const later = (prune ? stagesOf(visit) : []).slice(1).flatMap(({ stage, year: at, roots }): Need[] => [
    {
      resource: 'crew',
      amount: LIMITS.setUpHours.value + roots.length * LIMITS.cutHours.value,
      of: `${prune!.title}, stage ${stage}: labour`,
      year: at,
      stage,
      operation: 'prune',
      step: stepKey('prune', stage),
    },
    { resource: 'trip', amount: 1, of: `Travel, stage ${stage}`, year: at, stage },
  ]);
  const now = planned.flatMap(of);
  const works = now.some((n) => n.resource === 'crew');
  const all: Need[] = [
    ...now,
    ...(works ? [{ resource: 'trip' as const, amount: 1, of: 'Crew travel', year, stage: 1 }] : []),
    ...nextSeasons,
    ...later,
    ...(look && works
      ? [{ resource: 'consultant' as const, amount: LOOK_HOURS, of: 'Follow-up check', year, stage: 1 }]
      : []),
  ];
  const fallen = all.flatMap(({ operation, step }) =>
    operation && step !== undefined && !stillStands(operation, step, visit) ? [step] : [],
  );
  return needsLeft(all, new Set(fallen));
}

/** Needs with the season of work that their year is, in the order of the years. */
function inSeasons(needs: readonly Need[]): Need[] {
  const years = [...new Set(needs.map((n) => n.year))].sort((a, b) => a - b);
  return needs.map((n) => ({ ...n, stage: years.indexOf(n.year) + 1 }));
}

/**
 * What is left of it: what the steps that are done took falls away, and travel of a year in which the crew has nothing
 * left to do.
 *
 * @param done keys of those steps in the order of work
 */
export function needsLeft(needs: readonly Need[], done: ReadonlySet<string>): Need[] {
  const left = needs.filter((n) => n.step === undefined || !done.has(n.step));
  const worked = new Set(left.filter((n) => n.resource === 'crew').map((n) => n.year));
  return inSeasons(left.filter((n) => n.resource !== 'trip' || worked.has(n.year)));
}

/** Hours of work on site in a day. Common practice, no source. */
export const CREW_DAY = 8;

/** Hours of the crew in a stage. */
export const crewHours = (needs: readonly Need[], stage = 1): number =>
  needs.filter((n) => n.resource === 'crew' && n.stage === stage).reduce((sum, n) => sum + n.amount, 0);

/**
 * What several trees of one property take together: the same, but one trip for each day of work in place of one for
 * each tree. Work that was prescribed in different years begins together in the latest of them.
 */
export function needsTogether(each: readonly (readonly Need[])[]): Need[] {
  const firstOf = (needs: readonly Need[]) => Math.min(...needs.map((n) => n.year));
  const together = Math.max(...each.filter((needs) => needs.length > 0).map(firstOf));
  const all = inSeasons(
    each.flatMap((needs) =>
      needs
        .filter((n) => n.resource !== 'trip')
        .map((n) => ({ ...n, year: n.year + together - firstOf(needs) })),
    ),
  );
  const worked = all.filter((n) => n.resource === 'crew');
  const years = [...new Set(worked.map((n) => n.year))].sort((a, b) => a - b);
  return inSeasons([
    ...all,
    ...years.map((year): Need => {
      const hours = worked.filter((n) => n.year === year).reduce((sum, n) => sum + n.amount, 0);
      const days = Math.ceil(hours / CREW_DAY - 1e-9);
      return {
        resource: 'trip',
        amount: days,
        of: `Crew travel, ${days} ${unitWord('day', days)} of ${CREW_DAY} h`,
        year,
        stage: 1,
      };
    }),
  ]);
}
