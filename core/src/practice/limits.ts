/** What the value of a limit is in. A ratio has the same unit above and below; a share is of a whole, 0 to 1. */
export type LimitUnit =
  | 'm'
  | 'm²'
  | 'm³'
  | 'share'
  | 'ratio'
  | 'count'
  | 'degrees'
  | 'days'
  | 'years'
  | 'h'
  | '1/h'
  | 'h/m'
  | 'h/m²'
  | 'm/h'
  | 'm³/h'
  | 'm³/s'
  | 'kg/m³'
  | 'L/m³'
  | 'L/in'
  | 'cm/h';

/**
 * Judgement numbers: where a reading begins to mean something. Each with the reason and where it comes from; the
 * rules refer to them by name and never carry a number of their own.
 */
export interface Limit {
  value: number;
  unit: LimitUnit;
  reason: string;
  source: string;
}

const PRACTICE = 'common practice, no source';
const NURSERY = 'nursery planting-depth guidance (from memory)';

export const LIMITS = {
  exploreHours: {
    value: 0.5,
    unit: 'h',
    reason: 'A window of a spade’s width dug by hand to the first root on two sides of the stem.',
    source: PRACTICE,
  },
  leachDepth: {
    value: 0.3,
    unit: 'm',
    reason: 'Most fine roots lie in the uppermost 30 cm.',
    source: PRACTICE,
  },
  leachWater: {
    value: 1,
    unit: 'ratio',
    reason: 'Water as deep as the soil that it passes takes out some 80 % of the salt.',
    source: 'Ayers and Westcot 1985, FAO Irrigation and Drainage Paper 29, from memory',
  },
  leachRounds: {
    value: 3,
    unit: 'count',
    reason: 'In parts, a few days apart: what stands drowns roots, and salt moves between the waterings.',
    source: PRACTICE,
  },
  collarNormalMax: {
    value: 0.075,
    unit: 'm',
    reason: 'A well-placed collar has two or more structural roots within the top 2.5-7.5 cm of soil.',
    source: NURSERY,
  },
  collarNormalMin: {
    value: 0.025,
    unit: 'm',
    reason: 'Upper end of the well-placed range.',
    source: NURSERY,
  },
  collarWindow: {
    value: 0.3,
    unit: 'm',
    reason: 'Farther out the rod meets roots that have already dipped away from the collar.',
    source: PRACTICE,
  },
  fillMatters: {
    value: 0.03,
    unit: 'm',
    reason: 'Less than 3 cm cannot be told from settling.',
    source: PRACTICE,
  },
  mulchOnBarkMatters: {
    value: 0.05,
    unit: 'm',
    reason: 'A few centimetres that slid to the bark dry out; more keeps it damp.',
    source: PRACTICE,
  },
  mulchCone: {
    value: 1.5,
    unit: 'ratio',
    reason: 'At the bark half as deep again as halfway out: a cone, not a blanket.',
    source: PRACTICE,
  },
  mulchDeep: {
    value: 0.1,
    unit: 'm',
    reason: 'No school lays more than 7.5 cm; 10 cm is beyond all of them.',
    source: PRACTICE,
  },
  mulchNothing: {
    value: 0.005,
    unit: 'm',
    reason: 'Less than half a centimetre of chips is bare ground.',
    source: PRACTICE,
  },
  flareHiddenShare: {
    value: 0.5,
    unit: 'share',
    reason: 'Flare out of sight on at least half of the sides looked at.',
    source: PRACTICE,
  },
  vigourDrop: {
    value: 0.6,
    unit: 'share',
    reason: 'Shoots under 60 % of their earlier length: more than a poor year.',
    source: PRACTICE,
  },
  vigourHeld: {
    value: 0.85,
    unit: 'share',
    reason: 'Within 15 % of earlier growth is year-to-year noise.',
    source: PRACTICE,
  },
  pushYears: {
    value: 5,
    unit: 'years',
    reason: 'Five years after planting the base must not rock.',
    source: PRACTICE,
  },
  dangerSeenDays: {
    value: 7,
    unit: 'days',
    reason: 'A tree that shows it may fall is assessed within a week, and kept clear of people from today.',
    source: PRACTICE,
  },
  dangerPossibleDays: {
    value: 28,
    unit: 'days',
    reason: 'Where nothing was seen of it yet, within four weeks and before anyone works at its roots.',
    source: PRACTICE,
  },
  clearPerHeight: {
    value: 1.5,
    unit: 'ratio',
    reason: 'A tree falls within its height; what breaks off flies half as far again.',
    source: PRACTICE,
  },
  barrierRate: {
    value: 60,
    unit: 'm/h',
    reason: 'Metres of tape or fence set in a crew hour.',
    source: PRACTICE,
  },
  stakeMaxStem: {
    value: 0.1,
    unit: 'm',
    reason: 'A stake holds a nursery tree; a thicker stem takes the stake along.',
    source: PRACTICE,
  },
  flareAllRound: {
    value: 6,
    unit: 'count',
    reason: 'Of the eight sides: with fewer looked at, the flare may be hidden on one that was not.',
    source: PRACTICE,
  },
  flareMostSides: {
    value: 4,
    unit: 'count',
    reason: 'Half of the stem looked at before it is said to go in like a post.',
    source: PRACTICE,
  },
  blanketBearings: {
    value: 3,
    unit: 'count',
    reason: 'Mulch is even on one side and heaped on the next: a blanket is told from three.',
    source: PRACTICE,
  },
  atTheBark: {
    value: 0.05,
    unit: 'm',
    reason: 'A reading within a hand’s breadth of the bark tells what stands on it.',
    source: PRACTICE,
  },
  dugQuarters: {
    value: 3,
    unit: 'count',
    reason: 'Roots drawn in three of the four quarters before a dig speaks of the whole base.',
    source: PRACTICE,
  },
  shootsShort: {
    value: 0.06,
    unit: 'm',
    reason: 'Leaders that never make a hand’s breadth in a year belong to a tree of low vigour.',
    source: PRACTICE,
  },
  collarHigh: {
    value: 0.05,
    unit: 'm',
    reason: 'First roots this far above grade dry out and are mown: planted too high.',
    source: PRACTICE,
  },
  rodError: { value: 0.01, unit: 'm', reason: 'Standard error of one rod reading.', source: PRACTICE },
  dryPush: {
    value: 3,
    unit: 'ratio',
    reason: 'In dry soil the depth to 2 MPa says a third as much: it resists more than it does moist.',
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
  drainFall: {
    value: 0.02,
    unit: 'ratio',
    reason: 'Fall of 2 cm in a metre keeps a drain open.',
    source: PRACTICE,
  },
  resetMaxYears: {
    value: 8,
    unit: 'years',
    reason: 'Older root systems no longer come up whole.',
    source: PRACTICE,
  },
  resetMaxStem: {
    value: 0.12,
    unit: 'm',
    reason: 'Above about 12 cm of stem the ball is beyond hand lifting.',
    source: PRACTICE,
  },
  resetProud: { value: 0.025, unit: 'm', reason: 'Middle of flush to 5 cm above grade.', source: PRACTICE },
  removalDieback: {
    value: 0.7,
    unit: 'share',
    reason: 'With more than 70 % of the crown gone recovery is rare.',
    source: PRACTICE,
  },
  rootSmall: {
    value: 0.025,
    unit: 'm',
    reason: 'A root of a thumb’s thickness is cut without a thought for the tree’s hold.',
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
    reason: 'Less than 2 % of the bark cannot be told from a root that lies beside it.',
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
    source: 'stem-girdling root guides of university extension services (from memory)',
  },
  cutNearStemDbh: {
    value: 3,
    unit: 'ratio',
    reason: 'Cuts of holding roots nearer than 3 x DBH to the stem put stability at risk; 5 x is preferred.',
    source: 'common guidance in root management best practice (from memory)',
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
  collarVeryDeep: {
    value: 0.15,
    unit: 'm',
    reason: 'Twice the depth of the deepest well-placed collar; surveys call 15 cm badly buried.',
    source: PRACTICE,
  },
  fillMuch: {
    value: 0.15,
    unit: 'm',
    reason: 'A hand’s length of soil closes the old surface to air.',
    source: PRACTICE,
  },
  topsoilGood: { value: 0.15, unit: 'm', reason: 'Most fine roots live in the top 15 cm.', source: PRACTICE },
  topsoilNone: { value: 0.05, unit: 'm', reason: 'Less than 5 cm is a skin over subsoil.', source: PRACTICE },
  percolationStands: {
    value: 0.2,
    unit: 'cm/h',
    reason: '5 cm in a day: the hole still stands full on the next.',
    source: PRACTICE,
  },
  percolationPoor: { value: 2.5, unit: 'cm/h', reason: 'Under it a hole drains poorly.', source: PRACTICE },
  percolationExcessive: {
    value: 15,
    unit: 'cm/h',
    reason: 'Over it a hole does not hold water long enough.',
    source: PRACTICE,
  },
  percolationError: {
    value: 0.3,
    unit: 'share',
    reason: 'Share by which two holes a few steps apart differ.',
    source: PRACTICE,
  },
  soilOpen: { value: 0.3, unit: 'm', reason: 'Open to 30 cm, roots find room.', source: PRACTICE },
  soilVeryTight: {
    value: 0.15,
    unit: 'm',
    reason: 'Stopped within 15 cm, roots stay at the surface.',
    source: PRACTICE,
  },
  densityFull: {
    value: 0.75,
    unit: 'share',
    reason: 'Three quarters and more pass for full.',
    source: PRACTICE,
  },
  densityHalf: {
    value: 0.5,
    unit: 'share',
    reason: 'Half the leaves gone is plain to anyone.',
    source: PRACTICE,
  },
  diebackSome: {
    value: 0.05,
    unit: 'share',
    reason: 'A few dead twigs are in every crown.',
    source: PRACTICE,
  },
  diebackMuch: {
    value: 0.25,
    unit: 'share',
    reason: 'A quarter dead and the tree lives off its reserves.',
    source: PRACTICE,
  },
  extensionHalf: {
    value: 0.5,
    unit: 'share',
    reason: 'Shoots under half of what they were.',
    source: PRACTICE,
  },
  girdledSome: {
    value: 0.05,
    unit: 'share',
    reason: 'Less than 5 % of the bark does not slow a tree.',
    source: PRACTICE,
  },
  girdledMuch: {
    value: 0.25,
    unit: 'share',
    reason: 'A quarter of the bark squeezed shows in the crown.',
    source: PRACTICE,
  },
  anchorsFew: { value: 3, unit: 'count', reason: 'Two anchors make a line, not a stand.', source: PRACTICE },
  anchorGap: {
    value: 150,
    unit: 'degrees',
    reason: 'Degrees without a sound anchor: a side that nothing holds.',
    source: PRACTICE,
  },
  collarErrorReadings: {
    value: 4,
    unit: 'count',
    reason: 'The usual spread from side to side counts like this many readings beside those that were taken.',
    source: PRACTICE,
  },
  collarError: {
    value: 0.03,
    unit: 'm',
    reason: 'One push of the rod tells the collar of one side; the other sides lie a few centimetres off.',
    source: PRACTICE,
  },
  shareError: {
    value: 0.08,
    unit: 'share',
    reason: 'Two people reading a crown differ by about this.',
    source: PRACTICE,
  },
  bagVolume: { value: 0.05, unit: 'm³', reason: 'The usual 50 L bag of mulch.', source: PRACTICE },
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
  airRate: {
    value: 0.45,
    unit: 'm³/h',
    reason: 'm3 of soil in a crew hour with compressed air, two people.',
    source: PRACTICE,
  },
  cutHours: {
    value: 0.25,
    unit: 'h',
    reason: 'Crew hours for a root: bare, marked, sawn twice, trimmed.',
    source: PRACTICE,
  },
  setUpHours: {
    value: 0.5,
    unit: 'h',
    reason: 'Setting up and clearing away at one tree.',
    source: PRACTICE,
  },
  resetHours: {
    value: 3,
    unit: 'h',
    reason: 'Two people, one small tree, lift to watering in.',
    source: PRACTICE,
  },
  removalHours: {
    value: 14,
    unit: 'h/m',
    reason: 'Crew hours for each metre of DBH to take a tree down and chip it: two people, open ground.',
    source: PRACTICE,
  },
  stumpHours: {
    value: 5,
    unit: 'h/m',
    reason: 'Crew hours for each metre of DBH to grind a stump.',
    source: PRACTICE,
  },
  heightPerDbh: {
    value: 40,
    unit: 'ratio',
    reason: 'Height of an open-grown tree over its DBH.',
    source: PRACTICE,
  },
  chipsPerStem: {
    value: 1.5,
    unit: 'ratio',
    reason: 'A stem is half a cylinder of wood, and chips lie three times as loose.',
    source: PRACTICE,
  },
  drainHours: {
    value: 0.5,
    unit: 'h/m',
    reason: 'Crew hours for each metre of drain: dug by hand near roots, laid, covered.',
    source: PRACTICE,
  },
  drainUsual: {
    value: 4,
    unit: 'm',
    reason: 'Metres to lower ground where none was measured.',
    source: PRACTICE,
  },
  smallWorkHours: {
    value: 0.25,
    unit: 'h',
    reason: 'Ties, labels, guards: a quarter of an hour.',
    source: PRACTICE,
  },
  stakeHours: { value: 0.5, unit: 'h', reason: 'Two stakes driven and tied.', source: PRACTICE },
  ringHours: {
    value: 2.5,
    unit: 'h',
    reason: 'Crew hours to dig along a root-control ring, cut it and draw it out in pieces.',
    source: PRACTICE,
  },
  plantHours: {
    value: 3,
    unit: 'h',
    reason: 'Two people, one young tree, hole to watering in.',
    source: PRACTICE,
  },
  wateringsASeason: {
    value: 12,
    unit: 'count',
    reason: 'A watering a week from May to September, half of them skipped when the probe finds it moist.',
    source: PRACTICE,
  },
  wateringsEstablished: {
    value: 6,
    unit: 'count',
    reason: 'An established tree is watered in dry spells alone, every other week at most.',
    source: PRACTICE,
  },
  bucketStem: {
    value: 0.1,
    unit: 'm',
    reason:
      'Buckets by the inch of stem are for young transplants; beyond 10 cm the opened ground is watered.',
    source: PRACTICE,
  },
  wateredOut: {
    value: 1,
    unit: 'm',
    reason: 'From the bark: where the roots are that were bared or cut, and those that take their place.',
    source: PRACTICE,
  },
  wateringDepth: {
    value: 0.025,
    unit: 'm',
    reason: 'An inch of water wets the uppermost 15 to 25 cm.',
    source: PRACTICE,
  },
  litresPerInch: {
    value: 5 * 3.785411784,
    unit: 'L/in',
    reason: 'Litres for each inch of stem diameter and watering: the 5 US gallon rule.',
    source: PRACTICE,
  },
} as const satisfies Record<string, Limit>;

export type LimitKey = keyof typeof LIMITS;
