import fc from 'fast-check';
import { duesOf } from './due';

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

test('the look at a filled hole stands beside the day to come back, until its answer is there', () => {
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
