import { simulatedWeather } from '../../stand-ins/weather';
import { visitToJudge } from '@undrel/core/walk';
import { PROPERTIES } from '../../../db/demo/world';
import type { TreeSource } from '../offers/treeWork';
import { waterOfTrees } from './water';
import { dayOrToday } from './waterDay';

test('the days of the stand-in come to the rain of its months, the same at every call, and nothing is odd', async () => {
  const days = await simulatedWeather.days('p', '2023-01-01', '2024-12-31', 51);
  expect(days).toHaveLength(365 + 366);
  expect(await simulatedWeather.days('p', '2023-01-01', '2024-12-31', 51)).toEqual(days);
  for (const { month, rain } of await simulatedWeather.months('p', 2023, 2024)) {
    const own = days.filter((d) => d.date.startsWith(month));
    // Each day is rounded to a tenth of a millimetre.
    expect(Math.abs(own.reduce((sum, d) => sum + d.rain, 0) - 1000 * rain)).toBeLessThan(0.05 * own.length);
  }
  for (const d of days) {
    expect(d.low).toBeLessThanOrEqual(d.high);
    expect(d.humidity![0]).toBeLessThanOrEqual(d.humidity![1]);
    expect(d.radiation).toBeGreaterThan(0);
  }
  // South of the equator January is warm.
  const south = await simulatedWeather.days('p', '2024-01-01', '2024-07-31', -38);
  const mean = (month: string) => {
    const own = south.filter((d) => d.date.slice(5, 7) === month);
    return own.reduce((sum, d) => sum + d.high, 0) / own.length;
  };
  expect(mean('01')).toBeGreaterThan(mean('07') + 5);
});

test('a day that is none, still to come or before the record is named, and today stands in', () => {
  expect(dayOrToday('2026-07-15', '2026-11-28')).toEqual({ on: '2026-07-15' });
  expect(dayOrToday(undefined, '2026-11-28')).toEqual({ on: '2026-11-28' });
  for (const [asked, says] of [
    ['2026-02-30', 'is not a day'],
    ['x'.repeat(500), 'is not a day'],
    ['2027-01-01', 'still to come, the last that can be asked for is 2026-11-28'],
    ['1990-01-01', 'allowed from 2000-01-01'],
  ] as const) {
    const { on, problem } = dayOrToday(asked, '2026-11-28');
    expect([on, problem]).toEqual(['2026-11-28', expect.stringContaining(says)]);
  }
});

test('trees under care come with those due first; others are counted, and nothing has a hole', async () => {
  const known = await simulatedWeather.days('p', '2014-01-01', '2026-07-15', 51.2);
  const sources = PROPERTIES()
    .flatMap((p) => p.trees)
    .flatMap(({ id, caseFile }): TreeSource[] => {
      const visit = visitToJudge(caseFile.visits);
      return visit
        ? [
            {
              id,
              visitId: id,
              source: { ...caseFile, visit, schools: {} } as unknown as TreeSource['source'],
            },
          ]
        : [];
    });
  const { trees, unmeasured, others } = waterOfTrees({
    sources,
    place: { latitude: 51.2, elevation: 100 },
    known,
    on: '2026-07-15',
  });
  expect(trees.length).toBeGreaterThan(3);
  expect(trees.length + unmeasured.length + others).toBe(sources.length);
  const due = trees.map((t) => t.next.on ?? '9999');
  expect(due).toEqual([...due].sort());
  for (const t of trees) {
    expect([t.label, t.next.litres > 0, t.care !== '']).toEqual([t.label, true, true]);
    expect(JSON.stringify(t)).not.toMatch(/null|undefined|NaN/);
  }
  // A year in which the summer fails leaves less than one that does not.
  const missing = (on: string) =>
    waterOfTrees({ sources, place: { latitude: 51.2, elevation: 100 }, known, on }).trees.reduce(
      (sum, t) => sum + t.next.missing / t.next.easy,
      0,
    );
  expect(missing('2026-03-15')).toBeLessThan(missing('2026-07-15'));
});
