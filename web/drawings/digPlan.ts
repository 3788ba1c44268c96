import {
  planPoint,
  structuralRootZone,
  wallOf,
  type DigReading,
  type Outline,
  type RootPath,
} from '@undrel/core/roots';
import { formatValue, tidy } from '@undrel/core/units';
import { crossedBy, placeLabel, textWidth } from './labels';
import { northMark } from './northMark';
import { scaleBar, scaleBarMarks } from './scaleBar';
import { paperOf, type Drawing, type Point, type Shape } from './shapes';
import { MANNERS, rootShapes } from './digRoots';
import { line, write, type DigPlan, type Pen } from './digPen';
import { toDrawing, toMetres, type PlanView } from './planView';

const GRID_STEPS = { metric: [0.05, 0.1, 0.2, 0.5, 1, 2], us: [0.0762, 0.1524, 0.3048, 0.6096, 1.2192] };

/** What the buttons over the plan of a dig take of its upper left corner, pixels. */
const BUTTONS = { width: 60, height: 150 };

/** The view that shows the collar: the stem with room about it, and whatever is not a holding root going away from it. */
export function fittingView(reading: DigReading, width: number, height: number): PlanView {
  let far = 3.4 * reading.outline.farthest;
  for (const { root, path } of reading.roots) {
    if (root.kind === 'structural' && root.start === 'stem') continue;
    for (let i = 0; i < path.x.length; i++)
      far = Math.max(far, Math.abs(path.x[i]!) + path.radius[i]!, Math.abs(path.y[i]!) + path.radius[i]!);
  }
  far = Math.min(1, far);
  return { x: 0, y: 0, scale: Math.min(width, height) / 2 / (far * 1.08) };
}

/** Indices of roots, deepest first, so that what lies over is drawn over; what the pit said goes before depth. */
function byDepth(reading: DigReading): number[] {
  const order = reading.roots.map((_, i) => i);
  const mean = (i: number) => {
    const { z } = reading.roots[i]!.path;
    return z.reduce((a, b) => a + b, 0) / Math.max(1, z.length);
  };
  order.sort((a, b) => mean(a) - mean(b));
  for (let pass = 0; pass < 3; pass++) {
    for (const { over, under } of reading.crossings) {
      const [at, below] = [order.indexOf(over), order.indexOf(under)];
      if (at > below) continue;
      order.splice(at, 1);
      order.splice(order.indexOf(under) + 1, 0, over);
    }
  }
  return order;
}

function ring(radius: number, to: (x: number, y: number) => Point): Point[] {
  return Array.from({ length: 97 }, (_, i) => to(...planPoint((i * 360) / 96, radius)));
}

const along = (outline: Outline, from: number, to: number, beyond: number): [number, number][] => {
  const steps = Math.max(2, Math.ceil((to - from) / 2));
  return Array.from({ length: steps + 1 }, (_, i) => {
    const bearing = from + ((to - from) * i) / steps;
    return planPoint(bearing, outline.radius(bearing) + beyond);
  });
};

/** Shapes of a root as it was last drawn: what did not move keeps them, and the screen does not draw it again. */
const drawnRoots = new WeakMap<RootPath, { key: string; shapes: Shape[] }>();

/** The plan of the dig at true scale: what squeezes the bark, what crosses what, what holds. */
export function digPlanDrawing(plan: DigPlan): Drawing {
  const { width, height } = plan;
  const shapes: Shape[] = [];
  const pen: Pen = { plan, to: toDrawing(plan), shapes, taken: [], font: plan.compact ? 13 : 14 };
  drawGround(pen);
  const below = shapes.length;
  const order = byDepth(plan.reading);
  for (const i of order) if (plan.there[i]) drawRoot(pen, i);
  drawStem(pen);
  numberCuts(pen);
  nameRoots(pen, order, below);
  namePot(pen);
  drawFrame(pen);
  return { width, height, shapes };
}

