import type { CauseKey, FactKey } from '../diagnosis';
import type { OperationKey } from './operation';

/** Something that is so of a tree, as the rules ask for it. */
export type Condition =
  | { cause: CauseKey; standing: 'likely' | 'possible' }
  | { fact: FactKey; is: 'yes' | 'no' }
  | { answer: string; among: readonly string[] }
  | { measured: MeasureKey }
  | { planned: OperationKey };

/** Conditions that need a figure; each is worked out in `conditions.ts`. */
export type MeasureKey =
  | 'waterStands'
  | 'basinPlanned'
  | 'fertiliserWanted'
  | 'beyondHelp'
  | 'anchorsFew'
  | 'cutsLeftAll'
  | 'inDrought'
  | 'tooOldToLift'
  | 'rootsLeftBall';

/** One row of the rule table: what is so, and what follows for a remedy. All conditions of a row must hold. */
export interface Rule {
  when: readonly Condition[];
  why: string;
}

/** Months in which an operation is done, 1 to 12, both ends included; for the northern half of the world. */
export interface SeasonWindow {
  from: number;
  to: number;
  why: string;
}

/**
 * All that is a matter of practice about a remedy and no computation. `do` and `option` say when it is called for,
 * `against` what speaks against it where it is prescribed all the same.
 */
export interface Remedy {
  /** Its place in the order of work. */
  order: number;
  do: readonly Rule[];
  option: readonly Rule[];
  against: readonly Rule[];
  /** What comes before it. */
  first: readonly HoldKey[];
  /** The dates it may be done in; none stands for any day that is neither frozen nor waterlogged. */
  window?: SeasonWindow;
  risks: readonly string[];
  followUp: string;
}

/** Points at which work stops until someone has signed. */
export const HOLD_POINTS = {
  utilities: 'Buried utilities located and marked; hand-dig near marks',
  stability: 'Stability judged by a qualified person; target area clear',
  permits: 'Permits, nesting and closed seasons checked',
  dry: 'Bark dried and looked at again before anything is cut or covered',
} as const;
export type HoldKey = keyof typeof HOLD_POINTS;

export const REMEDY_SOURCE = 'common practice, no source';

