import fc from 'fast-check';
import type { SiteThing, Tree, TrenchDesign } from '../records';
import { obstacleKind, schoolFor, TRENCH_LIMITS } from '../practice';
import { readDig } from '../roots';
import {
  along,
  alternativesTo,
  bestWedges,
  fixedPoints,
  marksHold,
  planTrenches,
  tapesFor,
  materialsTogether,
  trenchesToDxf,
  trenchesToRows,
  trenchQuantities,
} from './index';

const TREE: Tree = {
  label: 'T',
  species: 'x',
  plantedYear: 2005,
  stemDiameter: 0.4,
  crownRadius: 4,
  position: { x: 100, y: 50 },
};
const plan = (
  tree: Partial<Tree> = {},
  design: TrenchDesign = {},
  more: Partial<Parameters<typeof planTrenches>[0]> = {},
) =>
  planTrenches({
    tree: { ...TREE, ...tree },
    date: '2026-06-01',
    design,
    site: [],
    school: schoolFor('trenches', {}, {}),
    pace: schoolFor('trenchSeasons'),
    stressed: false,
    ...more,
  });

test('young trees get narrow radial trenches from the hole edge, established ones wide ones beyond the structural roots', () => {
  expect(plan({ plantedYear: 2022 }).rules.school).toBe('hand');
  const old = plan();
  expect(old.rules.school).toBe('air');
  // AS 4970: (0.4 x 50)^0.42 x 0.64 = 2.25 m.
  expect(old.zone.from).toBeCloseTo(2.25, 2);
  expect(old.zone.to).toBe(4);
  expect(plan({ plantedYear: 2022 }, { holeRadius: 0.7 }).zone.from).toBe(0.7);
  expect(plan({}, {}, { school: schoolFor('trenches', { firm: { trenches: 'hand' } }) }).rules.school).toBe(
    'hand',
  );
});

test('a drip line inside the hole is carried beyond it, and what is not known is named', () => {
  const small = plan({ crownRadius: 0.5 });
  expect(small.zone.to).toBeCloseTo(small.zone.from + small.rules.leastReach, 9);
  const { missing } = plan({ crownRadius: undefined, position: undefined, stemDiameter: undefined });
  expect(missing).toHaveLength(3);
});

test('a crown measured bearing by bearing stands before its one radius: each trench ends at its own drip line', () => {
  const crownSpread = [5, 5, 5, 5, 3.6, 3.6, 3.6, 3.6].map((radius, i) => ({ bearing: 45 * i, radius }));
  const { spokes, drip, edges } = plan({ crownSpread });
  expect(drip).toHaveLength(360);
  expect(spokes.length).toBeGreaterThan(4);
  for (const s of spokes) expect(s.to).toBeCloseTo(edges[Math.round(s.bearing) % 360]!, 6);
  expect(Math.max(...spokes.map((s) => s.to))).toBeGreaterThan(4.5);
  expect(Math.min(...spokes.map((s) => s.to))).toBeLessThan(4);
});

test('wedges of soil lie where they reach the most ground', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 36, maxLength: 36 }),
      fc.constantFrom(2, 3, 4),
      fc.integer({ min: 1, max: 9 }),
      (ground, count, angle) => {
        const { at, area } = bestWedges(ground, count, angle);
        const taken = (turn: number) => {
          let sum = 0;
          for (let k = 0; k < count; k++)
            for (let d = 0; d < angle; d++)
              sum += ground[(Math.round(turn + (36 / count) * k - angle / 2 + d) + 36) % 36]!;
          return sum;
        };
        expect(taken(at)).toBeCloseTo(area, 9);
        for (let turn = 0; turn < 36 / count; turn++) expect(taken(turn)).toBeLessThanOrEqual(area + 1e-9);
      },
    ),
  );
});

test('a gas line on the plan of the property ends radial trenches at its clearance', () => {
  const { spokes } = plan(
    {},
    {},
    {
      site: [
        {
          name: 'Gas',
          kind: 'gas main',
          shape: 'line',
          points: [
            [80, 54],
            [120, 54],
          ],
        },
      ],
    },
  );
  const ended = spokes.filter((s) => s.limit === 'Gas');
  expect(ended.length).toBeGreaterThan(0);
  // One metre from the line, to the wall of a trench 22 cm wide.
  for (const s of spokes)
    expect(s.to * Math.cos((s.bearing * Math.PI) / 180)).toBeLessThan(4 - 1 - 0.11 + 1e-6);
});

