import fc from 'fast-check';
import { collarAt, visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { climateOf, frostFree, monthHere, monthOn, type House } from '../house';
import { dateProblems, nextOpenDay } from '../prescription';
import type { Tree, WeatherPlace, WeatherRecord } from '../records';

const visit = visitOn('2026-06-10', [], { probes: collarAt(0.2) });
const tree = (species: string, schools?: Tree['schools']): Tree => ({
  label: 'T',
  species,
  plantedYear: 2021,
  stemDiameter: 0.05,
  ...(schools && { schools }),
});
const at = (place?: WeatherPlace, rains: number[] = []): House => ({
  weather: {
    source: 'test',
    ...(place && { place }),
    seasons: rains.map((rain, i) => ({ year: 2025 - i, rain })),
  },
});
const reset = (t: Tree, house: House = {}) =>
  assess(t, [], visit, house).operations.find((o) => o.key === 'reset')!;
const months = (t: Tree, house?: House) => {
  const { window } = reset(t, house);
  return [window!.from, window!.to];
};

const MILD: WeatherPlace = { latitude: 51, lastFrost: '04-20', firstFrost: '10-25' };
const HARD: WeatherPlace = { latitude: 47, lastFrost: '05-20', firstFrost: '09-25' };
const SOUTH: WeatherPlace = { latitude: -38, lastFrost: '09-20', firstFrost: '05-10' };

// Common practice, no source: autumn where the ground stays open, early spring where winters are hard or the species is tender.
test('planting follows climate, species and school', () => {
  expect(months(tree('Tilia cordata'))).toEqual([10, 12]);
  expect(months(tree('Tilia cordata'), at(MILD))).toEqual([10, 12]);
  expect(months(tree('Tilia cordata'), at(HARD))).toEqual([4, 5]);
  expect(months(tree('Quercus robur'), at(MILD))).toEqual([3, 4]);
  expect(months(tree('Taxus baccata'), at(MILD))).toEqual([9, 10]);
  expect(months(tree('Quercus ilex'), at(MILD))).toEqual([4, 5]);
  expect(months(tree('Quercus robur', { plantingSeason: 'autumn' }), at(HARD))).toEqual([9, 11]);
  expect(months(tree('Tilia cordata', { plantingSeason: 'spring' }), at(MILD))).toEqual([3, 4]);
  expect(reset(tree('Tilia cordata'), at(HARD)).season).toContain('April to May');
  expect(reset(tree('Tilia cordata'), at(HARD)).season).toContain('winters are hard here');
});

test('south of the equator every window lies half a year apart', () => {
  expect(months(tree('Tilia cordata'), at({ latitude: -38 }))).toEqual([4, 6]);
  expect(months(tree('Tilia cordata'), at(SOUTH))).toEqual([5, 7]);
  expect(months(tree('Quercus robur'), at(SOUTH))).toEqual([8, 9]);
  const summer = reset(tree('Tilia cordata'), at(SOUTH));
  expect(dateProblems(summer, 'Tilia cordata', '2027-01-10', [])[0]).toContain('out of season');
  expect(nextOpenDay(summer, 'Tilia cordata', '2027-01-10', [])).toBe('2027-05-01');
  // What is mulched in autumn and washed out before the buds open, likewise.
  const salty = visitOn('2026-06-10', [
    { key: 'history.salt', answer: 'onto' },
    { key: 'soil.salt', answer: 'high' },
  ]);
  const leach = (house: House) =>
    assess(tree('Tilia cordata'), [], salty, house).operations.find((o) => o.key === 'leach')!.window;
  expect(leach(at(MILD))).toMatchObject({ from: 2, to: 4 });
  expect(leach(at(SOUTH))).toMatchObject({ from: 8, to: 10 });
});

test('months go round, and the time without frost is told over the new year', () => {
  expect(frostFree('04-20', '10-25')).toBe(188);
  expect(frostFree('09-20', '05-10')).toBe(232);
  expect(climateOf(undefined)).toEqual({
    south: false,
    lastFrost: undefined,
    firstFrost: undefined,
    hardWinters: false,
  });
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: -30, max: 30 }), (month, by) => {
      expect(monthOn(monthOn(month, by), -by)).toBe(month);
      expect(monthHere(monthHere(month, { south: true }), { south: true })).toBe(month);
      expect(monthOn(month, by)).toBeGreaterThanOrEqual(1);
      expect(monthOn(month, by)).toBeLessThanOrEqual(12);
    }),
  );
});

test('a season about 20 cm short of rain in the twelve months before speaks against a reset, a later visit does not see it', () => {
  const usual = Array.from({ length: 14 }, () => 0.4);
  const against = (rains: number[], date = '2026-03-10') =>
    assess(tree('Tilia cordata'), [], { ...visit, date }, at(MILD, rains))
      .operations.find((o) => o.key === 'reset')!
      .against.join();
  expect(against([0.18, ...usual])).toContain('less rain than usual in the season of 2025');
  expect(against([0.25, ...usual])).toBe('');
  expect(against([0.18, ...usual], '2027-01-10')).toBe('');
  expect(against([0.18, 0.4, 0.4])).toBe('');
  const south: WeatherRecord = { ...at(SOUTH, [0.18, ...usual]).weather! };
  // There the season of 2025 ended in March.
  const of = (date: string) =>
    assess(tree('Tilia cordata'), [], { ...visit, date }, { weather: south })
      .operations.find((o) => o.key === 'reset')!
      .against.join();
  expect(of('2025-06-01')).toContain('season of 2025');
  expect(of('2026-06-01')).toBe('');
});

// From memory: oak wilt and its sap beetles in spring and early summer.
test('no fresh cuts while insects carry a disease to trees of the genus, by the months of the place', () => {
  const deadWood = visitOn('2026-06-10', [{ key: 'crown.dieback', number: 0.2 }]);
  const cautions = (species: string, house: House = {}) =>
    assess(tree(species), [], deadWood, house)
      .operations.find((o) => o.key === 'crown')!
      .cautions.join(' ');
  expect(cautions('English oak')).toContain('No fresh cuts from April to July where the disease occurs');
  expect(cautions('Quercus robur', at(SOUTH))).toContain('No fresh cuts from October to January');
  expect(cautions('Tilia cordata')).not.toContain('No fresh cuts');
});
