import { spellsOf, stretchesIn } from './spells';
import { dayAfter } from '../vocabulary/dates';
import type { WeatherDay } from '../water';

/** Years whose mean temperature is a sine with its low in the middle of winter, and whose rain falls in one half. */
function years(count: number, south = false, middle = 10, swing = 12): WeatherDay[] {
  return Array.from({ length: 365 * count + 2 }, (_, i) => {
    const date = dayAfter('2019-01-01', i);
    const at = (Date.parse(date) - Date.parse(`${date.slice(0, 4)}-01-15`)) / 86_400_000 / 365;
    const warm = middle - (south ? -1 : 1) * swing * Math.cos(2 * Math.PI * at);
    const winter = (at > 0.7 || at < 0.2) !== south;
    return { date, rain: winter ? 3.2 : 0.2, low: warm - 5, high: warm + 5 };
  });
}
const LAT = { latitude: 50, elevation: 100 };
const keyed = (days: WeatherDay[], latitude = 50) =>
  Object.fromEntries(spellsOf({ ...LAT, latitude }, days).map((s) => [s.key, s]));

test('leaves rest while the mean of a day is below 5 °C (ETCCDI growing season): by the sine it was made of', () => {
  // 10 - 12 cos(x) crosses 5 °C at x = acos(5/12): 65.4 of 360 degrees, 66 days about 15 January.
  const { dormancy, frost } = keyed(years(5));
  const near = (day: string, want: string) =>
    Math.abs(Date.parse(`2023-${day}`) - Date.parse(`2023-${want}`)) / 86_400_000;
  expect(near(dormancy!.to, '03-21')).toBeLessThanOrEqual(3);
  expect(near(dormancy!.from, '11-10')).toBeLessThanOrEqual(3);
  // The low, 5 below the mean, is under 0 °C for just as long.
  expect(near(frost!.to, '03-21')).toBeLessThanOrEqual(3);
  expect(near(frost!.from, '11-10')).toBeLessThanOrEqual(3);
});

test('the same in the south, half a year on', () => {
  const { dormancy, frost, wet, dry } = keyed(years(5, true), -50);
  expect([dormancy!.from.slice(0, 2), dormancy!.to.slice(0, 2)]).toEqual(['05', '09']);
  expect([frost!.from.slice(0, 2), frost!.to.slice(0, 2)]).toEqual(['05', '09']);
  expect(wet!.from > '03' && wet!.from < '07').toBe(true);
  expect(dry!.from > '09').toBe(true);
});

test('wet winter, dry summer, and heat where days reach 30 °C', () => {
  const { wet, dry, heat } = keyed(years(4, false, 18, 12));
  expect(wet!.from > '09' && wet!.to < '04').toBe(true);
  expect(dry!.from > '03' && dry!.to < '10').toBe(true);
  expect(heat!.from >= '05' && heat!.to <= '09-30').toBe(true);
  expect(keyed(years(4, false, 10, 5)).heat).toBeUndefined();
});

test('the ground is frozen while the mean of five days is below 0 °C in half of the winters', () => {
  // 10 - 15 cos(x) is below 0 °C for x under acos(10/15): 48.2 of 360 degrees, 49 days about 15 January; four more pass until the mean of five is.
  const { frozen } = keyed(years(5, false, 10, 15));
  const near = (day: string, want: string) =>
    Math.abs(Date.parse(`2023-${day}`) - Date.parse(`2023-${want}`)) / 86_400_000;
  expect(near(frozen!.from, '11-29')).toBeLessThanOrEqual(3);
  expect(near(frozen!.to, '03-07')).toBeLessThanOrEqual(3);
  expect(keyed(years(5, false, 10, 8)).frozen).toBeUndefined();
  const south = keyed(years(5, true, 10, 15), -50).frozen!;
  expect([south.from.slice(0, 2), south.to.slice(0, 2)]).toEqual(['05', '09']);
});

test('a spell lies in any stretch of days as often as the year comes round', () => {
  const spell = { key: 'wet', from: '11-01', to: '02-28', says: '' } as const;
  expect(stretchesIn(spell, '2026-01-10', '2027-01-20')).toEqual([
    ['2026-01-10', '2026-02-28'],
    ['2026-11-01', '2027-01-20'],
  ]);
  expect(stretchesIn({ ...spell, from: '04-01', to: '05-31' }, '2026-06-01', '2027-03-01')).toEqual([]);
  expect(stretchesIn({ ...spell, from: '04-01', to: '05-31' }, '2026-05-31', '2028-04-01')).toEqual([
    ['2026-05-31', '2026-05-31'],
    ['2027-04-01', '2027-05-31'],
    ['2028-04-01', '2028-04-01'],
  ]);
});

test('where nothing rests there is no dormancy; two years say nothing', () => {
  expect(keyed(years(5, false, 22, 4)).dormancy).toBeUndefined();
  expect(spellsOf(LAT, years(2))).toEqual([]);
});
