import fc from 'fast-check';
import type { CutDesign, Dig, DugRoot, Tree } from '../records';
import { bearingOf, readDig } from '../roots';
import { onAnchors } from './buried';
import { adviseRoots, type PruningCase, type RootAdvice } from './advice';
import { numberedCuts, scenariosOf } from './assessDig';

const root = (
  label: string,
  kind: DugRoot['kind'],
  points: [number, number, number, number][],
  more: Partial<DugRoot> = {},
): DugRoot => ({
  label,
  kind,
  start: 'outside',
  condition: 'sound',
  points: points.map(([bearing, distance, depth, diameter]) => ({ bearing, distance, depth, diameter })),
  ...more,
});
const anchor = (label: string, bearing: number, more: Partial<DugRoot> = {}) =>
  root(
    label,
    'structural',
    [
      [bearing, 0, 0.15, 0.08],
      [bearing, 0.5, 0.2, 0.06],
      [bearing, 1, 0.25, 0.05],
    ],
    {
      start: 'stem',
      ...more,
    },
  );
const anchors = [10, 70, 140, 220, 300].map((b, i) => anchor(`D${i + 1}`, b));
const across = (label: string, from: number, diameter: number, more: Partial<DugRoot> = {}) =>
  root(
    label,
    'girdling',
    [-60, -30, 0, 30, 60].map((turn) => [
      (from + turn + 360) % 360,
      diameter / 2 + 0.22 * (Math.abs(turn) / 60) ** 2,
      0.05,
      diameter,
    ]),
    more,
  );
const tree: Tree = { label: 'T', species: 'Tilia cordata', plantedYear: 2012, stemDiameter: 0.3, dbh: 0.25 };
const stem = { perYear: 0.003, variation: 0.4, from: 'test' };
const advise = (roots: DugRoot[], more: Partial<PruningCase> = {}, change: Partial<Tree> = {}) => {
  const dig: Dig = { measuredFrom: 'bark', north: 'true', roots };
  const all = { ...tree, ...change };
  const reading = readDig(all, dig);
  const advice = adviseRoots({
    tree: all,
    date: '2026-05-01',
    reading,
    stem,
    stressed: false,
    firm: {},
    ...more,
  });
  const of = (label: string): RootAdvice => advice.roots.find((r) => r.label === label)!;
  return { advice, reading, of };
};

// Every expectation below is common practice, no source.
test('anchors stay, a root that presses goes, and where it is cut it is clear of the bark', () => {
  const { of, reading } = advise([...anchors, across('A', 40, 0.03)]);
  expect(of('D1')).toMatchObject({ decision: 'keep', cuts: [] });
  const a = of('A');
  expect(a.decision).toBe('cut now');
  expect(a.reasons[0]).toMatch(/compresses \d+% of the bark/);
  expect(a.cuts).toHaveLength(2);
  expect(a.frees).toBeCloseTo(reading.share, 2);
  for (const cut of a.cuts) {
    expect(cut.fromBark - cut.diameter / 2).toBeGreaterThan(0.03);
    expect(bearingOf(cut.x, cut.y)).toBeCloseTo(cut.bearing, 6);
    expect(cut.timesDbh).toBeCloseTo(Math.hypot(cut.x, cut.y) / 0.25, 6);
  }
  const presses = reading.roots.find((r) => r.root.label === 'A')!.compression.presses!;
  expect(a.cuts[0]!.vertex).toBeLessThan(presses.from);
  expect(a.cuts[1]!.vertex).toBeGreaterThan(presses.to - 1);
});

test('of two thick ones that press one goes now and one in two years, a thumb-thick circling one now', () => {
  const { of } = advise([
    ...anchors,
    across('A', 40, 0.09),
    across('B', 180, 0.09),
    { ...across('c', 110, 0.015), kind: 'circling' as const },
  ]);
  expect([of('A').decision, of('B').decision].sort()).toEqual(['cut later', 'cut now']);
  const later = [of('A'), of('B')].find((a) => a.decision === 'cut later')!;
  expect(later.inYears).toBe(2);
  expect(later.reasons.join(' ')).toMatch(
    /Not before stage 2: stage 1 would take A and B, each thicker than \{m:0\.0800\}, at once/,
  );
  expect(of('c').decision).toBe('cut now');
});

test('one that buries itself in an anchor goes', () => {
  const over = root('X', 'root on root', [
    [50, 0.3, 0.12, 0.06],
    [10, 0.25, 0.12, 0.06],
    [330, 0.3, 0.12, 0.06],
  ]);
  expect(advise([...anchors, over]).of('X')).toMatchObject({
    decision: 'cut now',
    reasons: [
      expect.stringContaining('bury itself in anchor D1'),
      expect.stringMatching(/^Saves anchor D1, in which it buries itself/),
    ],
  });
  // Nearer to the stem than three times DBH and no threat to the bark: what it does to the anchor decides.
  expect(
    advise([...anchors, { ...over, start: 'stem' }])
      .of('X')
      .reasons.join(),
  ).not.toContain('too near');
});

