import { dryYears } from '@undrel/core/history';
import type { WeatherRecord } from '@undrel/core/records';
import { simulatedWeather } from '../../stand-ins/weather';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { KEEP_WEATHER } from './sql';
import { readPlace } from '../../work/readers/readPlace';
import { readWeather } from '../../work/readers/readWeather';
import { askWeather, keepWeather, notePlace, placeOfGrounds } from './weather';

afterAll(closePool);

const csv = (lines: string[]) => new TextEncoder().encode(lines.join('\n'));

test('rain comes in by month; what is wrong is named by row, and half a season does not count', () => {
  const months = Array.from({ length: 12 }, (_, i) => `2020-${String(i + 1).padStart(2, '0')},50`);
  const read = readWeather(
    csv(['month,rain (mm)', ...months, '2021-04,x', '2021-05,9999', '2020-04,3']),
    'g',
  );
  expect(read).toMatchObject({ ok: true, record: { source: 'g', seasons: [{ year: 2020 }] } });
  expect(read.ok && read.record.seasons[0]!.rain).toBeCloseTo(0.3, 9);
  expect(read.ok && read.notes).toHaveLength(3);
  expect(readWeather(csv(['month,rain', '2020-04,3']), 'g')).toMatchObject({ ok: false });
  expect(readWeather(csv(['month,rain (mm)', '2020-04,3']), 'g')).toMatchObject({ ok: false });
});

test('a season under way is not taken for a dry one', async () => {
  const record = await askWeather(simulatedWeather, 'p', '2026-07-10');
  expect(record.seasons.at(-1)!.year).toBe(2025);
  expect(dryYears(record)).toContain(2022);
  expect(await askWeather(simulatedWeather, 'p', '2026-07-10')).toEqual(record);
});

test('where the grounds lie is noted field by field, and the seasons of its rain follow', async () => {
  const problem = (typed: unknown) => {
    const read = readPlace(typed);
    return 'problem' in read ? read.problem : undefined;
  };
  expect(problem({ latitude: '91' })).toContain('Latitude: “91”');
  expect(problem({})).toContain('Latitude');
  expect(problem(null)).toContain('Latitude');
  expect(problem({ latitude: 'x' })).toContain('-90 to 90');
  expect(problem({ latitude: '50', lastFrost: '02-30', firstFrost: '10-01' })).toContain(
    'Last frost: “02-30”',
  );
  expect(problem({ latitude: '50', lastFrost: '04-20' })).toContain('note both');
  const read = readPlace({ latitude: '-38,5', lastFrost: '09-20', firstFrost: '05-10' });
  if ('problem' in read) throw new Error(read.problem);
  expect(read.place).toEqual({ latitude: -38.5, lastFrost: '09-20', firstFrost: '05-10' });

  const firm = await testFirm();
  const as = <R>(work: Parameters<typeof asUser<R>>[2], who = firm) =>
    asUser(who.viewer.firmId, who.viewer.userId, work);
  expect(await as((db) => placeOfGrounds(db, firm.propertyId))).toBeUndefined();
  expect(await as((db) => notePlace(db, firm.propertyId, read.place))).toBe(0);
  const place = await as((db) => placeOfGrounds(db, firm.propertyId));
  expect(place).toEqual(read.place);
  const record = await askWeather(simulatedWeather, 'p', '2026-07-10', place);
  expect(record.place).toEqual(read.place);
  expect(record.seasons.at(-1)!.year).toBe(2026);
  expect(await as((db) => keepWeather(db, firm.propertyId, record))).toBeDefined();
  expect(await as((db) => placeOfGrounds(db, firm.propertyId))).toEqual(read.place);
  // On the same side of the equator the rain that was read stays; beyond it its seasons are others.
  expect(await as((db) => notePlace(db, firm.propertyId, { latitude: -10 }))).toBe(record.seasons.length);
  expect(await as((db) => notePlace(db, firm.propertyId, { latitude: 10 }))).toBe(0);
  // A case that comes in brings its rain where none was read, and never the place.
  const kept = async () =>
    (await as((db) =>
      db.row<{ weather: WeatherRecord }>('select weather from properties where id = $1', [firm.propertyId]),
    ))!.weather;
  const brought = { source: 'a case', seasons: [{ year: 2020, rain: 0.4 }] };
  await as((db) =>
    db.rows(KEEP_WEATHER, [firm.propertyId, JSON.stringify({ ...brought, place: { latitude: -5 } })]),
  );
  expect((await kept()).seasons).toEqual([]);
  await as((db) =>
    db.rows(KEEP_WEATHER, [firm.propertyId, JSON.stringify({ ...brought, place: { latitude: 5 } })]),
  );
  expect(await kept()).toEqual({ ...brought, place: { latitude: 10 } });
  const other = await testFirm();
  expect(await as((db) => notePlace(db, firm.propertyId, { latitude: 1 }), other)).toBeUndefined();
  const months = ['2020-10', '2020-11', '2020-12', '2021-01', '2021-02', '2021-03'].map((m) => `${m},50`);
  expect(readWeather(csv(['month,rain (mm)', ...months]), 'g', read.place)).toMatchObject({
    ok: true,
    record: { place: read.place, seasons: [{ year: 2021 }] },
  });
  expect(readWeather(csv(['month,rain (mm)', ...months]), 'g')).toMatchObject({ ok: false });
});
