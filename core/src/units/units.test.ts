import fc from 'fast-check';
import type { Dimension } from './quantity';
import {
  formatLength,
  formatPressure,
  formatQuantity,
  formatValue,
  parseLength,
  PASCALS_PER_PSI,
  readLength,
  writeLengths,
} from './index';

const metres = (text: string, unit?: 'cm' | 'in') => {
  const read = parseLength(text, unit);
  if (!read.ok) throw new Error(read.reason);
  return read.metres;
};

// Exact by the definition of the international inch (25.4 mm, 1959).
test.each([
  ['3 1/2 in', 0.0889],
  ['3-1/2 in', 0.0889],
  ['3½"', 0.0889],
  ['3.5"', 0.0889],
  ['1/4 in', 0.00635],
  ['9cm', 0.09],
  ['0,09 m', 0.09],
  ['0.09 m', 0.09],
  ['2 ft 4', 0.7112],
  [`2' 4"`, 0.7112],
  ['2 ft 4 1/2 in', 0.7239],
  ['12 mm', 0.012],
  ['-4 cm', -0.04],
  ['−4 cm', -0.04],
])('%s is %d m', (text, value) => expect(metres(text)).toBeCloseTo(value, 10));

test('a bare number takes the unit shown beside the field, and none without it', () => {
  expect(metres('9', 'cm')).toBeCloseTo(0.09);
  expect(metres('9', 'in')).toBeCloseTo(0.2286);
  expect(parseLength('9')).toMatchObject({ ok: false, reason: expect.stringContaining('no unit') });
});

test.each(['1,234 m', '2 ft 13', 'deep', '3 1/0 in', '9 yards', ''])('%s is refused', (text) => {
  expect(parseLength(text, 'cm').ok).toBe(false);
});

test('what is formatted reads back within its resolution', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 20, noNaN: true }),
      fc.constantFrom('mm' as const, 'cm' as const, 'm' as const, 'in' as const, 'ft' as const),
      (value, unit) => {
        const read = parseLength(formatLength(value, unit, 0.001));
        return (
          read.ok &&
          Math.abs(read.metres - value) <= (unit === 'in' ? 0.00128 : 0.00052) * (unit === 'ft' ? 3 : 1)
        );
      },
    ),
  );
});

test('the resolution follows what was typed', () => {
  expect(parseLength('9 cm')).toMatchObject({ resolution: 0.01 });
  expect(parseLength('0.090 m')).toMatchObject({ resolution: 0.001 });
  expect(formatLength(0.178, 'cm', 0.001)).toBe('17.8 cm');
  expect(formatLength(0.178, 'cm', 0.01)).toBe('18 cm');
  expect(formatLength(-0.0001, 'cm')).toBe('0 cm');
});

test('a slip of the unit is asked about, with the field, the value and the range', () => {
  expect(readLength('mulchDepth', '30 m', 'cm')).toEqual({
    state: 'wrong',
    message: 'Mulch depth: 30 m is outside 0 cm to 150 cm. Was 30 cm meant?',
    suggestion: '30 cm',
  });
  expect(readLength('mulchDepth', '100', 'cm')).toMatchObject({
    state: 'ask',
    metres: 1,
    suggestion: '100 mm',
  });
  expect(readLength('mulchDepth', '-3', 'cm')).toMatchObject({ state: 'wrong' });
  expect(readLength('mulchDepth', '24', 'cm')).toMatchObject({ state: 'ok', metres: 0.24 });
});

test('quantities and sentences come out in either system', () => {
  const working = { formula: '', inputs: [], source: '', notes: [] };
  const depth = {
    key: 'collarDepth' as const,
    name: 'd',
    value: 0.178,
    plusMinus: 0.014,
    dimension: 'short length' as const,
    working,
  };
  expect(formatQuantity(depth, 'metric')).toBe('17.8 ± 1.4 cm');
  expect(formatQuantity(depth, 'us')).toBe('7.0 ± 0.6 in');
  // 1 yd3 = 0.764554857984 m3, exact from the foot.
  expect(formatValue(0.764554857984, 'volume', 'us')).toBe('1.00 yd³');
  expect(writeLengths('deeper than {m:0.0750}, out to {M:1.2240}', 'metric')).toBe(
    'deeper than 7.5 cm, out to 1.22 m',
  );
  expect(writeLengths('{m:0.1016}', 'us')).toBe('4.0 in');
});