test('one that was seen only to touch an anchor, or lies a little off it, has not buried itself', () => {
  // Underside of X at 0.1195 m, upper side of D1 at 0.1105 m: 9 mm into each other, at 0.128 m less by as much.
  const at = (depth: number, more: Partial<DugRoot> = {}) =>
    root(
      'X',
      'root on root',
      [
        [50, 0.3, depth, 0.06],
        [10, 0.25, depth, 0.06],
        [330, 0.3, depth, 0.06],
      ],
      more,
    );
  const gapOf = (x: DugRoot) => {
    const { reading } = advise([...anchors, x]);
    const i = reading.roots.findIndex((r) => r.root.label === 'X');
    return onAnchors(i, reading)[0];
  };
  expect(gapOf(at(0.12))).toMatchObject({ label: 'D1', buried: true });
  expect(gapOf(at(0.12, { contact: 'touching' }))).toMatchObject({ label: 'D1', buried: false, gap: 0 });
  const apart = fc
    .sample(fc.double({ min: 0.02, max: 0.12, noNaN: true }), 30)
    .map((depth) => gapOf(at(depth)));
  for (const on of apart) if (on && on.gap > 0) expect(on.buried).toBe(false);
  expect(apart.some((on) => on && on.gap > 0)).toBe(true);
  const touching = advise([...anchors, at(0.12, { contact: 'touching' })]).of('X');
  expect(touching.reasons.join(' ')).not.toMatch(/bury|buries/i);
});

test('an anchor goes last of all, and no more than 120 degrees without one open in the first stage', () => {
  const hugging = root(
    'H',
    'structural',
    [
      [100, 0, 0.1, 0.06],
      [125, 0.03, 0.1, 0.06],
      [150, 0.03, 0.1, 0.06],
      [185, 0.12, 0.15, 0.06],
      [190, 0.6, 0.2, 0.05],
    ],
    { start: 'stem' },
  );
  const held = [anchor('D1', 40), anchor('D2', 175), anchor('D3', 250), anchor('D4', 320)];
  const dig = [...held, hugging];
  // Without H there are 135 degrees from D1 to D2.
  const free = { totalLoss: 0.9, stageLoss: 0.9, nearDbh: 0 };
  const { of } = advise(dig, { design: { limits: free } });
  expect(of('H')).toMatchObject({ decision: 'cut later', inYears: 2 });
  expect(of('H').reasons.join(' ')).toMatch(
    /135° would be without one: last of all, and only after the stability/,
  );
  const one = (limits: CutDesign['limits']) => advise(dig, { design: { stages: 1, limits } }).of('H');
  expect(one(free).decision).toBe('watch');
  expect(one(free).reasons.join(' ')).toContain(
    'nothing would hold over 135° from D1 round to D2, more than 120°',
  );
  expect(one({ ...free, stageGap: 140 }).decision).toBe('cut now');
});

test('one that lies on an anchor away from the stem is cut on both sides of it', () => {
  const over = root('X', 'root on root', [
    [40, 0.75, 0.16, 0.05],
    [25, 0.62, 0.16, 0.05],
    [10, 0.55, 0.16, 0.05],
    [355, 0.62, 0.16, 0.05],
    [340, 0.75, 0.16, 0.05],
  ]);
  const { of } = advise([...anchors, over]);
  const { cuts, decision } = of('X');
  expect(decision).toBe('cut now');
  expect(cuts).toHaveLength(2);
  // D1 leaves at 10 degrees: one cut lies east of it, one west.
  expect(cuts[0]!.bearing).toBeGreaterThan(12);
  expect(cuts[1]!.bearing).toBeLessThan(9);
});

test('what was agreed in the cut plan stands before the rules', () => {
  const agreed = [
    { label: 'A', stage: 2 },
    { label: 'B', stage: 1 },
  ];
  const { of, advice } = advise(
    [...anchors, across('A', 40, 0.03), across('B', 180, 0.07), across('C', 290, 0.02)],
    { design: { agreed } },
  );
  expect(of('A')).toMatchObject({
    decision: 'cut later',
    reasons: ['Agreed in the cut plan, stage 2.', expect.stringContaining('compresses'), expect.anything()],
  });
  expect(of('B').decision).toBe('cut now');
  expect(of('C')).toMatchObject({
    decision: 'watch',
    reasons: [expect.stringContaining('compresses'), expect.stringMatching(/^Stays: /)],
  });
  expect(of('D1').decision).toBe('keep');
  expect(numberedCuts(advice).map((c) => c.label)).toEqual(['B', 'B']);
});

