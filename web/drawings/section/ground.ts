import { EXCAVATION_LIMITS } from '@undrel/core/practice';
import type { SectionSide } from '@undrel/core/profile';
import { formatValue } from '@undrel/core/units';
import { hatch, type Point, type Tone } from '../shapes';
import type { SectionCanvas } from './canvas';

function block(canvas: SectionCanvas, top: number, bottom: number, tone: Tone): Point[] {
  const { width, Y, shapes } = canvas;
  const points: Point[] = [
    [0, Y(-top)],
    [width, Y(-top)],
    [width, Y(-bottom)],
    [0, Y(-bottom)],
  ];
  shapes.push({ as: 'area', points, tone });
  return points;
}

export function soil(canvas: SectionCanvas) {
  const { view, width, height, system, Y, deep, shapes, labels } = canvas;
  shapes.push({
    as: 'area',
    points: [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ],
    tone: 'paper',
  });
  block(canvas, 0, deep, 'loam');
  const hard = view.refusal;
  if (hard !== undefined && hard < deep) {
    const clay = block(canvas, hard, deep, 'clay');
    shapes.push({ as: 'marks', segments: hatch(clay, 17, [8, 0]), tone: 'muted', width: 0.8 });
    labels.push({
      y: Y(-hard) + 16,
      text: `rod stops at ${formatValue(hard, 'short length', system)}`,
      tone: 'ink',
    });
  }
}

/** A profile mirrored to its side, as drawing points. */
function outward(
  canvas: SectionCanvas,
  side: SectionSide,
  points: SectionSide['mulch'],
  mirror: number,
): Point[] {
  const { X, Y } = canvas;
  return points.map((p) => [X(mirror * p.x), Y(p.z)]);
}

export function mulchAndFill(canvas: SectionCanvas) {
  const { view, profile, system, after, r, sides, scale, X, Y, wide, shapes, labels } = canvas;
  // Soil stays where it is beyond the bowl; only the mulch is moved.
  sides.forEach((side, i) => {
    const mirror = i === 0 ? -1 : 1;
    if (side.original.length > 0) {
      const inner: Point[] = outward(canvas, side, side.original, mirror);
      const last = side.original[side.original.length - 1]!;
      const end = mirror * Math.max(wide, last.x);
      const area: Point[] = [[X(mirror * r), Y(0)], ...inner, [X(end), Y(last.z)], [X(end), Y(0)]];
      shapes.push({ as: 'area', points: area, tone: 'fill' });
      shapes.push({ as: 'marks', segments: hatch(area, 11, [0.6, 0]), tone: 'muted', width: 1.4 });
      if (view.topsoil) {
        const under: Point[] = [[X(end), Y(last.z)], ...[...inner].reverse()];
        const lower: Point[] = [...under].reverse().map(([x, y]) => [x, y + view.topsoil! * scale]);
        shapes.push({ as: 'area', points: [...under, ...lower], tone: 'topsoil' });
      }
      shapes.push({
        as: 'line',
        points: [...inner, [X(end), Y(last.z)]],
        tone: 'ink',
        width: 1.2,
        dash: [7, 4],
      });
    } else if (view.topsoil) {
      const area: Point[] = [
        [X(0), Y(0)],
        [X(mirror * wide), Y(0)],
        [X(mirror * wide), Y(-view.topsoil)],
        [X(0), Y(-view.topsoil)],
      ];
      shapes.push({ as: 'area', points: area, tone: 'topsoil' });
    }
    if (side.mulch.length > 0 && !after) {
      const top = outward(canvas, side, side.mulch, mirror);
      const area: Point[] = [[X(mirror * r), Y(0)], ...top, [top[top.length - 1]![0], Y(0)]];
      shapes.push({ as: 'area', points: area, tone: 'mulch', edge: 'ink' });
      shapes.push({ as: 'marks', segments: hatch(area, 10, [6, -2.5 * mirror]), tone: 'buried', width: 1 });
    }
  });
  const fill = profile.fill?.atStem;
  if (fill && fill.value > 0.005) {
    const text = `${view.fillNote ?? 'fill'}, ${formatValue(fill.value, 'short length', system)}`;
    labels.push({ y: Y(-fill.value / 2) + 5, text, tone: 'ink', strong: true });
  }
  if (view.topsoil) {
    const depth = (fill?.value ?? 0) + view.topsoil / 2;
    labels.push({
      y: Y(-depth) + 5,
      text: `old topsoil, ${formatValue(view.topsoil, 'short length', system)}`,
      tone: 'ink',
    });
  }
}

