import type { PlannedWork } from '@undrel/core/prescription';
import type { Profile, Section, SectionSide } from '@undrel/core/profile';
import { LIMITS } from '@undrel/core/practice';
import type { DugSection } from '@undrel/core/roots';
import { formatQuantity, formatValue, type UnitSystem } from '@undrel/core/units';
import { hatch, spaced, type Drawing, type Point, type Shape, type Tone } from './shapes';

export interface SectionView {
  section: Section;
  profile: Profile;
  /** The work that is to be drawn: as a proposal before, as done after. */
  work: PlannedWork;
  when: 'before' | 'after';
  width: number;
  height: number;
  system: UnitSystem;
  /** Fewer and shorter labels. */
  compact: boolean;
  /** Whether something else lies over the upper right corner. */
  cornerTaken: boolean;
  topsoil?: number;
  refusal?: number;
  fillNote?: string;
  /** Roots of a dig where the section meets them; without one roots are drawn schematically. */
  dug?: DugSection;
}

/**
 * The section through the stem at true scale: one scale across and down, never exaggerated. Roots below the collar are
 * drawn schematically until a dig maps them, and are labelled so.
 */
export function sectionDrawing(view: SectionView): Drawing {
  const { section, profile, width, height, compact, system } = view;
  const after = view.when === 'after';
  const plan = view.work;
  const r = section.stemRadius;
  const sides = [section.left, section.right];
  const edge = Math.max(0, ...sides.flatMap((s) => s.mulch.map((p) => p.x)));
  const collar = Math.max(0, ...sides.map((s) => s.collarDepth ?? 0));
  const onBark = Math.max(0, ...sides.map((s) => s.onBark));
  const reach = Math.max(
    0.8,
    4 * r,
    edge + 0.2,
    (plan.bowlRadius ?? 0) + 0.15,
    after ? (plan.ring ?? 0) + 0.15 : 0,
  );
  const up = Math.max(0.3, onBark + 0.25);
  const down = Math.max(0.5, collar + 0.3, (plan.floor ?? 0) + 0.25, (view.refusal ?? 0) + 0.15);
  const scale = Math.min(width / (2 * reach), height / (up + down));
  const ground = Math.round(scale * up + (height - scale * (up + down)) * 0.55);
  const X = (x: number) => width / 2 + x * scale;
  const Y = (z: number) => ground - z * scale;
  const wide = width / 2 / scale;
  const deep = (height - ground) / scale;
  const shapes: Shape[] = [];
  const labels: { y: number; text: string; tone: Tone; strong?: boolean }[] = [];
  const font = compact ? 13 : 14;
  /** Where the flare ends, from the centre, and how thick the root is that leaves it; schematic. */
  const flareEnd = 1.55 * r + 0.02;
  const rootThickness = (x: number) =>
    Math.max(0.022, 0.5 * r * (1 - (0.8 * Math.max(0, x - flareEnd)) / Math.max(0.1, wide - flareEnd)));

  soil();
  mulchAndFill();
  if (after) finished();
  stem();
  dug();
  lines();
  if (!after) proposal();
  dimensions();
  legend();
  return { width, height, shapes };

  function block(top: number, bottom: number, tone: Tone): Point[] {
    const points: Point[] = [
      [0, Y(-top)],
      [width, Y(-top)],
      [width, Y(-bottom)],
      [0, Y(-bottom)],
    ];
    shapes.push({ as: 'area', points, tone });
    return points;
  }

  function soil() {
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
    block(0, deep, 'loam');
    const hard = view.refusal;
    if (hard !== undefined && hard < deep) {
      const clay = block(hard, deep, 'clay');
      shapes.push({ as: 'marks', segments: hatch(clay, 17, [8, 0]), tone: 'muted', width: 0.8 });
      labels.push({
        y: Y(-hard) + 16,
        text: `rod stops at ${formatValue(hard, 'short length', system)}`,
        tone: 'ink',
      });
    }
  }

  /** A profile mirrored to its side, as drawing points. */
  function outward(side: SectionSide, points: SectionSide['mulch'], mirror: number): Point[] {
    return points.map((p) => [X(mirror * p.x), Y(p.z)]);
  }

  function mulchAndFill() {
    // Soil stays where it is beyond the bowl; only the mulch is moved.
    sides.forEach((side, i) => {
      const mirror = i === 0 ? -1 : 1;
      if (side.original.length > 0) {
        const inner: Point[] = outward(side, side.original, mirror);
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
        const top = outward(side, side.mulch, mirror);
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
  function finished() {
    for (const mirror of [-1, 1]) {
      if (plan.floor !== undefined && plan.bowlRadius !== undefined) {
        const room = r + LIMITS.workingRoom.value;
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

  /** Stem edge of one side, from the top of the picture down to the end of the flare. */
  function stemEdge(mirror: number, depth: number | undefined): Point[] {
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

  function stem() {
    const edges = sides.map((side, i) => stemEdge(i === 0 ? -1 : 1, side.collarDepth));
    const probed = sides.some((side) => side.collarDepth !== undefined);
    sides.forEach((side, i) => {
      if (side.collarDepth !== undefined && !view.dug) root(i === 0 ? -1 : 1, side.collarDepth);
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
    const under = probed ? underside() : [];
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
    if (!after) sides.forEach((side, i) => buriedBark(i === 0 ? -1 : 1, side));
  }

  /** From root to root below the stem, a flat arch. */
  function underside(): Point[] {
    const bottom = (side: SectionSide) => -(side.collarDepth ?? collar) - rootThickness(flareEnd);
    const [left, right] = [bottom(section.left), bottom(section.right)];
    return Array.from({ length: 17 }, (_, i): Point => {
      const t = i / 16;
      const sag = 0.35 * r * Math.sin(Math.PI * t);
      return [X(flareEnd * (2 * t - 1)), Y(left + (right - left) * t - sag)];
    });
  }

  function root(mirror: number, depth: number) {
    const points = Array.from({ length: 17 }, (_, i) => 0.5 * r + ((wide - 0.5 * r) * i) / 16);
    const top = (x: number) =>
      -depth - (x > flareEnd ? 0.06 * (x - flareEnd) + 0.012 * Math.sin((x - flareEnd) * 6) : 0);
    const upper = points.map((x): Point => [X(mirror * x), Y(top(x))]);
    const lower = points.map((x): Point => [X(mirror * x), Y(top(x) - rootThickness(x))]);
    shapes.push({ as: 'area', points: [...upper, ...lower.reverse()], tone: 'root', edge: 'ink' });
  }

  /** Roots of the dig as true ovals at their depth; those that squeeze in the colour of harm. */
  function dug() {
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

  function buriedBark(mirror: number, side: SectionSide) {
    const bottom = side.collarDepth;
    const top = side.onBark > LIMITS.mulchNothing.value ? side.onBark : 0;
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

  function lines() {
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
        const room = r + LIMITS.workingRoom.value;
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

  function proposal() {
    const { floor, bowlRadius } = plan;
    if (floor === undefined || bowlRadius === undefined) return;
    const room = r + LIMITS.workingRoom.value;
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

  function vertical(x: number, top: number, bottom: number) {
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

  function dimensions() {
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
      vertical(x, left, 0);
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
        vertical(x, 0, -here);
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

  function legend() {
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
    shapes.push({
      as: 'marks',
      tone: 'ink',
      width: 2,
      segments: [
        [
          [14, y],
          [14 + bar.length, y],
        ],
        [
          [14, y - 5],
          [14, y + 5],
        ],
        [
          [14 + bar.length, y - 5],
          [14 + bar.length, y + 5],
        ],
      ],
    });
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
}

/** A round length no longer than `most` drawing units. */
export function scaleBar(
  perMetre: number,
  system: UnitSystem,
  most: number,
): { length: number; label: string } {
  const steps =
    system === 'us'
      ? [120, 60, 30, 20, 10, 5, 3, 2, 1, 0.5].map((ft) => ft * 0.3048)
      : [50, 20, 10, 5, 2, 1, 0.5, 0.2, 0.1];
  const metres = steps.find((s) => s * perMetre <= most) ?? steps[steps.length - 1]!;
  const label =
    system === 'us'
      ? `${+(metres / 0.3048).toFixed(1)} ft`
      : metres < 1
        ? `${metres * 100} cm`
        : `${metres} m`;
  return { length: metres * perMetre, label };
}
