import { PRACTICE, type Limit } from './limit';

/** How far and how deep soil is taken off at a collar, with what, and how fast. */
export const EXCAVATION_LIMITS = {
  exploreHours: {
    value: 0.5,
    unit: 'h',
    reason: 'A window of a spade’s width dug by hand to the first root on two sides of the stem.',
    source: PRACTICE,
  },
  handDigReach: {
    value: 0.5,
    unit: 'm',
    reason: 'Fill is counted at least this far from the bark.',
    source: PRACTICE,
  },
  collarByRake: { value: 0.05, unit: 'm', reason: 'To a few centimetres a rake does it.', source: PRACTICE },
  collarByHand: {
    value: 0.15,
    unit: 'm',
    reason: 'To about 15 cm a hand dig does it; deeper wants an air tool.',
    source: PRACTICE,
  },
  collarByAir: {
    value: 0.3,
    unit: 'm',
    reason: 'Beyond about 30 cm a bowl becomes a pit: a wider regrade, a tree well, or a reset if young.',
    source: PRACTICE,
  },
  workingRoom: {
    value: 0.3,
    unit: 'm',
    reason: 'Level floor from the bark, to see roots leave and to work.',
    source: PRACTICE,
  },
  featherRun: {
    value: 3,
    unit: 'ratio',
    reason: 'Horizontal run for each unit of depth, so that the edge holds and can be mown.',
    source: PRACTICE,
  },
  regradeRun: {
    value: 8,
    unit: 'ratio',
    reason: 'A fall of 1 in 8 can be mown, walked and seeded.',
    source: PRACTICE,
  },
  wellRoom: {
    value: 0.9,
    unit: 'm',
    reason: 'From the bark to the wall: room for thirty years of stem, and for a hand to clear leaves.',
    source: PRACTICE,
  },
  wallHours: {
    value: 2.5,
    unit: 'h/m²',
    reason: 'Crew hours for each m² of dry wall, two people, small stone.',
    source: PRACTICE,
  },
  soilSwell: {
    value: 1.25,
    unit: 'ratio',
    reason: 'Dug loam stands about a quarter higher in the heap.',
    source: PRACTICE,
  },
  basinDepth: {
    value: 0.05,
    unit: 'm',
    reason: 'A floor more than 5 cm below grade collects water.',
    source: PRACTICE,
  },
  rakeRate: {
    value: 0.35,
    unit: 'm³/h',
    reason: 'm3 of loose material moved in a crew hour by rake and barrow.',
    source: PRACTICE,
  },
  handRate: {
    value: 0.2,
    unit: 'm³/h',
    reason: 'm3 of soil in a crew hour by hand, roots saved.',
    source: PRACTICE,
  },
  waterRate: {
    value: 0.35,
    unit: 'm³/h',
    reason: 'm3 of soil in a crew hour washed off with water and led away.',
    source: PRACTICE,
  },
  airRate: {
    value: 0.45,
    unit: 'm³/h',
    reason: 'm3 of soil in a crew hour with compressed air, two people.',
    source: PRACTICE,
  },
} as const satisfies Record<string, Limit>;
