import fc from 'fast-check';
import { structuralRootZone } from './zones';
import { readDig, rootsLaid } from './reading';
import { dugSection, rootOvals } from './section';
import { circleThrough, potInWords, potOutgrown, squareThrough, wallAt, wallOf, wallPlaces } from './pot';
import { planPoint } from './outline';
import type { Dig, DugRoot } from '../records';
import { dug, digOf } from '../../tests/digs';

const anchors = [0, 80, 170, 260].map((b, i) =>
  dug(`D${i + 1}`, [
    [b, 0.16, 0.12, 0.08],
    [b, 0.6, 0.18, 0.06],
    [b, 1.1, 0.25, 0.04],
  ]),
);

describe('reading a dig', () => {
  test('cross-sections, anchors and gaps', () => {
    const reading = readDig({ stemDiameter: 0.3 }, digOf(anchors));
    expect(reading.share).toBe(0);
    expect(reading.roots.map((r) => r.shareOfArea)).toEqual([0.25, 0.25, 0.25, 0.25]);
    expect(reading.anchorage.sectorsWithout).toEqual([1, 3, 5, 7]);
    expect(reading.anchorage.largestGap).toMatchObject({ from: 260, to: 0, degrees: 100 });
    const rotten = anchors.map((r, i) => (i === 1 ? { ...r, condition: 'decayed' as const } : r));
    expect(readDig({ stemDiameter: 0.3 }, digOf(rotten)).anchorage).toMatchObject({
      sound: 3,
      largestGap: { from: 0, to: 170, degrees: 170 },
    });
  });

  test('over and under by depth, or as it was seen; pressing where the tubes meet', () => {
    const across = dug(
      'X',
      [
        [40, 0.4, 0.08, 0.04],
        [0, 0.3, 0.09, 0.04],
        [320, 0.4, 0.08, 0.04],
      ],
      { kind: 'root on root', start: 'outside' },
    );
    const one = readDig({ stemDiameter: 0.3 }, digOf([...anchors, across]));
    const [crossing] = one.crossings;
    expect(one.crossings).toHaveLength(1);
    expect(one.roots[crossing!.over]!.root.label).toBe('X');
    expect(crossing!.y).toBeCloseTo(0.3, 2);
    expect(crossing!.angle).toBeGreaterThan(75);
    // The top of the anchor there lies near 14 cm, the underside of X at 13 cm: a centimetre apart.
    expect(one.pressings[0]).toMatchObject({ length: 0 });
    expect(one.pressings[0]!.gap).toBeCloseTo(0.01, 2);
    const said = readDig(
      { stemDiameter: 0.3 },
      digOf([{ ...anchors[0]!, over: ['X'] }, ...anchors.slice(1), across]),
    );
    expect(said.roots[said.crossings[0]!.over]!.root.label).toBe('D1');
    const thick = { ...across, points: across.points.map((p) => ({ ...p, diameter: 0.07 })) };
    const pressed = readDig({ stemDiameter: 0.3 }, digOf([...anchors, thick])).pressings[0]!;
    expect(pressed.gap).toBeLessThan(0);
    expect(pressed.length).toBeGreaterThan(0.02);
  });

  test('the section meets a root as an oval, stretched where it runs aslant', () => {
    const reading = readDig(
      { stemDiameter: 0.3 },
      digOf([
        dug(
          'S',
          [
            [60, 0.4, 0.1, 0.04],
            [90, 0.35, 0.1, 0.04],
            [120, 0.4, 0.1, 0.04],
          ],
          { start: 'outside' },
        ),
      ]),
    );
    const [oval] = rootOvals(reading.roots, 90);
    expect(oval).toMatchObject({ label: 'S', halfHeight: 0.02 });
    expect(oval!.x).toBeCloseTo(0.35, 3);
    expect(oval!.z).toBeCloseTo(-0.12, 3);
    expect(oval!.halfWidth).toBeCloseTo(0.02, 3);
    expect(rootOvals(reading.roots, 270)[0]!.x).toBeCloseTo(-0.35, 3);
    expect(rootOvals(reading.roots, 75)[0]!.halfWidth).toBeGreaterThan(0.0202);
  });

  test('an anchor that runs along the plane is seen from the side', () => {
    const reading = readDig({ stemDiameter: 0.3 }, digOf(anchors));
    const { along, ovals } = dugSection(reading.roots, 5);
    expect(along.map((r) => r.label)).toEqual(['D1', 'D3']);
    expect(ovals.map((o) => o.label)).not.toContain('D1');
    const [first, last] = [along[0]!.points[0]!, along[0]!.points.at(-1)!];
    expect(first.top).toBeCloseTo(-0.12, 6);
    expect(first.bottom).toBeCloseTo(-0.2, 6);
    expect(last.x).toBeCloseTo(1.1 * Math.cos((5 * Math.PI) / 180), 3);
    expect(along[1]!.points.at(-1)!.x).toBeLessThan(-1);
  });

  test('roots are laid where their reading has them, those without a point left out', () => {
    const dig = digOf([...anchors, dug('S', [[90, 0.35, 0.1, 0.04]], { start: 'outside' }), dug('N', [])]);
    const laid = rootsLaid({ stemDiameter: 0.3 }, dig);
    expect(laid.map(({ root }) => root.label)).toEqual([...anchors.map((a) => a.label), 'S']);
    expect(laid.at(-1)!.leavesAt).toBeUndefined();
    const read = readDig({ stemDiameter: 0.3 }, dig).roots;
    expect(laid).toEqual(read.map(({ root, path, leavesAt }) => ({ root, path, leavesAt })));
    for (const { root, leavesAt } of laid.slice(0, -1))
      expect(leavesAt).toBeCloseTo(root.points[0]!.bearing, 6);
  });

  test('declination turns everything, the tape frame moves it', () => {
    const far = (dig: Dig) => {
      const { path } = readDig({ stemDiameter: 0.3 }, dig).roots[0]!;
      return [path.x[0]!, path.y[0]!];
    };
    const one = digOf([dug('A', [[350, 0.3, 0.1, 0.02]])], { north: 'magnetic', declination: 10 });
    expect(far(one)[0]).toBeCloseTo(0, 9);
    expect(far({ ...one, measuredFrom: 'bark' })[1]).toBeCloseTo(0.45, 9);
    expect(readDig({ stemDiameter: 0.3 }, { ...one, declination: undefined }).problems[0]!.message).toContain(
      'declination is missing',
    );
  });
});

