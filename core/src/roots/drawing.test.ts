import fc from 'fast-check';
import { DIRECTIONS } from './outline';
import { placed } from './path';
import { addPoint, insertPoint, joinRoots, nextLabel, readingAt, snapToBark, splitRoot } from './edits';
import { digToGeoJson, digToRows, rootsFromGeoJson, rootsFromRows, CSV_COLUMNS } from './exchange';
import { readDig } from './reading';
import type { DugRoot } from '../records';
import { dug, digOf, round } from '../../tests/digs';

describe('drawing on the plan', () => {
  const frame = { dig: { measuredFrom: 'bark' as const }, turn: 7, outline: round(0.2) };
  const one = dug('A', [
    [0, 0.03, 0.1, 0.04],
    [30, 0.03, 0.2, 0.02],
    [60, 0.2, 0.2, 0.02],
  ]);
  const at = (root: DugRoot) => placed(frame.dig, frame.turn, frame.outline, root);

  test('a place becomes the reading that leads back to it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0.25, max: 1, noNaN: true }),
        (x, y) => {
          const [there] = at(addPoint(dug('N', []), readingAt(frame, x, y)));
          return Math.hypot(there!.x - x, there!.y - y) < 0.003;
        },
      ),
    );
  });

  test('insert, snap, split and join', () => {
    const middle = at(one)[0]!;
    const next = at(one)[1]!;
    const added = insertPoint(one, frame, (middle.x + next.x) / 2, (middle.y + next.y) / 2);
    expect(added.index).toBe(1);
    expect(added.root.points[1]).toMatchObject({ depth: 0.15, diameter: 0.03 });
    expect(snapToBark(one, 2, frame).points[2]!.distance).toBe(0.01);
    const [first, second] = splitRoot(one, 1, 'B')!;
    expect(second).toMatchObject({ label: 'B', start: 'root', from: 'A' });
    expect(joinRoots(first, second, frame).points).toEqual(one.points);
    expect(joinRoots(first, { ...second, points: [...second.points].reverse() }, frame).points).toEqual(
      one.points,
    );
    expect(splitRoot(one, 0, 'B')).toBeUndefined();
    expect(nextLabel(['A', 'C'])).toBe('B');
  });
});

describe('exchange', () => {
  const dig = digOf(
    [
      dug(
        'A',
        [
          [350, 0.02, 0.1, 0.04],
          [20, 0.3, 0.15, 0.03],
        ],
        { kind: 'girdling', start: 'outside', contact: 'pressing' },
      ),
      dug('B', [[100, 0, 0.1, 0.06]]),
    ],
    { measuredFrom: 'bark', north: 'magnetic', declination: 12 },
  );
  const reading = readDig({ stemDiameter: 0.3 }, dig);
  const rows = digToRows(dig).map((row) =>
    Object.fromEntries(CSV_COLUMNS.map((name, i) => [name as string, String(row[i])])),
  );
  const bare = (roots: DugRoot[]) =>
    roots.map(({ label, kind, start, contact, points }) => ({ label, kind, start, contact, points }));

  test('GeoJSON in local metres and a table of points come back as they went', () => {
    const out = JSON.stringify(digToGeoJson(dig, reading));
    expect(JSON.parse(out).frame.axes).toContain('y north');
    const back = rootsFromGeoJson(out, dig, reading);
    expect(back.notes).toEqual([]);
    for (const [i, root] of back.roots.entries()) {
      expect({ ...root, points: [] }).toMatchObject({ ...bare(dig.roots)[i]!, points: [] });
      root.points.forEach((p, k) => {
        const was = dig.roots[i]!.points[k]!;
        expect(p.bearing).toBeCloseTo(was.bearing, 0);
        expect(p.distance).toBeCloseTo(was.distance, 3);
        expect([p.depth, p.diameter]).toEqual([was.depth, was.diameter]);
      });
    }
    expect(bare(rootsFromRows(rows).roots)).toEqual(bare(dig.roots));
  });

  test('the outline of the stem comes along where the dig has none, and roots stand off that outline', () => {
    const oval = { ...dig, diameters: { bearing: 40, along: 0.4, across: 0.28 } };
    const read = readDig({ stemDiameter: 0.3 }, oval);
    const out = JSON.stringify(digToGeoJson(oval, read));
    const back = rootsFromGeoJson(out, { ...dig, roots: [] }, reading);
    const again = readDig({ stemDiameter: 0.3 }, { ...dig, radii: back.radii!, roots: back.roots });
    for (let d = 0; d < DIRECTIONS; d += 40)
      expect(Math.abs(again.outline.radii[d]! - read.outline.radii[d]!)).toBeLessThan(0.001);
    expect(back.roots[0]!.points[0]!.distance).toBeCloseTo(0.02, 2);
    expect(rootsFromGeoJson(out, oval, read)).toMatchObject({
      notes: [expect.stringContaining('this dig has one')],
    });
    const aside = JSON.parse(out);
    for (const corner of aside.features[0].geometry.coordinates[0]) corner[0] += 1;
    const told = rootsFromGeoJson(JSON.stringify(aside), dig, reading);
    expect(told.radii).toBeUndefined();
    expect(told.notes[0]).toContain('Feature 1: the stem reaches 0 m at');
  });

  test('what cannot be is named by place and value, the rest is kept', () => {
    const odd = rootsFromRows([
      { ...rows[0]!, kind: 'tap' },
      { ...rows[1]!, 'diameter (m)': '0.0004' },
      { ...rows[1]!, 'bearing (deg)': '400' },
      rows[2]!,
    ]);
    expect(odd.roots.map((r) => [r.label, r.kind, r.points.length])).toEqual([
      ['A', 'girdling', 1],
      ['B', 'structural', 1],
    ]);
    expect(odd.notes).toEqual([
      expect.stringContaining('Row 2: kind "tap" is not known'),
      expect.stringContaining('Row 3: Root diameter: 0.0004; allowed 0.001 to 0.8 m'),
      expect.stringContaining('Row 4: Bearing: 400; allowed 0 to 360'),
    ]);
    const out = JSON.stringify(digToGeoJson(dig, reading));
    expect(rootsFromGeoJson(out.slice(0, 300), dig, reading).notes[0]).toContain('cut off');
    expect(rootsFromGeoJson('{"type":"Feature"}', dig, reading).notes).toEqual(['The file has no features.']);
    const far = {
      features: [
        {
          properties: {},
          geometry: {
            type: 'LineString',
            coordinates: [
              [10.1, 50],
              [0.5, 0],
            ],
          },
        },
      ],
    };
    expect(rootsFromGeoJson(JSON.stringify(far), dig, reading)).toMatchObject({
      roots: [{ points: [{ depth: 0.1 }] }],
      notes: [expect.stringContaining('not within 8 m'), expect.stringContaining('kind absent')],
    });
  });
});
