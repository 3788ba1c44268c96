/** Everything that is measured and worked out, by its key; what it is called is for people alone. */
export const QUANTITY_NAMES = {
  airTool: 'Air tool',
  availableWater: 'Available water in 1 m of soil',
  bagsOfCompost: 'Bags of compost',
  bagsToBring: 'Bags to bring',
  bagsToCarryAway: 'Bags to carry away',
  barkSqueezed: 'Bark squeezed',
  barkSqueezedByRoot: 'Bark squeezed by a root',
  barrier: 'Barrier',
  bowlRadius: 'Bowl radius',
  bulkDensity: 'Bulk density',
  chipsToTakeAway: 'Chips to take away',
  clearanceFromBark: 'Clearance from the bark',
  collarDepth: 'Collar depth',
  compost: 'Compost',
  crewHours: 'Crew hours',
  drain: 'Drain',
  drainToDaylight: 'Drain to daylight',
  faceOfWall: 'Face of the wall',
  fillAtStem: 'Fill at the stem',
  fillVolume: 'Fill volume',
  floorBelowGrade: 'Floor below grade',
  guards: 'Guards',
  heap: 'Heap',
  infiltration: 'Infiltration',
  holeDiameter: 'Hole diameter',
  holes: 'Holes',
  lift: 'Lift',
  mulchLeftOver: 'Mulch left over',
  mulchMissing: 'Mulch missing',
  mulchOnBark: 'Mulch on the bark',
  mulchRingRadius: 'Mulch ring radius',
  mulchVolume: 'Mulch volume',
  nativeSoilBack: 'Native soil back',
  newRingRadius: 'New ring radius',
  percolation: 'Percolation',
  pores: 'Pores',
  radiusKeptClear: 'Radius kept clear',
  laboratoryTests: 'Laboratory tests',
  leachedRadius: 'Radius to wash through',
  regradeRadius: 'Regrade radius',
  ringMulchCovers: 'Ring the mulch covers',
  rootsInStage1: 'Roots to cut in stage 1',
  rootSectionThatGoes: 'Root cross-section that goes',
  soilDug: 'Soil dug',
  soilToTakeOut: 'Soil to take out',
  spoilHeap: 'Spoil heap',
  spoilToTakeAway: 'Spoil to take away',
  stabilityAssessments: 'Stability assessments',
  stakeSets: 'Stake sets',
  trenchesRun: 'Trenches, run',
  wallRadius: 'Wall radius',
  waterAtEachWatering: 'Water at each watering',
  waterings: 'Waterings',
  waterToLeach: 'Water to wash it through',
  waterToSettle: 'Water to settle it',
  weightOfCompost: 'Weight of compost',
  youngTrees: 'Young trees',
} as const;

export type QuantityKey = keyof typeof QUANTITY_NAMES;
export const QUANTITY_KEYS = Object.keys(QUANTITY_NAMES) as QuantityKey[];

/** Key and name of a quantity. */
export const named = (key: QuantityKey): { key: QuantityKey; name: string } => ({
  key,
  name: QUANTITY_NAMES[key],
});

/** What a stored key is called; one that is not known any more stands as it was stored. */
export const quantityName = (key: string): string =>
  Object.hasOwn(QUANTITY_NAMES, key) ? QUANTITY_NAMES[key as QuantityKey] : key;