describe('the old pot', () => {
  test('a circle and a turned square come back from points of theirs', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        fc.double({ min: 0.08, max: 0.4, noNaN: true }),
        fc.integer({ min: 0, max: 89 }),
        (x, half, turned) => {
          const bearings = [5, 40, 85, 130, 160, 210, 250, 300, 340];
          const circle = circleThrough(
            bearings.map((b) => [x + half * Math.sin(b), 0.02 + half * Math.cos(b)]),
          )!;
          const angle = (turned * Math.PI) / 180;
          const square = squareThrough(
            Array.from({ length: 24 }, (_, i) => {
              const side = Math.floor(i / 6);
              const along = half * (((i % 6) + 0.5) / 3 - 1);
              const [u, v] = [
                [half, along],
                [-half, along],
                [along, half],
                [along, -half],
              ][side]!;
              return [
                x + u! * Math.cos(angle) + v! * Math.sin(angle),
                v! * Math.cos(angle) - u! * Math.sin(angle),
              ] as [number, number];
            }),
          )!;
          return (
            Math.hypot(circle.x - x, circle.y - 0.02, circle.r - half) < 1e-6 &&
            Math.hypot(square.x - x, square.y, square.half - half) < 1e-3 &&
            square.residual < 1e-4
          );
        },
      ),
      { numRuns: 40 },
    );
  });

  test('circling roots tell the pot, and who never left it', () => {
    const ring = (label: string, from: number) =>
      dug(
        label,
        Array.from({ length: 6 }, (_, i): [number, number, number, number] => [
          (from + 25 * i) % 360,
          0.18,
          0.1,
          0.02,
        ]),
        { kind: 'circling', start: 'outside' },
      );
    const { pot } = readDig(
      { stemDiameter: 0.1 },
      digOf([{ ...ring('C1', 0), start: 'stem' }, ring('C2', 140), ...anchors.slice(0, 1)]),
    );
    expect(pot).toMatchObject({ shape: 'round', never: ['C1'] });
    expect(pot!.half).toBeCloseTo(0.18, 3);
    expect(pot!.left).toEqual([{ label: 'D1', farthest: expect.closeTo(1.1, 3) }]);
    // The oldest root at the wall dates it, whatever the year of planting; a root outside does not.
    const counted = (count: number) => ({ rings: { count, over: 0.01 } });
    const roots = [
      { ...ring('C1', 0), ...counted(9) },
      { ...ring('C2', 140), ...counted(12) },
      { ...anchors[0]!, ...counted(30) },
    ];
    expect(potOutgrown(pot!, roots, 2026, 2016)).toEqual({ year: 2014, from: 'rings', root: 'C2' });
    expect(potOutgrown(pot!, [ring('C1', 0)], 2026, 2016)).toEqual({ year: 2016, from: 'planting' });
    expect(potOutgrown(pot!, [ring('C1', 0)], 2026, undefined)).toBeUndefined();
  });
});

