import type { OperationKey } from '../vocabulary/operations';
import { effectOf } from './effects';

/** Who does it. */
export const ROLES = ['consultant', 'crew', 'owner', 'contractor'] as const;
export type WhoDoes = (typeof ROLES)[number];

/** When something follows a work. Months are of the northern half of the world, both ends included. */
export type When =
  /** So many days after the work, from the first to the last. */
  | { days: readonly [from: number, to: number] }
  /** In these months, once or in as many years in a row; not sooner than `gap` days after the work. */
  | { months: readonly [from: number, to: number]; years?: number; gap?: number }
  /** In the months of the mulching school. */
  | { season: 'mulching'; years?: number; gap?: number }
  /** In the month before the first frost, or in that after the last. */
  | { frost: 'before first' | 'after last'; years?: number; gap?: number }
  /** When the stakes have stood as long as the school of staking has it; never where it has them stay. */
  | { stakes: 'half' | 'out' };

/** Something that has to be done once a remedy was carried out. */
export interface FollowUp {
  /** Short name; the same work of two remedies has the same, and is done once. */
  key: string;
  what: string;
  /** What is at stake where it is late. */
  stake: string;
  who: WhoDoes;
  when: When;
  /** Counted from the day on which this one was done, in place of the remedy. */
  after?: string;
  /** Left out where this remedy was carried out with it and has it among its own. */
  unless?: OperationKey;
  /**
   * What a later visit must have looked at to close it: questions by the beginning of their key, `profile`, `dig` or `push`
   * for what is measured. Where it is left out only a person closes it.
   */
  looks?: readonly string[];
}

const MULCH_LOOKS = ['look.mulch', 'mulch.', 'profile'];

const AFTER_ROUND: FollowUp = {
  key: 'spring',
  what: 'After the contractor’s spring round: is the mulch off the bark?',
  stake: 'A cone left on the bark all summer undoes the work: the bark stays wet and roots grow into it.',
  who: 'consultant',
  when: { months: [5, 6], years: 3, gap: 21 },
  looks: MULCH_LOOKS,
};

/** The follow-up that a signed receipt closes. */
export const NOTICE_KEY = 'notice';

const NOTICE: FollowUp = {
  key: NOTICE_KEY,
  what: 'Give the notice to whoever mows and mulches here, and have its receipt signed.',
  stake: 'A contractor who was not told mulches as before, and the cone comes back in spring.',
  who: 'consultant',
  when: { days: [0, 21] },
};

const SETTLE: FollowUp = {
  key: 'settle',
  what: 'Look whether the ground settled; top up with the same soil, the flare stays in view.',
  stake: 'Hollows hold water at the ball, and roots at their edge dry out.',
  who: 'crew',
  when: { days: [21, 75] },
};

const RAIN: FollowUp = {
  key: 'rain',
  what: 'Look the day after heavy rain: does water stand or run to the stem?',
  stake: 'Water that stands for days drowns what was just set free.',
  who: 'crew',
  when: { days: [1, 60] },
};

const HALF_TIE: FollowUp = {
  key: 'tie',
  what: 'Open the ties and move them; they stay loose enough to sway.',
  stake: 'A tie that is forgotten cuts in within a season or two.',
  who: 'crew',
  when: { stakes: 'half' },
};

const STAKE_OUT: FollowUp = {
  key: 'stakesOut',
  what: 'Take stakes and ties out.',
  stake: 'A stem that leans on its stake builds no strength of its own, and ties cut in.',
  who: 'crew',
  when: { stakes: 'out' },
};

const PUSH: FollowUp = {
  key: 'push',
  what: 'Push test: does the stem rock in the ground?',
  stake: 'A tree that rocks tears its new roots with every wind.',
  who: 'consultant',
  when: { days: [0, 30] },
  after: 'stakesOut',
  looks: ['base.push'],
};

/** What follows wherever a ball was set anew and may stand at a stake. */
const SET_ANEW: readonly FollowUp[] = [
  SETTLE,
  { ...HALF_TIE, unless: 'stake' },
  { ...STAKE_OUT, unless: 'stake' },
  { ...PUSH, unless: 'stake' },
];

/**
 * What follows each remedy once it was carried out. Common practice, no source. A later stage of a cut plan and a later
 * season of trenches are works of the order, and watering has its own balance.
 */
