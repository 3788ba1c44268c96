import { dryYears } from '@undrel/core/history';
import { simulatedWeather } from '../../stand-ins/weather';
import { askWeather, readWeather } from './weather';

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
