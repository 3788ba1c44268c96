import fc from 'fast-check';
import type { FollowUpMark } from '../records';
import { duesOf } from './due';
import type { Looked } from './task';
import { tasksOf } from './tasks';

const visit = (date: string, more: object = {}) => ({ date, findings: [], ...more });
const look = (on: string) => ({ lookAgain: { on, why: `look on ${on}` } });

test('a day to come back stays until it is done or moved; neither a walk-round nor a visit before it does either', () => {
  const first = visit('2026-05-01', look('2026-12-01'));
  const days = (...more: ReturnType<typeof visit>[]) => duesOf([first, ...more]).map((d) => d.on);
  expect(days()).toEqual(['2026-12-01']);
  expect(days(visit('2026-12-05', { walk: true }))).toEqual(['2026-12-01']);
  expect(days(visit('2026-06-01'))).toEqual(['2026-12-01']);
  expect(days(visit('2026-12-01'))).toEqual([]);
  expect(days(visit('2027-01-10'))).toEqual([]);
  expect(days(visit('2026-06-01', look('2027-03-01')))).toEqual(['2027-03-01']);
});

test('the inspect a filled hole stands beside the day to come back, until its answer is there', () => {
  const filled = visit('2026-05-01', { ...look('2026-11-01'), drainCheck: '2026-05-02' });
  expect(duesOf([filled]).map((d) => d.on)).toEqual(['2026-05-02', '2026-11-01']);
  const answered = { ...filled, findings: [{ key: 'probe.drain', answer: 'standing' }] };
  expect(duesOf([answered]).map((d) => d.on)).toEqual(['2026-11-01']);
});

test('walk-rounds change nothing, whenever they are made', () => {
  const day = fc.integer({ min: 1, max: 28 }).map((d) => `2026-06-${String(d).padStart(2, '0')}`);
  const any = fc.record({ date: day, on: fc.option(day, { nil: undefined }) });
  fc.assert(
    fc.property(fc.array(any, { maxLength: 6 }), fc.array(day, { maxLength: 4 }), (given, walks) => {
      const visits = given.map(({ date, on }) => visit(date, on ? look(on) : {}));
      const walked = walks.map((date) => visit(date, { walk: true }));
      expect(duesOf([...visits, ...walked])).toEqual(duesOf(visits));
    }),
  );
});

test('a day to come back may be marked done, moved or dropped; closed, it can still be taken back', () => {
  const marked = (mark?: Partial<FollowUpMark>): Looked => ({
    ...visit('2026-05-01', look('2026-06-01')),
    profiles: [],
    probes: [],
    ...(mark && { followUps: [{ task: 'look', how: 'done', on: '2026-06-03', why: 'rain', ...mark }] }),
  });
  const told = (mark?: Partial<FollowUpMark>) =>
    tasksOf({}, [marked(mark)], {}, '2026-06-10').map((t) => [t.key, t.from, t.state, t.told]);
  expect(told()).toEqual([['look', '2026-06-01', 'late', undefined]]);
  expect(told({})).toEqual([['look', '2026-06-01', 'done', 'done 2026-06-03']]);
  expect(told({ how: 'moved', on: '2026-06-20' })).toEqual([['look', '2026-06-20', 'ahead', 'moved: rain']]);
  expect(told({ how: 'dropped' })).toEqual([['look', '2026-06-01', 'dropped', 'dropped 2026-06-03: rain']]);
  expect(duesOf([marked({})])).toEqual([]);
});