describe('the wall of the old pot, drawn on the plan', () => {
  const places = (turn: number) =>
    [10, 100, 190, 280].map((bearing) => {
      const [x, y] = planPoint(bearing, 0.2);
      return wallAt([x + 0.03, y - 0.02], turn);
    });

  test('is the pot, whatever the compass, and stands before what roots tell', () => {
    const circling = dug(
      'C1',
      [0, 40, 80, 120, 160].map((b): [number, number, number, number] => [b, 0.4, 0.1, 0.02]),
      { kind: 'circling', start: 'outside' },
    );
    for (const turn of [0, 12, -7]) {
      const read = (pot: Dig['pot']) =>
        readDig(
          { stemDiameter: 0.1 },
          digOf([circling, ...anchors.slice(0, 1)], {
            north: 'magnetic',
            declination: turn,
            ...(pot && { pot }),
          }),
        ).pot!;
      const drawn = read(places(turn));
      expect(drawn.shape).toBe('round');
      expect([drawn.half, drawn.x, drawn.y].map((v) => Math.round(v * 100) / 100)).toEqual([
        0.2, 0.03, -0.02,
      ]);
      expect(drawn.left.map((l) => l.label)).toEqual(['D1']);
      // Fewer than four places tell nothing yet.
      expect(read(places(turn).slice(1)).half).toBeCloseTo(0.4, 1);
      expect(read(undefined).half).toBeCloseTo(0.4, 1);
    }
  });

  test('roots of a buried stem are younger than the pot: they neither left it nor stayed in it', () => {
    const young = dug(
      'V1',
      [0, 0.03, 0.06].map((d): [number, number, number, number] => [40, d, 0.02, 0.01]),
      { kind: 'adventitious' },
    );
    const read = (roots: DugRoot[]) => readDig({ stemDiameter: 0.1 }, digOf(roots, { pot: places(0) })).pot!;
    expect(read([young])).toMatchObject({ never: [], left: [] });
    expect(potInWords(read([young]), undefined)).toMatch(/^round, \{m:0\.\d+\} across$/);
    expect(potInWords(read([young, anchors[0]!]), undefined)).toMatch(/; every root left it$/);
  });

  test('its line goes round it: a square with its walls where they were touched, a circle at its radius', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 89 }), fc.constantFrom('round', 'square'), (turned, shape) => {
        const pot = {
          shape,
          x: 0.03,
          y: -0.02,
          half: 0.2,
          turned,
          residual: 0,
          points: 8,
          never: [],
          left: [],
        };
        const angle = (turned * Math.PI) / 180;
        for (const [x, y] of wallOf(pot as Parameters<typeof wallOf>[0])) {
          const [dx, dy] = [x - 0.03, y + 0.02];
          if (shape === 'round') expect(Math.hypot(dx, dy)).toBeCloseTo(0.2, 9);
          else {
            expect(Math.abs(dx * Math.cos(angle) - dy * Math.sin(angle))).toBeCloseTo(0.2, 9);
            expect(Math.abs(dx * Math.sin(angle) + dy * Math.cos(angle))).toBeCloseTo(0.2, 9);
          }
        }
      }),
    );
  });

  test('kept as bearing and distance it lies where it was touched, to a millimetre and a tenth of a degree', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        fc.integer({ min: -60, max: 60 }),
        (x, y, turn) => {
          const at = wallAt([x, y], turn);
          const [[u, v]] = wallPlaces([at], turn) as [[number, number]];
          expect(at.bearing).toBeGreaterThanOrEqual(0);
          expect(at.bearing).toBeLessThan(360);
          expect(Math.hypot(u - x, v - y)).toBeLessThan(0.0005 + Math.hypot(x, y) * 0.0009 + 1e-9);
        },
      ),
    );
  });
});

