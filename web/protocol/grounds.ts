import type { WeatherRecord, SiteThing } from '@undrel/core/records';
import type { CauseKey } from '@undrel/core/vocabulary';
import type { Proposal } from '@undrel/core/cohort';
import type { Tie } from '@undrel/core/geometry';
import type { Standing } from '@undrel/core/diagnosis';
import type { CohortTold } from '@undrel/core/history';
import type { Quantity } from '@undrel/core/units';
import type { Triage, Urgency } from '@undrel/core/walk';

export interface PropertyRow {
  id: string;
  name: string;
  client: string | null;
  trees: number;
  visited: number;
  last_visit: string | null;
  /** Where it lies, degrees, where that is noted. */
  place: { latitude: number; longitude: number } | null;
}

export interface Hit {
  kind: 'tree' | 'property' | 'client' | 'event' | 'report';
  title: string;
  detail: string;
  href: string;
}

/** A tree as a row of a property's table: its own fields and what its newest visit comes to. */
export interface TreeRow {
  id: string;
  version: number;
  label: string;
  species: string;
  commonName?: string;
  plantedYear?: number;
  stock?: string;
  stemDiameter?: number;
  height?: number;
  reference: boolean;
  x?: number;
  y?: number;
  /** How far its place may be out, in 95 of 100, where it came from a position that was read; m. */
  error?: number;
  lastVisit?: string;
  collarDepth?: number;
  onBark?: number;
  cause?: CauseKey;
  causeLabel?: string;
  standing?: Standing;
  cohort?: string;
  planter?: string;
  /** How soon, and what next; what it was at the visit before, where that differs. */
  triage: Triage;
  before?: { urgency: Urgency; action: string; date: string };
  /** The visit of today, to go on with, and what it holds of the quick looks. */
  today?: { visitId: string; looks: Record<string, { answer: string; version: number }> };
  /** When the quick looks were last taken. */
  walked?: string;
  due?: string;
}

/** A confirmed cohort: what its trees tell of each fault that comes with the planting, the most widespread first. */
export interface CohortPage {
  name: string;
  /** How many there were and how many fail or are dead, as told. */
  told?: CohortTold;
  readings: {
    fault: string;
    label: string;
    summary: string;
    share: { value: number; lower: number; upper: number };
    digs: { share: number; more?: number }[];
    next?: { id: string; label: string };
    trees: { id: string; label: string; chance: number; own: number; examined: boolean }[];
  }[];
}

/** An outline on a property's plan, in local metres: x east, y north. */
export type Outline = SiteThing;

export interface PropertyPage {
  id: string;
  version: number;
  name: string;
  client: string | null;
  note: string | null;
  plan: Outline[];
  /** Day the present walk-round began. */
  roundStarted: string | null;
  /** Rain of its growing seasons, where a record was read. */
  weather: WeatherRecord | null;
  trees: TreeRow[];
  cohorts: CohortPage[];
  proposals: Proposal[];
}

/** What the trenches of a tree take in their first season. */
export interface TreeMaterials {
  id: string;
  label: string;
  seasons: number;
  spokes: number;
  quantities: Quantity[];
  /** Another way of opening the soil was chosen. */
  instead?: string;
  blocked?: string;
}

/** Trees of a property that have a place on its plan and a position that was read, and whether any tree has a place. */
export interface ReadPlaces {
  ties: (Tie & { id: string })[];
  placed: boolean;
}

/** Outlines stored meanwhile and those of a file that would replace them. */
export interface PlanSides {
  version: number;
  theirs: { outlines: number; names: string[] };
  mine: { outlines: number; names: string[] };
}
