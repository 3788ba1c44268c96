import { PRACTICE, type Limit } from './limit';

/**
 * Radial trenches: what a spoke is in each school, what it keeps away from, and what it takes. Judgements of practice
 * unless a source is named; local codes and the utility's own marks come first. SI.
 */
export interface SpokeRules {
  school: 'hand' | 'air';
  label: string;
  width: number;
  depth: number;
  /** Where spokes begin: at the edge of the old planting hole, or beyond what holds the tree up. */
  begins: 'hole' | 'structural zone';
  /** How far out they may go, in multiples of the crown radius; at least `leastReach` beyond where they begin. */
  reach: number;
  leastReach: number;
  /** Least distance from middle to middle of two spokes where they begin, and where the shorter one ends. */
  innerSpacing: number;
  outerSpacing: number;
  /** A shorter one is not dug. */
  leastLength: number;
  /** Share of compost in what goes back. */
  compost: number;
  why: string;
}

export const SPOKES: Record<SpokeRules['school'], SpokeRules> = {
  hand: {
    school: 'hand',
    label: 'narrow hand-dug trenches from the hole edge',
    width: 0.08,
    depth: 0.18,
    begins: 'hole',
    reach: 1.2,
    leastReach: 1.5,
    innerSpacing: 0.4,
    outerSpacing: 0.8,
    leastLength: 0.6,
    compost: 1,
    why: 'A young tree needs the way out of its hole; a narrow cut hurts few roots.',
  },
  air: {
    school: 'air',
    label: 'air-tool trenches from beyond the structural roots to the drip line',
    width: 0.22,
    depth: 0.28,
    begins: 'structural zone',
    reach: 1,
    leastReach: 1.5,
    innerSpacing: 0.6,
    outerSpacing: 1.2,
    leastLength: 1,
    compost: 0.5,
    why: 'Close to an established stem every trench meets roots that hold it up.',
  },
};

/** By age, where the school says so: the older ones get air-tool spokes. */
export const ESTABLISHED_YEARS = 8;

/** Numbers of the layout that are the same in every school. */
export const TRENCH_LIMITS = {
  opened: {
    value: 0.3,
    unit: 'm',
    reason: 'Roots find their way from a trench into loosened soil about 30 cm to its side.',
    source: PRACTICE,
  },
  leastGain: {
    value: 0.08,
    unit: 'm²',
    reason: 'A trench that opens less than this beside its neighbours is not worth the digging.',
    source: PRACTICE,
  },
  disturbedAtOnce: {
    value: 0.1,
    unit: 'share',
    reason: 'Share of the root zone dug in one season; more is spread over seasons.',
    source: PRACTICE,
  },
  stressedAtOnce: {
    value: 0.05,
    unit: 'share',
    reason: 'A tree already short of roots is given half of that.',
    source: PRACTICE,
  },
  rootClearance: {
    value: 0.05,
    unit: 'm',
    reason: 'From a root that holds the tree up to the wall of a trench.',
    source: PRACTICE,
  },
  bridged: {
    value: 0.025,
    unit: 'm',
    reason: 'Roots from this diameter on are left whole across the trench.',
    source: PRACTICE,
  },
  drainFall: {
    value: 0.02,
    unit: 'ratio',
    reason: 'A trench that falls more than 2% along its run carries water away: step it.',
    source: PRACTICE,
  },
  steepFall: {
    value: 0.1,
    unit: 'ratio',
    reason: 'From 10% on steps wash out: only runs that fall less, towards the contour.',
    source: PRACTICE,
  },
  stepHeight: {
    value: 0.1,
    unit: 'm',
    reason: 'Drop between two steps of a trench floor.',
    source: PRACTICE,
  },
  settlement: {
    value: 0.2,
    unit: 'share',
    reason: 'Share by which loose fill goes down in the first year; compost 20-30%, native 10%.',
    source: PRACTICE,
  },
  compostWeight: {
    value: 600,
    unit: 'kg/m³',
    reason: 'Moist screened compost weighs 500 to 700 kg/m³.',
    source: PRACTICE,
  },
  settlingWater: {
    value: 150,
    unit: 'L/m³',
    reason: 'Litres for each m3 of fill, to settle it without sealing it.',
    source: PRACTICE,
  },
  nozzleAir: {
    value: 0.0708,
    unit: 'm³/s',
    reason: 'About 150 cfm at the nozzle for small trees, 200 and more in hard clay.',
    source: PRACTICE,
  },
} as const satisfies Record<string, Limit>;

/** What may stand or lie about the tree: how far a trench keeps from it, m. */
export interface ObstacleKind {
  key: string;
  label: string;
  clearance: number;
  /** A buried line whose marks lapse. */
  utility?: true;
  why: string;
}

export const OBSTACLE_KINDS: readonly ObstacleKind[] = [
  { key: 'building', label: 'building', clearance: 1, why: 'Footings and their drains lie beside the wall.' },
  { key: 'wall', label: 'wall', clearance: 0.5, why: 'Footings are wider than the wall.' },
  { key: 'kerb', label: 'kerb', clearance: 0.3, why: 'The haunching reaches this far.' },
  { key: 'path', label: 'path', clearance: 0.15, why: 'Its edge breaks away over an open trench.' },
  { key: 'paving', label: 'paving', clearance: 0.15, why: 'Its edge breaks away over an open trench.' },
  { key: 'bed', label: 'bed', clearance: 0.1, why: 'What grows there keeps its roots.' },
  { key: 'no-dig', label: 'no-dig area', clearance: 0, why: 'As agreed for this place.' },
  {
    key: 'gas',
    label: 'gas',
    clearance: 1,
    utility: true,
    why: 'Hand digging near marks; many codes ask for more.',
  },
  {
    key: 'electric',
    label: 'electric cable',
    clearance: 0.6,
    utility: true,
    why: 'Marks are off by this much.',
  },
  { key: 'water', label: 'water main', clearance: 0.6, utility: true, why: 'Marks are off by this much.' },
  {
    key: 'drain',
    label: 'drain or sewer',
    clearance: 0.5,
    utility: true,
    why: 'Marks are off by this much.',
  },
  {
    key: 'telecom',
    label: 'telecom cable',
    clearance: 0.5,
    utility: true,
    why: 'Marks are off by this much.',
  },
];

