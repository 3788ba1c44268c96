import { inSentence } from '../vocabulary/inSentence';
import { percent } from '../units/share';
import type { Result } from './result';

/** Two machines may round the last digits of a figure differently; more than this part is a difference. */
const ROUNDING = 1e-9;

const same = (a: number, b: number): boolean =>
  a === b || Math.abs(a - b) <= ROUNDING * Math.max(1, Math.abs(a), Math.abs(b));

interface Named {
  key: string;
  name: string;
}

/** Pairs of the same key, of which either side may be missing. */
function pairs<T extends Named>(was: readonly T[], is: readonly T[]): { name: string; was?: T; is?: T }[] {
  const keys = [...new Set([...was, ...is].map((x) => x.key))];
  return keys.map((key) => {
    const [a, b] = [was.find((x) => x.key === key), is.find((x) => x.key === key)];
    return { name: (a ?? b)!.name, ...(a && { was: a }), ...(b && { is: b }) };
  });
}

const moved = (name: string, was: string, is: string): string =>
  `${name}: ${was} in the report, ${is} recomputed.`;

/** By how much figures differ, told with as many digits as the difference needs. */
function figures(was: number, is: number): [string, string] {
  for (let digits = 3; digits < 15; digits++) {
    const [a, b] = [was.toPrecision(digits), is.toPrecision(digits)];
    if (a !== b) return [a, b];
  }
  return [String(was), String(is)];
}

const chances = (was: Result['causes'], is: Result['causes']): string[] =>
  pairs(was, is).flatMap(({ name, was: a, is: b }) => {
    if (!a || !b) return [moved(name, a ? 'there' : 'missing', b ? 'there' : 'missing')];
    if (same(a.chance, b.chance)) return [];
    const [x, y] = [percent(a.chance), percent(b.chance)];
    return [x === y ? moved(name, ...figures(a.chance, b.chance)) : moved(name, x, y)];
  });

function works(was: Result['work'], is: Result['work']): string[] {
  return pairs(was, is).flatMap(({ name, was: a, is: b }) => {
    if (!a || !b) return [moved(name, a ? a.advice : 'missing', b ? b.advice : 'missing')];
    return [
      ...(a.advice === b.advice ? [] : [moved(name, a.advice, b.advice)]),
      ...pairs(a.amounts, b.amounts).flatMap(({ name: amount, was: x, is: y }) => {
        const about = `${name}, ${inSentence(amount)}`;
        if (!x || !y) return [moved(about, x ? 'there' : 'missing', y ? 'there' : 'missing')];
        return same(x.value, y.value) ? [] : [moved(about, ...figures(x.value, y.value))];
      }),
    ];
  });
}

function costs(was: Result['costs'], is: Result['costs']): string[] {
  if (!was || !is)
    return was === is ? [] : [moved('Costs', was ? was.total : 'none', is ? is.total : 'none')];
  return [
    ...(['currency', 'net', 'total'] as const).flatMap((key) =>
      was[key] === is[key] ? [] : [moved(`Costs, ${key}`, was[key], is[key])],
    ),
    ...pairs(was.options, is.options).flatMap(({ name, was: a, is: b }) => {
      if (!a || !b) return [moved(name, a ? 'there' : 'missing', b ? 'there' : 'missing')];
      return [
        ...(a.now === b.now ? [] : [moved(`${name}, now`, a.now, b.now)]),
        ...(['from', 'to'] as const).flatMap((end) =>
          same(a[end], b[end]) ? [] : [moved(`${name}, over ten years`, ...figures(a[end], b[end]))],
        ),
      ];
    }),
  ];
}

/** Where what was worked out anew is not what the report holds, a sentence each; none where all of it is the same. */
export function differencesOf(was: Result, is: Result): string[] {
  const compressed = [was.compressed, is.compressed] as const;
  return [
    ...chances(was.causes, is.causes),
    ...chances(was.conditions, is.conditions),
    ...(compressed[0] === compressed[1] ||
    (compressed[0] !== undefined && compressed[1] !== undefined && same(compressed[0], compressed[1]))
      ? []
      : [
          moved(
            'Circumference compressed',
            compressed[0] === undefined ? 'none' : percent(compressed[0]),
            compressed[1] === undefined ? 'none' : percent(compressed[1]),
          ),
        ]),
    ...works(was.work, is.work),
    ...costs(was.costs, is.costs),
  ];
}