test('on a steep slope radial trenches keep to the contour; on a gentle one their floor is stepped', () => {
  const steep = plan({}, { slope: { fall: 0.25, toward: 90 } });
  expect(steep.spokes.length).toBeGreaterThan(0);
  for (const s of steep.spokes) expect(s.fall).toBeLessThanOrEqual(TRENCH_LIMITS.steepFall.value + 1e-9);
  const gentle = plan({}, { slope: { fall: 0.06, toward: 90 } });
  for (const s of gentle.spokes) expect(s.steps > 0).toBe(s.fall > TRENCH_LIMITS.drainFall.value);
  expect(plan().spokes.every((s) => s.steps === 0)).toBe(true);
});

test('more than may be dug at once is spread over seasons, none over its share, and no side at once', () => {
  const stressed = plan({}, {}, { stressed: true });
  expect(stressed.seasons).toBeGreaterThanOrEqual(Math.ceil(stressed.disturbed / 0.05));
  for (let season = 1; season <= stressed.seasons; season++) {
    const dug = stressed.spokes.filter((s) => s.season === season);
    const share = dug.reduce((sum, s) => sum + s.length * 0.22, 0) / (Math.PI * 16);
    expect(share).toBeGreaterThan(0);
    expect(share).toBeLessThanOrEqual(0.05 + 1e-9);
  }
  const first = stressed.spokes.filter((s) => s.season === 1).map((s) => s.bearing);
  expect(first.some((b) => b < 180) && first.some((b) => b >= 180)).toBe(true);
});

test('an anchor that was mapped keeps radial trenches off; another thick root is left whole across one', () => {
  const point = (bearing: number, distance: number, diameter: number) => ({
    bearing,
    distance,
    depth: 0.05,
    diameter,
  });
  const dig = readDig(TREE, {
    measuredFrom: 'centre',
    north: 'true',
    roots: [
      { label: 'A', kind: 'structural', start: 'stem', points: [point(90, 0.2, 0.1), point(90, 4, 0.06)] },
      {
        label: 'B',
        kind: 'competing',
        start: 'outside',
        points: [point(200, 3.4, 0.05), point(320, 3.4, 0.05)],
      },
    ],
  });
  const { spokes } = plan({}, {}, { dig });
  expect(spokes.every((s) => Math.abs(s.bearing - 90) > 3)).toBe(true);
  expect(spokes.some((s) => s.bridges.includes('B'))).toBe(true);
});

test('quantities follow from run, width and depth; seasons add up to the whole', () => {
  const made = plan({}, {}, { stressed: true });
  const fill = schoolFor('trenchFill', {}, {});
  const figure = (name: string, season?: number) =>
    trenchQuantities(made, fill, 'open', season).find((q) => q.name === name)!.value;
  const volume = made.layout.length * 0.22 * 0.28;
  expect(figure('Soil dug')).toBeCloseTo(volume, 9);
  expect(figure('Compost')).toBeCloseTo(0.6 * volume, 9);
  expect(figure('Native soil back') + figure('Spoil to remove')).toBeCloseTo(1.25 * volume, 9);
  const seasons = Array.from({ length: made.seasons }, (_, i) => figure('Soil dug', i + 1));
  expect(seasons.reduce((a, b) => a + b, 0)).toBeCloseTo(volume, 9);
  // Three trees alike: what is left of a bag at one goes to the next.
  const alike = trenchQuantities(made, fill, 'open', 1);
  const all = materialsTogether([alike, alike, alike]);
  const named = (name: string) => all.find((q) => q.name === name)!.value;
  expect(named('Soil dug')).toBeCloseTo(3 * seasons[0]!, 9);
  expect(named('Bags of compost')).toBe(Math.ceil(named('Compost') / 0.05));
  expect(materialsTogether([])).toEqual([]);
});

