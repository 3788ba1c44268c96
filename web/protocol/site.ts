import type { SiteThing } from '@undrel/core/casefile';

/** What stands and lies within reach of a tree, on the plan of its property. */
export interface Site {
  things: SiteThing[];
  others: { label: string; x: number; y: number; stemDiameter?: number }[];
}