function drawGround(pen: Pen) {
  const { plan, to, shapes, taken } = pen;
  const { reading, view, width, height, system } = plan;
  if (!plan.seeThrough) shapes.push(paperOf(width, height));
  if (plan.bare) return;
  const step = GRID_STEPS[system].find((s) => s * view.scale >= 56) ?? GRID_STEPS[system].at(-1)!;
  const [west, north] = toMetres(plan, [0, 0]);
  const [east, south] = toMetres(plan, [width, height]);
  for (let x = Math.ceil(west / step) * step; x < east; x += step)
    line(
      pen,
      [
        [to(x, 0)[0], 0],
        [to(x, 0)[0], height],
      ],
      'hair',
      1,
    );
  for (let y = Math.ceil(south / step) * step; y < north; y += step)
    line(
      pen,
      [
        [0, to(0, y)[1]],
        [width, to(0, y)[1]],
      ],
      'hair',
      1,
    );
  const named = (radius: number, words: string, dash?: [number, number]) => {
    if (radius * view.scale > Math.hypot(width, height)) return;
    line(pen, ring(radius, to), 'muted', 1.2, dash);
    const at = to(...planPoint(135, radius));
    const size = { width: textWidth(words, 12), height: 14 };
    if (at[0] > 0 && at[0] < width - size.width && at[1] > 14 && at[1] < height - 40) {
      taken.push({ left: at[0], top: at[1], ...size });
      write(pen, [at[0] + 3, at[1] + 12], words, { size: 12, tone: 'muted' });
    }
  };
  if (plan.dbh) {
    for (const times of [1, 3, 5]) named(times * plan.dbh, `${times} × DBH`, [2, 5]);
    named(structuralRootZone(plan.dbh), 'structural root zone', [10, 5]);
  }
  if (plan.drip) named(plan.drip, 'drip line', [14, 4]);
  for (const barrier of plan.barriers ?? []) named(barrier.diameter / 2, barrier.kind);
  if (reading.pot) {
    const wall = wallOf(reading.pot).map((place) => to(...place));
    line(pen, [...wall, wall[0]!], 'muted', 1.2, [6, 3]);
  }
}

function drawRoot(pen: Pen, i: number) {
  const { plan, to, shapes } = pen;
  const { reading, view, width, height } = plan;
  const { root: dug } = reading.roots[i]!;
  const path = plan.paths[i]!;
  if (path.x.length < 2) return;
  const look = {
    manner: MANNERS[dug.kind],
    chosen: dug.label === plan.selected,
    rotten: dug.condition === 'dead' || dug.condition === 'decayed',
    stays: plan.never?.includes(dug.label) ?? false,
    seeThrough: plan.seeThrough ?? false,
  };
  const key = [
    dug.kind,
    look.chosen,
    look.rotten,
    look.stays,
    look.seeThrough,
    view.x,
    view.y,
    view.scale,
    width,
    height,
  ].join();
  const before = drawnRoots.get(path);
  const drawn = before?.key === key ? before.shapes : rootShapes(path, to, look);
  drawnRoots.set(path, { key, shapes: drawn });
  shapes.push(...drawn);
}

function drawStem(pen: Pen) {
  const { plan, to, shapes, taken, font } = pen;
  const { reading, outline, view } = plan;
  const bark = along(outline, 0, 360, 0).map(([x, y]) => to(x, y));
  if (!plan.seeThrough) shapes.push({ as: 'area', points: bark, tone: 'sheet' });
  for (const part of [0.75, 0.5]) {
    line(
      pen,
      along(outline, 0, 360, 0).map(([x, y]) => to(x * part, y * part)),
      'hair',
      1,
    );
  }
  for (const decay of plan.decay ?? []) {
    const [from, until] = [decay.from + reading.turn, decay.to + reading.turn];
    const end = until > from ? until : until + 360;
    const deep = Math.max(0.02, decay.depth ?? 0.03);
    const sector = [...along(outline, from, end, 0), ...along(outline, from, end, -deep).reverse()].map(
      ([x, y]) => to(x, y),
    );
    shapes.push({ as: 'area', points: sector, tone: 'buried' });
  }
  line(pen, bark, 'ink', 2.4);
  for (const arc of plan.arcs) {
    const inset = 4 / view.scale;
    line(
      pen,
      along(outline, arc.from, arc.to, -inset).map(([x, y]) => to(x, y)),
      'harm',
      9,
    );
  }
  const across = 2 * outline.meanRadius * view.scale;
  const [cx, cy] = to(0, 0);
  const figure = `${tidy(100 * plan.share, 0)}%`;
  const size = Math.max(16, Math.min(44, across / 3.4));
  if (across > 60) {
    write(pen, [cx, cy + size * 0.3], figure, {
      size,
      anchor: 'middle',
      strong: true,
      figures: true,
      halo: 'sheet',
    });
    if (across > 184)
      write(pen, [cx, cy + size * 0.3 + font + 4], 'of the bark is compressed', {
        anchor: 'middle',
        halo: 'sheet',
      });
    taken.push({ left: cx - across / 2, top: cy - across / 2, width: across, height: across });
  }
}

