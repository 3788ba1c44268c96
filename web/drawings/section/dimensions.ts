import { READING_LIMITS } from '@undrel/core/practice';
import { formatQuantity, formatValue, type Quantity } from '@undrel/core/units';
import { scaleBar, scaleBarMarks } from '../scaleBar';
import { spaced, type Point } from '../shapes';
import type { SectionCanvas } from './canvas';

function vertical(canvas: SectionCanvas, x: number, top: number, bottom: number) {
  const { Y, shapes } = canvas;
  const [a, b] = [Y(top), Y(bottom)];
  shapes.push({
    as: 'marks',
    tone: 'ink',
    width: 1.5,
    segments: [
      [
        [x, a],
        [x, b],
      ],
      [
        [x - 5, a + 5],
        [x + 5, a - 5],
      ],
      [
        [x - 5, b + 5],
        [x + 5, b - 5],
      ],
    ],
  });
}

/** How high the mulch lies on the bark, on its left. */
function mulchOnBark(canvas: SectionCanvas) {
  const { view, section, profile, compact, system, r, edge, X, Y, wide, shapes, font } = canvas;
  const left = section.left.onBark;
  const x = X(-Math.min(wide - 0.1, r + Math.max(0.2, 0.62 * (edge - r))));
  shapes.push({
    as: 'line',
    points: [
      [x - 6, Y(left)],
      [X(-r), Y(left)],
    ],
    tone: 'ink',
    width: 1,
  });
  vertical(canvas, x, left, 0);
  const figure = formatValue(left, 'short length', system, 0.01);
  const up = Y(left) - 10;
  const under = profile.collar?.depth && compact && view.cornerTaken ? 72 : 20;
  const size = compact ? 18 : 20;
  const common = { as: 'text', tone: 'ink', anchor: 'start', halo: 'paper' } as const;
  if (up - 17 - size >= under) {
    shapes.push(
      {
        ...common,
        at: [Math.max(10, x - 8), up - 17],
        text: figure,
        size,
        strong: true,
        figures: true,
      },
      { ...common, at: [Math.max(10, x - 8), up], text: 'mulch on the bark', size: font },
    );
  } else {
    shapes.push({
      ...common,
      at: [x - 9, (Y(left) + Y(0)) / 2 + 5],
      text: figure,
      size: 15,
      anchor: 'end',
      strong: true,
      figures: true,
    });
  }
}

/** How deep the collar lies here, right of the stem, with a line to its figure where there is room. */
function collarHere(canvas: SectionCanvas, depth: Quantity) {
  const { section, compact, ground, flareEnd, r, wide, X, Y, shapes, font } = canvas;
  const here = section.right.collarDepth ?? depth.value;
  if (here <= 0.01) return;
  const x = X(r + (compact ? 0.3 : 0.42) * (wide - r));
  shapes.push({
    as: 'line',
    points: [
      [X(flareEnd), Y(-here)],
      [x + 8, Y(-here)],
    ],
    tone: 'ink',
    width: 1,
  });
  vertical(canvas, x, 0, -here);
  if (!compact)
    shapes.push({
      as: 'line',
      points: [
        [x, Math.min(248, ground - 60) + font + 14],
        [x, Y(0) - 6],
      ],
      tone: 'ink',
      width: 1,
      dash: [2, 4],
    });
}

/** The depth of the collar, large. */
function collarFigure(canvas: SectionCanvas, depth: Quantity) {
  const { view, width, compact, system, after, ground, shapes, font } = canvas;
  const told = formatQuantity(depth, system);
  const [figure, unit] = split(told);
  const left = compact && view.cornerTaken;
  const at: Point = left ? [12, 34] : [width - 22, view.cornerTaken ? Math.min(248, ground - 60) : 40];
  const common = { as: 'text', tone: 'ink', anchor: left ? 'start' : 'end', halo: 'paper' } as const;
  const spread =
    depth.plusMinus === undefined ? 'collar depth' : `collar depth, ± ${(told.split('± ')[1] ?? '').trim()}`;
  shapes.push(
    { ...common, at, text: `${figure} ${unit}`, size: compact ? 30 : 42, strong: true, figures: true },
    { ...common, at: [at[0], at[1] + font + 5], text: after ? 'collar depth found' : spread, size: font },
  );
}

export function dimensions(canvas: SectionCanvas) {
  const { profile, after, onBark } = canvas;
  const depth = profile.collar?.depth;
  if (!after && onBark > READING_LIMITS.mulchNothing.value) mulchOnBark(canvas);
  if (!depth) return;
  if (!after) collarHere(canvas, depth);
  collarFigure(canvas, depth);
}

/** Figure and unit of a quantity's text, its interval left out. */
function split(text: string): [string, string] {
  const [, figure = text, unit = ''] = /^(-?[\d.]+)(?: ± [\d.]+)? ?(.*)$/.exec(text) ?? [];
  return [figure, unit];
}

export function legend(canvas: SectionCanvas) {
  const { view, profile, width, height, compact, system, scale, ground, shapes, labels, font } = canvas;
  for (const label of spaced(labels, font + 5, height - 34)) {
    shapes.push({
      as: 'text',
      at: [width - 10, label.y],
      text: label.text,
      size: font,
      tone: label.tone,
      anchor: 'end',
      strong: label.strong,
      halo: label.y < ground ? 'paper' : 'loam',
    });
  }
  const bar = scaleBar(scale, system, width * 0.3);
  const y = height - 14;
  shapes.push(scaleBarMarks(14, y, bar.length));
  shapes.push({
    as: 'text',
    at: [14, y - 9],
    text: compact
      ? bar.label
      : `${bar.label}, no exaggeration${view.dug ? '; roots as dug' : profile.collar ? '; roots schematic until dug' : ''}`,
    size: font,
    tone: 'ink',
    anchor: 'start',
    halo: 'loam',
  });
}