/** The rule table of remedies. Common practice, no source, unless a row says otherwise. */
export const REMEDIES: Record<OperationKey, Remedy> = {
  ties: {
    order: 1,
    do: [
      {
        when: [{ answer: 'base.ties', among: ['tight', 'grown in'] }],
        why: 'A tie that no longer gives strangles the stem.',
      },
    ],
    option: [
      {
        when: [{ answer: 'base.ties', among: ['loose'] }],
        why: 'What is loose today is tight in a few years.',
      },
    ],
    against: [],
    first: [],
    risks: ['Pulling out what has grown in tears bark.'],
    followUp: 'Ties that stay are opened and moved every autumn.',
  },
  mulch: {
    order: 2,
    do: [],
    option: [],
    against: [],
    first: [],
    risks: ['Roots that live in the mulch alone dry out as it comes away.'],
    followUp: 'Look after the maintenance crew’s spring round.',
  },
  excavate: {
    order: 3,
    do: [],
    option: [],
    against: [
      {
        when: [{ fact: 'rocks', is: 'yes' }],
        why: 'A base that rocks may fall once the soil that holds it is out: stability first.',
      },
    ],
    first: ['utilities', 'stability', 'permits'],
    risks: ['A bowl that does not drain is a basin.', 'Roots bared in heat or frost die.'],
    followUp: 'Look at the dried bark within weeks.',
  },
  ring: {
    order: 4,
    do: [
      {
        when: [{ cause: 'barrier', standing: 'likely' }],
        why: 'Roots that meet a wall circle along it for as long as it stands.',
      },
    ],
    option: [
      {
        when: [{ cause: 'barrier', standing: 'possible' }],
        why: 'Dig at one place to see whether a ring is there.',
      },
    ],
    against: [],
    first: ['utilities'],
    risks: ['Roots grown over the rim are torn where the ring is pulled.'],
    followUp: 'See next season whether new roots cross where it stood.',
  },
  prune: {
    order: 5,
    do: [],
    option: [],
    against: [
      { when: [{ measured: 'anchorsFew' }], why: 'Few sound anchors hold it as it is.' },
      { when: [{ measured: 'inDrought' }], why: 'Every root cut is water lost in a drought.' },
    ],
    first: ['utilities', 'stability', 'permits', 'dry'],
    risks: ['A cut anchor frees the tree to fall.', 'Torn ends decay.'],
    followUp: 'Look at the cuts and the freed bark after a season.',
  },
  reset: {
    order: 6,
    do: [],
    option: [],
    against: [
      { when: [{ measured: 'tooOldToLift' }], why: 'Roots of this size no longer come up whole.' },
      { when: [{ measured: 'rootsLeftBall' }], why: 'Roots that have left the ball are cut by lifting it.' },
      { when: [{ measured: 'inDrought' }], why: 'Not after a dry season without water.' },
    ],
    first: ['utilities', 'permits'],
    window: { from: 11, to: 3, why: 'In dormancy, not in leaf.' },
    risks: ['Roots dry from lift to cover.', 'The ball sinks on a soft base.'],
    followUp: 'Re-tie at 6 months, push test after the stake is out.',
  },
  drain: {
    order: 7,
    do: [
      {
        when: [{ cause: 'waterlogging', standing: 'likely' }],
        why: 'Water has to leave before roots can breathe.',
      },
      {
        when: [{ measured: 'basinPlanned' }, { measured: 'waterStands' }],
        why: 'The bowl ends below grade in ground that holds water.',
      },
    ],
    option: [
      { when: [{ cause: 'waterlogging', standing: 'possible' }], why: 'Test the hole for a day first.' },
      { when: [{ measured: 'basinPlanned' }], why: 'The bowl ends below grade.' },
    ],
    against: [],
    first: ['utilities'],
    risks: ['A drain through anchor roots costs the tree its hold.', 'Without fall it only moves the water.'],
    followUp: 'Look the day after heavy rain.',
  },
  trench: {
    order: 8,
    do: [],
    option: [],
    against: [],
    first: ['utilities', 'permits'],
    risks: ['Trenches through anchors or mains.', 'Open trenches left overnight.'],
    followUp: 'Top up where it settles; push the penetrometer again after two seasons.',
  },
  stake: {
    order: 9,
    do: [
      {
        when: [{ planned: 'reset' }],
        why: 'A lifted tree holds by its weight until new roots do.',
      },
    ],
    option: [
      {
        when: [{ fact: 'rocks', is: 'yes' }],
        why: 'It rocks: hold it while roots grow, once stability has been judged.',
      },
    ],
    against: [],
    first: [],
    risks: ['A tight tie strangles, a rigid one keeps the stem from building its hold.'],
    followUp: 'Ties opened and moved every autumn, the push test again when the stakes are out.',
  },
  guard: {
    order: 10,
    do: [],
    option: [
      {
        when: [{ answer: 'base.wounds', among: ['open', 'repeated'] }],
        why: 'Mowers and trimmers reach the bark.',
      },
    ],
    against: [],
    first: [],
    risks: ['A guard left on in summer keeps bark damp and shelters ants.'],
    followUp: 'On before winter, off in spring; a mulch ring keeps mowers away all year.',
  },
  water: {
    order: 11,
    do: [],
    option: [],
    against: [
      {
        when: [{ cause: 'waterlogging', standing: 'likely' }],
        why: 'More trees die of wet than of dry: let the water out first.',
      },
    ],
    first: [],
    risks: ['Watering by the clock drowns a tree in a saucer.'],
    followUp: 'The probe before each watering.',
  },
  fertiliser: {
    order: 12,
    do: [
      {
        when: [{ measured: 'fertiliserWanted' }],
        why: 'Salts draw water from roots that have just been opened; leaves feed new roots better than a bag does.',
      },
    ],
    option: [],
    against: [],
    first: [],
    risks: ['Pale leaves are fed, and their cause goes on.'],
    followUp: 'A soil test before the first feed.',
  },
  watch: {
    order: 13,
    do: [],
    option: [],
    against: [],
    first: [],
    risks: ['Faults that grow, grow on.'],
    followUp: 'The same shoots, colour and girth each year.',
  },
  remove: {
    order: 14,
    do: [],
    option: [],
    against: [],
    first: ['permits', 'stability', 'utilities'],
    risks: ['Dead and decayed trees break under a climber: lift or fell.'],
    followUp: 'Look at the stump: it tells what the other trees of the planting have.',
  },
  replace: {
    order: 15,
    do: [{ when: [{ planned: 'remove' }], why: 'The place stays empty otherwise.' }],
    option: [{ when: [{ measured: 'beyondHelp' }], why: 'It is unlikely to come back; a young tree would.' }],
    against: [
      {
        when: [{ cause: 'waterlogging', standing: 'likely' }],
        why: 'The next tree meets the same water: drain first, or a species that stands it.',
      },
      {
        when: [{ cause: 'compaction', standing: 'likely' }],
        why: 'The next tree meets the same ground: open it first.',
      },
    ],
    first: ['utilities'],
    window: { from: 10, to: 4, why: 'Planted while leafless.' },
    risks: ['Planted as deep as the last one.'],
    followUp: 'Flare in view, stake out after 12 months, two seasons of water.',
  },
};