describe('bad input', () => {
  const told = (roots: DugRoot[], more: Partial<Dig> = {}) =>
    readDig({ stemDiameter: 0.3 }, digOf(roots, more)).problems.map((p) => p.message);

  test('each fault is named, and the rest is computed', () => {
    expect(
      told([
        dug(
          'A',
          [
            [0, 0.05, 0.1, 0.02],
            [10, 0.3, 0.1, 0.02],
          ],
          { start: 'outside' },
        ),
      ])[0],
    ).toContain('inside the stem');
    expect(
      told([
        dug('A', [
          [0, 0.2, 0.1, 0.02],
          [0, 0.6, 0.1, 0.02],
          [0, 0.4, 0.1, 0.02],
        ]),
      ])[0],
    ).toContain('turns back by 180°');
    expect(
      told(
        [
          dug('A', [
            [0, 0.2, 0.1, 0.02],
            [0, 1.6, 0.1, 0.02],
          ]),
        ],
        { pitRadius: 1 },
      )[0],
    ).toContain('outside the pit');
    expect(told([anchors[0]!, { ...anchors[0]!, label: 'E' }])[0]).toContain('same line as root D1');
    expect(told([anchors[0]!, { ...anchors[1]!, label: 'D1' }])[0]).toContain('Two roots have this label');
    expect(told([dug('A', [[0, 0.2, 0.1, 0.02]])])[0]).toContain('Only one point');
    expect(
      told([], {
        radii: [0, 10, 90, 180].map((bearing, i) => ({ bearing, radius: i === 1 ? 0.4 : 0.15 })),
      })[0],
    ).toContain('is one of them a diameter');
  });

  test('300 roots are read, with a word', () => {
    const many = Array.from({ length: 300 }, (_, i) =>
      dug(`R${i}`, [
        [i * 1.2, 0.2, 0.1, 0.01],
        [i * 1.2, 0.25, 0.1, 0.01],
      ]),
    );
    const reading = readDig({ stemDiameter: 0.3 }, digOf(many));
    expect(reading.roots).toHaveLength(300);
    expect(reading.problems.some((p) => p.message.startsWith('300 roots'))).toBe(true);
  });
});

test('the structural root zone is the published one', () => {
  // AS 4970:2009 (from memory): worked values to 1 cm.
  for (const [diameter, radius] of [
    [0.2, 1.68],
    [0.3, 2],
    [0.5, 2.47],
    [0.8, 3.01],
    [1, 3.31],
  ] as const)
    expect(structuralRootZone(diameter)).toBeCloseTo(radius, 2);
  expect(structuralRootZone(0.05)).toBe(1.5);
});
