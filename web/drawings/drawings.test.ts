import fc from 'fast-check';
import { anyCase, tries } from '../../core/tests/anyCase';
import { sinceWhen } from '@undrel/core/history';
import { isStressed } from '@undrel/core/pruning';
import type { Finding, SiteThing, SoilLog, Tree, Visit } from '@undrel/core/records';
import { profileOfPushes } from '@undrel/core/soil';
import { assessTrenches } from '@undrel/core/trenching';
import { declineLine, stemsOf } from './declineLine';
import { planFrame } from './plan';
import { propertyMap } from './propertyMap';
import { scaleBar } from './scaleBar';
import { crossings, hatch, inHundredths, spaced, type Drawing, type Point, type Shape } from './shapes';
import { soilColumns } from './soilColumns';
import { spokeSection } from './spokeSection';
import type { TrenchPlan } from '@undrel/core/trenching';
import { trenchDrawing, trenchView } from './trenchPlan';
import { toDrawing } from './planView';

const pointsOf = (shape: Shape): readonly Point[] =>
  shape.as === 'text' ? [shape.at] : shape.as === 'marks' ? shape.segments.flat() : shape.points;
const textsOf = ({ shapes }: Drawing) => shapes.flatMap((s) => (s.as === 'text' ? [s] : []));

/** A drawing that can be shown: every place a number, letters on the sheet, no word with a hole. */
function sound(drawing: Drawing): void {
  expect(drawing.width).toBeGreaterThan(0);
  expect(drawing.height).toBeGreaterThan(0);
  for (const shape of drawing.shapes)
    for (const [x, y] of pointsOf(shape))
      expect([Number.isFinite(x), Number.isFinite(y)]).toEqual([true, true]);
  for (const { text, at } of textsOf(drawing)) {
    expect(text).not.toMatch(/NaN|undefined|Infinity|^\s*$/);
    expect(at[0]).toBeGreaterThanOrEqual(0);
    expect(at[0]).toBeLessThanOrEqual(drawing.width);
    expect(at[1]).toBeGreaterThanOrEqual(0);
    expect(at[1]).toBeLessThanOrEqual(drawing.height);
  }
}

const TREE: Tree = {
  label: 'T',
  species: 'Tilia cordata',
  stemDiameter: 0.25,
  plantedYear: 2008,
  crownRadius: 3,
};
const shoots = (lengths: readonly number[]): Finding[] =>
  lengths.map((number, i) => ({ key: 'crown.extension', part: 2025 - lengths.length + 1 + i, number }));
const visitWith = (findings: Finding[]): Visit => ({
  date: '2026-05-01',
  findings,
  profiles: [],
  probes: [],
  decisions: [],
});

test('the years on a line: bars as long as the shoots were, the year growth fell marked, events named', () => {
  const lengths = [0.3, 0.3, 0.3, 0.3, 0.1, 0.1, 0.1, 0.1];
  const visit = visitWith(shoots(lengths));
  const since = sinceWhen(TREE, [{ kind: 'soil added', when: '2020' }], [visit], visit, {});
  const drawing = declineLine({ since, planted: 2008, stems: [], system: 'metric', width: 600 });
  sound(drawing);
  const bars = drawing.shapes.flatMap((s) => (s.as === 'area' && s.tone === 'ink' ? [s.points] : []));
  const heights = bars.map(
    (points) => Math.max(...points.map((p) => p[1])) - Math.min(...points.map((p) => p[1])),
  );
  expect(heights).toHaveLength(lengths.length);
  heights.forEach((h, i) => expect(h / heights[0]!).toBeCloseTo(lengths[i]! / lengths[0]!, 2));
  const words = textsOf(drawing).map((t) => t.text);
  expect(words).toEqual(expect.arrayContaining(['30 cm', '0', 'fell', '2025']));
  expect(words.find((w) => w.startsWith('2020 soil added'))).toMatch(/%$/);
  expect(drawing.shapes.some((s) => s.as === 'area' && s.tone === 'squeeze')).toBe(true);
});