/** The bowl cut and the mulch as it is to lie. */
export function finished(canvas: SectionCanvas) {
  const { plan, r, X, Y, shapes } = canvas;
  for (const mirror of [-1, 1]) {
    if (plan.floor !== undefined && plan.bowlRadius !== undefined) {
      const room = r + EXCAVATION_LIMITS.workingRoom.value;
      shapes.push({
        as: 'area',
        tone: 'paper',
        points: [
          [X(0), Y(0) - 1],
          [X(0), Y(-plan.floor)],
          [X(mirror * room), Y(-plan.floor)],
          [X(mirror * plan.bowlRadius), Y(0) - 1],
        ],
      });
    }
    if (plan.ring !== undefined && plan.mulchDepth !== undefined && plan.clearance !== undefined) {
      const inner = Math.max(r + plan.clearance, plan.floor !== undefined ? (plan.bowlRadius ?? 0) : 0);
      if (plan.ring > inner) {
        const area: Point[] = [
          [X(mirror * inner), Y(0)],
          [X(mirror * inner), Y(plan.mulchDepth)],
          [X(mirror * plan.ring), Y(plan.mulchDepth)],
          [X(mirror * plan.ring), Y(0)],
        ];
        shapes.push({ as: 'area', points: area, tone: 'mulch', edge: 'ink' });
        shapes.push({ as: 'marks', segments: hatch(area, 8, [5, -2 * mirror]), tone: 'buried', width: 1 });
      }
    }
  }
}

export function lines(canvas: SectionCanvas) {
  const { after, plan, r, X, Y, wide, shapes, labels, flareEnd } = canvas;
  for (const mirror of [-1, 1]) {
    const from = after && plan.bowlRadius ? plan.bowlRadius : r;
    shapes.push({
      as: 'line',
      points: [
        [X(mirror * from), Y(0)],
        [X(mirror * wide), Y(0)],
      ],
      tone: 'ink',
      width: 2,
    });
    if (after && plan.floor !== undefined && plan.bowlRadius !== undefined) {
      const room = r + EXCAVATION_LIMITS.workingRoom.value;
      const cut: Point[] = [
        [X(mirror * flareEnd), Y(-plan.floor)],
        [X(mirror * room), Y(-plan.floor)],
        [X(mirror * plan.bowlRadius), Y(0)],
      ];
      shapes.push({ as: 'line', points: cut, tone: 'ink', width: 2 });
    }
  }
  labels.push({ y: Y(0) - 6, text: after ? 'grade' : 'present grade', tone: 'ink', strong: true });
}

export function proposal(canvas: SectionCanvas) {
  const { compact, plan, r, X, Y, shapes, font } = canvas;
  const { floor, bowlRadius } = plan;
  if (floor === undefined || bowlRadius === undefined) return;
  const room = r + EXCAVATION_LIMITS.workingRoom.value;
  const line: Point[] = [
    [X(-bowlRadius), Y(0)],
    [X(-room), Y(-floor)],
    [X(room), Y(-floor)],
    [X(bowlRadius), Y(0)],
  ];
  shapes.push({ as: 'line', points: line, tone: 'todo', width: 3, dash: [0, 7] });
  if (!compact) {
    const at: Point = [X(-bowlRadius) - 2, Y(-floor) + 26];
    const target: Point = [X(-(bowlRadius + room) / 2), Y(-floor / 2)];
    const start = Math.max(12, at[0]);
    shapes.push({ as: 'line', points: [[start + 40, at[1] - 14], target], tone: 'todo', width: 1.2 });
    shapes.push({
      as: 'text',
      at: [start, at[1]],
      text: 'grade after excavation',
      size: font,
      tone: 'todo',
      anchor: 'start',
      strong: true,
      halo: 'loam',
    });
  }
}
