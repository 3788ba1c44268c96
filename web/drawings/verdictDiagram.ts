import type { VerdictMap, MapNode } from '@undrel/core/diagnosis';
import { chanceFigure, chanceWords, writeLengths, type UnitSystem } from '@undrel/core/units';
import { inSentence } from '@undrel/core/vocabulary';
import { inLines } from './inLines';
import { paperOf, words, type Drawing, type Point, type Shape } from './shapes';

const TEXT = words({ size: 14, tone: 'ink', anchor: 'start' });
const [MARGIN, GAP] = [16, 12];
const LINE = 17;
/** Letters of what was seen. */
const SMALL = 12;
const MOST_SEEN = 2;
/** A box narrower than this has room for small letters only, drawing units. */
const NARROW = 110;

interface Laid {
  node: MapNode;
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Links without those that another way through the map says already. */
function direct(links: VerdictMap['links']): VerdictMap['links'] {
  const below = (key: string, seen: Set<string>): Set<string> => {
    for (const { from, to } of links)
      if (from === key && !seen.has(to)) {
        seen.add(to);
        below(to, seen);
      }
    return seen;
  };
  return links.filter(
    ({ from, to }) => !links.some((l) => l.from === from && l.to !== to && below(l.to, new Set()).has(to)),
  );
}

/**
 * What led to what: causes above, what they lead to below, each with its chance and what was seen of it.
 *
 * @param width of the drawing, drawing units
 * @param height of the drawing
 */
export function verdictDiagram(
  { nodes, links }: VerdictMap,
  system: UnitSystem,
  { width, height }: { width: number; height: number },
): Drawing {
  const levels = Math.max(1, ...nodes.map((n) => n.level + 1));
  const rows = Array.from({ length: levels }, (_, level) => nodes.filter((n) => n.level === level));
  const rowHeight = (height - 2 * MARGIN) / levels;
  const boxHeight = Math.min(128, rowHeight - 34);
  const laid = new Map<string, Laid>();
  rows.forEach((row, level) => {
    // Below what leads to it, so that lines cross little.
    const over = (n: MapNode): number => {
      const parents = links.filter((l) => l.to === n.key).flatMap((l) => laid.get(l.from) ?? []);
      return parents.length === 0
        ? width / 2
        : parents.reduce((sum, p) => sum + p.x + p.width / 2, 0) / parents.length;
    };
    const ordered = level === 0 ? row : [...row].sort((a, b) => over(a) - over(b));
    const boxWidth = Math.min(200, (width - 2 * MARGIN - GAP * (row.length - 1)) / Math.max(1, row.length));
    const whole = row.length * boxWidth + (row.length - 1) * GAP;
    ordered.forEach((node, i) =>
      laid.set(node.key, {
        node,
        x: (width - whole) / 2 + i * (boxWidth + GAP),
        y: MARGIN + level * rowHeight,
        width: boxWidth,
        height: boxHeight,
      }),
    );
  });
  const lines = direct(links).flatMap(({ from, to }): Shape[] => {
    const [a, b] = [laid.get(from), laid.get(to)];
    if (!a || !b) return [];
    const start: Point = [a.x + a.width / 2, a.y + a.height];
    const end: Point = [b.x + b.width / 2, b.y - 1];
    const long = Math.hypot(end[0] - start[0], end[1] - start[1]);
    const [ux, uy] = [(end[0] - start[0]) / long, (end[1] - start[1]) / long];
    const wing = (side: number): Point => [
      end[0] - 9 * ux - side * 4.5 * uy,
      end[1] - 9 * uy + side * 4.5 * ux,
    ];
    const sure = Math.min(a.node.probability, b.node.probability) >= 0.5;
    return [
      {
        as: 'line',
        points: [start, end],
        tone: sure ? 'ink' : 'muted',
        width: sure ? 2 : 1,
        ...(!sure && { dash: [5, 4] as [number, number] }),
      },
      { as: 'area', points: [end, wing(1), wing(-1)], tone: sure ? 'ink' : 'muted' },
    ];
  });
  const boxes = [...laid.values()].flatMap((l) => boxOf(l, system));
  return { width, height, shapes: [paperOf(width, height), ...lines, ...boxes] };
}

function boxOf({ node, x, y, width, height }: Laid, system: UnitSystem): Shape[] {
  const corners = (w: number, top: number, bottom: number): Point[] => [
    [x, top],
    [x + w, top],
    [x + w, bottom],
    [x, bottom],
  ];
  // Many causes side by side: smaller letters and more lines, so that each is named whole.
  const [size, pad, line, most] = width < NARROW ? [12, 6, 15, 4] : [14, 8, LINE, 3];
  const inner = width - 2 * pad;
  const label = inLines(node.label, inner, size, most);
  const room = Math.floor((height - 14 - label.length * line - LINE) / (SMALL + 3));
  const below = y + 22 + label.length * line;
  const seen: string[] = [];
  for (const says of node.seen.slice(0, MOST_SEEN)) {
    const left = Math.min(2, room - seen.length);
    if (left > 0) seen.push(...inLines(writeLengths(says, system), inner, SMALL, left));
  }
  const likely = node.probability >= 0.5;
  return [
    { as: 'area', points: corners(width, y, y + height), tone: 'sheet', edge: 'ink' },
    { as: 'area', points: corners(width, y, y + 6), tone: 'hair' },
    { as: 'area', points: corners(width * node.probability, y, y + 6), tone: likely ? 'harm' : 'ink' },
    ...label.map((words, i) => TEXT([x + pad, y + 22 + i * line], words, { size, strong: true })),
    TEXT([x + pad, below], chanceFigure(node.probability), {
      figures: true,
      tone: likely ? 'harm' : 'ink',
    }),
    ...seen.map((words, i) =>
      TEXT([x + pad, below + LINE + i * (SMALL + 3) - 1], words, {
        size: SMALL,
        tone: 'muted',
      }),
    ),
  ];
}

/** The same in a sentence for each thing that something leads to. */
export const mapInWords = ({ nodes, links }: VerdictMap): string =>
  nodes
    .map((n) => {
      const from = links
        .filter((l) => l.to === n.key)
        .map((l) => inSentence(nodes.find((o) => o.key === l.from)!.label));
      return `${n.label} ${chanceWords(n.probability)}${from.length > 0 ? `, from ${from.join(', ')}` : ''}.`;
    })
    .join(' ');
