import fc from 'fast-check';
import jStat from 'jstat';
import {
  jackknife90,
  normalBelow,
  periodic,
  radialVolume,
  roundIntegral,
  roundMean,
  student90,
} from './index';

const readings = fc
  .uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 2, maxLength: 12 })
  .chain((bearings) =>
    fc
      .tuple(...bearings.map(() => fc.double({ min: 0, max: 1, noNaN: true })))
      .map((values) => bearings.map((bearing, i) => ({ bearing, value: values[i]! }))),
  );

test('the interpolant passes through every reading and never overshoots', () => {
  fc.assert(
    fc.property(readings, fc.double({ min: 0, max: 360, noNaN: true }), (points, bearing) => {
      const f = periodic(points);
      const values = points.map((p) => p.value);
      const through = points.every((p) => Math.abs(f(p.bearing) - p.value) < 1e-9);
      const at = f(bearing);
      return through && at >= Math.min(...values) - 1e-9 && at <= Math.max(...values) + 1e-9;
    }),
  );
});

test('it is periodic, turns with the readings and mirrors with them', () => {
  fc.assert(
    fc.property(
      readings,
      fc.integer({ min: 0, max: 359 }),
      fc.integer({ min: -720, max: 720 }),
      (points, bearing, turn) => {
        const f = periodic(points);
        const turned = periodic(points.map((p) => ({ ...p, bearing: p.bearing + turn })));
        const mirrored = periodic(points.map((p) => ({ ...p, bearing: -p.bearing })));
        expect(f(bearing + 360)).toBeCloseTo(f(bearing), 9);
        expect(turned(bearing + turn)).toBeCloseTo(f(bearing), 9);
        expect(mirrored(-bearing)).toBeCloseTo(f(bearing), 9);
      },
    ),
  );
});

test('a bearing that is not a number is refused by name', () => {
  expect(() => periodic([{ bearing: NaN, value: 1 }])).toThrow('NaN');
  expect(() => periodic([])).toThrow('At least one');
});

test('the round integral is exact for cubics between knots', () => {
  // Integral of b^3 over 0..360 degrees is 360^4/4, in radians of bearing x pi/180.
  expect(roundIntegral((b) => b ** 3, [0])).toBeCloseTo(((360 ** 4 / 4) * Math.PI) / 180, 0);
  expect(
    roundMean([
      { bearing: 0, value: 3 },
      { bearing: 10, value: 3 },
    ]),
  ).toBeCloseTo(3, 12);
});

test('the mean round the stem is the integral of the interpolant over the circle', () => {
  fc.assert(
    fc.property(readings, (points) => {
      const whole = roundIntegral(
        periodic(points),
        points.map((p) => p.bearing),
      );
      expect(roundMean(points)).toBeCloseTo(whole / (2 * Math.PI), 12);
    }),
  );
  // Two at one bearing count as one, whichever way round they are given.
  const twice = [
    { bearing: 350, value: 1 },
    { bearing: -10, value: 3 },
    { bearing: 80, value: 5 },
    { bearing: 200, value: 0 },
  ];
  const once = [{ bearing: 350, value: 2 }, ...twice.slice(2)];
  expect(roundMean(twice)).toBeCloseTo(roundMean(once), 12);
  expect(roundMean([...twice].reverse())).toBeCloseTo(roundMean(once), 12);
  expect(() => roundMean([])).toThrow('At least one reading is needed.');
});

test('radial volume of a cone is exact', () => {
  // Solid of revolution: pi h (R - r)(R + 2r) / 3 (elementary geometry, reference values h 0.30, R 0.90, r 0.10).
  const line = [
    { distance: 0, depth: 0.3 },
    { distance: 0.8, depth: 0 },
  ];
  expect(2 * Math.PI * radialVolume(line, 0.1)).toBeCloseTo((Math.PI * 0.3 * 0.8 * 1.1) / 3, 12);
});

test("Student's t agrees with a general-purpose statistics package (jstat)", () => {
  for (let df = 1; df <= 30; df++) expect(student90(df)).toBeCloseTo(jStat.studentt.inv(0.95, df), 2);
  expect(() => student90(0)).toThrow(RangeError);
});

test('the normal distribution agrees with a general-purpose statistics package (jstat)', () => {
  for (let z = -6; z <= 6; z += 0.05) expect(normalBelow(z)).toBeCloseTo(jStat.normal.cdf(z, 0, 1), 6);
});

test('the jackknife of a mean is the textbook standard error', () => {
  // Tukey 1958: for the mean the jackknife gives s / sqrt(n) exactly.
  const values = [3, 5, 8, 13, 4];
  const mean = (v: readonly number[]) => v.reduce((a, b) => a + b, 0) / v.length;
  const s = Math.sqrt(values.reduce((sum, v) => sum + (v - mean(values)) ** 2, 0) / (values.length - 1));
  expect(jackknife90(values, mean)).toBeCloseTo(student90(4) * (s / Math.sqrt(5)), 10);
  expect(jackknife90([1], mean)).toBeUndefined();
});
