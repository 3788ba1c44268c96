import { readDaysJson, type WeatherDay } from '@undrel/core/water';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { keepDays, ownDays, withOwn } from './days';

let firm: Awaited<ReturnType<typeof testFirm>>;
beforeAll(async () => {
  firm = await testFirm();
});
afterAll(closePool);
const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const day = (date: string, rain: number, more: Partial<WeatherDay> = {}): WeatherDay => ({
  date,
  rain,
  low: 8,
  high: 18,
  ...more,
});
const keep = (days: WeatherDay[], source = 'station.csv') =>
  as((db) => keepDays(db, firm.propertyId, days, source));

test('a year in two files comes together; a day in both is that of the newer file, a filled one gives way', async () => {
  expect(await keep([day('2026-05-01', 1), day('2026-05-02', 0, { filled: true })])).toEqual({
    days: 2,
    changed: 0,
  });
  expect(await keep([day('2026-05-02', 4), day('2026-05-03', 2)], 'second.csv')).toEqual({
    days: 3,
    changed: 0,
  });
  expect(await keep([day('2026-05-01', 9), day('2026-05-03', 0, { filled: true })], 'third.csv')).toEqual({
    days: 3,
    changed: 1,
  });
  const own = (await as((db) => ownDays(db, firm.propertyId)))!;
  expect(own.days.map((d) => [d.date, d.rain, d.filled])).toEqual([
    ['2026-05-01', 9, undefined],
    ['2026-05-02', 4, undefined],
    ['2026-05-03', 2, undefined],
  ]);
  const other = await testFirm();
  expect(
    await asUser(other.viewer.firmId, other.viewer.userId, (db) => ownDays(db, firm.propertyId)),
  ).toBeUndefined();
  expect(await as((db) => keepDays(db, 'nowhere', [day('2026-05-01', 1)], 'x'))).toBeUndefined();
});

test('own days stand in place of the service, until the day asked for, and say where they are from', () => {
  const service = [day('2026-05-01', 0), day('2026-05-02', 0), day('2026-05-03', 0)];
  const own = { source: 'station.csv', days: [day('2026-05-02', 7), day('2026-05-03', 3, { filled: true })] };
  const told = withOwn(own, service, 'simulated', '2026-05-03');
  expect(told.known.map((d) => d.rain)).toEqual([0, 7, 3]);
  expect(told.source).toBe(
    'station.csv, 2 days from 2026-05-02 to 2026-05-03, 1 of them filled; other days: simulated',
  );
  expect(withOwn(own, service, 'simulated', '2026-05-01')).toEqual({ known: service, source: 'simulated' });
});

test('JSON says the same as CSV; what is no list of days is named, Fahrenheit in a Celsius column too', () => {
  const rows = [1, 2, 3].map((d) => ({ date: `2026-05-0${d}`, rain: d, low: 50, high: 68 }));
  const units = { temperature: '°F', rain: 'mm', wind: 'm/s' } as const;
  for (const source of [rows, { days: rows }]) {
    const { days, problem } = readDaysJson(JSON.stringify(source), units);
    expect(problem).toBeUndefined();
    expect(days.map((d) => [d.date, d.rain, Math.round(d.low), Math.round(d.high)])).toEqual([
      ['2026-05-01', 1, 10, 20],
      ['2026-05-02', 2, 10, 20],
      ['2026-05-03', 3, 10, 20],
    ]);
  }
  expect(readDaysJson('{').problem).toBe('The file is not JSON.');
  expect(readDaysJson('{"days": 3}').problem).toMatch(/no list of days/);
  expect(readDaysJson(JSON.stringify(rows)).problem).toMatch(/Are the temperatures in °F\?/);
});