test('the stem of each visit that measured it stands under the years, in the unit in use', () => {
  const visits = [
    { date: '2020-05-01', findings: [{ key: 'base.dbh', number: 0.2 }] },
    { date: '2023-05-01', findings: [{ key: 'base.push' }] },
    { date: '2026-05-01', findings: [{ key: 'base.dbh', number: 0.254 }] },
  ];
  expect(stemsOf(visits)).toEqual([
    { year: 2020, metres: 0.2 },
    { year: 2026, metres: 0.254 },
  ]);
  const visit = visitWith(shoots([0.2, 0.2, 0.2, 0.2]));
  const since = sinceWhen(TREE, [], [visit], visit, {});
  const drawing = declineLine({
    since,
    planted: undefined,
    stems: stemsOf(visits),
    system: 'us',
    width: 360,
  });
  sound(drawing);
  expect(textsOf(drawing).map((t) => t.text)).toContain('stem 10 in');
});

test('holes of the soil probe: layers to one scale, each hole under its head, whatever a case holds', () => {
  const log = (place: SoilLog['place'], to: number): SoilLog => ({
    place,
    bearing: 0,
    distance: 1,
    layers: [
      { to: to / 2, colour: 'dark', texture: 'loam' },
      { to, colour: 'grey', texture: 'clay' },
    ],
  });
  const given = { elsewhere: [], profile: [], system: 'metric' as const, width: 432, height: 420 };
  const drawing = soilColumns({ ...given, logs: [log('outside', 0.6), log('ring', 0.3)] });
  sound(drawing);
  const layers = drawing.shapes.flatMap((s) => (s.as === 'area' && s.edge ? [s.points] : []));
  const depth = (points: readonly Point[]) =>
    Math.max(...points.map((p) => p[1])) - Math.min(...points.map((p) => p[1]));
  const depths = layers.map(depth).sort((a, b) => a - b);
  expect(depths.at(-1)! / depths[0]!).toBeCloseTo(2, 1);
  // The ring stands before what lies outside it.
  const heads = textsOf(drawing).filter((t) => /ring|outside/.test(t.text));
  expect(heads.sort((a, b) => a.at[0] - b.at[0])[0]!.text).toMatch(/ring/);

  fc.assert(
    fc.property(anyCase, fc.integer({ min: 320, max: 900 }), ({ visits }, width) => {
      for (const visit of visits)
        sound(
          soilColumns({
            ...given,
            logs: visit.soilLogs ?? [],
            profile: profileOfPushes(visit.pushes ?? []),
            width,
          }),
        );
    }),
    tries(60),
  );
});

const trenchesOf = (tree: Tree, slope?: { fall: number; toward: number }) =>
  assessTrenches({
    tree,
    date: '2026-05-01',
    findings: [],
    design: { ...(slope && { slope }) },
    dig: undefined,
    pushes: undefined,
    site: {
      things: [
        {
          name: 'Gas',
          kind: 'gas',
          shape: 'line',
          points: [
            [3, -9],
            [3, 9],
          ],
        },
      ],
      others: [],
    },
    firm: {},
    stressed: isStressed(visitWith([])),
  });

