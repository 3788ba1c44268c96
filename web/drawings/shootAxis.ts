import { formatLength, shortUnit, type UnitSystem } from '@undrel/core/units';
import { words, type Shape } from './shapes';

/** The ground line of shoots by year, with the longest of them and its years. */
export function shootAxis({
  left,
  right,
  base,
  top,
  longest,
  years: [first, last],
  mid,
  system,
  size,
}: {
  left: number;
  right: number;
  base: number;
  /** Where the longest shoot ends. */
  top: number;
  longest: number;
  years: readonly [first: number, last: number];
  /** Middle of a year. */
  mid: (year: number) => number;
  system: UnitSystem;
  size: number;
}): Shape[] {
  const text = words({ size, tone: 'ink', anchor: 'end', figures: true });
  // Years are named so far apart that they do not meet.
  const every = Math.max(1, Math.ceil((3.4 * size) / Math.max(1, mid(first + 1) - mid(first))));
  const named: Shape[] = [];
  for (let year = last; year >= first; year -= every)
    named.push(text([mid(year), base + 15], String(year), { anchor: 'middle', halo: 'paper' }));
  return [
    {
      as: 'line',
      points: [
        [left, base],
        [right, base],
      ],
      tone: 'ink',
      width: 1.5,
    },
    text([left - 6, top + 4], formatLength(longest, shortUnit(system))),
    text([left - 6, base + 4], '0'),
    ...named,
  ];
}
