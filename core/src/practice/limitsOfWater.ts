import { PRACTICE, type Limit } from './limit';

/** What the water balance takes for granted. */
export const WATER_LIMITS = {
  plantFactor: {
    value: 0.5,
    unit: 'ratio',
    reason: 'Landscape trees draw about half of the reference in dry summers.',
    // From memory.
    source: 'ANSI/ASABE S623',
  },
  plantFactorHumid: {
    value: 0.7,
    unit: 'ratio',
    reason: 'In humid summers landscape trees draw more of the reference, which is smaller there.',
    // From memory.
    source: 'ANSI/ASABE S623',
  },
  humidSummer: {
    value: 0.65,
    unit: 'ratio',
    reason: 'A climate is humid from this ratio of rain to reference evapotranspiration on.',
    // From memory.
    source: 'UNEP 1992, World Atlas of Desertification',
  },
  tooMuchWater: {
    value: 0.25,
    unit: 'share',
    reason: 'Of the water given so much may drain below the roots by rain that came after; more is too much.',
    source: PRACTICE,
  },
  easyYoung: {
    value: 0.4,
    unit: 'share',
    reason: 'Of the water in its small ball a young tree draws so much without stress.',
    source: PRACTICE,
  },
  easyEstablished: {
    value: 0.5,
    unit: 'share',
    reason: 'Of the water in reach an established tree draws so much without stress.',
    // From memory.
    source: 'Allen et al. 1998, FAO-56, table 22',
  },
  rootsOut: {
    value: 0.3,
    unit: 'm',
    reason:
      'Roots of a planted or reset tree go out so far in a year, a little in cold and more in warm ground.',
    source: PRACTICE,
  },
  rootDepth: {
    value: 0.6,
    unit: 'm',
    reason: 'Most of the roots that take up water lie above this.',
    source: PRACTICE,
  },
  crownOverRoots: {
    value: 3,
    unit: 'ratio',
    reason:
      'A crown wider than its ball draws more from it; leaves of a new tree stay small, so no more than this.',
    source: PRACTICE,
  },
  mulchSaves: {
    value: 0.2,
    unit: 'share',
    reason: 'Of what goes into the air, less where the root zone lies under mulch.',
    source: PRACTICE,
  },
  hoseFlow: {
    value: 0.00025,
    unit: 'm³/s',
    reason: 'A garden hose gives about 15 litres a minute; time a bucket.',
    source: PRACTICE,
  },
  waterBag: { value: 0.075, unit: 'm³', reason: 'The usual bag laid round a young stem.', source: PRACTICE },
  probeMoist: {
    value: 0.5,
    unit: 'share',
    reason: 'Where the probe finds it moist a hand deep, no more of what is easily drawn is used.',
    source: PRACTICE,
  },
  probeHand: {
    value: 0.3,
    unit: 'share',
    reason: 'The hand at the probe is off by so much of what is easily drawn, as a standard deviation.',
    source: PRACTICE,
  },
  treesDiffer: {
    value: 0.3,
    unit: 'ratio',
    reason: 'What trees of one kind and size draw differs so much, as the standard deviation of a logarithm.',
    source: PRACTICE,
  },
  waterTank: {
    value: 1,
    unit: 'm³',
    reason: 'A tank on a pick-up or a small trailer.',
    source: PRACTICE,
  },
  careYears: {
    value: 2,
    unit: 'years',
    reason: 'Planted, moved or reset since, a tree has not rooted out and is watered in dry spells.',
    source: PRACTICE,
  },
  crownKeeps: {
    value: 0.001,
    unit: 'm',
    reason: 'Of each rain the crown keeps so much, and it dries there.',
    source: PRACTICE,
  },
  runOffSlope: {
    value: 0.1,
    unit: 'share',
    reason: 'Of what falls on ground steeper than one in twenty runs off.',
    source: PRACTICE,
  },
  runOffTight: {
    value: 0.15,
    unit: 'share',
    reason: 'Of what falls on compacted ground runs off.',
    source: PRACTICE,
  },
} as const satisfies Record<string, Limit>;
