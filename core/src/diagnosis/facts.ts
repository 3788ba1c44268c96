import { answerTo, answersTo, SECTORS } from '../base/question';
import type { Tree, TreeEvent, Visit } from '../casefile/model';
import { vigourFrom } from '../crown/vigour';
import { yearOf } from '../history/events';
import { LIMITS } from '../practice/limits';
import type { Profile } from '../profile';
import type { Station } from '../base/question';
import { shortMark } from '../units/marks';

/**
 * A fact is one thing the rules may ask about. "no" is looked, not seen; "unexamined" is not looked, and never counts
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

/** A fact from the dated events: their absence is only "not told", never "no". */
const told =
  (kind: TreeEvent['kind'], texts: (when: string) => string, unexamined: string): FactMaker =>
  ({ events }) => {
    const event = events.find((e) => e.kind === kind);
    return fact('history', event ? true : undefined, event ? texts(event.when) : '', '', unexamined);
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
  soilAdded: told('soil added', (when) => `soil added in ${when}`, 'not told whether soil was added'),
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
  mulchRoots: graded(
    'mulch',
    'mulch.roots',
    ['few', 'mat'],
    ['fine roots live in the mulch', 'no roots in the mulch', 'mulch not searched for roots'],
  ),
  mulchRenewed: ({ visit, events }) => {
    const answer = answerTo(visit.findings, 'mulch.renewed')?.answer;
    const contract = events.some((e) => e.kind === 'mulch contract');
    const state = answer === 'yearly' || contract ? true : answer === 'none' ? false : undefined;
    return fact(
      'mulch',
      state,
      'mulch renewed by a maintenance contract',
      'mulch not renewed',
      'not known whether mulch is renewed',
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
  flareOneSided: ({ profile: { flare } }) =>
    fact(
      'base',
      flare.looked < 4
        ? undefined
        : flare.seen > 0 && flare.seen < flare.looked && flare.looked - flare.seen <= 3,
      `stem straight on ${flare.looked - flare.seen} side(s), flared on the others`,
      'stem alike all round',
      'stem entry looked at on fewer than four sides',
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
  barkDark: ({ visit }) => {
    const dark = barkSectors(visit, ['dark', 'soft', 'loose']);
    const looked = answersTo(visit.findings, 'base.bark').length > 0;
    return fact(
      'base',
      looked ? dark.length > 0 : undefined,
      `bark dark or damp at the soil line on ${dark.map((f) => SECTORS[f.part!]).join(', ')}`,
      'bark dry at the soil line',
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
  ooze: graded('base', 'base.ooze', ['old', 'fresh'], ['ooze on the stem', 'no ooze', 'ooze not looked for']),
  borers: graded(
    'base',
    'base.borers',
    ['few', 'many'],
    ['frass or exit holes at the base', 'no frass or exit holes', 'frass and exit holes not looked for'],
  ),
  cankers: graded(
    'crown',
    'crown.pests',
    ['cankers'],
    ['cankers or wilt in the crown', 'no cankers or wilt', 'crown not searched for disease'],
  ),
  wounds: graded(
    'base',
    'base.wounds',
    ['open', 'repeated'],
    ['open wounds at the base', 'no open wounds at the base', 'base not searched for wounds'],
  ),
  rocks: ({ visit, tree }) => {
    const answer = answerTo(visit.findings, 'base.push')?.answer;
    const years =
      tree.plantedYear === undefined ? undefined : Number(visit.date.slice(0, 4)) - tree.plantedYear;
    const young = years !== undefined && years < LIMITS.pushYears.value;
    return fact(
      'base',
      answer === undefined ? undefined : answer !== 'none' && !young,
      `base rocks when pushed${years === undefined ? '' : `, ${years} years after planting`}`,
      young && answer !== 'none'
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
  stemFlattened: graded(
    'base',
    'base.flat',
    ['slight', 'marked'],
    [
      'stem flattened or pinched at the ground',
      'stem round at the ground',
      'stem shape at the ground not examined',
    ],
  ),
  containerStock: ({ tree }) =>
    fact(
      'history',
      tree.stock === undefined ? undefined : tree.stock === 'container',
      'grown in containers',
      `planted ${tree.stock ?? ''}`,
      'nursery stock not known',
    ),
  vigourFell: ({ visit }) => {
    const vigour = vigourFrom(visit.findings);
    return fact(
      'crown',
      vigour &&
        (vigour.ratio <= LIMITS.vigourDrop.value
          ? true
          : vigour.ratio >= LIMITS.vigourHeld.value
            ? false
            : undefined),
      `shoots fell from ${shortMark(vigour?.before ?? 0)} to ${shortMark(vigour?.recent ?? 0)} a year`,
      'shoots as long as before',
      vigour ? 'shoot growth between poor and normal' : 'twig extension read for fewer than four years',
    );
  },
  topDown: graded(
    'crown',
    'crown.pattern',
    ['top'],
    ['dieback from the top down', 'dieback not from the top', 'pattern of dieback not noted'],
  ),
  oneSide: graded(
    'crown',
    'crown.pattern',
    ['side'],
    ['dieback on one side', 'dieback not one-sided', 'pattern of dieback not noted'],
  ),
  pale: graded(
    'crown',
    'crown.colour',
    ['pale'],
    ['leaves evenly pale', 'leaves not evenly pale', 'leaf colour not noted'],
  ),
  scorched: graded(
    'crown',
    'crown.colour',
    ['scorched'],
    ['leaf margins scorched', 'no scorched margins', 'leaf colour not noted'],
  ),
  earlyAutumn: graded(
    'crown',
    'crown.autumn',
    ['part', 'whole'],
    ['early autumn colour', 'no early autumn colour', 'autumn colour not noted'],
  ),
  neighboursToo: graded(
    'crown',
    'crown.neighbours',
    ['all'],
    ['its neighbours suffer alike', 'its neighbours do not all suffer', 'neighbours not compared'],
  ),
  droughtYear: ({ events, visit }) => {
    const year = Number(visit.date.slice(0, 4));
    const drought = events.find((e) => e.kind === 'drought' && year - (yearOf(e.when) ?? -99) <= 3);
    return fact(
      'history',
      drought ? true : undefined,
      `drought in ${drought?.when ?? ''}`,
      '',
      'not told whether there was a drought',
    );
  },
  soilDry: graded(
    'probe',
    'probe.moisture',
    ['dry'],
    ['soil dry at 20 cm', 'soil not dry at 20 cm', 'soil moisture not felt'],
  ),
} as const satisfies Record<string, FactMaker>;

export type FactKey = keyof typeof FACTS;
export type Facts = Record<FactKey, Fact>;

/** Every fact of one visit. */
export function factsOf(tree: Tree, events: readonly TreeEvent[], visit: Visit, profile: Profile): Facts {
  const given = { tree, events, visit, profile };
  return Object.fromEntries(Object.entries(FACTS).map(([key, make]) => [key, make(given)])) as Facts;
}
