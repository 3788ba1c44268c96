import { toolFor } from '../remedies/excavate';
import { ringRadius, ringVolume } from '../remedies/mulch';
import { assess } from '../assessment';
import type { Dig, DugRoot, Finding, GradeProfile, ProbePoint, Tree, Visit } from '../records';
import { bowl, clashesOf, plannedOf, situation, wateringByRule } from './index';

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
  expect([0.04, 0.15, 0.2, 0.31].map((d) => toolFor(d))).toEqual(['rake', 'hand', 'air', 'regrade']);
  // A school names the tool between the rake and the wider regrade.
  expect([0.04, 0.15, 0.2, 0.31].map((d) => toolFor(d, 'water'))).toEqual([
    'rake',
    'water',
    'water',
    'regrade',
  ]);
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

test('roots that stand above grade leave nothing to dig away; where some do, the floor is level with grade there', () => {
  const young: Tree = { label: 'T', species: 'x', stemDiameter: 0.1, plantedYear: 2015 };
  const excavation = (found: ProbePoint[]) =>
    assess(young, [], visit({ probes: found })).operations.find((o) => o.key === 'excavate')!;
  const high = excavation(probes(-0.2));
  expect([high.advice, high.quantities]).toEqual(['not', []]);
  expect(high.summary).toContain('above grade');
  const mixed = excavation([...probes(-0.2).slice(0, 3), ...probes(0.2).slice(3)]);
  const floor = mixed.quantities.find((q) => q.key === 'floorBelowGrade')!;
  expect(floor.value).toBeGreaterThan(0);
  expect(floor.working.notes.join(' ')).toContain('above grade');
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
  expect(value('Bags to remove')).toBe(Math.ceil((volume - kept) / 0.05));
});

