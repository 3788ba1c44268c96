import fc from 'fast-check';
import type { Finding } from '../records';
import { TEXTURES } from '../vocabulary';
import { densityLimits, fineDensity, porosityOf, sampleOf, soilWater, textureOf } from './index';

/** Boundary inequalities of the USDA Soil Survey Manual, chapter 3, one by one (from memory); every class apart. */
const USDA: Record<string, (sand: number, silt: number, clay: number) => boolean> = {
  sand: (_, si, c) => si + 1.5 * c < 15,
  'loamy sand': (_, si, c) => si + 1.5 * c >= 15 && si + 2 * c < 30,
  'sandy loam': (s, si, c) =>
    (c >= 7 && c < 20 && s > 52 && si + 2 * c >= 30) || (c < 7 && si < 50 && si + 2 * c >= 30),
  loam: (s, si, c) => c >= 7 && c < 27 && si >= 28 && si < 50 && s <= 52,
  'silt loam': (_, si, c) => (si >= 50 && c >= 12 && c < 27) || (si >= 50 && si < 80 && c < 12),
  silt: (_, si, c) => si >= 80 && c < 12,
  'sandy clay loam': (s, si, c) => c >= 20 && c < 35 && si < 28 && s > 45,
  'clay loam': (s, _, c) => c >= 27 && c < 40 && s > 20 && s <= 45,
  'silty clay loam': (s, _, c) => c >= 27 && c < 40 && s <= 20,
  'sandy clay': (s, _, c) => c >= 35 && s > 45,
  'silty clay': (_, si, c) => c >= 40 && si >= 40,
  clay: (s, si, c) => c >= 40 && s <= 45 && si < 40,
};

test('every half percent of the triangle lies in the one class whose inequalities it meets', () => {
  for (let s = 0; s <= 200; s++)
    for (let c = 0; c + s <= 200; c++) {
      const [sand, clay] = [s / 2, c / 2];
      const silt = 100 - sand - clay;
      const fits = TEXTURES.filter((t) => USDA[t]!(sand, silt, clay));
      expect([sand, clay, fits]).toEqual([sand, clay, [textureOf(sand / 100, clay / 100)]]);
    }
});

test('shares that are none of a whole are named', () => {
  expect(() => textureOf(0.7, 0.5)).toThrow(/Sand 70% and clay 50%: together at most 100%/);
});

// Saxton & Rawls 2006, table 3, at 2.5 % organic matter: wilting point, field capacity, saturation in vol %, Ks in mm/h.
test.each([
  ['sand', 88, 5, 5, 10, 46, 108.1],
  ['loamy sand', 80, 5, 5, 12, 46, 96.7],
  ['sandy loam', 65, 10, 8, 18, 45, 50.3],
  ['loam', 40, 20, 14, 28, 46, 15.5],
  ['silt loam', 20, 15, 11, 31, 48, 16.1],
  ['sandy clay loam', 60, 25, 17, 27, 43, 11.3],
  ['clay loam', 30, 35, 22, 36, 48, 4.3],
  ['silty clay loam', 10, 35, 22, 38, 51, 5.7],
  ['silty clay', 10, 45, 27, 41, 52, 3.7],
  ['sandy clay', 50, 40, 25, 36, 44, 1.4],
  ['clay', 25, 50, 30, 42, 50, 1.1],
])('%s holds water as published', (texture, sand, clay, wp, fc_, sat, ks) => {
  expect(textureOf(sand / 100, clay / 100)).toBe(texture);
  const water = soilWater(sand / 100, clay / 100);
  expect(Math.round(100 * water.wilting)).toBe(wp);
  expect(Math.round(100 * water.field)).toBe(fc_);
  expect(Math.round(100 * water.saturation)).toBe(sat);
  // The table prints one decimal of figures made from rounded ones: within 3 % or a tenth.
  expect(Math.abs(water.conductivity * 3.6e6 - ks)).toBeLessThan(Math.max(0.1, 0.03 * ks));
});

test('stones are taken out of mass and volume', () => {
  // By hand: 150 g in 100 cm3, 53 g of it stones: 20 cm3 of stone; 97 g in 80 cm3.
  expect(fineDensity({ mass: 0.15, volume: 100e-6, stones: 0.053 })).toBeCloseTo(97 / 80e-3, 6);
  expect(porosityOf(1325)).toBeCloseTo(0.5, 9);
  expect(() => fineDensity({ mass: 0.1, volume: 100e-6, stones: 0.2 })).toThrow(/stones must weigh less/);
});

test('limits by texture: heavier soils stop roots at a lower density', () => {
  // USDA NRCS Soil Quality Test Kit Guide (from memory).
  expect(densityLimits('sand', 0.05)).toMatchObject({ affected: 1690, stopped: 1800 });
  expect(densityLimits('clay loam', 0.3)).toMatchObject({ affected: 1600, stopped: 1750 });
  expect(densityLimits('clay loam', 0.36)).toMatchObject({ affected: 1490, stopped: 1580 });
  expect(densityLimits('clay', 0.5)).toMatchObject({ affected: 1390, stopped: 1470 });
  expect(densityLimits('silt loam', 0.15).note).toContain('stricter');
});

test('a sample is read as far as it goes, and what cannot be right is named', () => {
  const of = (given: Record<string, number>) =>
    sampleOf(Object.entries(given).map(([key, number]): Finding => ({ key, number })));
  expect(of({})).toEqual({ problems: [] });
  const clay = of({ 'soil.sand': 0.2, 'soil.clay': 0.5, 'soil.coreMass': 150, 'soil.coreVolume': 100 });
  expect(clay).toMatchObject({ texture: 'clay', verdict: 'tight' });
  expect(clay.density!.value).toBeCloseTo(1500, 6);
  expect(of({ 'soil.sand': 0.8, 'soil.clay': 0.4 }).problems[0]).toMatch(/Sand 80% and clay 40%/);
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 0.08, noNaN: true }),
      (a, b, om) => {
        const [sand, clayShare] = a + b <= 1 ? [a, b] : [1 - a, 1 - b];
        if (clayShare > 0.6) return;
        const { available } = of({ 'soil.sand': sand, 'soil.clay': clayShare, 'soil.organic': om });
        expect(available!.value).toBeGreaterThan(0);
        expect(available!.value).toBeLessThan(0.35);
      },
    ),
  );
});

test('sand and clay that are more than the whole are refused wherever they are read', () => {
  for (const read of [textureOf, soilWater]) expect(() => read(0.9, 0.3)).toThrow(/Sand 90% and clay 30%/);
});
