import { assess } from '@undrel/core/assessment';
import { PASSIVE, plannedOf } from '@undrel/core/prescription';
import type { Decision, Visit } from '@undrel/core/records';
import { CAUSE_KEYS, type OperationKey } from '@undrel/core/vocabulary';
import { signsOf } from '../../core/tests/signs';
import { collarAt, visitOn } from '../../core/tests/visits';
import { orderInWords, orderOfWork, orderRows, spanOf, type OrderRow } from './orderOfWork';
import type { Shape } from './shapes';

const TREE = { label: 'Linden 1', species: 'Tilia cordata', plantedYear: 2012, stock: 'container' as const };
const TODAY = '2026-07-01';
const SIZES = [
  { width: 632, height: 752 },
  { width: 420, height: 300 },
];

/** A visit at which everything that may be done is taken. */
function taken(cause: (typeof CAUSE_KEYS)[number]): { visit: Visit; rows: OrderRow[]; keys: OperationKey[] } {
  const found = visitOn('2026-06-01', signsOf(cause), { probes: collarAt(0.18) });
  const { operations } = assess(TREE, [], found, {}, undefined, [found]);
  const decisions = operations
    .filter((o) => o.advice !== 'not')
    .map((o): Decision => ({ operation: o.key, taken: true }));
  const visit = { ...found, decisions };
  const again = assess(TREE, [], visit, {}, undefined, [visit]).operations;
  const keys = plannedOf(again, { decisions }).map((o) => o.key);
  return { visit, rows: orderRows(again, visit, TREE.species, [], TODAY), keys };
}

const xs = (shape: Shape): number[] => {
  switch (shape.as) {
    case 'area':
    case 'line':
      return shape.points.map(([x]) => x);
    case 'marks':
      return shape.segments.flatMap(([a, b]) => [a[0], b[0]]);
    case 'text': {
      const wide = 0.45 * shape.size * shape.text.length;
      const left = shape.at[0] - { start: 0, middle: wide / 2, end: wide }[shape.anchor];
      return [left, left + wide];
    }
  }
};

test.each(CAUSE_KEYS)('%s: every piece of work has a row, in the order of work, with its time', (cause) => {
  const { rows, keys } = taken(cause);
  expect(new Set(rows.map((r) => r.key))).toEqual(new Set(keys.filter((key) => !PASSIVE.includes(key))));
  for (const row of rows) {
    expect([row.key, spanOf(row)]).toEqual([row.key, expect.stringMatching(/\d{4}|balance/)]);
    expect(orderInWords(rows)).toContain(row.title);
  }
  for (const size of SIZES) {
    const { shapes } = orderOfWork(rows, TODAY, size);
    for (const shape of shapes)
      for (const x of xs(shape)) expect([shape, x >= 0 && x <= size.width]).toEqual([shape, true]);
    const numbers = shapes.flatMap((s) => (s.as === 'text' && s.figures ? [s] : []));
    expect(numbers.map((n) => n.text)).toEqual(rows.map((_, i) => String(i + 1)));
    // One below the other, and the last of them within the drawing.
    numbers.slice(1).forEach((n, i) => expect(n.at[1]).toBeGreaterThan(numbers[i]!.at[1]));
    expect(Math.max(0, ...numbers.map((n) => n.at[1]))).toBeLessThan(size.height);
  }
});

const rowOf = (more: Partial<OrderRow>): OrderRow => ({
  key: 'x',
  title: 'Root pruning',
  first: [],
  state: 'ahead',
  ...more,
});

test('a bar is as long as its days, a planned day is a mark, what is late is told by its tone', () => {
  const year = rowOf({ days: { from: '2027-01-01', to: '2027-12-31' } });
  const half = rowOf({ days: { from: '2027-01-01', to: '2027-07-02' }, state: 'late' });
  const day = rowOf({ days: { from: '2028-03-05', to: '2028-03-05' } });
  const { shapes } = orderOfWork([year, half, day], TODAY, SIZES[0]!);
  const areas = shapes.flatMap((s) => (s.as === 'area' && s.tone !== 'paper' ? [s] : []));
  expect(areas.map((a) => a.tone)).toEqual(['todo', 'harm', 'todo']);
  const long = areas.map(({ points }) => Math.max(...points.map(([x]) => x)) - points[0]![0]);
  expect(long[0]! / long[1]!).toBeCloseTo(364 / 182, 1);
  expect(shapes.filter((s) => s.as === 'text').map((s) => s.text)).toEqual(
    expect.arrayContaining(['Today', 'Jan to Dec 2027', 'Jan to Jul 2027, late', '5 Mar 2028']),
  );
  expect(orderInWords([half])).toBe('1. Root pruning: Jan to Jul 2027, late.');
});

test('what was done is told with its day, and the day to come back stands last', () => {
  const { visit } = taken('plantedDeep');
  const { operations } = assess(TREE, [], visit, {}, undefined, [visit]);
  const first = orderRows(operations, visit, TREE.species, [], TODAY)[0]!;
  const later: Visit = {
    ...visit,
    work: [{ step: first.key, how: 'done', on: '2026-06-20', by: 'Crew' }],
    lookAgain: { on: '2027-05-01', why: 'See how it does.' },
  };
  const rows = orderRows(operations, later, TREE.species, [], TODAY);
  expect(rows[0]).toMatchObject({ key: first.key, state: 'done', told: 'done Jun 2026' });
  expect(rows.at(-1)).toMatchObject({ title: 'Look again', days: { from: '2027-05-01', to: '2027-05-01' } });
});
