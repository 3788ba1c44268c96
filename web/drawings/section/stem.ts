import { READING_LIMITS } from '@undrel/core/practice';
import type { SectionSide } from '@undrel/core/profile';
import type { Point } from '../shapes';
import type { SectionCanvas } from './canvas';

/** Stem edge of one side, from the top of the picture down to the end of the flare. */
function stemEdge(canvas: SectionCanvas, mirror: number, depth: number | undefined): Point[] {
  const { r, X, Y, flareEnd } = canvas;
  if (depth === undefined)
    return [
      [X(mirror * r), 0],
      [X(mirror * r), Y(0)],
    ];
  const flareTop = -depth + Math.min(0.14, 0.5 * r + 0.04);
  const curve = Array.from({ length: 9 }, (_, i): Point => {
    const t = i / 8;
    return [X(mirror * (r + (flareEnd - r) * t * t)), Y(flareTop + (-depth - flareTop) * t)];
  });
  return [[X(mirror * r), 0], ...curve];
}

export function stem(canvas: SectionCanvas) {
  const { view, after, r, sides, X, Y, wide, shapes, font } = canvas;
  const edges = sides.map((side, i) => stemEdge(canvas, i === 0 ? -1 : 1, side.collarDepth));
  const probed = sides.some((side) => side.collarDepth !== undefined);
  sides.forEach((side, i) => {
    if (side.collarDepth !== undefined && !view.dug) root(canvas, i === 0 ? -1 : 1, side.collarDepth);
  });
  for (const { points, label } of view.dug?.along ?? []) {
    const seen = points.filter((p) => Math.abs(p.x) < wide + 0.2);
    shapes.push({
      as: 'area',
      points: [
        ...seen.map((p): Point => [X(p.x), Y(p.top)]),
        ...seen.map((p): Point => [X(p.x), Y(p.bottom)]).reverse(),
      ],
      tone: 'root',
      edge: 'ink',
    });
    const end = seen[Math.floor(seen.length * 0.6)];
    if (end)
      shapes.push({
        as: 'text',
        at: [X(end.x), Y(end.bottom) + font + 3],
        text: label,
        size: font,
        tone: 'ink',
        anchor: 'middle',
        halo: 'loam',
      });
  }
  const under = probed ? underside(canvas) : [];
  shapes.push({ as: 'area', points: [...edges[0]!, ...under, ...[...edges[1]!].reverse()], tone: 'sheet' });
  for (const edge of edges) shapes.push({ as: 'line', points: edge, tone: 'ink', width: 2.2 });
  if (probed) {
    shapes.push({ as: 'line', points: under, tone: 'ink', width: 1.6 });
  } else {
    for (const x of [-r, r]) {
      shapes.push({
        as: 'line',
        points: [
          [X(x), Y(0)],
          [X(x * 1.15), Y(-0.22)],
        ],
        tone: 'muted',
        width: 1.5,
        dash: [4, 4],
      });
    }
    shapes.push({
      as: 'text',
      at: [X(0), Y(-0.22) + 18],
      text: 'collar not probed',
      size: font,
      tone: 'ink',
      anchor: 'middle',
      halo: 'loam',
    });
  }
  if (!after) sides.forEach((side, i) => buriedBark(canvas, i === 0 ? -1 : 1, side));
}

/** From root to root below the stem, a flat arch. */
function underside(canvas: SectionCanvas): Point[] {
  const { section, r, collar, X, Y, flareEnd, rootThickness } = canvas;
  const bottom = (side: SectionSide) => -(side.collarDepth ?? collar) - rootThickness(flareEnd);
  const [left, right] = [bottom(section.left), bottom(section.right)];
  return Array.from({ length: 17 }, (_, i): Point => {
    const t = i / 16;
    const sag = 0.35 * r * Math.sin(Math.PI * t);
    return [X(flareEnd * (2 * t - 1)), Y(left + (right - left) * t - sag)];
  });
}

function root(canvas: SectionCanvas, mirror: number, depth: number) {
  const { r, X, Y, wide, shapes, flareEnd, rootThickness } = canvas;
  const points = Array.from({ length: 17 }, (_, i) => 0.5 * r + ((wide - 0.5 * r) * i) / 16);
  const top = (x: number) =>
    -depth - (x > flareEnd ? 0.06 * (x - flareEnd) + 0.012 * Math.sin((x - flareEnd) * 6) : 0);
  const upper = points.map((x): Point => [X(mirror * x), Y(top(x))]);
  const lower = points.map((x): Point => [X(mirror * x), Y(top(x) - rootThickness(x))]);
  shapes.push({ as: 'area', points: [...upper, ...lower.reverse()], tone: 'root', edge: 'ink' });
}

/** Roots of the dig as true ovals at their depth; those that squeeze in the colour of harm. */
export function dug(canvas: SectionCanvas) {
  const { view, scale, X, Y, wide, shapes, font } = canvas;
  for (const oval of view.dug?.ovals ?? []) {
    const points = Array.from({ length: 33 }, (_, i): Point => {
      const angle = (i * Math.PI) / 16;
      return [X(oval.x + oval.halfWidth * Math.cos(angle)), Y(oval.z + oval.halfHeight * Math.sin(angle))];
    });
    const harms = oval.kind === 'girdling' || oval.kind === 'root on root';
    shapes.push({ as: 'area', points, tone: harms ? 'squeeze' : 'root', edge: harms ? 'harm' : 'ink' });
    if (oval.halfHeight * scale > 5 && Math.abs(oval.x) < wide) {
      shapes.push({
        as: 'text',
        at: [X(oval.x + Math.sign(oval.x) * (oval.halfWidth + 0.012)), Y(oval.z) + 5],
        text: oval.label,
        size: font,
        tone: harms ? 'harm' : 'ink',
        anchor: oval.x < 0 ? 'end' : 'start',
        strong: true,
        halo: 'loam',
      });
    }
  }
}

function buriedBark(canvas: SectionCanvas, mirror: number, side: SectionSide) {
  const { r, scale, X, Y, shapes } = canvas;
  const bottom = side.collarDepth;
  const top = side.onBark > READING_LIMITS.mulchNothing.value ? side.onBark : 0;
  if (bottom === undefined ? top === 0 : top + bottom < 0.02) return;
  const from = bottom === undefined ? 0 : -bottom + 0.02;
  const band = Math.max(5, Math.min(9, 0.18 * r * scale));
  const x = X(mirror * r);
  shapes.push({
    as: 'area',
    tone: 'buried',
    points: [
      [x, Y(top)],
      [x - mirror * band, Y(top)],
      [x - mirror * band, Y(from)],
      [x, Y(from)],
    ],
  });
}