test('the school chosen changes the figure and is shown with it', () => {
  const thin = assess(tree({ schools: { mulchDepth: 'thin' } }), [], visit({ profiles }), {
    firm: { mulchDepth: 'shallow' },
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

const straight = (label: string, bearing: number, diameter: number): DugRoot => ({
  label,
  kind: 'structural',
  start: 'stem',
  condition: 'sound',
  points: [0, 0.4, 0.9].map((distance) => ({ bearing, distance, depth: 0.1, diameter })),
});
const across: DugRoot = {
  label: 'G',
  kind: 'girdling',
  start: 'stem',
  condition: 'sound',
  contact: 'pressing',
  points: [-50, -25, 0, 25, 50].map((turn) => ({
    bearing: (200 + turn) % 360,
    distance: 0.02 + 0.2 * (turn / 50) ** 2,
    depth: 0.05,
    diameter: 0.04,
  })),
};
const dug = (anchors: number, more: DugRoot[] = [across]): Dig => ({
  measuredFrom: 'bark',
  north: 'true',
  roots: [
    ...Array.from({ length: anchors }, (_, i) => straight(`D${i}`, (360 / anchors) * i, 0.06)),
    ...more,
  ],
});
const of = (t: Tree, v: Visit, key: string) => assess(t, [], v).operations.find((o) => o.key === key)!;
/** Of everything that is put in by hand. */
const clashes = (t: Tree, v: Visit, ...taken: string[]) => {
  const { operations, profile, verdict } = assess(t, [], v);
  const decided = operations.map((o) => ({ operation: o.key, taken: taken.includes(o.key) }));
  return clashesOf(plannedOf(operations, { decisions: decided }), situation(t, [], v, profile, verdict, {}));
};

test('root pruning waits for a dig, then for an agreed plan, then says what goes when and comes back for the next stage', () => {
  expect(of(tree(), visit({}), 'prune')).toMatchObject({ advice: 'not', missing: ['a dig'] });
  expect(of(tree(), visit({ dig: dug(5, []) }), 'prune').advice).toBe('not');
  const open = of(tree(), visit({ dig: dug(5) }), 'prune');
  expect(open.advice).toBe('option');
  expect(open.summary).toMatch(/^Roots compress \d+% of the bark: agree a cut plan/);
  const agreed = [
    { label: 'G', stage: 1 },
    { label: 'D1', stage: 2 },
  ];
  const plan = of(tree(), visit({ dig: dug(5), cuts: { agreed, interval: 3 } }), 'prune');
  expect(plan).toMatchObject({
    advice: 'do',
    summary: 'Stage 1, 2026: G; Stage 2, 2029: D1.',
    lookAgain: { days: 3 * 365, why: 'Stage 2 of the cut plan: D1.' },
  });
  const left = of(tree(), visit({ dig: dug(5), cuts: { agreed: [] } }), 'prune');
  expect(left).toMatchObject({ advice: 'not', summary: expect.stringMatching(/^Left by choice/) });
  const goes = plan.quantities.find((q) => q.key === 'rootSectionThatGoes')!;
  // One root of 4 cm beside five of 6 cm: 16 / (16 + 5 x 36), exact geometry.
  expect(goes.value).toBeCloseTo(16 / 196, 9);
});

test('water follows work at the roots or drought, and is withheld where water stands', () => {
  expect(of(tree(), visit({ probes: probes(0.05) }), 'water').advice).toBe('not');
  const after = of(tree(), visit({ probes: probes(0.2) }), 'water');
  expect(after.advice).toBe('do');
  expect(after.why).toContain('root collar excavation is prescribed: bared roots dry first');
  // A stem of 20 cm is no transplant: an inch over a metre from the bark, or over the bowl where it is wider. By hand.
  const bowlRadius = of(tree(), visit({ probes: probes(0.2) }), 'excavate').quantities.find(
    (q) => q.key === 'bowlRadius',
  )!.value;
  const radius = Math.max(1.1, bowlRadius);
  expect(after.quantities[0]!.value).toBeCloseTo(1000 * Math.PI * (radius ** 2 - 0.1 ** 2) * 0.025, 9);
  const young = of({ ...tree(), stemDiameter: 0.05 }, visit({ probes: probes(0.2) }), 'water');
  expect(young.quantities[0]!.value).toBeCloseTo(wateringByRule(0.05), 9);
  expect(young.quantities[1]!.value).toBe(2 * after.quantities[1]!.value);
  // Never farther than the crown.
  const slim = of({ ...tree(), crownRadius: 0.6 }, visit({ probes: probes(0.2) }), 'water');
  expect(slim.quantities[0]!.value).toBeCloseTo(1000 * Math.PI * (0.6 ** 2 - 0.1 ** 2) * 0.025, 9);
  const wet: Finding[] = [
    { key: 'probe.drain', answer: 'standing' },
    { key: 'probe.moisture', answer: 'sour' },
    { key: 'probe.colour', answer: 'mottled' },
    { key: 'history.wet', answer: 'days' },
  ];
  const stands = of(tree(), visit({ probes: probes(0.2), findings: wet }), 'water');
  expect(stands).toMatchObject({
    advice: 'not',
    why: ['waterlogged soil is almost certain: more trees die of wet than of dry; let the water out first'],
  });
});

test('too deep for a bowl: a regrade and a tree well are weighed, with amounts of exact geometry, and neither beside a reset', () => {
  const shallow = visit({ probes: probes(0.2) });
  expect([of(tree(), shallow, 'regrade').advice, of(tree(), shallow, 'treeWell').advice]).toEqual([
    'not',
    'not',
  ]);
  const deep = visit({ probes: probes(0.4) });
  const [regrade, well] = [of(tree(), deep, 'regrade'), of(tree(), deep, 'treeWell')];
  expect([regrade.advice, well.advice]).toEqual(['option', 'option']);
  const value = (o: typeof well, name: string) => o.quantities.find((q) => q.name === name)!.value;
  // Stem 0.1 m, 0.9 m of room: a cylinder of 1 m radius and 0.4 m height.
  expect(value(well, 'Face of the wall')).toBeCloseTo(2 * Math.PI * 1 * 0.4, 2);
  // Two frustums that share their floor of 0.4 m radius: slopes of 1 in 8 and 1 in 3.
  const frustum = (run: number) => {
    const outer = 0.4 + run * 0.4;
    return (Math.PI * 0.4 * (outer ** 2 + outer * 0.4 + 0.4 ** 2)) / 3;
  };
  expect(value(regrade, 'Soil to take out')).toBeCloseTo(frustum(8) - frustum(3), 2);
  const lifted = visit({ probes: probes(0.4), decisions: [{ operation: 'reset', taken: true }] });
  const young = tree({ stemDiameter: 0.08, plantedYear: 2022 });
  expect(of(young, lifted, 'treeWell')).toMatchObject({
    advice: 'not',
    why: [expect.stringMatching(/reset is prescribed/)],
  });
});

test('what bars a remedy comes before what calls for it', () => {
  const old = of(tree({ plantedYear: 1990 }), visit({ probes: probes(0.2) }), 'reset');
  expect(old.why[0]).toMatch(/^36 years in the ground \(limit 8 years\): roots no longer come up whole/);
  const left = visit({ trenches: { choice: { remedy: 'nothing', why: 'paving is lifted in spring' } } });
  expect(of(tree(), left, 'trench').why).toEqual(['paving is lifted in spring: left by choice']);
  const none = of(
    tree({ schools: { staking: 'none' } }),
    visit({ findings: [{ key: 'base.rocks', answer: 'rocks' }] }),
    'stake',
  );
  expect([none.advice, none.why[0]]).toEqual(['not', expect.stringMatching(/^the school followed: none/)]);
});

test('trenches that were planned are prescribed under the name of the way that was chosen', () => {
  expect(of(tree(), visit({}), 'trench').advice).toBe('not');
  expect(of(tree(), visit({ trenches: { holeRadius: 0.5 } }), 'trench')).toMatchObject({
    advice: 'do',
    title: 'Radial trenches',
  });
  const choice = (remedy: string) => visit({ trenches: { choice: { remedy, why: 'the lawn is kept' } } });
  expect(of(tree(), choice('vertical'), 'trench').title).toBe('Vertical mulching');
  expect(of(tree(), choice('nothing'), 'trench')).toMatchObject({
    advice: 'not',
    summary: 'Left as it is by choice: the lawn is kept',
  });
});

test('operations that do not go together are named with the reason', () => {
  const agreed = { agreed: [{ label: 'G', stage: 1 }] };
  const v = visit({ dig: dug(5), cuts: agreed, probes: probes(0.2) });
  expect(clashes(tree(), v, 'mulch', 'excavate', 'prune', 'water')).toEqual([]);
  expect(clashes(tree(), v, 'reset', 'prune')[0]).toMatch(/^Reset and root pruning/);
  expect(clashes(tree(), v, 'remove', 'prune')[0]).toMatch(/^Removal and root pruning/);
  expect(clashes(tree(), v, 'watch', 'mulch')[0]).toMatch(/^Watch only/);
  const few = visit({ dig: dug(2), cuts: { ...agreed, target: 90 } });
  expect(clashes(tree(), few, 'prune')[0]).toMatch(/^It may fall: .* It is not prescribed\.$/);
  expect(clashes(tree(), few, 'stability', 'prune')[0]).toMatch(
    /2 sound anchors.*there is a target below it/,
  );
});
