import fc from 'fast-check';
import type { DugRoot, Finding, GradeProfile, ProbePoint, Tree, Visit } from '../records';
import { jackknife90 } from '../geometry';
import { profileOf } from '../profile';
import { errorOf } from './readers/reader';
import { verdictOf } from './verdict';

// Common practice, no source: what was not looked at says nothing, and one look says no more than it saw.

const TREE: Tree = { label: 'T', species: 'x', stemDiameter: 0.2, plantedYear: 2010 };
const visitWith = (part: Partial<Visit>): Visit => ({
  date: '2026-06-01',
  findings: [],
  profiles: [],
  probes: [],
  decisions: [],
  ...part,
});
const judge = (part: Partial<Visit>) => {
  const visit = visitWith(part);
  return verdictOf(TREE, [], visit, profileOf(TREE, visit));
};
const seen = (part: Partial<Visit>, key: string) => judge(part).evidence.find((e) => e.key === key);
const entry = (answers: readonly ('flared' | 'straight')[]): Finding[] =>
  answers.map((answer, part) => ({ key: 'base.entry', part, answer }));
const mulched = (bearing: number, depths: readonly number[], ends?: number): GradeProfile => ({
  bearing,
  mulch: depths.map((depth, i) => ({ distance: 0.4 * i, depth })),
  ...(ends !== undefined && { mulchEnds: ends }),
  fill: [],
});
const probed = (depth: number, bearings = [0, 90, 180, 270]): ProbePoint[] =>
  bearings.map((bearing) => ({ bearing, distance: 0.1, depth, from: 'grade', found: 'root' }));

test('one flared side is not flared all round, one straight side not a post', () => {
  expect(seen({ findings: entry(['flared']) }, 'base.entry')).toBeUndefined();
  expect(seen({ findings: entry(Array(8).fill('flared')) }, 'base.entry')).toMatchObject({
    answer: 'flared',
  });
  expect(seen({ findings: entry(['straight']) }, 'base.entry')).toMatchObject({ answer: 'part' });
  expect(seen({ findings: entry(Array(4).fill('straight')) }, 'base.entry')).toMatchObject({
    answer: 'straight',
  });
  expect(judge({ findings: entry(['flared', 'flared']) }).facts.flareHidden.state).toBe('unexamined');
});

test('one reading at the bark is no blanket, and an edge is not “clear of the bark”', () => {
  const even = [0.06, 0.06];
  expect(seen({ profiles: [mulched(0, even, 1)] }, 'mulch.cone')).toBeUndefined();
  expect(seen({ profiles: [0, 120, 240].map((b) => mulched(b, even, 1)) }, 'mulch.cone')).toMatchObject({
    answer: 'blanket',
  });
  expect(seen({ profiles: [mulched(0, [0.3, 0.1], 0.8)] }, 'mulch.cone')).toMatchObject({ answer: 'cone' });
  // What is known of the bark comes from where it was read; an edge elsewhere makes it neither lower nor a cone.
  const one = { profiles: [mulched(0, [0.2, 0.18], 1), mulched(120, [], 0.9), mulched(240, [], 0.9)] };
  expect(profileOf(TREE, visitWith(one)).mulch).toMatchObject({
    atBark: 1,
    across: 1,
    onBark: { value: expect.closeTo(0.2, 9), plusMinus: undefined },
    tallest: { bearing: 0, height: expect.closeTo(0.2, 9) },
  });
  expect(seen(one, 'mulch.cone')).toBeUndefined();
  expect(judge(one).facts.mulchOnBark).toMatchObject({ state: 'yes' });
  const edges = { profiles: [0, 90, 180].map((b) => mulched(b, [], 0.9)) };
  expect(seen(edges, 'mulch.onBark')).toBeUndefined();
  expect(seen(edges, 'mulch.cone')).toBeUndefined();
  expect(judge(edges).facts.mulchOnBark.state).toBe('unexamined');
});