export const FOLLOW_UPS: Readonly<Record<OperationKey, readonly FollowUp[]>> = {
  stability: [
    {
      key: 'assessed',
      what: 'What the stability assessment says: reassess the rest with it.',
      stake: 'Nothing else is done at a tree that may fall before it is known.',
      who: 'consultant',
      when: { days: [0, 14] },
    },
  ],
  alive: [
    {
      key: 'weigh',
      what: 'Alive: reassess the rest. Dead: have it taken down.',
      stake: 'A dead tree grows brittle, and is not climbed.',
      who: 'consultant',
      when: { days: [0, 14] },
      looks: ['crown.'],
    },
  ],
  identify: [
    {
      key: 'clinic',
      what: 'The clinic has answered: reassess the verdict with it.',
      stake: 'A disease that is not named is not treated, and may spread to its neighbours.',
      who: 'consultant',
      when: { days: [14, 30] },
    },
  ],
  ties: [
    {
      key: 'autumn',
      what: 'Open the ties that stay and move them.',
      stake: 'A tie that is forgotten cuts in within a season or two.',
      who: 'crew',
      when: { months: [10, 11], years: 2, gap: 60 },
      looks: ['base.ties'],
    },
  ],
  mulch: [NOTICE, AFTER_ROUND],
  mulchRing: [
    NOTICE,
    AFTER_ROUND,
    {
      key: 'topUp',
      what: 'Depth of the ring: top up below 3 cm, never higher at the stem.',
      stake: 'Turf comes back through thin mulch, and mowers with it.',
      who: 'crew',
      when: { season: 'mulching', years: 3, gap: 200 },
      looks: ['profile'],
    },
  ],
  explore: [
    {
      key: 'weigh',
      what: 'Reassess the verdict with what the window showed.',
      stake: 'The window was dug to decide by; left open, roots dry and people fall.',
      who: 'consultant',
      when: { days: [0, 14] },
      looks: ['probe', 'dig', 'base.'],
    },
  ],
  excavate: [
    {
      key: 'bark',
      what: 'Inspect the dried bark and what was hidden: wounds, rot, roots across the stem.',
      stake: 'Rot under dried bark goes unseen, and the next stage waits for it.',
      who: 'consultant',
      when: { days: [14, 35] },
      looks: ['base.bark', 'base.sound', 'base.wounds', 'dig'],
    },
    RAIN,
    NOTICE,
    AFTER_ROUND,
  ],
  regrade: [
    RAIN,
    {
      key: 'cover',
      what: 'Sow or mulch the slope before winter.',
      stake: 'Bare soil washes back against the stem.',
      who: 'crew',
      when: { months: [9, 10], gap: 7 },
    },
  ],
  treeWell: [
    {
      key: 'leaves',
      what: 'Clear the well of leaves.',
      stake: 'A well full of leaves is a mulch cone below grade.',
      who: 'owner',
      when: { months: [11, 12], years: 5, gap: 21 },
    },
    RAIN,
  ],
  ring: [
    {
      key: 'cross',
      what: 'See whether roots cross where the ring stood, and how near the stem is to what is left.',
      stake: 'A stem that grows onto what is left of the ring is compressed by it.',
      who: 'consultant',
      when: { months: [7, 9], gap: 240 },
      looks: ['base.ring', 'dig'],
    },
  ],
  prune: [
    {
      key: 'cuts',
      what: 'Inspect the cuts and the freed bark.',
      stake: 'The next stage is decided by how it responded to this one.',
      who: 'consultant',
      when: { months: [7, 9], gap: 120 },
      looks: ['dig', 'base.girdling', 'base.bark'],
    },
    NOTICE,
  ],
  reset: SET_ANEW,
  raise: SET_ANEW,
  slopeUp: [
    {
      ...SETTLE,
      what: 'Has the slope settled or washed? Top up to the ball, never higher.',
      when: { days: [60, 365] },
    },
  ],
  openBall: SET_ANEW,
  move: SET_ANEW,
  drain: [{ ...RAIN, looks: ['probe.drain', 'soil.percolation'] }],
  trench: [
    { ...SETTLE, what: 'Top up the trenches where they settled.', when: { days: [60, 365] } },
    {
      key: 'penetrometer',
      what: 'Push the penetrometer again beside the trenches.',
      stake: 'Opened ground that closed again needs roots and air in it, not a third opening.',
      who: 'consultant',
      when: { days: [670, 760] },
      looks: ['push', 'soil.cone', 'probe.refusal'],
    },
  ],
  straighten: [
    ...SET_ANEW,
    {
      key: 'upright',
      what: 'Has it stayed upright? Turn it again, or leave it.',
      stake: 'A root ball sets in a few seasons; later it cannot be turned.',
      who: 'consultant',
      when: { days: [330, 400] },
      looks: ['base.lean', 'base.push'],
    },
  ],
  stake: [HALF_TIE, STAKE_OUT, PUSH],
  guard: [
    {
      key: 'guardOn',
      what: 'Guard on before winter.',
      stake: 'Rabbits and voles take bark in the first snow.',
      who: 'owner',
      when: { frost: 'before first', years: 3, gap: 60 },
    },
    {
      key: 'guardOff',
      what: 'Guard off for the summer: ants, damp bark, growth.',
      stake: 'Bark stays damp under a guard, and ants nest in it.',
      who: 'owner',
      when: { frost: 'after last', years: 3, gap: 30 },
    },
  ],
  leach: [
    {
      key: 'salt',
      what: 'Have the salt measured again.',
      stake: 'Salt that stayed burns the next leaves.',
      who: 'consultant',
      when: { days: [45, 75] },
      looks: ['soil.salt'],
    },
    {
      key: 'saltAfterWinter',
      what: 'Have the salt measured after the winter, before the buds open.',
      stake: 'Salt comes back with every winter that roads are salted.',
      who: 'consultant',
      when: { months: [2, 4], gap: 120 },
      looks: ['soil.salt'],
    },
  ],
  feed: [
    {
      key: 'colour',
      what: 'Colour of the new leaves, beside the reference tree.',
      stake: 'Where they stay pale, the reason was another.',
      who: 'consultant',
      when: { months: [5, 7], gap: 30 },
      looks: ['crown.colour'],
    },
  ],
  crown: [
    {
      key: 'deadwood',
      what: 'Count new dead wood.',
      stake: 'Dead limbs fall, and new ones show that the tree still declines.',
      who: 'consultant',
      when: { days: [330, 400] },
      looks: ['crown.dieback', 'look.dieback', 'crown.limbs'],
    },
  ],
  water: [],
  fertiliser: [
    {
      key: 'soilTest',
      what: 'Soil test before the first feed: feed only what it lacks.',
      stake: 'Fed blindly, a starved root system is burnt.',
      who: 'consultant',
      when: { days: [330, 400] },
      looks: ['soil.ph', 'soil.phosphorus', 'soil.potassium'],
    },
  ],
  watch: [],
  postmortem: [
    {
      key: 'neighbours',
      what: 'Inspect its neighbours of the same planting for what it showed.',
      stake: 'The others have the same fault, and a few seasons to be saved.',
      who: 'consultant',
      when: { days: [0, 60] },
    },
  ],
  remove: [
    {
      key: 'stump',
      what: 'Inspect stump and roots: what did it have?',
      stake: 'Ground out, the stump says nothing about its neighbours.',
      who: 'consultant',
      when: { days: [0, 14] },
    },
  ],
  replace: [
    {
      key: 'flare',
      what: 'Is the flare of the new tree in view, at or above grade?',
      stake: 'A ball that sinks starts the same failure again.',
      who: 'consultant',
      when: { days: [30, 120] },
    },
    ...SET_ANEW,
    NOTICE,
    AFTER_ROUND,
  ],
};

