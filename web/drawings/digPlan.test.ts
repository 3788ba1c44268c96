import fc from 'fast-check';
import type { Dig } from '@undrel/core/records';
import { readDig } from '@undrel/core/roots';
import { digPlanDrawing, fittingView } from './digPlan';
import { toDrawing, toMetres } from './planView';
import type { DigPlan } from './digPen';
import { crossedBy, placeLabel, textWidth, type Box } from './labels';
import { drawingToSvg } from './svgText';

const point = (bearing: number, distance: number) => ({ bearing, distance, depth: 0.1, diameter: 0.04 });
const dig: Dig = {
  measuredFrom: 'bark',
  north: 'true',
  roots: [
    { label: 'D1', kind: 'structural', start: 'stem', points: [point(0, 0), point(0, 0.8)] },
    {
      label: 'A',
      kind: 'girdling',
      start: 'outside',
      points: [point(300, 0.2), point(0, 0.019), point(60, 0.2)],
    },
    { label: '<N>', kind: 'competing', start: 'outside', points: [point(100, 0.2), point(140, 0.2)] },
  ],
};
const reading = readDig({ stemDiameter: 0.3 }, dig);
const size = { width: 600, height: 500 };
const plan = (more: Partial<DigPlan> = {}): DigPlan => ({
  reading,
  outline: reading.outline,
  paths: reading.roots.map((r) => r.path),
  there: reading.roots.map(() => true),
  arcs: reading.arcs,
  share: reading.share,
  view: fittingView(reading, size.width, size.height),
  ...size,
  system: 'metric',
  cuts: [],
  compact: false,
  ...more,
});

test('a place on the plan and back; north is up, east to the right', () => {
  const { view } = plan();
  const to = toDrawing({ view, ...size });
  const [x, y] = to(0.1, 0.2);
  expect(x).toBeGreaterThan(to(0, 0)[0]);
  expect(y).toBeLessThan(to(0, 0)[1]);
  expect(toMetres({ view, ...size }, [x, y])).toEqual([expect.closeTo(0.1, 9), expect.closeTo(0.2, 9)]);
});

test('the scale of the plan is one: the stem is as wide as it was measured', () => {
  const { shapes } = digPlanDrawing(plan());
  const stem = shapes.find((s) => s.as === 'area' && s.tone === 'sheet' && s.points.length > 100);
  if (stem?.as !== 'area') throw new Error('no stem');
  const xs = stem.points.map((p) => p[0]);
  expect((Math.max(...xs) - Math.min(...xs)) / plan().view.scale).toBeCloseTo(0.3, 2);
});

test('no name of a root stands where buttons stand over the plan, whichever way the root runs', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 359 }), { minLength: 1, maxLength: 8 }),
      fc.integer({ min: 0, max: 450 }),
      fc.integer({ min: 0, max: 120 }),
      (bearings, wide, high) => {
        const roots = bearings.map((b, i) => ({
          ...dig.roots[0]!,
          label: `D${i}`,
          points: [point(b, 0), point(b, 0.9)],
        }));
        const own = readDig({ stemDiameter: 0.3 }, { ...dig, roots });
        const { shapes } = digPlanDrawing(
          plan({
            reading: own,
            outline: own.outline,
            paths: own.roots.map((r) => r.path),
            there: own.roots.map(() => true),
            arcs: [],
            corner: { width: wide, height: high },
          }),
        );
        for (const s of shapes)
          if (s.as === 'text' && /^D\d/.test(s.text))
            expect([s.text, s.at[0] < wide - 1 && s.at[1] < high - 1]).toEqual([s.text, false]);
      },
    ),
    { numRuns: 40 },
  );
});

test('a root that lies over another is drawn after it, and one that is gone is not drawn', () => {
  const texts = (p: DigPlan) =>
    digPlanDrawing(p).shapes.flatMap((s) => (s.as === 'text' && s.strong ? [s.text] : []));
  expect(texts(plan())).toEqual(expect.arrayContaining(['D1', 'A', '<N>']));
  expect(texts(plan({ there: [true, false, true] }))).not.toContain('A');
  const said: Dig = { ...dig, roots: [{ ...dig.roots[0]!, over: ['A'] }, ...dig.roots.slice(1)] };
  const lastOf = (of: Dig) => {
    const own = readDig({ stemDiameter: 0.3 }, of);
    const drawn = digPlanDrawing(plan({ reading: own, paths: own.roots.map((r) => r.path) })).shapes;
    return drawn.flatMap((s) =>
      s.as === 'area' && (s.tone === 'root' || s.tone === 'squeeze') ? [s.tone] : [],
    );
  };
  expect(lastOf(said).at(-1)).toBe('root');
  expect(lastOf({ ...said, roots: [dig.roots[0]!, { ...dig.roots[1]!, over: ['D1'] }] }).at(-1)).toBe(
    'squeeze',
  );
});

test('what did not change keeps its shapes, so that a drag draws one root again', () => {
  const first = digPlanDrawing(plan()).shapes;
  const again = digPlanDrawing(plan()).shapes;
  const roots = (list: typeof first) => list.filter((s) => s.as === 'area' && s.tone === 'root');
  expect(roots(again)[0]).toBe(roots(first)[0]);
});

test('labels never lie on each other nor outside the picture', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(fc.double({ min: 0, max: 600, noNaN: true }), fc.double({ min: 0, max: 500, noNaN: true })),
        {
          maxLength: 40,
        },
      ),
      (places) => {
        const taken: Box[] = [];
        for (const at of places)
          placeLabel({ width: textWidth('A1, anchor', 13), height: 28 }, [at], taken, size);
        return taken.every(
          (a, i) =>
            a.left >= 0 &&
            a.top >= 0 &&
            a.left + a.width <= 600 &&
            a.top + a.height <= 500 &&
            taken.every(
              (b, k) =>
                k === i ||
                a.left >= b.left + b.width ||
                b.left >= a.left + a.width ||
                a.top >= b.top + b.height ||
                b.top >= a.top + a.height,
            ),
        );
      },
    ),
  );
});

test('a label keeps off the lines where there is room, and takes the place over the fewest where there is none', () => {
  const size = { width: 60, height: 20 };
  const room = { width: 300, height: 300 };
  // The first place it would take, to the upper right of the point, is crossed.
  const slope: [number, number][] = [
    [150, 150],
    [250, 50],
  ];
  const free = placeLabel(size, [[150, 150]], [], room)!;
  const crossed = crossedBy([slope], 300, 300);
  expect(crossed({ left: free[0], top: free[1], ...size })).toBeGreaterThan(0);
  const [left, top] = placeLabel(size, [[150, 150]], [], room, crossed)!;
  expect(crossed({ left, top, ...size })).toBe(0);
  const everywhere = Array.from({ length: 60 }, (_, i): [number, number][] => [
    [0, 5 * i],
    [300, 5 * i],
  ]);
  expect(placeLabel(size, [[150, 150]], [], room, crossedBy(everywhere, 300, 300))).toBeDefined();
});

test('an SVG file stands by itself and escapes what was typed', () => {
  const svg = drawingToSvg(digPlanDrawing(plan()), 'Dig of <tree> & root');
  expect(svg).toContain('<title>Dig of &lt;tree&gt; &amp; root</title>');
  expect(svg).toContain('&lt;N&gt;');
  expect(svg).not.toContain('var(--');
});