test('trenches at true scale, north up; each trench is numbered and keeps off the gas line', () => {
  const { plan } = trenchesOf({ ...TREE, position: { x: 0, y: 0 } });
  expect(plan.spokes.length).toBeGreaterThan(2);
  const size = { width: 600, height: 600 };
  const drawing = trenchDrawing({
    plan,
    kinds: new Map([['Gas', 'gas']]),
    stemRadius: 0.125,
    selected: undefined,
    system: 'metric',
    ...size,
  });
  sound(drawing);
  const words = textsOf(drawing).map((t) => t.text);
  for (const { label } of plan.spokes) expect(words).toContain(label);
  // Nothing is laid over the lines of the site: paper lies beneath all of it, once.
  expect(drawing.shapes.filter((s) => s.as === 'area' && s.tone === 'paper')).toEqual([drawing.shapes[0]]);
  // The main is named in the colour of its line, once all is drawn, where no line runs through the words.
  const main = drawing.shapes.findIndex((s) => s.as === 'text' && s.text === 'Gas');
  const name = drawing.shapes[main] as Extract<Shape, { as: 'text' }>;
  expect([name.tone, name.strong]).toEqual(['harm', true]);
  const rings = drawing.shapes.flatMap((s, i) =>
    s.as === 'line' && s.points.length > 20 ? [[i, s] as const] : [],
  );
  expect(rings.length).toBeGreaterThan(0);
  for (const [i, { points }] of rings) {
    expect(i).toBeLessThan(main);
    const [x, y] = name.at;
    expect(points.filter(([px, py]) => px > x && px < x + 24 && py > y - 10 && py < y)).toEqual([]);
  }
  const view = trenchView(plan, size.width, size.height);
  const to = toDrawing({ view, ...size });
  expect(to(0, 1)[1]).toBeLessThan(to(0, 0)[1]);
  // A metre is a metre in both directions, and the zone fits the sheet.
  expect(to(1, 0)[0] - to(0, 0)[0]).toBeCloseTo(to(0, 0)[1] - to(0, 1)[1], 9);
  for (const [x, y] of [
    to(plan.zone.to, 0),
    to(-plan.zone.to, 0),
    to(0, plan.zone.to),
    to(0, -plan.zone.to),
  ]) {
    expect(x).toBeGreaterThan(0);
    expect(x).toBeLessThan(size.width);
    expect(y).toBeGreaterThan(0);
    expect(y).toBeLessThan(size.height);
  }
});

/** The plan of a site with one main in it, where it runs by its ends, m from the stem. */
const mainDrawn = (plan: TrenchPlan, name: string, points: [number, number][], width: number) =>
  trenchDrawing({
    plan: { ...plan, obstacles: [{ name, shape: 'line', points, clearance: 1 }] },
    kinds: new Map([[name, 'gas']]),
    stemRadius: 0.125,
    selected: undefined,
    system: 'metric',
    width,
    height: width,
  });

test('a main that can be seen is named, however long it is, however long its name, and wherever it runs @whole', () => {
  const { plan } = trenchesOf({ ...TREE, position: { x: 0, y: 0 } });
  const far = fc.integer({ min: -20_000, max: 20_000 });
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.constantFrom(10, 500, 20_000),
      fc.constantFrom('Gas', 'Gas main of the town works, medium pressure, laid in 1987'),
      fc.constantFrom(358, 632),
      (turn, off, reach, name, width) => {
        const [ux, uy] = [Math.cos(turn), Math.sin(turn)];
        const at = (along: number): [number, number] => [along * ux - off * uy, along * uy + off * ux];
        const drawing = mainDrawn(plan, name, [at(-reach), at(reach)], width);
        sound(drawing);
        const named = textsOf(drawing).filter((t) => name.startsWith(t.text.replace('…', '').trim()));
        expect(named.map((t) => [t.tone, t.strong])).toEqual([['harm', true]]);
        expect(named[0]!.at[0] + 7 * named[0]!.text.length).toBeLessThan(width);
      },
    ),
    { numRuns: 60 },
  );
  fc.assert(
    fc.property(far, far, far, far, (a, b, c, d) =>
      sound(
        mainDrawn(
          plan,
          'Gas',
          [
            [a, b],
            [c, d],
          ],
          358,
        ),
      ),
    ),
    {
      numRuns: 40,
    },
  );
});