test('where paving lies all round, the rules turn to another way and say why', () => {
  const square = plan(
    {},
    {},
    {
      site: [
        {
          name: 'Square',
          kind: 'paving',
          shape: 'area',
          points: [
            [80, 30],
            [120, 30],
            [120, 70],
            [80, 70],
          ],
        },
      ],
    },
  );
  expect(square.blocked).toContain('Square');
  const ways = alternativesTo(square, { quantities: [], bySeason: [] }, 0.5, []);
  // One layout disturbs one share of the root zone, whichever table tells it.
  expect(ways.find((w) => w.remedy === 'spokes')!.disturbs).toBe(square.disturbed);
  expect(square.disturbed).toBeCloseTo((square.layout.length * square.rules.width) / square.rootZone, 12);
  expect(ways.filter((w) => w.advised).map((w) => w.remedy)).toEqual(['nothing']);
  const free = alternativesTo(plan(), { quantities: [], bySeason: [] }, 0.5, [
    { key: 'probe.drain', answer: 'standing' },
  ]);
  expect(free.filter((w) => w.advised).map((w) => w.remedy)).toEqual(['spokes', 'drain']);
  const sectors = free.find((w) => w.remedy === 'sectors')!;
  // Four wedges of a tenth of the circle each.
  expect(sectors.opens).toBeCloseTo(0.4, 9);
  const [air, holes] = ['air', 'vertical'].map((r) => free.find((w) => w.remedy === r)!);
  expect(air!.opens).toBeCloseTo(1, 9);
  // What they take follows from the geometry: zone 2.2516 to 4 m, 20 cm deep at 0.45 m3 an hour.
  const of = (way: typeof sectors, name: string) => way.quantities.find((q) => q.name === name)!.value;
  const zone = Math.PI * (16 - 2.2516 ** 2);
  expect(of(air!, 'Crew hours')).toBeCloseTo(0.5 + (zone * 0.2) / 0.45, 1);
  expect(of(sectors, 'Compost')).toBeCloseTo(0.5 * 0.4 * zone * plan().rules.depth, 1);
  expect(of(sectors, 'Spoil to remove') / of(sectors, 'Compost')).toBeCloseTo(1.25 / 0.5, 9);
  // A wedge a season, and the seasons are the whole.
  expect(sectors.bySeason).toHaveLength(4);
  const hours = sectors.bySeason.map((s) => s.find((q) => q.key === 'crewHours')!.value);
  expect(hours.reduce((a, b) => a + b, 0)).toBeCloseTo(sectors.hours, 9);
  expect(of(holes!, 'Compost')).toBeCloseTo(
    of(holes!, 'Holes') * Math.PI * 0.0375 ** 2 * plan().rules.depth,
    9,
  );
  // Holes on a triangular grid of 60 cm: one for each 0.312 m2 of the zone.
  expect(Number(/^(\d+)/.exec(holes!.says)![1])).toBeCloseTo((Math.PI * (16 - 2.2516 ** 2)) / 0.3118, -1);
});

test('marks of buried lines lapse', () => {
  expect(marksHold(undefined, '2026-06-01').holds).toBe(false);
  expect(marksHold('2026-05-20', '2026-06-01').holds).toBe(true);
  expect(marksHold('2026-05-10', '2026-06-01').says).toContain('lapsed');
});

test('files carry every trench', () => {
  const made = plan();
  expect(trenchesToRows(made)).toHaveLength(made.spokes.length + 1);
  const dxf = trenchesToDxf(made);
  expect(dxf.match(/^TRENCHES$/gm)).toHaveLength(made.spokes.length);
  expect(dxf).toContain('$INSUNITS\n70\n6');
});

test('two tapes from fixed points find every trench end again, and flat ones are not offered', () => {
  const { spokes } = plan();
  const corner = (name: string, x: number, y: number) => ({ name, x, y });
  const tapes = tapesFor(spokes, [corner('a', -6, 7), corner('b', 7, 8), corner('c', 6.9, 8)])!;
  const [p, q] = tapes.points;
  spokes.forEach((s, i) => {
    const [da, db] = tapes.spokes[i]!.outer;
    // Where the two circles meet: once on each side of the line between the points.
    const d = Math.hypot(q.x - p.x, q.y - p.y);
    const run = (da * da - db * db + d * d) / (2 * d);
    const off = Math.sqrt(da * da - run * run);
    const [ex, ey] = [(q.x - p.x) / d, (q.y - p.y) / d];
    const meets = [1, -1].map((side) => [p.x + run * ex - side * off * ey, p.y + run * ey + side * off * ex]);
    const [ux, uy] = along(s.bearing);
    const misses = meets.map(([x, y]) => Math.hypot(x! - s.to * ux, y! - s.to * uy));
    expect(Math.min(...misses)).toBeLessThan(0.01);
  });
  expect(tapesFor(spokes, [corner('a', 20, 0.1), corner('b', 21, 0)])).toBeUndefined();
  expect(tapesFor(spokes, [corner('a', 40, 0), corner('b', 0, 40)])).toBeUndefined();
});

