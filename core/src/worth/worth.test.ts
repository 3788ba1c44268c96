import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { assess } from '../assessment';
import { readCase } from '../format/read';
import type { Rates } from '../costing';
import { situation } from '../prescription';
import {
  answerOf,
  chanceOf,
  choiceFor,
  leavesOf,
  mid,
  optionsOf,
  paysFrom,
  sensitivity,
  type WorthOption,
} from './index';

const RATES: Rates = {
  currency: 'EUR',
  prices: {
    consultant: '95',
    crew: '68.50',
    airTool: '42',
    trip: '38',
    mulch: '36.80',
    compost: '44.50',
    disposal: '29.90',
    drain: '14.20',
    stakes: '31.50',
    guard: '12.80',
    youngTree: '340',
  },
  tax: { name: 'VAT', percent: '19' },
};

const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
if (!read.ok) throw new Error('example does not read');
const { tree, events, visits } = read.caseFile;
const visit = visits.at(-1)!;
const { profile, verdict, operations } = assess(tree, events, visit);
const s = situation(tree, events, visit, profile, verdict, {});
const options = optionsOf({ situation: s, operations, rates: RATES, trenches: undefined });
const option = (key: string): WorthOption => options.find((o) => o.key === key)!;

test('treating a cause is never worse than leaving it, and every chance is one', () => {
  const left = chanceOf(s, []);
  const keys = operations.map((o) => o.key);
  fc.assert(
    fc.property(fc.subarray(keys), fc.constantFrom(...keys), (done, more) => {
      const some = chanceOf(s, done);
      const all = chanceOf(s, [...done, more]);
      for (const c of [some, all]) {
        expect(c.from).toBeGreaterThanOrEqual(0);
        expect(c.to).toBeLessThanOrEqual(1);
        expect(c.from).toBeLessThanOrEqual(c.to);
      }
      expect(all.from).toBeGreaterThanOrEqual(some.from - 1e-12);
      expect(some.to).toBeGreaterThanOrEqual(left.to - 1e-12);
    }),
  );
});

test('a chance is the product of the steps that are shown', () => {
  const { from, to, steps } = option('treat').chance!;
  expect(steps.reduce((p, step) => p * step.from ** step.power, 1)).toBeCloseTo(from, 12);
  expect(steps.reduce((p, step) => p * step.to ** step.power, 1)).toBeCloseTo(to, 12);
});

test('at the value from which it pays, treating and doing nothing leave the same', () => {
  const pays = paysFrom(option('treat'), option('nothing'))!;
  const at = (value: number) => {
    const all = leavesOf(options, value, 0);
    return all.find((l) => l.key === 'treat')!.mid - all.find((l) => l.key === 'nothing')!.mid;
  };
  expect(pays.mid).toBeDefined();
  if (pays.mid! > 0) expect(at(pays.mid!)).toBeCloseTo(0, 6);
  expect(at(pays.mid! + 1000)).toBeGreaterThan(0);
  expect(pays.from).toBeLessThanOrEqual(pays.mid!);
});

test('the cost over ten years holds the work, the looks and what failure costs, worked out again', () => {
  const treat = option('treat');
  const failure = option('replace').cost!.now;
  // Common practice, no source: hours 0.8 to 1.4 times those reckoned, five looks of half an hour.
  const labour = treat.cost!.now.lines.filter((l) =>
    ['crew', 'airTool', 'consultant', 'trip'].includes(l.resource),
  );
  const sum = (lines: { sum: string }[]) => lines.reduce((t, l) => t + Number(l.sum), 0);
  const rest = sum(treat.cost!.now.lines) - sum(labour);
  const again = failure.lines.filter((l) => ['crew', 'airTool', 'consultant', 'trip'].includes(l.resource));
  const worst =
    1.19 * (1.4 * sum(labour) + rest + 5 * 0.5 * 95) +
    (1 - treat.chance!.from) * 1.19 * (1.4 * sum(again) + sum(failure.lines) - sum(again));
  expect(treat.cost!.years.to).toBeCloseTo(worst, 6);
  expect(mid(treat.cost!.years)).toBeGreaterThan(Number(treat.cost!.now.total));
});

test('the choice follows the value: nothing of a worthless tree, treatment of a dear one', () => {
  const first = (value: number) => leavesOf(options, value, 0)[0]!.key;
  expect(['remove', 'nothing']).toContain(first(0));
  expect(first(1e6)).toBe('treat');
  expect(choiceFor(options, 1e6, 0, 'EUR')).toMatch(/^To treat it where it stands leaves most/);
});

test('a judgement turns the choice only where its ends lie on both sides', () => {
  for (const value of [0, 500, 2000, 20_000])
    for (const swing of sensitivity(options, value, 0)) {
      expect(swing.turns).toBe(Math.min(swing.from, swing.to) < 0);
      expect(Number.isFinite(swing.from + swing.to)).toBe(true);
    }
});

test('no rates: the chances stand, nothing is priced, and that is said', () => {
  const bare = optionsOf({ situation: s, operations, rates: undefined, trenches: undefined });
  expect(bare.every((o) => o.cost === undefined)).toBe(true);
  expect(answerOf(bare, undefined)).toContain('no rates');
  expect(answerOf(options, 'EUR')).toMatch(/\d+ to \d+%.*€/);
});

test('what bars a reset bars it here', () => {
  const reset = operations.find((o) => o.key === 'reset')!;
  expect(option('reset').barred.length > 0).toBe(reset.advice === 'not');
});

test('of a dead tree nothing is said that holds for a living one', () => {
  const dead = assess(tree, [], {
    ...visit,
    findings: [{ key: 'crown.scratch', answer: 'dry' }],
    decisions: [],
  });
  const ways = optionsOf({
    situation: dead.situation,
    operations: dead.operations,
    rates: RATES,
    trenches: undefined,
  });
  const nothing = ways.find((o) => o.key === 'nothing')!;
  expect(nothing.what).toContain('Left standing until it falls');
  expect(nothing.lost).not.toMatch(/each year|compress/);
  expect(answerOf(ways, 'EUR')).toMatch(/^The tree is dead/);
});

test('treating that pays at the best at any worth is told so, and not from a sum of nothing', () => {
  const [treat, nothing] = [option('treat'), option('nothing')];
  const told = (from: number, to: number) => {
    const cost = { ...treat.cost!, years: { from, to } };
    return answerOf([{ ...treat, cost }, nothing], 'EUR');
  };
  const { years } = nothing.cost!;
  expect(told(years.from, years.to + 3000)).toContain('On the most favourable estimate it pays at any value');
  expect(told(years.to + 2000, years.to + 4000)).toMatch(/favourable estimate it pays above €[1-9]/);
});
