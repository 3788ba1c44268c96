import type { Finding, Tree, Visit } from '@undrel/core/records';
import { simulatedWeather } from '../../stand-ins/weather';
import { visitToJudge } from '@undrel/core/walk';
import { PROPERTIES } from '../../../db/demo/world';
import type { TreeSource } from '../offers/treeWork';
import { waterOfTrees } from './water';
import { dayOrToday } from '../../server/grounds/waterDay';

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
    ['2026-13-45', 'is not a day'],
    ['x'.repeat(500), 'is not a day'],
    ['2027-01-01', 'still to come, the last that can be asked for is 2026-11-28'],
    ['1990-01-01', 'allowed from 2000-01-01'],
  ] as const) {
    const { on, problem } = dayOrToday(asked, '2026-11-28');
    expect([on, problem]).toEqual(['2026-11-28', expect.stringContaining(says)]);
  }
});

test('trees under care come with their water, others are counted, and nothing has a hole', async () => {
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
  const { trees, wet, unmeasured, others } = waterOfTrees({
    sources,
    place: { latitude: 51.2, elevation: 100 },
    known,
    on: '2026-07-15',
  });
  expect(trees.length).toBeGreaterThan(3);
  expect(trees.length + wet.length + unmeasured.length + others).toBe(sources.length);
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

const young: Tree = {
  label: 'Y',
  species: 'Tilia cordata',
  plantedYear: 2025,
  stemDiameter: 0.05,
  crownRadius: 1,
};
const sourceOf = (tree: Tree, findings: Finding[], date = '2026-05-10'): TreeSource => {
  const visit = { date, findings, profiles: [], probes: [], decisions: [] } as Visit;
  const source = { tree, events: [], visit, visits: [visit], schools: {} };
  return { id: tree.label, visitId: tree.label, source: source as unknown as TreeSource['source'] };
};
const WET: Finding[] = [
  { key: 'history.wet', answer: 'days' },
  { key: 'probe.drain', answer: 'standing' },
  { key: 'probe.moisture', answer: 'sour' },
  { key: 'probe.colour', answer: 'mottled' },
];

test('a young tree in wet ground is not watered, and care ends with the seasons of the school', async () => {
  const known = await simulatedWeather.days('p', '2020-01-01', '2031-07-15', 51.2);
  const of = (source: TreeSource, on: string) =>
    waterOfTrees({ sources: [source], place: { latitude: 51.2, elevation: 100 }, known, on });
  expect(of(sourceOf(young, []), '2026-07-15').trees).toHaveLength(1);
  expect(of(sourceOf(young, WET), '2026-07-15')).toMatchObject({ trees: [], wet: ['Y'], others: 0 });
  // Dry: watered for two growing seasons, and by the other school for one.
  const old = { ...young, label: 'O', plantedYear: 2000, stemDiameter: 0.3, crownRadius: 3 };
  const dry: Finding[] = [
    { key: 'probe.moisture', answer: 'dry' },
    { key: 'crown.wilt', answer: 'whole' },
    { key: 'history.watering', answer: 'no' },
    { key: 'crown.margins', answer: 'many' },
  ];
  const care = (tree: Tree, on: string) => of(sourceOf(tree, dry), on).trees.length;
  expect([care(old, '2026-07-15'), care(old, '2027-07-15'), care(old, '2028-07-15')]).toEqual([1, 1, 0]);
  const one = { ...old, schools: { wateringYears: 'one' } };
  expect([care(one, '2026-07-15'), care(one, '2027-07-15')]).toEqual([1, 0]);
});