function numberCuts(pen: Pen) {
  const { plan, to, shapes, taken } = pen;
  for (const { number, cut } of plan.cuts) {
    const [x, y] = to(cut.x, cut.y);
    const disk = Array.from({ length: 25 }, (_, i): Point => [
      x + 11 * Math.cos((i * Math.PI) / 12),
      y + 11 * Math.sin((i * Math.PI) / 12),
    ]);
    shapes.push({ as: 'area', points: disk, tone: 'todo', edge: 'sheet' });
    shapes.push({
      as: 'text',
      at: [x, y + 5],
      text: String(number),
      size: 14,
      tone: 'sheet',
      anchor: 'middle',
      strong: true,
    });
    taken.push({ left: x - 12, top: y - 12, width: 24, height: 24 });
  }
}

/** Over the roots, or they would hide it. */
function namePot(pen: Pen) {
  const { plan, to } = pen;
  const { reading } = plan;
  const { pot } = reading;
  if (!pot || plan.bare) return;
  const [x, y] = to(pot.x, pot.y - pot.half);
  write(pen, [x, y + 14], 'old pot', { size: 12, tone: 'muted', anchor: 'middle' });
}

function nameRoots(pen: Pen, order: readonly number[], below: number) {
  const { plan, to, shapes, taken, font } = pen;
  const { reading, width, height, system, compact } = plan;
  // North, scale and the buttons keep their corners.
  if (!plan.bare) taken.push({ left: 0, top: 0, ...(plan.corner ?? BUTTONS) });
  taken.push(
    { left: width - 58, top: 0, width: 58, height: 70 },
    { left: 0, top: height - 46, width: 210, height: 46 },
  );
  const lines = shapes.slice(below).flatMap((s) => (s.as === 'line' ? [s.points] : []));
  const crossed = crossedBy(lines, width, height);
  for (const i of [...order].reverse()) {
    if (!plan.there[i]) continue;
    const { root: dug } = reading.roots[i]!;
    const path = plan.paths[i]!;
    const n = path.x.length;
    if (n === 0) continue;
    const thick = 2 * path.radius[Math.floor(n / 3)]!;
    const words = compact
      ? ''
      : `${formatValue(thick, 'short length', system, 0.001)}, ${MANNERS[dug.kind].words}`;
    const size = {
      width: Math.max(textWidth(dug.label, font + 2), textWidth(words, 12)),
      height: compact ? font + 4 : font + 17,
    };
    const seen = [n - 1, Math.floor(n * 0.8), Math.floor(n * 0.6), Math.floor(n * 0.4), Math.floor(n * 0.2)]
      .map((k) => to(path.x[k]!, path.y[k]!))
      .map(([x, y]): Point => [Math.max(8, Math.min(width - 8, x)), Math.max(8, Math.min(height - 8, y))]);
    const at = placeLabel(size, seen, taken, { width, height }, crossed);
    if (!at) continue;
    const chosen = dug.label === plan.selected;
    write(pen, [at[0], at[1] + font], dug.label, {
      size: font + 2,
      strong: true,
      tone: chosen ? 'todo' : 'ink',
    });
    if (words) write(pen, [at[0], at[1] + font + 14], words, { size: 12, tone: chosen ? 'todo' : 'ink' });
  }
}

function drawFrame(pen: Pen) {
  const { plan, shapes } = pen;
  const { view, width, height, system, compact } = plan;
  northMark(shapes, width);
  const bar = scaleBar(view.scale, system, width * 0.25);
  const base = height - 14;
  shapes.push(scaleBarMarks(14, base, bar.length));
  const step = GRID_STEPS[system].find((s) => s * view.scale >= 56) ?? GRID_STEPS[system].at(-1)!;
  const squares = plan.bare || compact ? '' : `, squares ${formatValue(step, 'short length', system)}`;
  write(pen, [14, base - 9], `${bar.label}${squares}`);
}