test('the resistance of soil is told in MPa or psi, and where roots stop as the field rounds it', () => {
  // 1 lbf = 4.4482216152605 N on (0.0254 m)2, both exact.
  expect(PASCALS_PER_PSI).toBeCloseTo(4.4482216152605 / 0.0254 ** 2, 3);
  expect(formatPressure(1.25e6, 'metric', 2)).toBe('1.25 MPa');
  expect(formatPressure(1.25e6, 'us')).toBe('181 psi');
  const both = (['metric', 'us'] as const).map((system) => writeLengths('{rootsStop} at {m:0.12}', system));
  expect(both).toEqual(['2 MPa at 12 cm', '300 psi at 4.7 in']);
  // To the nearest 50 psi it is the same resistance.
  expect(Math.round(2e6 / PASCALS_PER_PSI / 50) * 50).toBe(parseInt(both[1]!, 10));
});

test('every dimension in either system, by the exact definitions of the units', () => {
  // 1 ft = 0.3048 m, 1 lb = 0.45359237 kg (both exact, international yard and pound agreement of 1959);
  // 1 US gal = 3.785411784 L (231 in3, exact).
  const both = (value: number, dimension: Dimension, step?: number) =>
    (['metric', 'us'] as const).map((system) => formatValue(value, dimension, system, step));
  expect(both(0.3048, 'short length')).toEqual(['30 cm', '12.0 in']);
  expect(both(3.048, 'long length')).toEqual(['3.05 m', '10.0 ft']);
  expect(both(9.290304, 'area')).toEqual(['9.3 m²', '100 ft²']);
  expect(both(3.785411784 * 20, 'litres')).toEqual(['76 L', '20 gal']);
  expect(both(45.359237, 'mass')).toEqual(['45 kg', '100 lb']);
  expect(both(0.0254 / 3600, 'water rate')).toEqual(['25 mm/h', '1.0 in/h']);
  expect(both(0.00254 / 3600, 'water rate')).toEqual(['2.5 mm/h', '0.10 in/h']);
  expect(both(0.05, 'volume')).toEqual(['0.050 m³', '0.07 yd³']);
  // The same in both: shares, counts, hours, bulk density and years.
  for (const [value, dimension, text] of [
    [0.256, 'share', '26%'],
    [2.346, 'ratio', '2.35'],
    [12, 'count', '12'],
    [1.25, 'hours', '1.3 h'],
    [1450, 'density', '1.45 g/cm³'],
    [2026, 'year', '2026'],
  ] as const)
    expect(both(value, dimension)).toEqual([text, text]);
});

test('what two programs compute with another last bit is written alike, at half a step too', () => {
  // A mean of shoots that stands at 8.5 cm: a phone and the server came out on different sides of it.
  expect(formatValue(0.08499999999999998, 'short length', 'metric')).toBe('9 cm');
  expect(formatValue(0.08500000000000002, 'short length', 'metric')).toBe('9 cm');
  expect(formatValue(-0.08499999999999998, 'short length', 'metric')).toBe('−9 cm');
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 3000 }),
      fc.integer({ min: -4, max: 4 }),
      fc.constantFrom<Dimension>('short length', 'long length', 'share', 'hours', 'litres', 'count'),
      (steps, bits, dimension) => {
        const value = steps / 200;
        const other = value * (1 + bits * Number.EPSILON);
        expect(formatValue(other, dimension, 'metric')).toBe(formatValue(value, dimension, 'metric'));
      },
    ),
  );
});
