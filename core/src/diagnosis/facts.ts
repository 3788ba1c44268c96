import type { Station } from '../questions/question';
import { LIMITS } from '../practice/limits';
import { collarSays, plantingSays, type Profile } from '../profile';
import { shortMark } from '../units/marks';
import type { Evidence } from './evidence';

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

type FactMaker = (given: { profile: Profile; evidence: ReadonlyMap<string, Evidence> }) => Fact;

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

/** A fact from one finding of the network: yes for any of `yes`, in the words of the finding. */
const seen =
  (station: Station, key: string, yes: readonly string[], unexamined: string): FactMaker =>
  ({ evidence }) => {
    const found = evidence.get(key);
    const says = found?.says ?? '';
    return fact(station, found && yes.includes(found.answer), says, says, unexamined);
  };

const lookedAt = seen('mulch', 'mulch.onBark', ['some', 'high'], 'mulch not measured');

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
      collarSays(depth?.value ?? 0),
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
      plantingSays(below ?? 0),
      plantingSays(below ?? 0),
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
  mulchOnBark: ({ profile, evidence }) => {
    const height = profile.mulch?.atBark ? profile.mulch.onBark.value : undefined;
    // Not measured, a look is enough: nothing has to be known about mulch on bark to take it off.
    if (height === undefined) return lookedAt({ profile, evidence });
    return fact(
      'mulch',
      height >= LIMITS.mulchOnBarkMatters.value,
      `mulch stands ${shortMark(height)} up the bark`,
      'mulch clear of the bark',
      '',
    );
  },
  mulchCone: seen('mulch', 'mulch.cone', ['cone'], 'mulch not measured on three sides'),
  flareHidden: seen('base', 'base.entry', ['straight'], 'stem entry not examined'),
  barkSoft: seen('base', 'base.bark', ['soft'], 'bark at the soil line not examined'),
  hollow: seen('base', 'base.sound', ['dull', 'hollow'], 'base not sounded'),
  conks: seen('base', 'base.conks', ['few', 'many'], 'conks not looked for'),
  rocks: seen(
    'base',
    'base.push',
    ['slight', 'rocks', 'lifts'],
    'push test not done, or too soon after planting to tell',
  ),
  girdlingSeen: seen(
    'base',
    'base.girdling',
    ['touching', 'pressing', 'embedded'],
    'not looked for roots across the stem',
  ),
} as const satisfies Record<string, FactMaker>;

export type FactKey = keyof typeof FACTS;
export type Facts = Record<FactKey, Fact>;

/** Every fact of one visit: of what was measured from the profile, of what was answered from the evidence alone. */
export function factsOf(profile: Profile, evidence: readonly Evidence[]): Facts {
  const given = { profile, evidence: new Map(evidence.map((e) => [e.key, e])) };
  return Object.fromEntries(Object.entries(FACTS).map(([key, make]) => [key, make(given)])) as Facts;
}