test('one drawn root says what it shows and nothing of the rest; roots all round say what is not there', () => {
  const root = (label: string, bearing: number, kind: DugRoot['kind'] = 'structural'): DugRoot => ({
    label,
    kind,
    start: 'stem',
    points: [
      { bearing, distance: 0.1, depth: 0.05, diameter: 0.04 },
      { bearing, distance: 0.6, depth: 0.1, diameter: 0.03 },
    ],
  });
  const dug = (roots: DugRoot[]) => {
    const dig = { measuredFrom: 'centre' as const, north: 'true' as const, roots };
    return judge({ dig }).evidence.filter((e) => e.key.startsWith('dig.'));
  };
  expect(dug([root('A', 10)])).toEqual([]);
  expect(dug([root('A', 10, 'adventitious')]).map((e) => [e.key, e.answer])).toEqual([['dig.mat', 'few']]);
  const round = dug([root('A', 10), root('B', 100), root('C', 190), root('D', 280)]);
  expect(Object.fromEntries(round.map((e) => [e.key, e.answer]))).toMatchObject({
    'dig.anchors': 'round',
    'dig.mat': 'none',
    'dig.inAnchor': 'none',
    'dig.decay': 'none',
  });
});

test('a layer whose colour nobody noted is not “no topsoil”', () => {
  const log = (colour?: 'dark' | 'pale') => ({
    soilLogs: [
      {
        place: 'ring' as const,
        bearing: 0,
        distance: 1,
        layers: [
          { to: 0.2, ...(colour && { colour }) },
          { to: 0.4, colour: 'pale' as const },
        ],
      },
    ],
  });
  expect(seen(log(), 'probe.topsoil')).toBeUndefined();
  expect(seen(log('dark'), 'probe.topsoil')?.says).toContain('topsoil');
  expect(seen(log('pale'), 'probe.topsoil')).toBeDefined();
});

test('roots well above grade are planted too high, not where they belong', () => {
  expect(seen({ probes: probed(-0.1) }, 'probe.collar')?.says).toMatch(/above grade: planted too high/);
  expect(judge({ probes: probed(-0.1) }).facts.collarDeep).toMatchObject({
    state: 'no',
    text: expect.stringContaining('planted too high'),
  });
  expect(seen({ probes: probed(-0.02) }, 'probe.collar')?.says).toMatch(/above grade, where they belong/);
  expect(seen({ probes: probed(0.05) }, 'probe.collar')?.says).toMatch(/below grade, where they belong/);
  const filled = [0, 120, 240].map((bearing) => ({
    bearing,
    mulch: [],
    fill: [{ distance: 0, depth: 0.2 }],
  }));
  const planted = (depth: number) => seen({ probes: probed(depth), profiles: filled }, 'probe.planted')!.says;
  expect(planted(0.1)).toMatch(/^first roots .* above the original grade: planted too high$/);
  expect(planted(0.22)).toMatch(/below the original grade: planted at a fair height$/);
  expect(planted(0.4)).toMatch(/below the original grade: planted deep$/);
});

test('a collar reading is weighed once: with the fill known it speaks of the planting alone', () => {
  const fill = [0, 90, 180, 270].map((bearing) => ({
    bearing,
    mulch: [],
    fill: [{ distance: 0, depth: 0 }],
  }));
  const alone = seen({ probes: probed(0.2) }, 'probe.collar')!;
  const beside = seen({ probes: probed(0.2), profiles: fill }, 'probe.collar')!;
  expect(new Set(alone.agrees).size).toBeGreaterThan(1);
  expect(new Set(beside.agrees).size).toBe(1);
  expect([beside.answer, beside.says]).toEqual([alone.answer, alone.says]);
  expect(seen({ probes: probed(0.2), profiles: fill }, 'probe.planted')!.answer).not.toBe('fair');
});

test('two readings that roughly agree are never less sure than one, and more of them are surer still', () => {
  const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;
  const error = (values: readonly number[]) =>
    errorOf({ plusMinus: jackknife90(values, mean, 0.01) }, values.length);
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 0.4, noNaN: true }),
      fc.double({ min: -0.09, max: 0.09, noNaN: true }),
      (first, apart) => {
        const two = error([first, first + apart]);
        expect(two).toBeLessThanOrEqual(error([first]));
        expect(error([first, first + apart, first, first + apart])).toBeLessThan(two);
      },
    ),
  );
  // By hand: the usual 3 cm count as four readings; the mean of these two strays by 7.5 cm, and by the rod's 1 cm over √2.
  expect(error([0.15, 0.3])).toBeCloseTo(
    Math.sqrt((4 * 0.03 ** 2 + 2 * (0.075 ** 2 + 0.01 ** 2 / 2)) / 5 / 2),
    9,
  );
});