/** Words by which what was typed freely may be meant, beside the keys themselves. Common practice, no source. */
const ALSO: Readonly<Record<string, readonly string[]>> = {
  building: ['house', 'garage', 'shed', 'foundation', 'footing'],
  kerb: ['curb'],
  path: ['drive', 'footway', 'sidewalk', 'road', 'track'],
  paving: ['paved', 'asphalt', 'tarmac', 'concrete', 'slab'],
  gas: ['fuel', 'oil pipe', 'heating', 'pipe'],
  electric: ['power', 'cable', 'mains', 'high voltage', 'lighting', 'conduit', 'duct'],
  water: ['irrigation', 'hydrant'],
  drain: ['sewer', 'storm', 'foul', 'culvert', 'soakaway', 'manhole', 'lateral'],
  telecom: ['fibre', 'fiber', 'telephone', 'broadband', 'data line'],
};

/** What nobody can tell from its name: it keeps as clear as from the worst it may be, and its marks lapse too. */
const OTHER: ObstacleKind = {
  key: 'other',
  label: 'not known what it is',
  clearance: Math.max(...OBSTACLE_KINDS.map((k) => k.clearance)),
  utility: true,
  why: 'Not known what it is: kept as clear of as the worst it may be.',
};

/**
 * The kind of a thing by its key, or of what was typed freely: of all that its words may mean the one that is kept
 * clearest of, a buried line before anything above ground.
 *
 * @example obstacleKind('Gas line under paving').clearance // 1
 */
export function obstacleKind(kind: string): ObstacleKind {
  const said = kind.trim().toLowerCase();
  const exact = OBSTACLE_KINDS.find((k) => k.key === said || k.label === said);
  if (exact) return exact;
  const meant = OBSTACLE_KINDS.filter((k) =>
    [k.key, ...(ALSO[k.key] ?? [])].some((word) => said.includes(word)),
  );
  const strictness = (k: ObstacleKind) => k.clearance + (k.utility ? 10 : 0);
  return (
    meant.reduce<ObstacleKind | undefined>(
      (worst, k) => (worst && strictness(worst) >= strictness(k) ? worst : k),
      undefined,
    ) ?? OTHER
  );
}

/** Vertical mulching and air decompaction. */
export const VERTICAL = {
  diameter: { value: 0.075, unit: 'm', reason: 'Holes of 5 to 10 cm.', source: PRACTICE },
  spacing: { value: 0.6, unit: 'm', reason: 'Every 60 cm on a triangular grid.', source: PRACTICE },
  spread: {
    value: 0.15,
    unit: 'm',
    reason: 'An augered wall opens less to its side than a trench.',
    source: PRACTICE,
  },
  holesAnHour: {
    value: 20,
    unit: '1/h',
    reason: 'Bored and filled by one person; half that in clay.',
    source: PRACTICE,
  },
  airDepth: {
    value: 0.2,
    unit: 'm',
    reason: 'As deep as the air tool loosens without lifting roots.',
    source: PRACTICE,
  },
  sectors: {
    value: 4,
    unit: 'count',
    reason: 'Wedges of soil replaced one a season, opposite ones first: the tree lives from the others.',
    source: PRACTICE,
  },
} as const satisfies Record<string, Limit>;

/** Trench soil moved in a crew hour, m3: from, usually, at best. Common practice, no source. */
export interface DigRate {
  low: number;
  usual: number;
  high: number;
  reason: string;
}

export type SoilToDig = 'open' | 'tight';

/** By tool and by how the soil was found; the ranges are wide because crews and stones are. */
export const DIG_RATES: Record<SpokeRules['school'], Record<SoilToDig, DigRate>> = {
  hand: {
    open: { low: 0.15, usual: 0.2, high: 0.3, reason: 'One person with a trenching spade in open soil.' },
    tight: {
      low: 0.07,
      usual: 0.12,
      high: 0.18,
      reason: 'Compacted soil is loosened with a pick before it is lifted.',
    },
  },
  air: {
    open: { low: 0.35, usual: 0.5, high: 0.7, reason: 'Two people and one nozzle in open, moist soil.' },
    tight: {
      low: 0.15,
      usual: 0.3,
      high: 0.45,
      reason: 'Compacted clay is cut in thin slices, slower when dry; wetting it the day before helps.',
    },
  },
};

/** Compressors by the air they give, m3/s; the smallest that feeds the nozzle is taken. Common practice, no source. */
export const COMPRESSORS: readonly { label: string; gives: number }[] = [
  { label: '5 m³/min (185 cfm) class, towed', gives: 5 / 60 },
  { label: '7 m³/min (250 cfm) class, towed', gives: 7 / 60 },
  { label: '10.6 m³/min (375 cfm) class, towed', gives: 10.6 / 60 },
];
