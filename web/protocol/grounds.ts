import type { CauseKey, Standing } from '@undrel/core/diagnosis';

export interface PropertyRow {
  id: string;
  name: string;
  client: string | null;
  trees: number;
  visited: number;
  last_visit: string | null;
}

export interface DueRow {
  tree_id: string;
  label: string;
  property: string;
  on: string;
  why: string;
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
  lastVisit?: string;
  collarDepth?: number;
  onBark?: number;
  cause?: CauseKey;
  causeLabel?: string;
  standing?: Standing;
  due?: string;
}

/** An outline on a property's plan, in local metres: x east, y north. */
export interface Outline {
  name: string;
  kind: string;
  shape: 'area' | 'line';
  points: [number, number][];
}

export interface PropertyPage {
  id: string;
  version: number;
  name: string;
  client: string | null;
  note: string | null;
  plan: Outline[];
  trees: TreeRow[];
}

/** Outlines stored meanwhile and those of a file that would replace them. */
export interface PlanSides {
  version: number;
  theirs: { outlines: number; names: string[] };
  mine: { outlines: number; names: string[] };
}