test('thousands of things on the plan, most of them far off, change nothing', () => {
  const far = Array.from({ length: 5000 }, (_, i): SiteThing => {
    const [x, y] = [100 + 12 + (i % 100), 50 + 12 + Math.floor(i / 100)];
    return {
      name: `thing ${i}`,
      kind: 'bed',
      shape: 'area',
      points: [
        [x, y],
        [x + 1, y],
        [x, y + 1],
      ],
    };
  });
  expect(plan({}, {}, { site: far }).layout).toEqual(plan().layout);
});

test('the whole is the sum of its seasons, each with its set-up and its own bags; names are those that are read', () => {
  for (const stressed of [false, true])
    for (const plantedYear of [2005, 2022])
      for (const key of ['half', 'compost']) {
        const made = plan({ plantedYear }, {}, { stressed });
        const fill = schoolFor('trenchFill', { firm: { trenchFill: key } });
        const whole = trenchQuantities(made, fill, 'tight');
        const seasons = [...new Set(made.spokes.map((s) => s.season))].map((season) =>
          trenchQuantities(made, fill, 'tight', season),
        );
        for (const q of whole) {
          const sum = seasons.reduce((total, own) => total + own.find((o) => o.name === q.name)!.value, 0);
          expect([q.name, Number(q.value.toFixed(9))]).toEqual([q.name, Number(sum.toFixed(9))]);
          if (q.working.school) expect(q.working.school.school).toBe(fill.label);
        }
        const tool = whole.find((q) => q.key === 'airTool');
        const crew = whole.find((q) => q.key === 'crewHours')!;
        if (tool) expect(tool.value).toBeLessThan(crew.value);
      }
});

// Common practice, no source: all in one go, by halves, or a tenth of the root zone a season.
test('spokes go over time by the school: at once, by halves, by tenths; a failing or an old tree by tenths unless chosen', () => {
  const paced = (key: string, more: Parameters<typeof plan>[2] = {}) =>
    plan({}, {}, { pace: schoolFor('trenchSeasons', { firm: { trenchSeasons: key } }), ...more });
  expect(paced('once').seasons).toBe(1);
  const halves = plan();
  expect(halves.seasons).toBe(2);
  const runs = [1, 2].map((season) =>
    halves.spokes.filter((s) => s.season === season).reduce((sum, s) => sum + s.length, 0),
  );
  expect(Math.abs(runs[0]! - runs[1]!)).toBeLessThan(Math.max(...halves.spokes.map((s) => s.length)) * 1.5);
  const tenths = paced('tenths');
  expect(tenths.seasons).toBeGreaterThanOrEqual(Math.ceil(tenths.disturbed / 0.1 - 1e-9));
  expect(plan({}, {}, { stressed: true }).seasons).toBeGreaterThan(1);
  expect(plan({}, {}, { stressed: true }).notes.join()).toContain('it is failing');
  expect(plan({ plantedYear: 1900 }).notes.join()).toContain('it is old');
  expect(paced('once', { stressed: true }).seasons).toBe(1);
});

test('where the place came from a position, lines and trees are kept away from by its error too, and no tape is laid from them', () => {
  const gas: SiteThing = {
    name: 'Gas main',
    kind: 'gas',
    shape: 'line',
    points: [
      [90, 53],
      [110, 53],
    ],
  };
  const others = [
    { label: 'Near', x: 103, y: 48, stemDiameter: 0.2, error: 1 },
    { label: 'Wall corner tree', x: 100, y: 44 },
  ];
  const keep = obstacleKind('gas').clearance;
  fc.assert(
    fc.property(fc.double({ min: 0.2, max: 6, noNaN: true }), (error) => {
      const unsure = { ...TREE, position: { x: 100, y: 50, error } };
      const laid = plan(unsure, {}, { site: [gas], others });
      for (const { bearing, to } of laid.spokes) {
        const [, north] = along(bearing);
        // The line lies 3 m north of the stem.
        expect(3 - to * north - laid.rules.width / 2).toBeGreaterThanOrEqual(keep + error - 1e-6);
      }
      expect(laid.notes.join()).toContain('came from a position and is sure to');
      expect(fixedPoints(unsure.position, [gas], others, () => false)).toEqual([]);
    }),
  );
  expect(plan({}, {}, { site: [gas], others }).notes.join()).not.toContain('came from a position');
  // Of a sure tree, tapes are laid from what is sure as well.
  const names = fixedPoints(TREE.position!, [gas], others, () => true).map((p) => p.name);
  expect(names).toEqual(['Wall corner tree']);
});
