import fc from 'fast-check';
import type { Watering } from '../records';
import { dayAfter } from '../vocabulary/dates';
import { balance, easyWater, type RootZone } from './balance';
import type { WeatherDay } from './evapotranspiration';
import { balanceLogged, ownFactor, wateringsOf } from './log';

const PLACE = { latitude: 50, elevation: 100 };
const ZONE: RootZone = { store: 80, easy: 0.5, area: 4, factor: 0.6, kept: 1, runOff: 0.1 };
/** A year of warm days with a shower now and then. */
const DAYS: WeatherDay[] = Array.from({ length: 300 }, (_, i) => {
  const date = dayAfter('2026-01-01', i);
  const summer = Math.sin((Math.PI * i) / 300);
  return { date, rain: i % 9 === 0 ? 8 : 0, low: 2 + 12 * summer, high: 8 + 18 * summer };
});
const on = (i: number, more: Partial<Watering>): Watering => ({ on: dayAfter('2026-01-01', i), ...more });

test('without a log it is the plain balance; water that was given is in it by litres over the root zone', () => {
  expect(balanceLogged(ZONE, PLACE, DAYS, [])).toEqual(balance(ZONE, PLACE, DAYS));
  const log = [on(150, { litres: 120 }), on(180, { litres: 60 })];
  const told = balanceLogged(ZONE, PLACE, DAYS, log);
  expect(told[150]!.given).toBe(30);
  // What came in and went out adds up over the year to 0.1 mm.
  const sum = (of: (d: (typeof told)[number]) => number) => told.reduce((all, d) => all + of(d), 0);
  const change = sum((d) => d.drawn) + sum((d) => d.drained) - sum((d) => d.rain) - sum((d) => d.given);
  expect(Math.abs(change - told.at(-1)!.missing)).toBeLessThan(0.1);
});

test('the probe sets the store: moist, no more than half of what is easy is used; dry, all of it', () => {
  const dry = DAYS.map((d) => ({ ...d, rain: 0 }));
  const moist = balanceLogged(ZONE, PLACE, dry, [on(200, { probe: 'moist' })]);
  expect(moist[199]!.missing).toBeGreaterThan(easyWater(ZONE));
  expect(moist[200]!.missing).toBeLessThan(easyWater(ZONE) / 2 + 8);
  const early = balanceLogged(ZONE, PLACE, DAYS, [on(20, { probe: 'dry' })]);
  expect(early[20]!.missing).toBeGreaterThanOrEqual(easyWater(ZONE));
});

test('a probe that finds it moist never leaves more missing on any later day, one that finds it dry never less', () => {
  fc.assert(
    fc.property(fc.integer({ min: 60, max: 280 }), (day) => {
      const plain = balance(ZONE, PLACE, DAYS);
      const moist = balanceLogged(ZONE, PLACE, DAYS, [on(day, { probe: 'moist' })]);
      const dry = balanceLogged(ZONE, PLACE, DAYS, [on(day, { probe: 'dry' })]);
      for (let i = day; i < DAYS.length; i++) {
        expect(moist[i]!.missing).toBeLessThanOrEqual(plain[i]!.missing + 1e-9);
        expect(dry[i]!.missing).toBeGreaterThanOrEqual(plain[i]!.missing - 1e-9);
      }
    }),
    { numRuns: 40 },
  );
});

/** Reads of a hand that errs not, at a tree that draws by a factor of its own. */
function readsAt(factor: number, every: number): Watering[] {
  const own = balance({ ...ZONE, factor: ZONE.factor * factor }, PLACE, DAYS);
  return own.flatMap((d, i) =>
    i > 100 && i < 260 && i % every === 0
      ? [on(i, { probe: own[i - 1]!.missing >= easyWater(ZONE) ? 'dry' : 'moist' })]
      : [],
  );
}

test('no probe leaves the factor at 1; a tree that draws more is learned as one, with a band that narrows', () => {
  const none = ownFactor(ZONE, PLACE, DAYS, []);
  expect(none.value).toBeCloseTo(1, 6);
  expect(none.reads).toBe(0);
  const [less, more] = [0.6, 1.6].map((f) => ownFactor(ZONE, PLACE, DAYS, readsAt(f, 5)));
  expect(less!.value).toBeLessThan(0.9);
  expect(more!.value).toBeGreaterThan(1.1);
  expect(more!.lower).toBeGreaterThan(none.lower);
  const width = ({ lower, upper }: typeof none) => Math.log(upper / lower);
  expect(width(more!)).toBeLessThan(width(none));
  expect(width(ownFactor(ZONE, PLACE, DAYS, readsAt(1.6, 3)))).toBeLessThanOrEqual(width(none));
});

test('one log of a day, the newest visit’s; days to come count for nothing', () => {
  const visits = [
    { waterings: [on(10, { litres: 5 }), on(12, { litres: 9 })] },
    { waterings: [on(10, { litres: 7 })] },
  ];
  expect(wateringsOf(visits, dayAfter('2026-01-01', 11))).toEqual([on(10, { litres: 7 })]);
});
