import fc from 'fast-check';
import type { Tree } from '../records';
import { yearOf } from '../vocabulary';
import { eventDateProblem } from './index';

const tree: Tree = { label: 'T', species: 'x', plantedYear: 2011 };
const problem = (when: string) => eventDateProblem({ kind: 'paving', when }, tree, '2026-11-24');

test.each([
  ['2018', 2018],
  ['2018-04', 2018],
  ['2018-04-30', 2018],
  ['2020-02-29', 2020],
])('%s is in %d', (when, year) => expect(yearOf(when)).toBe(year));

test.each(['2018-13', '2018-02-30', '2019-02-29', '18', 'spring 2018', '2018-4', ''])(
  '%s is no date',
  (when) => {
    expect(yearOf(when)).toBeUndefined();
    expect(problem(when)).toContain('is not a date');
  },
);

test('a date is held against planting and today, as exactly as it is known', () => {
  expect(problem('2010')).toContain('before planting (2011)');
  expect(problem('2011')).toBeUndefined();
  expect(problem('2026')).toBeUndefined();
  expect(problem('2026-11')).toBeUndefined();
  expect(problem('2026-11-24')).toBeUndefined();
  expect(problem('2026-11-25')).toContain('latest possible is 2026-11-24');
  expect(problem('2026-12')).toContain('in the future');
  expect(
    eventDateProblem({ kind: 'paving', when: '1900' }, { label: 'T', species: '' }, '2026-11-24'),
  ).toBeUndefined();
});

test('every real day from planting to today is taken', () => {
  const day = fc.date({ min: new Date('2011-01-01'), max: new Date('2026-11-24'), noInvalidDate: true });
  fc.assert(fc.property(day, (d) => problem(d.toISOString().slice(0, 10)) === undefined));
});
