import type { Barrier, DecaySector } from '@undrel/core/records';
import type { NumberedCut } from '@undrel/core/pruning';
import type { Arc, DigReading, Outline, RootPath } from '@undrel/core/roots';
import type { UnitSystem } from '@undrel/core/units';
import type { Box } from './labels';
import type { PlanView, toDrawing } from './planView';
import type { Point, Shape, Tone } from './shapes';

export interface DigPlan {
  reading: DigReading;
  /** Stem, roots and arcs as they are to be drawn: now, or some years on. */
  outline: Outline;
  paths: readonly RootPath[];
  there: readonly boolean[];
  arcs: readonly Arc[];
  share: number;
  view: PlanView;
  width: number;
  height: number;
  system: UnitSystem;
  selected?: string;
  /** DBH in m, for the rings at 1, 3 and 5 times and the structural root zone. */
  dbh?: number;
  drip?: number;
  decay?: readonly DecaySector[];
  barriers?: readonly Barrier[];
  cuts: readonly NumberedCut[];
  /** Roots that must not be cut, marked on the crew's sheet. */
  never?: readonly string[];
  compact: boolean;
  /** Whether the pit’s grid and rings are drawn. */
  bare?: boolean;
  /** How much of the upper left corner is taken by what stands over it, pixels; without it the column of buttons of the dig. */
  corner?: { width: number; height: number };
  /** A picture lies under it: roots and stem are lines, and it shows through. */
  seeThrough?: boolean;
}

/** What a plan is drawn with: where metres lie, what is drawn so far, and where words stand already. */
export interface Pen {
  plan: DigPlan;
  to: ReturnType<typeof toDrawing>;
  shapes: Shape[];
  taken: Box[];
  font: number;
}

/** A line of the plan. */
export const line = ({ shapes }: Pen, points: Point[], tone: Tone, width: number, dash?: [number, number]) =>
  shapes.push({ as: 'line', points, tone, width, dash });

/** Words on the plan, on a halo of its ground. */
export const write = (
  { shapes, font }: Pen,
  at: Point,
  text: string,
  more: Partial<Extract<Shape, { as: 'text' }>> = {},
) => shapes.push({ as: 'text', at, text, size: font, tone: 'ink', anchor: 'start', halo: 'paper', ...more });