test('an anchor that alone holds its side is watched even where it presses', () => {
  const hugging = root(
    'H',
    'structural',
    [
      [100, 0, 0.1, 0.06],
      [125, 0.03, 0.1, 0.06],
      [150, 0.03, 0.1, 0.06],
      [185, 0.12, 0.15, 0.06],
      [190, 0.6, 0.2, 0.05],
    ],
    { start: 'stem' },
  );
  const { of, reading } = advise([anchor('D1', 0), anchor('D2', 300), anchor('D3', 240), hugging]);
  expect(reading.share).toBeGreaterThan(0.05);
  expect(of('H')).toMatchObject({ decision: 'watch' });
});

test('grafted is watched; not examined closely is checked again', () => {
  expect(advise([...anchors, across('A', 40, 0.03, { contact: 'grafted' })]).of('A').decision).toBe('watch');
  expect(advise([...anchors, across('A', 40, 0.03, { condition: undefined })]).of('A').decision).toBe(
    'look again',
  );
});

test('what has grown in stays in: the length between the cuts is told', () => {
  const { of } = advise([...anchors, across('A', 40, 0.03, { contact: 'embedded', embedded: 0.01 })]);
  expect(of('A').leaveIn).toBeGreaterThan(0.1);
});

describe('how much goes in a season', () => {
  const own = (label: string, from: number): DugRoot => ({
    ...across(label, from, 0.048),
    start: 'stem',
    points: [-40, -10, 20, 50].map((turn, i) => ({
      bearing: (from + turn + 360) % 360,
      distance: 0.024 + (i === 3 ? 0.25 : 0),
      depth: 0.05,
      diameter: 0.048,
    })),
  });
  const roots = [...anchors.slice(0, 4), own('A', 40), own('B', 110), own('C', 190), own('E', 260)];

  test('no more than the school allows, the best first; the rest says with whom it would pass the limit', () => {
    const { advice } = advise(roots);
    expect(advice.lossLimit).toBe(0.2);
    expect(advice.lossNow).toBeLessThanOrEqual(0.2);
    const later = advice.roots.filter((r) => r.decision === 'cut later');
    expect(later.length).toBeGreaterThan(0);
    expect(later[0]!.reasons.at(-1)).toMatch(
      /for \d+% of the root cross-section\. Not before stage 2: stage 1 takes more than its share/,
    );
  });

  test('half of it for a stressed or an old tree, all at once where that school is chosen', () => {
    expect(advise(roots, { stressed: true }).advice).toMatchObject({
      lossLimit: 0.1,
      cautions: [expect.stringContaining('A stressed tree: 10%')],
    });
    expect(advise(roots, {}, { plantedYear: 1980 }).advice.lossLimit).toBe(0.1);
    expect(advise(roots, { stressed: true, firm: { firm: { rootLoss: 'bold' } } }).advice.lossLimit).toBe(
      0.33,
    );
    const once = advise(roots, { firm: { firm: { girdling: 'once' } } }).advice;
    expect(once.roots.filter((r) => r.decision === 'cut later')).toEqual([]);
  });

  test('only those cutting in, where that school is chosen', () => {
    const small = { ...across('c', 180, 0.015), kind: 'circling' as const };
    const off = { ...small, points: small.points.map((p) => ({ ...p, distance: p.distance + 0.06 })) };
    expect(advise([...anchors, off], { firm: { firm: { girdling: 'selected' } } }).of('c').decision).toBe(
      'watch',
    );
    expect(advise([...anchors, off]).of('c').decision).toBe('cut now');
  });
});

test('scenarios stand side by side: nothing, one root alone, what is advised now, the rest two years on', () => {
  const { advice } = advise([
    ...anchors,
    across('A', 40, 0.095),
    across('B', 170, 0.085),
    { ...across('c', 250, 0.015), kind: 'circling' as const },
  ]);
  expect(scenariosOf(advice, 'B').map((s) => [s.name, s.cuts])).toEqual([
    ['nothing done', {}],
    ['only B now', { B: 0 }],
    ['A, c now', { A: 0, c: 0 }],
    ['A, c now, B in two years', { A: 0, c: 0, B: 2 }],
  ]);
  expect(scenariosOf(advice).map((s) => s.name)).not.toContain('only B now');
  const numbers = numberedCuts(advice);
  expect(numbers.map((c) => c.number)).toEqual(numbers.map((_, i) => i + 1));
  expect(numbers.map((c) => c.cut.bearing)).toEqual(
    [...numbers.map((c) => c.cut.bearing)].sort((a, b) => a - b),
  );
  expect(new Set(numbers.map((c) => c.label))).toEqual(new Set(['A', 'c']));
});
