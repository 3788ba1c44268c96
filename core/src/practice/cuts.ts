import { PRACTICE, type Limit } from './limit';

/** What a cut plan is weighed with, and what it keeps to where nobody says otherwise. Judgements, each with its reason. */
export const CUT_PLAN = {
  horizon: {
    value: 20,
    unit: 'years',
    reason: 'Years looked ahead: compression that comes later is another visit’s matter.',
    source: PRACTICE,
  },
  earlier: {
    value: 0.93,
    unit: 'share',
    reason: 'A year later counts this much less: bark that is freed early grows on.',
    source: PRACTICE,
  },
  rootWorth: {
    value: 0.35,
    unit: 'share',
    reason:
      'Bark worth giving one unit of root cross-section for: a root with 10% of it must free 3.5% of the bark.',
    source: PRACTICE,
  },
  competingWorth: {
    value: 0.2,
    unit: 'share',
    reason: 'The same for a root of another tree, which loses it too.',
    source: PRACTICE,
  },
  anchorWorth: {
    value: 0.3,
    unit: 'share',
    reason:
      'Bark worth giving for an anchor that a root buries itself in, by the anchor’s share of the cross-section.',
    source: PRACTICE,
  },
  eachCut: {
    value: 0.0005,
    unit: 'share',
    reason: 'Every cut is a wound: none is made for nothing.',
    source: PRACTICE,
  },
  laterCut: {
    value: 0.2,
    unit: 'share',
    reason: 'By this share a wound is larger with every stage: the root grows on.',
    source: PRACTICE,
  },
  smallRoot: {
    value: 0.006,
    unit: 'm',
    reason: 'Small circling and adventitious roots above the collar go now, while they cost nothing.',
    source: PRACTICE,
  },
  stageGap: {
    value: 120,
    unit: 'degrees',
    reason:
      'Degrees without a sound anchor that the first stage may open: wider only later, after a check of how the tree stands.',
    source: PRACTICE,
  },
  strictGap: {
    value: 110,
    unit: 'degrees',
    reason: 'Degrees without a sound anchor to windward or towards a target.',
    source: PRACTICE,
  },
  largestCut: {
    value: 0.1,
    unit: 'm',
    reason: 'Wounds wider than 10 cm do not close before decay is in; left unless the consultant says so.',
    source: PRACTICE,
  },
  oneAStage: {
    value: 0.08,
    unit: 'm',
    reason: 'A root as thick as a hand is wide feeds a side of the crown: no two of them in one stage.',
    source: PRACTICE,
  },
  largeShare: {
    value: 0.03,
    unit: 'share',
    reason:
      'From this share of the root cross-section on a root is a large one: plans that differ in it differ.',
    source: PRACTICE,
  },
  alternative: {
    value: 0.9,
    unit: 'share',
    reason: 'Another plan worth showing reaches nine tenths of the best.',
    source: PRACTICE,
  },
  seasons: { value: 2, unit: 'count', reason: 'Stages where nobody says otherwise.', source: PRACTICE },
  interval: {
    value: 2,
    unit: 'years',
    reason: 'Growing seasons between two stages: long enough to see how it takes it.',
    source: PRACTICE,
  },
} as const satisfies Record<string, Limit>;

/** Most of the root cross-section lost in all stages together, by the school of loss in a season. Common practice, no source. */
export const TOTAL_LOSS: Record<string, number> = { cautious: 0.2, usual: 0.35, bold: 0.5 };
