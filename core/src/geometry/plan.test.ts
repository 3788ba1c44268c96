import fc from 'fast-check';
import geographiclib from 'geographiclib-geodesic';
import { metresPerDegree, originOf, placedBy, placeOf, type Fix, type Tie } from './plan';

const latitude = fc.double({ min: -70, max: 70, noNaN: true });
const longitude = fc.double({ min: -180, max: 180, noNaN: true });
const metres = fc.double({ min: -1500, max: 1500, noNaN: true });

/** A position so far from another, by Karney's solution of the geodesic problem. */
function beyond(from: Fix, { x, y }: { x: number; y: number }, accuracy = 0): Fix {
  const to = geographiclib.Geodesic.WGS84.Direct(
    from.latitude,
    from.longitude,
    (Math.atan2(x, y) * 180) / Math.PI,
    Math.hypot(x, y),
  );
  return { latitude: to.lat2!, longitude: to.lon2!, accuracy };
}

test('a degree is as long as the tables of the ellipsoid say', () => {
  // National Geospatial-Intelligence Agency, length of a degree on WGS 84, m, as published (from memory).
  for (const [at, north, east] of [
    [0, 110574, 111320],
    [45, 111132, 78847],
    [60, 111412, 55800],
    [75, 111618, 28902],
  ] as const) {
    const length = metresPerDegree(at);
    expect(Math.abs(length.north - north)).toBeLessThan(1);
    expect(Math.abs(length.east - east)).toBeLessThan(1);
  }
});

test('places on the plan agree with geodesics (GeographicLib, Karney 2013), across the date line too', () => {
  fc.assert(
    fc.property(latitude, longitude, metres, metres, (lat, lon, x, y) => {
      const origin = { latitude: lat, longitude: lon, accuracy: 3 };
      const there = placeOf(origin, beyond(origin, { x, y }, 4));
      const off = Math.hypot(there.x - x, there.y - y);
      // Geodesics bend away from the plane by the square of the distance: more so near the poles.
      return off <= 0.001 + 4e-4 * Math.hypot(x, y) && Math.abs(there.error - 5) < 1e-9;
    }),
  );
});

test('the origin comes out of any number of ties, the better read weighing more', () => {
  fc.assert(
    fc.property(
      latitude,
      longitude,
      fc.array(fc.record({ x: metres, y: metres, accuracy: fc.double({ min: 2, max: 30, noNaN: true }) }), {
        minLength: 1,
        maxLength: 8,
      }),
      (lat, lon, places) => {
        const origin = { latitude: lat, longitude: lon, accuracy: 0 };
        const ties = places.map(({ accuracy, ...at }): Tie => ({ ...at, fix: beyond(origin, at, accuracy) }));
        const found = originOf(ties)!;
        const off = placeOf(origin, found);
        const best = Math.min(...places.map((p) => p.accuracy));
        return Math.hypot(off.x, off.y) < 1.3 && found.accuracy <= best * 1.5;
      },
    ),
  );
});

test('ties that disagree widen the error; places that came from a position do not count beside them', () => {
  const origin = { latitude: 51.5, longitude: -0.1, accuracy: 0 };
  const tie = (x: number, off: number, more: Partial<Tie> = {}): Tie => ({
    x,
    y: 0,
    fix: beyond(origin, { x: x + off, y: 0 }, 5),
    ...more,
  });
  const agreed = originOf([tie(0, 0), tie(40, 0)])!;
  const apart = originOf([tie(0, -15), tie(40, 15)])!;
  expect(agreed.accuracy).toBeCloseTo(5 / Math.SQRT2, 6);
  expect(apart.accuracy).toBeGreaterThan(2 * agreed.accuracy);
  expect(originOf([tie(0, 0), tie(40, 30, { error: 6 })])).toEqual(originOf([tie(0, 0)]));
  expect(originOf([tie(40, 30, { error: 9 }), tie(0, 0, { error: 5 })])).toEqual(originOf([tie(0, 0)]));
  expect(originOf([])).toBeUndefined();
});

test('the first tree of a plan is its origin, the first position at a tree with a place ties it, the next are placed', () => {
  const here = { latitude: 47.6, longitude: -122.3, accuracy: 4 };
  const there = beyond(here, { x: 12, y: -5 }, 3);
  expect(placedBy(here, undefined, [], false)).toEqual({
    kind: 'place',
    position: { x: 0, y: 0, error: 4 },
    off: undefined,
  });
  expect(placedBy(here, undefined, [], true)).toEqual({ kind: 'untied' });
  expect(placedBy(here, { x: 30, y: 40 }, [], true)).toEqual({ kind: 'tie' });
  const second = placedBy(there, undefined, [{ x: 30, y: 40, fix: here }], true);
  if (second.kind !== 'place') throw new Error('not placed');
  expect(second.position.x).toBeCloseTo(42, 2);
  expect(second.position.y).toBeCloseTo(35, 2);
  expect(second.position.error).toBe(5);
  const moved = placedBy(there, { x: 42, y: 38 }, [{ x: 30, y: 40, fix: here }], true);
  expect(moved.kind === 'place' && moved.off).toBeCloseTo(3, 2);
});