test('a trench along its run and across: sound on level ground and on a slope, at any width, in both units @whole', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 0.25, noNaN: true }),
      fc.integer({ min: 0, max: 359 }),
      fc.integer({ min: 300, max: 900 }),
      fc.constantFrom('metric' as const, 'us' as const),
      (fall, toward, width, system) => {
        const slope = fall > 0 ? { fall, toward } : undefined;
        const { plan } = trenchesOf({ ...TREE, position: { x: 0, y: 0 } }, slope);
        for (const spoke of plan.spokes.slice(0, 3))
          sound(
            spokeSection({
              plan,
              spoke,
              slope,
              stemRadius: 0.125,
              stopsAt: undefined,
              compost: 0.5,
              system,
              width,
            }),
          );
      },
    ),
    // The second ran off a wide sheet on steep ground.
    {
      numRuns: 15,
      examples: [
        [0.25, 90, 900, 'us'],
        [0.09702325042116774, 2, 894, 'metric'],
      ],
    },
  );
});

test('the map of a property: true scale, north up, back to metres; trees with work are named', () => {
  const things: SiteThing[] = [
    {
      name: 'House',
      kind: 'building',
      shape: 'area',
      points: [
        [0, 0],
        [30, 0],
        [30, 12],
        [0, 12],
      ],
    },
  ];
  const trees = [
    { label: 'Linden 1', x: 40, y: 30, work: true },
    { label: 'Linden 2', x: -5, y: 3, work: false },
  ];
  const drawing = propertyMap(things, trees, { width: 500, most: 400 }, 'metric');
  sound(drawing);
  const words = textsOf(drawing).map((t) => t.text);
  expect(words).toContain('Linden 1');
  expect(words).not.toContain('Linden 2');
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 })), {
        maxLength: 8,
      }),
      (points) => {
        const frame = planFrame(points, { width: 640, height: 480 }, 'us');
        for (const [east, north] of points) {
          const [x, y] = [frame.x(east), frame.y(north)];
          expect(x).toBeGreaterThanOrEqual(43);
          expect(x).toBeLessThanOrEqual(597);
          expect(y).toBeGreaterThanOrEqual(43);
          expect(y).toBeLessThanOrEqual(437);
          const [back, up] = frame.toMetres(x, y);
          expect(back).toBeCloseTo(east, 6);
          expect(up).toBeCloseTo(north, 6);
        }
      },
    ),
  );
});

test('a scale bar is a round length that fits, and says what it is', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 2000, noNaN: true }),
      fc.constantFrom('metric' as const, 'us' as const),
      (perMetre, system) => {
        const { length, label } = scaleBar(perMetre, system, 150);
        const said =
          Number.parseFloat(label) * (label.endsWith('ft') ? 0.3048 : label.endsWith('cm') ? 0.01 : 1);
        expect(length / perMetre).toBeCloseTo(said, 2);
        if (perMetre < 900) expect(length).toBeLessThanOrEqual(150 + 1e-9);
      },
    ),
  );
});

test('hatching stays within its polygon; labels are moved apart and not past the end; hundredths change no place', () => {
  const ring: Point[] = [
    [0, 0],
    [100, 10],
    [60, 40],
    [90, 90],
    [5, 80],
  ];
  const strokes = hatch(ring, 9, [5, -3]);
  expect(strokes.length).toBeGreaterThan(20);
  for (const [[x1, y1], [x2, y2]] of strokes)
    for (const [x, y] of [
      [x1, y1],
      [x2, y2],
    ] as const)
      expect(crossings(y, ring).filter((edge) => edge <= x).length % 2).toBe(1);
  expect(hatch(ring.slice(0, 2), 9, [5, 0])).toEqual([]);

  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 1, maxLength: 12 }), (ys) => {
      const labels = spaced(
        ys.map((y) => ({ y })),
        14,
        300,
      );
      for (let i = 1; i < labels.length; i++)
        expect(labels[i]!.y - labels[i - 1]!.y).toBeGreaterThanOrEqual(14 - 1e-9);
      expect(labels.at(-1)!.y).toBeLessThanOrEqual(300);
    }),
  );

  const fine: Drawing = {
    width: 100.123,
    height: 50,
    shapes: [{ as: 'line', points: [[1 / 3, 2 / 3]], tone: 'ink', width: 1 }],
  };
  const [rounded] = inHundredths(fine).shapes;
  expect(pointsOf(rounded!)).toEqual([[0.33, 0.67]]);
});
