import { answersTo, answerTo, SECTORS, type Station } from '../questions/question';
import type { Tree, TreeEvent, Visit } from '../records';
import { LIMITS } from '../practice/limits';
import type { Profile } from '../profile';
import { shortMark } from '../units/marks';

/**
 * A fact is one thing the prescription may ask about. "no" is looked, not seen; "unexamined" is not looked, and never counts
 * for or against anything.
 */
export interface Fact {
  state: 'yes' | 'no' | 'unexamined';
  /** What was seen or measured, as it may stand in a report. Lengths are marks, see units/marks. */
  text: string;
  /** Where it is examined. */
  station: Station;
}

type FactMaker = (given: {
  tree: Tree;
  events: readonly TreeEvent[];
  visit: Visit;
  profile: Profile;
}) => Fact;

const fact = (
  station: Station,
  state: boolean | undefined,
  yes: string,
  no: string,
  unexamined: string,
): Fact => ({
  station,
  state: state === undefined ? 'unexamined' : state ? 'yes' : 'no',
  text: state === undefined ? unexamined : state ? yes : no,
});

/** A fact from one graded answer: yes for any of `yes`. */
const graded =
  (
    station: Station,
    key: string,
    yes: readonly string[],
    texts: [yes: string, no: string, unexamined: string],
  ): FactMaker =>
  ({ visit }) => {
    const answer = answerTo(visit.findings, key)?.answer;
    return fact(station, answer === undefined ? undefined : yes.includes(answer), ...texts);
  };

const barkSectors = (visit: Visit, answers: readonly string[]) =>
  answersTo(visit.findings, 'base.bark').filter(
    (f) => answers.includes(f.answer ?? '') && f.part !== undefined,
  );

export const FACTS = {
  // The interval decides: a depth whose spread reaches across the limit is not yet known to be one or the other.
  collarDeep: ({ profile }) => {
    const depth = profile.collar?.depth;
    const limit = LIMITS.collarNormalMax.value;
    const spread = depth?.plusMinus ?? 0;
    const deep =
      depth && (depth.value - spread > limit ? true : depth.value + spread <= limit ? false : undefined);
    return fact(
      'probe',
      deep,
      `first roots ${shortMark(depth?.value ?? 0)} below grade, deeper than ${shortMark(limit)}`,
      `first roots ${shortMark(depth?.value ?? 0)} below grade, where they belong`,
      depth
        ? `first roots ${shortMark(depth.value)} below grade, but by ${shortMark(spread)} uncertain: probe more bearings`
        : 'collar depth not probed',
    );
  },
  plantedDeep: ({ profile }) => {
    const { collar, fill } = profile;
    const below = collar && fill ? collar.depth.value - fill.atStem.value : undefined;
    const limit = LIMITS.collarNormalMax.value;
    return fact(
      'probe',
      below === undefined ? undefined : below > limit,
      `first roots ${shortMark(below ?? 0)} below the original grade: planted deep`,
      `first roots ${shortMark(below ?? 0)} below the original grade: planted at a fair height`,
      'depth below the original grade not known: collar or fill not measured',
    );
  },
  fillPresent: ({ profile }) => {
    const depth = profile.fill?.atStem.value;
    return fact(
      'mulch',
      depth === undefined ? undefined : depth >= LIMITS.fillMatters.value,
      `${shortMark(depth ?? 0)} of soil added over the original grade`,
      'no soil added over the original grade',
      'original grade not looked for',
    );
  },
  mulchOnBark: ({ profile }) => {
    const height = profile.mulch?.onBark.value;
    return fact(
      'mulch',
      height === undefined ? undefined : height >= LIMITS.mulchOnBarkMatters.value,
      `mulch stands ${shortMark(height ?? 0)} up the bark`,
      'mulch clear of the bark',
      'mulch not measured',
    );
  },
  mulchCone: ({ profile }) => {
    const mulch = profile.mulch;
    const cone =
      mulch &&
      mulch.onBark.value >= LIMITS.mulchDeep.value &&
      mulch.onBark.value > LIMITS.mulchCone.value * mulch.halfwayDepth;
    return fact(
      'mulch',
      cone,
      `mulch rises to a cone, ${shortMark(mulch?.onBark.value ?? 0)} at the bark and ${shortMark(mulch?.halfwayDepth ?? 0)} halfway out`,
      'mulch lies as a blanket, not a cone',
      'mulch not measured',
    );
  },
  flareHidden: ({ profile: { flare } }) =>
    fact(
      'base',
      flare.looked === 0
        ? undefined
        : flare.looked - flare.seen >= LIMITS.flareHiddenShare.value * flare.looked,
      `flare hidden on ${flare.looked - flare.seen} of ${flare.looked} sides`,
      `flare seen on ${flare.seen} of ${flare.looked} sides`,
      'stem entry not looked at',
    ),
  barkSoft: ({ visit }) => {
    const soft = barkSectors(visit, ['soft', 'loose']);
    const looked = answersTo(visit.findings, 'base.bark').length > 0;
    return fact(
      'base',
      looked ? soft.length > 0 : undefined,
      `bark soft or loose at the soil line on ${soft.map((f) => SECTORS[f.part!]).join(', ')}`,
      'bark firm at the soil line',
      'bark at the soil line not examined',
    );
  },
  hollow: graded(
    'base',
    'base.sound',
    ['dull', 'hollow'],
    ['base sounds dull or hollow', 'base sounds solid', 'base not sounded'],
  ),
  conks: graded(
    'base',
    'base.conks',
    ['few', 'many'],
    ['conks at the base', 'no conks', 'conks not looked for'],
  ),
  rocks: ({ visit, tree }) => {
    const answer = answerTo(visit.findings, 'base.push')?.answer;
    const years =
      tree.plantedYear === undefined ? undefined : Number(visit.date.slice(0, 4)) - tree.plantedYear;
    const young = years !== undefined && years < LIMITS.pushYears.value;
    return fact(
      'base',
      answer === undefined ? undefined : answer === 'rocks' || (answer === 'slight' && !young),
      `base rocks when pushed${years === undefined ? '' : `, ${years} years after planting`}`,
      young && answer === 'slight'
        ? `base still gives, only ${years} years after planting`
        : 'base firm when pushed',
      'push test not done',
    );
  },
  girdlingSeen: graded(
    'base',
    'base.girdling',
    ['touching', 'pressing', 'embedded'],
    [
      'a root lies across the stem',
      'no root across the stem in view',
      'not looked for roots across the stem',
    ],
  ),
} as const satisfies Record<string, FactMaker>;

export type FactKey = keyof typeof FACTS;
export type Facts = Record<FactKey, Fact>;

/** Every fact of one visit. */
export function factsOf(tree: Tree, events: readonly TreeEvent[], visit: Visit, profile: Profile): Facts {
  const given = { tree, events, visit, profile };
  return Object.fromEntries(Object.entries(FACTS).map(([key, make]) => [key, make(given)])) as Facts;
}
