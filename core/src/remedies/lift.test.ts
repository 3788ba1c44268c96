import { collarAt, visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { needsOf, RESOURCE_KEYS } from '../costing';
import { plannedOf } from '../prescription';
import type { Finding, Tree, Visit } from '../records';
import { ballOf, liftQuantities } from '../weighing';
import type { OperationKey } from '../vocabulary/operations';
import { optionsOf } from '../worth';
import { slopeTo } from '../weighing/slope';

const YOUNG: Tree = {
  label: 'T',
  species: 'Tilia cordata',
  plantedYear: 2023,
  stemDiameter: 0.06,
  stock: 'container',
};
const WET: Finding[] = [
  { key: 'history.wet', answer: 'days' },
  { key: 'probe.drain', answer: 'standing' },
  { key: 'probe.moisture', answer: 'sour' },
];
const HOLE: Finding[] = [
  { key: 'probe.wall', answer: 'glazed' },
  { key: 'probe.out', answer: 'none' },
  { key: 'history.site', answer: 'paved' },
];
const POT: Finding[] = [{ key: 'dig.shape', answer: 'wholly' }];
const visitWith = (findings: readonly Finding[], more: Partial<Visit> = {}): Visit =>
  visitOn('2026-06-10', findings, more);
const of = (key: OperationKey, tree: Tree, findings: readonly Finding[], more: Partial<Visit> = {}) =>
  assess(tree, [], visitWith(findings, more)).operations.find((o) => o.key === key)!;
const figure = (key: OperationKey, quantity: string, tree = YOUNG, findings = WET) =>
  of(key, tree, findings).quantities.find((q) => q.key === quantity)!.value;

// Check value of the cone of mulch: height 0.30 m, base 0.90 m, stem 0.10 m in radius.
test('the slope of a mound is the cone of the reference', () => {
  expect(slopeTo(0.1, 0.3, 0.9)).toBeCloseTo(0.2765, 4);
});

// Common practice, no source: 5 to 8 cm proud, one in five, ball ten stems across and 0.4 times as deep.
test('a young tree in wet ground is raised: height, mound, weight and people follow from its ball', () => {
  expect(of('raise', YOUNG, WET).advice).toBe('option');
  expect(figure('raise', 'ballAboveGrade')).toBeCloseTo(0.06, 9);
  expect(figure('raise', 'moundRadius')).toBeCloseTo(0.3 + 0.06 * 5, 9);
  expect(figure('raise', 'moundSoil')).toBeCloseTo(slopeTo(0.3, 0.06, 0.6), 9);
  const weight = (Math.PI / 4) * 0.6 ** 2 * 0.24 * 1600;
  expect(figure('raise', 'ballWeight')).toBeCloseTo(weight, 6);
  expect(figure('raise', 'peopleToLift')).toBe(Math.ceil(weight / 25));
  const heavy = liftQuantities(ballOf({ tree: { ...YOUNG, stemDiameter: 0.11 }, visit: visitWith([]) })!);
  expect(heavy[1]!.working.notes.join()).toContain('a machine');
});

test('what rules a lift out rules it out for every way of lifting, in words', () => {
  for (const [key, findings] of [
    ['raise', WET],
    ['openBall', POT],
    ['move', HOLE],
  ] as const) {
    expect(of(key, YOUNG, findings).advice).toBe('option');
    for (const [tree, more] of [
      [{ ...YOUNG, plantedYear: 2000 }, []],
      [{ ...YOUNG, stemDiameter: 0.3 }, []],
      [YOUNG, [{ key: 'base.conks', answer: 'many' }]],
    ] as [Tree, Finding[]][]) {
      const barred = of(key, tree, [...findings, ...more]);
      expect(barred.advice).toBe('not');
      expect(barred.summary).toMatch(/^Not for this tree: .+\.$/);
    }
    // A reset that is prescribed does it as well.
    const reset = visitWith(findings, { decisions: [{ operation: 'reset', taken: true }] });
    expect(of(key, YOUNG, findings, { ...reset, probes: collarAt(0.2) }).advice).toBe('not');
  }
});

test('the ball of a young pot-bound tree: the shave, its share, and no shave where it takes over a third', () => {
  const open = of('openBall', YOUNG, POT);
  const share = open.quantities.find((q) => q.key === 'ballShavedOff')!.value;
  expect(share).toBeCloseTo(1 - (1 - 0.05 / 0.6) ** 2, 9);
  expect(open.method.join()).not.toContain('more than a third of it');
  const small = of('openBall', { ...YOUNG, stemDiameter: 0.02 }, POT);
  expect(small.quantities.find((q) => q.key === 'ballShavedOff')!.value).toBeGreaterThan(1 / 3);
  expect(small.method[0]).toContain('shave nothing');
});

test('the hole is as wide as the school says and as deep as the ball, and its soil follows', () => {
  for (const [school, times] of [
    ['wide', 2.5],
    ['narrow', 1.5],
  ] as const) {
    const tree = { ...YOUNG, schools: { holeWidth: school } };
    const across = 0.6 * times;
    expect(figure('move', 'holeDiameter', tree, HOLE)).toBeCloseTo(across, 9);
    expect(figure('move', 'holeDepth', tree, HOLE)).toBeCloseTo(0.24, 9);
    expect(figure('move', 'holeSoil', tree, HOLE)).toBeCloseTo((Math.PI / 4) * across ** 2 * 0.24, 9);
  }
});

test('whoever lifts a tree stakes and waters it', () => {
  for (const [key, findings] of [
    ['raise', WET],
    ['openBall', POT],
    ['move', HOLE],
  ] as const) {
    const visit = visitWith(findings, {
      decisions: [{ operation: key, taken: true }],
    });
    const { operations } = assess(YOUNG, [], visit);
    const planned = plannedOf(operations, visit).map((o) => o.key);
    expect(planned).toContain('stake');
    // In ground that is wet now nothing is watered before it was let out.
    if (key !== 'raise') expect(planned).toContain('water');
    const needs = needsOf(plannedOf(operations, visit), visit, undefined);
    expect(needs.filter((n) => n.operation === key).length).toBeGreaterThan(0);
  }
});

test('before a tree is planted into compacted ground it is loosened, with soil and hours of its own', () => {
  const replace = (...findings: Finding[]) =>
    of('replace', YOUNG, [{ key: 'crown.scratch', answer: 'dry' }, ...findings]);
  const plain = replace();
  expect(plain.quantities.map((q) => q.key)).not.toContain('groundToLoosen');
  const tight = replace(
    { key: 'history.traffic', answer: 'much' },
    { key: 'history.site', answer: 'built' },
    { key: 'probe.refusal', number: 0.12 },
  );
  const at = (o: typeof plain, key: string) => o.quantities.find((q) => q.key === key)!.value;
  const volume = Math.PI * 1.2 ** 2 * 0.45;
  expect(at(tight, 'groundToLoosen')).toBeCloseTo(volume, 9);
  expect(at(tight, 'crewHours') - at(plain, 'crewHours')).toBeCloseTo(volume / 0.6, 9);
  expect(tight.method.join()).toContain('Loosen the ground first');
});

test('a reset is priced with the stake and the water that a young tree in its place is priced with', () => {
  const priced = (resource: 'watering' | 'stakes', staking?: string) => {
    const tree = { ...YOUNG, ...(staking && { schools: { staking } }) };
    const visit = visitWith([], { probes: collarAt(0.2) });
    const { operations, situation } = assess(tree, [], visit);
    const prices = Object.fromEntries(RESOURCE_KEYS.map((key) => [key, key === resource ? '10' : '0']));
    const options = optionsOf({
      situation,
      operations,
      rates: { currency: 'EUR', prices },
      trenches: undefined,
    });
    const cost = (key: string) => Number(options.find((o) => o.key === key)!.cost!.now.net);
    return [cost('reset'), cost('replace')];
  };
  for (const resource of ['watering', 'stakes'] as const) {
    const [reset, replace] = priced(resource);
    expect(reset).toBeGreaterThan(0);
    expect(reset).toBe(replace);
  }
  expect(priced('stakes', 'none')[0]).toBe(0);
});
