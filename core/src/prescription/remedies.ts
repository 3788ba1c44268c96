import type { FactKey } from '../diagnosis';
import type { CauseKey } from '../vocabulary/causes';
import type { OperationKey } from '../vocabulary/operations';

/** Something that is so of a tree, as the rules ask for it. */
export type Condition =
  | { cause: CauseKey; standing: 'likely' | 'possible' }
  | { fact: FactKey; is: 'yes' | 'no' }
  | { fact: FactKey; isNot: 'yes' | 'no' }
  | { school: string; matter: string }
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
  | 'rootsLeftBall'
  | 'tooLargeToLift'
  | 'youngToLift'
  | 'mulchTooDeep'
  | 'beyondABowl'
  | 'cutsAgreed'
  | 'rootsPress'
  | 'trenchesLaidOut'
  | 'groundTight'
  | 'soilLeft'
  | 'noWorkAdvised'
  | 'mayFall'
  | 'baseDecays'
  | 'notSmallToStake';

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
 * `bars` what rules it out whatever calls for it, `against` what speaks against it where it is prescribed all the same.
 */
export interface Remedy {
  /** Its place in the order of work. */
  order: number;
  do: readonly Rule[];
  option: readonly Rule[];
  bars?: readonly Rule[];
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
  stability: {
    order: 0,
    do: [{ when: [{ measured: 'mayFall' }], why: 'Nobody works or walks under a tree that may fall.' }],
    option: [],
    against: [],
    first: [],
    risks: ['It falls or breaks before it was looked at: the ground below it is empty of people until then.'],
    followUp: 'What the assessment says comes before everything on this list; weigh the rest again with it.',
  },
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
    do: [
      {
        when: [{ fact: 'mulchOnBark', is: 'yes' }],
        why: 'Bark that is kept damp rots, and roots turn round in it.',
      },
      { when: [{ fact: 'mulchCone', is: 'yes' }], why: 'What roots in a cone dies in frost and drought.' },
      {
        when: [{ measured: 'mulchTooDeep' }],
        why: 'Deeper than any school lays it, it sheds water and shuts out air.',
      },
    ],
    option: [],
    against: [],
    first: [],
    risks: ['Roots that live in the mulch alone dry out as it comes away.'],
    followUp: 'Look after the maintenance crew’s spring round.',
  },
  excavate: {
    order: 3,
    do: [
      {
        when: [{ fact: 'collarDeep', is: 'yes' }],
        why: 'Bark under soil stays wet, and roots below it want for air.',
      },
      {
        when: [
          { fact: 'fillPresent', is: 'yes' },
          { fact: 'collarDeep', isNot: 'no' },
        ],
        why: 'Soil that was added buries what stood in the open.',
      },
    ],
    option: [
      {
        when: [
          { fact: 'flareHidden', is: 'yes' },
          { fact: 'collarDeep', isNot: 'no' },
        ],
        why: 'A stem that goes into the ground like a post is buried on that side.',
      },
      {
        when: [
          { fact: 'girdlingSeen', is: 'yes' },
          { fact: 'collarDeep', isNot: 'no' },
        ],
        why: 'What girdles above ground goes on below it.',
      },
      {
        when: [
          { fact: 'barkSoft', is: 'yes' },
          { fact: 'collarDeep', isNot: 'no' },
        ],
        why: 'Decay at the base is worse below ground than the skin shows.',
      },
    ],
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
  regrade: {
    order: 4,
    do: [],
    option: [
      {
        when: [{ measured: 'beyondABowl' }],
        why: 'So deep a bowl is a pit; a wide, gentle fall can be mown and drains.',
      },
    ],
    bars: [{ when: [{ planned: 'reset' }], why: 'A tree that is lifted needs no lower ground.' }],
    against: [
      {
        when: [{ planned: 'treeWell' }],
        why: 'A well holds the grade that a regrade takes away: one or the other.',
      },
    ],
    first: ['utilities', 'permits'],
    risks: [
      'Roots that grew up into the fill are lost with it.',
      'Water of the whole slope runs to the stem.',
    ],
    followUp: 'Look after the first heavy rain; sow or mulch the slope before winter.',
  },
  treeWell: {
    order: 5,
    do: [],
    option: [
      {
        when: [{ measured: 'beyondABowl' }],
        why: 'Where the grade has to stay, a dry wall keeps it off the stem.',
      },
    ],
    bars: [{ when: [{ planned: 'reset' }], why: 'A tree that is lifted needs no well.' }],
    against: [{ when: [{ measured: 'waterStands' }], why: 'A well without a drain is a cistern.' }],
    first: ['utilities', 'permits'],
    risks: ['People and animals fall into an open well.', 'Leaves fill it within years.'],
    followUp: 'Cleared of leaves every autumn; the drain looked at after heavy rain.',
  },
  ring: {
    order: 6,
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
    order: 7,
    do: [
      {
        when: [{ measured: 'cutsAgreed' }],
        why: 'Freed bark grows on; what is left is squeezed harder every year.',
      },
    ],
    option: [{ when: [{ measured: 'rootsPress' }], why: 'Stem and root thicken into one another.' }],
    bars: [
      {
        when: [{ measured: 'cutsLeftAll' }],
        why: 'Where the cure costs more than the disease it is left and watched.',
      },
    ],
    against: [
      { when: [{ measured: 'anchorsFew' }], why: 'Few sound anchors hold it as it is.' },
      { when: [{ measured: 'inDrought' }], why: 'Every root cut is water lost in a drought.' },
    ],
    first: ['utilities', 'stability', 'permits', 'dry'],
    risks: ['A cut anchor frees the tree to fall.', 'Torn ends decay.'],
    followUp: 'Look at the cuts and the freed bark after a season.',
  },
  reset: {
    order: 8,
    do: [],
    option: [
      {
        when: [{ fact: 'collarDeep', is: 'yes' }, { measured: 'youngToLift' }],
        why: 'Lifted now it stands at the right height for good.',
      },
      {
        when: [{ fact: 'plantedDeep', is: 'yes' }, { measured: 'youngToLift' }],
        why: 'Lifted now it stands at the right height for good.',
      },
    ],
    bars: [
      { when: [{ fact: 'collarDeep', is: 'no' }], why: 'It stands as high as it should.' },
      { when: [{ measured: 'tooOldToLift' }], why: 'Roots no longer come up whole.' },
      { when: [{ measured: 'tooLargeToLift' }], why: 'The ball is too heavy to lift whole.' },
      { when: [{ fact: 'conks', is: 'yes' }], why: 'What decays is not worth the lift.' },
      { when: [{ fact: 'hollow', is: 'yes' }], why: 'What decays is not worth the lift.' },
    ],
    against: [
      { when: [{ measured: 'rootsLeftBall' }], why: 'Roots that have left the ball are cut by lifting it.' },
      { when: [{ measured: 'inDrought' }], why: 'Not after a dry season without water.' },
    ],
    first: ['utilities', 'permits'],
    window: { from: 11, to: 3, why: 'In dormancy, not in leaf.' },
    risks: ['Roots dry from lift to cover.', 'The ball sinks on a soft base.'],
    followUp: 'Re-tie at 6 months, push test after the stake is out.',
  },
  drain: {
    order: 9,
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
    order: 10,
    do: [{ when: [{ measured: 'trenchesLaidOut' }], why: 'Roots and water find a way out of tight ground.' }],
    option: [
      {
        when: [{ cause: 'compaction', standing: 'likely' }],
        why: 'Roots need air and room that tight soil does not have.',
      },
      {
        when: [{ cause: 'confinedHole', standing: 'likely' }],
        why: 'Roots turn at the wall of the hole until it is opened.',
      },
      { when: [{ measured: 'groundTight' }], why: 'Tight ground does not open by itself.' },
    ],
    bars: [{ when: [{ measured: 'soilLeft' }], why: 'Left by choice.' }],
    against: [],
    first: ['utilities', 'permits'],
    risks: ['Trenches through anchors or mains.', 'Open trenches left overnight.'],
    followUp: 'Top up where it settles; push the penetrometer again after two seasons.',
  },
  stake: {
    order: 11,
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
    bars: [
      {
        when: [{ fact: 'rocks', is: 'yes' }, { measured: 'notSmallToStake' }],
        why: 'A tree of this size is not held by a stake: have its stability assessed.',
      },
      {
        when: [{ fact: 'rocks', is: 'yes' }, { measured: 'baseDecays' }],
        why: 'A stake hides what decay does to the hold: have its stability assessed.',
      },
      { when: [{ matter: 'staking', school: 'none' }], why: 'A stem that sways builds its own hold.' },
    ],
    against: [],
    first: [],
    risks: ['A tight tie strangles, a rigid one keeps the stem from building its hold.'],
    followUp: 'Ties opened and moved every autumn, the push test again when the stakes are out.',
  },
  guard: {
    order: 12,
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
    order: 13,
    do: [
      { when: [{ cause: 'drought', standing: 'likely' }], why: 'Roots cannot be fed from dry soil.' },
      { when: [{ planned: 'excavate' }], why: 'Bared roots dry first.' },
      { when: [{ planned: 'prune' }], why: 'Fewer roots have to do the work of all.' },
      { when: [{ planned: 'reset' }], why: 'Fewer roots have to do the work of all.' },
      { when: [{ planned: 'trench' }], why: 'Loose fill dries and settles.' },
    ],
    option: [],
    bars: [
      {
        when: [{ cause: 'waterlogging', standing: 'likely' }],
        why: 'More trees die of wet than of dry; let the water out first.',
      },
    ],
    against: [],
    first: [],
    risks: ['Watering by the clock drowns a tree in a saucer.'],
    followUp: 'The probe before each watering.',
  },
  fertiliser: {
    order: 14,
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
    order: 15,
    do: [{ when: [{ measured: 'noWorkAdvised' }], why: 'Nothing found that these operations mend.' }],
    option: [],
    against: [],
    first: [],
    risks: ['Faults that grow, grow on.'],
    followUp: 'The same shoots, colour and girth each year.',
  },
  remove: {
    order: 16,
    do: [],
    option: [
      { when: [{ measured: 'beyondHelp' }], why: 'With so little crown left recovery is rare.' },
      {
        when: [
          { fact: 'rocks', is: 'yes' },
          { fact: 'barkSoft', is: 'yes' },
        ],
        why: 'What rocks on a decayed base may fall.',
      },
      {
        when: [
          { fact: 'rocks', is: 'yes' },
          { fact: 'conks', is: 'yes' },
        ],
        why: 'What rocks on a decayed base may fall.',
      },
      {
        when: [
          { fact: 'rocks', is: 'yes' },
          { fact: 'hollow', is: 'yes' },
        ],
        why: 'What rocks on a decayed base may fall.',
      },
    ],
    against: [],
    first: ['permits', 'stability', 'utilities'],
    risks: ['Dead and decayed trees break under a climber: lift or fell.'],
    followUp: 'Look at the stump: it tells what the other trees of the planting have.',
  },
  replace: {
    order: 17,
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