/**
 * Ties of stakes that stay are moved every autumn, so many times; those of stakes that come out once, at half time, where that
 * is so many months off. Months of the northern half of the world; common practice, no source.
 */
export const TIES = { months: [10, 11], gap: 60, years: 5, after: 6 } as const;

/** A window of months counts for a work where it leaves so many days after it. Judgement: a week to get there. */
export const LEAST_ROOM_DAYS = 7;
/** What was never done is no longer asked for so many days after its time. Judgement: the tree has answered by then. */
export const LAPSES_DAYS = 730;

/** The yearly look at a tree that was treated, until its crown should have answered. */
export const RECOVERY: Pick<FollowUp, 'key' | 'what' | 'stake' | 'who' | 'looks'> = {
  key: 'recovery',
  what: 'Count the shoots grown since the work, compare leaf length and density with the reference tree.',
  stake: 'Without it nobody knows whether the work did good, nor whether the next stage is due.',
  who: 'consultant',
  looks: ['crown.extension', 'crown.density', 'look.density'],
};

/** Months in which shoots of the year can be counted and leaves are still on, of the northern half of the world. */
export const RECOVERY_MONTHS = [7, 9] as const;

/** Growing seasons after a remedy in which the crown is looked at: until it should have answered; none for what no crown shows. */
export const seasonsWatched = (operation: OperationKey): number =>
  operation === 'stake' || operation === 'guard' ? 0 : (effectOf(operation)?.seasons[1] ?? 0);
