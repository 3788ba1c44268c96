import { assess } from '../assessment';
import type { GradeProfile, ProbePoint, Tree, Visit } from '../casefile';
import { bowl, ringRadius, ringVolume, toolFor, wateringByRule } from './index';

test('the ring that a cone of mulch covers: 1.22 m', () => {
  // 0.2765 m3 at 6 cm from 0.175 m outward covers a ring of 1.22 m radius: exact geometry.
  expect(ringRadius(0.2765, 0.06, 0.175)).toBeCloseTo(1.22, 2);
  expect(ringVolume(ringRadius(0.5, 0.06, 0.2), 0.06, 0.2)).toBeCloseTo(0.5, 12);
  expect(() => ringRadius(1, 0, 0.1)).toThrow('0');
});

test('an even bowl is a cylinder and the frustum of its slope', () => {
  const [r, room, run, d] = [0.15, 0.3, 3, 0.2];
  const inner = r + room;
  const outer = inner + run * d;
  // Slope: cone frustum pi h (R^2 + R r + r^2)/3 less the cylinder below it; exact geometry.
  const frustum = (Math.PI * d * (outer ** 2 + outer * inner + inner ** 2)) / 3;
  const exact = frustum - Math.PI * r ** 2 * d;
  const depths = [0, 100, 200].map((bearing) => ({ bearing, value: d }));
  expect(bowl(depths, r, room, run).volume).toBeCloseTo(exact, 9);
  expect(bowl(depths, r, room, run).outerRadius).toBeCloseTo(outer, 9);
});

test('the tool follows the depth', () => {
  // Common practice, no source: a few cm rake, to 15 cm hand, deeper air, beyond 30 cm a regrade.
  expect([0.04, 0.15, 0.2, 0.31].map(toolFor)).toEqual(['rake', 'hand', 'air', 'regrade']);
});

test('five gallons an inch, a 1.5 in stem gets 7.5, rounded up to 10', () => {
  // Common practice, no source. 1 US gal = 3.785411784 L exactly.
  expect(wateringByRule(1.5 * 0.0254) / 3.785411784).toBeCloseTo(10, 9);
  expect(wateringByRule(2 * 0.0254) / 3.785411784).toBeCloseTo(10, 9);
});

const profiles: GradeProfile[] = [0, 90, 180, 270].map((bearing) => ({
  bearing,
  mulch: [{ distance: 0, depth: 0.3 }],
  mulchEnds: 0.8,
  fill: [{ distance: 0, depth: 0 }],
}));
const probes = (depth: number): ProbePoint[] =>
  [0, 60, 120, 180, 240, 300].map((bearing) => ({
    bearing,
    distance: 0.1,
    depth,
    found: 'root',
    from: 'grade',
  }));
const visit = (more: Partial<Visit>): Visit => ({
  date: '2026-05-01',
  findings: [],
  profiles: [],
  probes: [],
  decisions: [],
  ...more,
});
const tree = (more: Partial<Tree> = {}): Tree => ({
  label: 'T',
  species: 'x',
  stemDiameter: 0.2,
  plantedYear: 2016,
  ...more,
});
const advice = (t: Tree, v: Visit) =>
  Object.fromEntries(assess(t, [], v).operations.map((o) => [o.key, o.advice]));

test('a mulch cone on a collar in its place: mulch only', () => {
  expect(advice(tree(), visit({ profiles, probes: probes(0.05) }))).toMatchObject({
    mulch: 'do',
    excavate: 'not',
    watch: 'not',
  });
});

test('a deep young tree may be lifted, an old one not', () => {
  const deep = visit({ probes: probes(0.2) });
  expect(advice(tree({ stemDiameter: 0.08, plantedYear: 2022 }), deep)).toMatchObject({
    excavate: 'do',
    reset: 'option',
  });
  expect(advice(tree({ plantedYear: 1990 }), deep)).toMatchObject({ excavate: 'do', reset: 'not' });
});

test('nothing wrong: watch; beyond help: removal is put on the table', () => {
  expect(advice(tree(), visit({ probes: probes(0.05) }))).toMatchObject({ watch: 'do', remove: 'not' });
  expect(advice(tree(), visit({ findings: [{ key: 'crown.dieback', number: 0.8 }] }))).toMatchObject({
    remove: 'option',
  });
});

test('where paving limits the ring the excess is carried away, and no mulch is lost', () => {
  const mulch = assess(tree({ mulchRoom: 0.9 }), [], visit({ profiles })).operations.find(
    (o) => o.key === 'mulch',
  )!;
  const value = (name: string) => mulch.quantities.find((q) => q.name === name)!.value;
  expect(value('New ring radius')).toBe(0.9);
  const kept = ringVolume(0.9, 0.06, 0.175);
  const volume = (Math.PI * 0.3 * 0.8 * 1.1) / 3;
  expect(value('Mulch left over') + kept).toBeCloseTo(volume, 9);
  expect(value('Bags to carry away')).toBe(Math.ceil((volume - kept) / 0.05));
});

test('the school chosen changes the figure and is shown with it', () => {
  const thin = assess(tree({ schools: { mulchDepth: 'thin' } }), [], visit({ profiles }), {
    mulchDepth: 'shallow',
  });
  const mulch = thin.operations.find((o) => o.key === 'mulch')!;
  expect(mulch.schools[0]).toMatchObject({ school: 'thin', chosenBy: 'tree' });
  expect(mulch.quantities[0]!.working.school).toMatchObject({ chosenBy: 'tree' });
  const usual = assess(tree(), [], visit({ profiles })).operations.find((o) => o.key === 'mulch')!;
  expect(usual.quantities[0]!.value).not.toBeCloseTo(mulch.quantities[0]!.value, 2);
});

test('every operation carries method, cautions and an acceptance check', () => {
  for (const o of assess(tree(), [], visit({ profiles, probes: probes(0.2) })).operations) {
    expect([o.key, o.method.length > 0, o.cautions.length > 0, o.acceptance.length > 0]).toEqual([
      o.key,
      true,
      true,
      true,
    ]);
  }
});
