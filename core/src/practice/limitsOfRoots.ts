import { PRACTICE, type Limit } from './limit';

/** What counts of the roots that a dig lays open. */
export const ROOT_LIMITS = {
  dugQuarters: {
    value: 3,
    unit: 'count',
    reason: 'Roots drawn in three of the four quarters before a dig speaks of the whole base.',
    source: PRACTICE,
  },
  rootSmall: {
    value: 0.025,
    unit: 'm',
    reason: 'A root as thick as a thumb can be cut without affecting anchorage.',
    source: PRACTICE,
  },
  rootLarge: {
    value: 0.05,
    unit: 'm',
    reason: 'A cut wider than 5 cm closes slowly and takes much water supply with it: by stages.',
    source: PRACTICE,
  },
  girdleMatters: {
    value: 0.02,
    unit: 'share',
    reason: 'Less than 2% of the bark cannot be told from a root that lies beside it.',
    source: PRACTICE,
  },
  girdleSoonYears: {
    value: 10,
    unit: 'years',
    reason: 'What will press within ten years is thinner and cheaper to cut today.',
    source: PRACTICE,
  },
  girdleBeyondPruning: {
    value: 0.5,
    unit: 'share',
    reason: 'Stems compressed over half of the circumference or more are usually beyond simple pruning.',
    // From memory.
    source: 'stem-girdling root guides of university extension services',
  },
  cutNearStemDbh: {
    value: 3,
    unit: 'ratio',
    reason:
      'Cutting anchoring roots nearer than 3 x DBH to the stem put stability at risk; 5 x is preferred.',
    // From memory.
    source: 'common guidance in root management best practice',
  },
  oldTreeYears: {
    value: 30,
    unit: 'years',
    reason: 'Old trees make up for lost roots slowly: half the usual share a season.',
    source: PRACTICE,
  },
  stressedDieback: {
    value: 0.25,
    unit: 'share',
    reason: 'With a quarter of the crown died back the tree has little to spare.',
    source: PRACTICE,
  },
  cutClearance: {
    value: 0.03,
    unit: 'm',
    reason: 'The stump of a cut root stays this clear of the bark, and of ten years of its growth.',
    source: PRACTICE,
  },
  girdledSome: {
    value: 0.05,
    unit: 'share',
    reason: 'Less than 5% of the bark does not slow a tree.',
    source: PRACTICE,
  },
  girdledMuch: {
    value: 0.25,
    unit: 'share',
    reason: 'A quarter of the bark compressed shows in the crown.',
    source: PRACTICE,
  },
  anchorsFew: {
    value: 3,
    unit: 'count',
    reason: 'Two anchors lie on a line and cannot hold a tree.',
    source: PRACTICE,
  },
  anchorGap: {
    value: 150,
    unit: 'degrees',
    reason: 'Degrees without a sound anchor: a side that nothing holds.',
    source: PRACTICE,
  },
} as const satisfies Record<string, Limit>;
