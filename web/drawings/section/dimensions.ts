import { LIMITS } from '@undrel/core/practice';
import { formatQuantity, formatValue } from '@undrel/core/units';
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

export function dimensions(canvas: SectionCanvas) {
  const {
    view,
    section,
    profile,
    width,
    compact,
    system,
    after,
    r,
    edge,
    onBark,
    ground,
    X,
    Y,
    wide,
    shapes,
    font,
    flareEnd,
  } = canvas;
  const depth = profile.collar?.depth;
  if (!after && onBark > LIMITS.mulchNothing.value) {
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
    const under = depth && compact && view.cornerTaken ? 72 : 20;
    const size = compact ? 18 : 20;
    const common = { as: 'text', tone: 'ink', anchor: 'start', halo: 'paper' } as const;
    if (up - 17 - size >= under) {
      shapes.push({
        ...common,
        at: [Math.max(10, x - 8), up - 17],
        text: figure,
        size,
        strong: true,
        figures: true,
      });
      shapes.push({ ...common, at: [Math.max(10, x - 8), up], text: 'mulch on the bark', size: font });
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
  if (depth) {
    const here = section.right.collarDepth ?? depth.value;
    const x = X(r + (compact ? 0.3 : 0.42) * (wide - r));
    if (!after && here > 0.01) {
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
    }
    if (!compact && !after && here > 0.01) {
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
    const [figure, unit] = split(formatQuantity({ ...depth, plusMinus: depth.plusMinus }, system));
    const big = compact ? 30 : 42;
    const left = compact && view.cornerTaken;
    const at: Point = left ? [12, 34] : [width - 22, view.cornerTaken ? Math.min(248, ground - 60) : 40];
    const anchor = left ? 'start' : 'end';
    shapes.push({
      as: 'text',
      at,
      text: `${figure} ${unit}`,
      size: big,
      tone: 'ink',
      anchor,
      strong: true,
      figures: true,
      halo: 'paper',
    });
    const spread =
      depth.plusMinus === undefined
        ? 'collar depth'
        : `collar depth, ± ${(formatQuantity(depth, system).split('± ')[1] ?? '').trim()}`;
    shapes.push({
      as: 'text',
      at: [at[0], at[1] + font + 5],
      text: after ? 'collar depth found' : spread,
      size: font,
      tone: 'ink',
      anchor,
      halo: 'paper',
    });
  }
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
