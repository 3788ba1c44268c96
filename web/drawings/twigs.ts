import type { Series } from '@undrel/core/history';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { scaleBar, scaleBarMarks } from './scaleBar';
import { paperOf, words, type Drawing, type Point, type Shape } from './shapes';

const TEXT = words({ size: 14, tone: 'ink', anchor: 'start' });
const [TOP, BOTTOM] = [64, 64];
/** Half of a twig's width at its tip, and what it gains with every year. */
const [THIN, THICKER] = [3, 0.9];
/** A year shorter than this has its length beside the year below it left out, so that figures do not meet. */
const LEAST = 15;

/** A twig read back: its name, and the growth of each year. */
export interface Twig {
  name: string;
  values: Series['values'];
}

/**
 * Twigs read back by their bud-scale scars, side by side at one scale, the newest year at the tip: growth of each year lies
 * between two scars.
 *
 * @returns undefined where no year was read
 */
export function twigDrawing(
  twigs: readonly Twig[],
  system: UnitSystem,
  { width, height }: { width: number; height: number },
): Drawing | undefined {
  const read = twigs.filter((t) => t.values.length > 0);
  if (read.length === 0) return undefined;
  const longest = Math.max(...read.map((t) => t.values.reduce((sum, v) => sum + v.metres, 0)));
  const scale = (height - TOP - BOTTOM) / longest;
  const shapes: Shape[] = [paperOf(width, height)];
  read.forEach((twig, i) => {
    const x = (width * (i + 0.4)) / read.length + 10;
    const newest = [...twig.values].sort((a, b) => b.year - a.year);
    const total = newest.reduce((sum, v) => sum + v.metres, 0);
    const base = height - BOTTOM;
    let y = base - total * scale;
    shapes.push(TEXT([x - 30, y - 30], twig.name, { strong: true }));
    // The bud at the tip.
    const tip: Point[] = [
      [x, y - 14],
      [x + 6, y - 4],
      [x + 3, y + 2],
      [x - 3, y + 2],
      [x - 6, y - 4],
    ];
    shapes.push({ as: 'area', points: tip, tone: 'root', edge: 'ink' });
    let half = THIN;
    let last = -Infinity;
    for (const { year, metres } of newest) {
      const end = y + metres * scale;
      const wider = half + THICKER;
      shapes.push(
        {
          as: 'area',
          points: [
            [x - half, y],
            [x + half, y],
            [x + wider, end],
            [x - wider, end],
          ],
          tone: 'root',
          edge: 'ink',
        },
        // The ring of scars where the year began.
        {
          as: 'marks',
          segments: [-2, 0, 2].map((d): [Point, Point] => [
            [x - wider - 3, end + d],
            [x + wider + 3, end + d],
          ]),
          tone: 'ink',
          width: 1,
        },
      );
      const middle = (y + end) / 2 + 5;
      if (middle - last >= LEAST) {
        shapes.push(
          TEXT([x - 18, middle], String(year), { anchor: 'end', tone: 'muted' }),
          TEXT([x + 20, middle], formatValue(metres, 'short length', system, 0.001), { figures: true }),
        );
        last = middle;
      }
      [y, half] = [end, wider];
    }
  });
  const bar = scaleBar(scale, system, width * 0.3);
  shapes.push(
    scaleBarMarks(16, height - 18, bar.length),
    TEXT([16, height - 28], `${bar.label}, no exaggeration`, { size: 13 }),
  );
  return { width, height, shapes };
}

/** The same in words: how long each year grew. */
export const twigsInWords = (twigs: readonly Twig[], system: UnitSystem): string =>
  twigs
    .filter((t) => t.values.length > 0)
    .map(
      (t) =>
        `${t.name}: ${[...t.values]
          .sort((a, b) => b.year - a.year)
          .map((v) => `${v.year} ${formatValue(v.metres, 'short length', system, 0.001)}`)
          .join(', ')}.`,
    )
    .join(' ');
