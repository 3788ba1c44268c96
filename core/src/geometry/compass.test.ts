import fc from 'fast-check';
import { Matrix } from 'ml-matrix';
import { bearingGap, wrapBearing } from './periodic';
import { besideSector, compassReading, headingOf, meanBearing } from './compass';

const RAD = Math.PI / 180;
const turn = (axis: 'x' | 'y' | 'z', degrees: number): Matrix => {
  const [s, c] = [Math.sin(degrees * RAD), Math.cos(degrees * RAD)];
  if (axis === 'z')
    return new Matrix([
      [c, -s, 0],
      [s, c, 0],
      [0, 0, 1],
    ]);
  if (axis === 'x')
    return new Matrix([
      [1, 0, 0],
      [0, c, -s],
      [0, s, c],
    ]);
  return new Matrix([
    [c, 0, s],
    [0, 1, 0],
    [-s, 0, c],
  ]);
};
const bearing = fc.double({ min: 0, max: 359.99, noNaN: true });

test('flat on the hand it points where its top edge does: 360 less alpha (W3C, Device Orientation Event Specification)', () => {
  fc.assert(
    fc.property(bearing, (alpha) => bearingGap(headingOf({ alpha, beta: 0, gamma: 0 }), 360 - alpha) < 1e-6),
  );
});

test('tilted and turned it agrees with the rotation written out as matrices', () => {
  fc.assert(
    fc.property(
      bearing,
      fc.double({ min: -80, max: 80, noNaN: true }),
      fc.double({ min: -40, max: 40, noNaN: true }),
      (alpha, beta, gamma) => {
        const r = turn('z', alpha).mmul(turn('x', beta)).mmul(turn('y', gamma));
        const along = Math.abs(beta) < 45 ? [0, 1, 0] : [0, 0, -1];
        const [east, north] = r.mmul(Matrix.columnVector(along)).to1DArray() as [number, number];
        if (Math.abs(Math.abs(beta) - 45) < 1e-6 || Math.hypot(east, north) < 1e-6) return true;
        return (
          bearingGap(headingOf({ alpha, beta, gamma }), wrapBearing(Math.atan2(east, north) / RAD)) < 1e-6
        );
      },
    ),
  );
});

test('bearings are averaged on the circle', () => {
  expect(meanBearing([350, 10]).bearing).toBeCloseTo(0, 6);
  // Mardia and Jupp (2000): of angles all the same there is no deviation; of two at right angles R is the root of a half.
  expect(meanBearing([80, 80, 80]).deviation).toBeCloseTo(0, 3);
  expect(meanBearing([0, 90]).deviation).toBeCloseTo(Math.sqrt(Math.log(2)) / RAD, 6);
  expect(() => meanBearing([])).toThrow('At least one bearing');
});

test('a reading turns with the declination, its error holds the unrest of the needle, and turning all turns it as far', () => {
  expect(compassReading([100, 100], 6, undefined)).toEqual({ bearing: 100, error: 6, isTrue: false });
  expect(compassReading([355, 359], 6, 8)).toMatchObject({ bearing: 5, isTrue: true });
  expect(compassReading([90, 110], 6, 0).error).toBeGreaterThan(20);
  expect(compassReading([90], undefined, 0).error).toBe(10);
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { minLength: 1 }),
      fc.integer({ min: 0, max: 359 }),
      (all, by) => {
        const before = compassReading(all, 5, 0);
        const after = compassReading(
          all.map((h) => wrapBearing(h + by)),
          5,
          0,
        );
        return (
          bearingGap(before.bearing + by, after.bearing) <= 1 && Math.abs(after.error - before.error) <= 1
        );
      },
    ),
  );
});

test('a reading near the edge of a sector, or of a wide error, may belong to the one beside', () => {
  expect(besideSector({ bearing: 46, error: 8 }, 45)).toBe(false);
  expect(besideSector({ bearing: 64, error: 8 }, 45)).toBe(true);
  expect(besideSector({ bearing: 46, error: 25 }, 45)).toBe(true);
});
