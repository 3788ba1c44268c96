/**
 * The case of one tree, as plain types. SI throughout: metres, degrees clockwise from north. The schema that checks
 * a file against these types is in schema.ts; this file has no dependency so that a browser may load it alone.
 */
import type { CutDesign } from './cuts';
import type { Dig } from './dig';
import type { Push } from './push';
import type { SoilLog } from './soilLog';
import type { Site, TrenchDesign } from './trench';
import type { WorkDone } from './work';

export const CASE_FORMAT = 'undrel-case';
export const CASE_VERSION = 3;

export type Stock = 'container' | 'balled-and-burlapped' | 'bare-root' | 'field-grown';

export interface Tree {
  label: string;
  species: string;
  commonName?: string;
  plantedYear?: number;
  stock?: Stock;
  /** Who planted it. */
  planter?: string;
  /** Name of the trees it was planted with, once that was confirmed. */
  cohort?: string;
  /** Across the stem just above the flare or above what buries it. */
  stemDiameter?: number;
  /** Across the stem at 1.3 m (4.5 ft). */
  dbh?: number;
  height?: number;
  crownRadius?: number;
  /** Where the drip line was measured bearing by bearing, up to eight; stands before `crownRadius`. */
  crownSpread?: { bearing: number; radius: number }[];
  /** Room for a mulch ring, from the centre of the stem to paving or another limit. */
  mulchRoom?: number;
  position?: { x: number; y: number };
  /** A healthy tree kept as the yardstick for others of its species. */
  reference?: boolean;
  /** Schools of practice chosen for this tree alone, by matter. */
  schools?: Record<string, string>;
  /** What it is worth to its owner as it stands, and what a young one in its place would be, as they said it. */
  worth?: Worth;
  note?: string;
}

/** Amounts in decimals as text; the currency of ISO 4217. */
export interface Worth {
  currency: string;
  asIs: string;
  young?: string;
}

export type EventKind =
  | 'planted'
  | 'soil added'
  | 'paving'
  | 'trenching'
  | 'irrigation'
  | 'mulch contract'
  | 'drought'
  | 'flood'
  | 'fertiliser'
  | 'staking'
  | 'guard'
  | 'planting ring'
  | 'decline noticed'
  | 'treatment'
  | 'other';

/** Something that happened to the tree. `when` is as exact as known: YYYY, YYYY-MM or YYYY-MM-DD. */
export interface TreeEvent {
  kind: EventKind;
  when: string;
  note?: string;
}

/** One answer to one question of a station. `part` is a sector (0-7, from north clockwise) or a year. */
export interface Finding {
  key: string;
  part?: number;
  answer?: string;
  number?: number;
  /** Where on the stem it is: the side, degrees from north, and the height above grade, m. */
  bearing?: number;
  height?: number;
  /** Whoever noted it was not sure of it. */
  unsure?: true;
  note?: string;
}

export interface DepthReading {
  /** From the bark outward, m. */
  distance: number;
  depth: number;
}

/** A line of rod readings from the bark outward at one bearing. */
export interface GradeProfile {
  bearing: number;
  mulch: DepthReading[];
  mulchEnds?: number;
  /** Soil added above the original grade. */
  fill: DepthReading[];
}

/** One push of the rod. `depth` is down from `from`; above it is negative. */
export interface ProbePoint {
  bearing: number;
  distance: number;
  depth: number;
  found: 'root' | 'nothing' | 'obstacle';
  from: 'grade' | 'mulch';
}

/** What the consultant decided about an operation that was proposed, and the words for it. */
export interface Decision {
  operation: string;
  taken: boolean;
  /** Day it is planned for, ISO. */
  on?: string;
  wording?: string;
}

export interface Visit {
  date: string;
  by?: string;
  note?: string;
  /** Made on a walk-round: quick looks that add to the visit before. */
  walk?: true;
  /** When to come back, and what for. */
  lookAgain?: { on: string; why: string };
  /** Day on which a hole that was filled is looked at. */
  drainCheck?: string;
  /** Where the consultant holds another cause to be the first than the findings make it, and why. */
  opinion?: { cause: string; why: string };
  /** A soil sample at the laboratory: its label, the days it went out and its results are expected. */
  labOrder?: { label: string; sent: string; ready: string };
  /** What the client is told of the verdict, where it was written anew. */
  clientWords?: string;
  findings: Finding[];
  profiles: GradeProfile[];
  probes: ProbePoint[];
  decisions: Decision[];
  dig?: Dig;
  trenches?: TrenchDesign;
  cuts?: CutDesign;
  /** Of a recording penetrometer. */
  pushes?: Push[];
  /** Holes of the soil probe, layer by layer. */
  soilLogs?: SoilLog[];
  /** What the crew did of it, step by step. */
  work?: WorkDone[];
}

export interface CaseFile {
  format: typeof CASE_FORMAT;
  version: typeof CASE_VERSION;
  tree: Tree;
  events: TreeEvent[];
  visits: Visit[];
  /** Rain where it stands, where a record was read. */
  weather?: WeatherRecord;
  /** What stands and lies about it, where a plan was made. */
  site?: Site;
}

/** Rain of one growing season, April to September, m. */
export interface SeasonRain {
  year: number;
  rain: number;
}

/** What is known of the rain where a tree stands, and who measured it. */
export interface WeatherRecord {
  source: string;
  seasons: SeasonRain[];
}

/** Radius of the stem at the base, m; DBH stands in where the base was not measured. */
export function stemRadius(tree: Tree): number | undefined {
  const diameter = tree.stemDiameter ?? tree.dbh;
  return diameter === undefined ? undefined : diameter / 2;
}
