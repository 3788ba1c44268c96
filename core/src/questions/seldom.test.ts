import { collarAt, visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { ageAt, cohortTold } from '../history';
import { assessDig } from '../pruning';
import type { Dig, DugRoot, Finding, Tree, TreeEvent, Visit } from '../records';
import { recoveryOf } from '../recovery';
import { assessTrenches } from '../trenching';
import { QUESTIONS } from '.';

const SELDOM = QUESTIONS.filter((q) => q.seldom);
const visitWith = (...findings: Finding[]): Visit =>
  visitOn('2026-06-10', findings, { probes: collarAt(0.2) });
const of = (tree: Tree, visit: Visit, events: readonly TreeEvent[] = []) => assess(tree, events, visit);
const advised = (tree: Tree, ...findings: Finding[]) =>
  of(tree, visitWith(...findings)).operations.filter((o) => o.advice !== 'not');
const chance = (tree: Tree, node: string, ...findings: Finding[]) => {
  const { causes, mechanisms } = of(tree, visitWith(...findings)).verdict;
  return (causes.find((c) => c.cause === node) ?? mechanisms.find((m) => m.mechanism === node))!.probability;
};

/** Trees at which an answer may matter: one that is not known, one just planted and tied, one long there. */
const TREES: readonly [Tree, Finding[]][] = [
  [{ label: 'A', species: '' }, []],
  [
    { label: 'B', species: 'Malus', plantedYear: 2025, stemDiameter: 0.05, stock: 'container' },
    [{ key: 'base.ties', answer: 'tight' }],
  ],
  [
    { label: 'C', species: 'Tilia cordata', plantedYear: 1980, stemDiameter: 0.4 },
    [{ key: 'base.push', answer: 'rocks' }],
  ],
  [{ label: 'D', species: 'Malus', plantedYear: 2020, stemDiameter: 0.05 }, []],
  [
    { label: 'E', species: 'Malus', plantedYear: 2010, stemDiameter: 0.2 },
    [{ key: 'crown.dieback', number: 1 }],
  ],
  [
    { label: 'F', species: 'Malus', plantedYear: 2025, stemDiameter: 0.05, height: 3 },
    [{ key: 'base.push', answer: 'rocks' }],
  ],
];

const answersOf = (q: (typeof SELDOM)[number]): Finding[] => {
  switch (q.kind) {
    case 'grade':
      return q.answers.map(({ key: answer }) => ({ key: q.key, answer }));
    case 'number':
      return [q.min, q.max].map((number) => ({ key: q.key, number }));
    case 'length':
      return [0.05, 0.6].map((number) => ({ key: q.key, number }));
    default:
      throw new Error(`${q.key}: ${q.kind} is not tried here`);
  }
};

const known = new Map<string, string>();

/** What is concluded of one of the trees and prescribed for it; without the answers that differ the same for all questions. */
function told(at: number, findings: readonly Finding[]): string {
  const key = JSON.stringify([at, findings]);
  const before = known.get(key);
  if (before !== undefined) return before;
  const { verdict, operations } = of(TREES[at]![0], visitWith(...findings));
  const { causes, mechanisms, danger } = verdict;
  const now = JSON.stringify({ causes, mechanisms, danger, operations });
  known.set(key, now);
  return now;
}

test.each(SELDOM)('an answer to $key changes what is concluded or prescribed', (question) => {
  // Numbers of a planting speak together.
  const beside: Finding[] =
    question.key === 'history.planted'
      ? [{ key: 'history.failed', number: 1 }]
      : question.key === 'history.failed'
        ? [{ key: 'history.planted', number: 5000 }]
        : [];
  const changes = answersOf(question).some((finding) =>
    TREES.some(
      ([, there], at) => told(at, [...there, ...beside]) !== told(at, [...there, ...beside, finding]),
    ),
  );
  // Others tell of a tree that was treated whether it recovers.
  const recovers = (...findings: Finding[]) =>
    JSON.stringify(
      recoveryOf(
        [
          visitOn('2024-06-10', answersOf(question).slice(0, 1), {
            work: [{ step: 'excavate', how: 'done', on: '2024-06-12' }],
          }),
          visitOn('2026-08-10', findings),
        ],
        {},
        '2026-08-10',
      ),
    );
  expect(changes || answersOf(question).some((finding) => recovers() !== recovers(finding))).toBe(true);
});

const PLAIN: Tree = { label: 'T', species: 'Tilia cordata', stemDiameter: 0.2 };

// What each speaks for: common practice, no source.
test.each([
  ['crownDecline', { key: 'crown.growing', answer: 'no' }],
  ['waterlogging', { key: 'crown.yellowing', answer: 'below' }],
  ['chlorosis', { key: 'crown.yellowing', answer: 'top' }],
  ['biotic', { key: 'crown.browning', answer: 'most' }],
  ['drought', { key: 'crown.drop', answer: 'some' }],
  ['waterlogging', { key: 'crown.others', answer: 'most' }],
  ['confinedRoots', { key: 'base.push', answer: 'lifts' }],
  ['containerRoots', { key: 'base.push', answer: 'lifts' }],
  ['poorAnchorage', { key: 'base.push', answer: 'lifts' }],
  ['gradeRaised', { key: 'base.branch', answer: 'seen' }],
  ['buriedCollar', { key: 'base.line', number: 0.25 }],
  ['basalDecay', { key: 'base.sinks', number: 0.08 }],
  ['stemInjury', { key: 'base.gnawing', answer: 'ring' }],
  ['mulchCone', { key: 'base.burrows', answer: 'many' }],
  ['compaction', { key: 'base.plate', answer: 'flat' }],
  ['poorAnchorage', { key: 'base.plate', answer: 'flat' }],
  ['compaction', { key: 'base.heave', answer: 'lifted' }],
  ['barrier', { key: 'base.ring', answer: 'over' }],
  ['buriedCollar', { key: 'base.graft', answer: 'buried' }],
  ['containerRoots', { key: 'history.potYears', number: 5 }],
  ['containerRoots', { key: 'history.potKind', answer: 'smooth' }],
] as const)('%s is likelier after $key', (node, finding) => {
  const plain = { ...PLAIN };
  expect(chance(plain, node, finding)).toBeGreaterThan(chance(plain, node));
});

test('what is small or not there speaks against', () => {
  expect(chance(PLAIN, 'buriedCollar', { key: 'base.line', number: 0 })).toBeLessThan(
    chance(PLAIN, 'buriedCollar'),
  );
  expect(chance(PLAIN, 'basalDecay', { key: 'base.sinks', number: 0 })).toBeLessThan(
    chance(PLAIN, 'basalDecay'),
  );
  expect(chance(PLAIN, 'containerRoots', { key: 'history.potKind', answer: 'air' })).toBeLessThan(
    chance(PLAIN, 'containerRoots'),
  );
});

test('a probe that sinks far into the base, or a tree that lifts out by hand, is a danger before all else', () => {
  for (const finding of [
    { key: 'base.sinks', number: 0.1 },
    { key: 'base.push', answer: 'lifts' },
  ] as Finding[]) {
    const { verdict, operations } = of(PLAIN, visitWith(finding));
    expect(verdict.danger?.signs).toHaveLength(1);
    expect(verdict.summary).not.toMatch(/\{\w+:/);
    expect(operations[0]!.key).toBe('stability');
  }
});

test('the age that was noted counts where the year is not known, and is said to be about', () => {
  const noted = (answer: string) => visitWith({ key: 'history.age', answer });
  expect(ageAt(PLAIN, noted('settling'))).toEqual({ years: 7, about: true });
  expect(ageAt({ ...PLAIN, plantedYear: 2020 }, noted('old'))).toEqual({ years: 6, about: false });
  expect(of(PLAIN, noted('young')).verdict.circumstances).toContain('young');
  expect(of(PLAIN, noted('old')).verdict.circumstances).toContain('old');
  const reset = of(PLAIN, noted('old')).operations.find((o) => o.key === 'reset')!;
  expect(reset.summary).toContain('about 40 years in the ground');
});

test('how many of a planting fail is told in numbers, and more than were planted count for nothing', () => {
  const numbers = (planted: number, failed: number): Finding[] => [
    { key: 'history.planted', number: planted },
    { key: 'history.failed', number: failed },
  ];
  const answer = (...findings: Finding[]) =>
    of(PLAIN, visitWith(...findings)).verdict.evidence.find((e) => e.key === 'history.cohort');
  expect(answer(...numbers(12, 0))?.answer).toBe('fine');
  expect(answer(...numbers(12, 5))).toMatchObject({ answer: 'some', says: '5 of 12 planted together fail' });
  expect(answer(...numbers(12, 6))?.answer).toBe('most');
  expect(answer(...numbers(5, 6))).toBeUndefined();
  expect(cohortTold(numbers(5, 6))).toBeUndefined();
  expect(
    answer({ key: 'history.planted', number: 4 }, { key: 'history.cohort', answer: 'some' })?.says,
  ).not.toContain('of');
});

test('a tie is loosened and moved where the stake is still needed, cut where it is not', () => {
  const tied: Finding = { key: 'base.ties', answer: 'tight' };
  const ties = (tree: Partial<Tree>, ...more: Finding[]) =>
    advised({ ...PLAIN, stemDiameter: 0.06, ...tree }, tied, ...more).find((o) => o.key === 'ties')!;
  expect(ties({ plantedYear: 2015 }).summary).toMatch(/^Cut every tie/);
  expect(ties({ plantedYear: 2025 }).summary).toMatch(/planted last year/);
  const dwarf = ties({ plantedYear: 2015 }, { key: 'base.rootstock', answer: 'dwarfing' });
  expect(dwarf.summary).toMatch(/^Open the tie and set it/);
  expect(dwarf.lookAgain?.days).toBe(365);
});

test('a dwarfing rootstock is staked for good, a shrub never', () => {
  const small = { ...PLAIN, stemDiameter: 0.06, plantedYear: 2024 };
  const stake = (...findings: Finding[]) => advised(small, ...findings).find((o) => o.key === 'stake');
  expect(stake({ key: 'base.rootstock', answer: 'dwarfing' })?.summary).toContain('for good');
  expect(stake({ key: 'base.push', answer: 'rocks' }, { key: 'base.form', answer: 'shrub' })).toBeUndefined();
});

test('a limb that hangs comes off, gnawed bark is guarded, a ring the stem has reached is opened', () => {
  const keys = (...findings: Finding[]) =>
    advised(PLAIN, ...findings)
      .filter((o) => o.advice === 'do')
      .map((o) => o.key);
  expect(keys({ key: 'crown.limbs', answer: 'hanging' })).toContain('crown');
  expect(keys({ key: 'base.gnawing', answer: 'some' })).toContain('guard');
  expect(keys({ key: 'base.ring', answer: 'reached' })).toContain('ring');
});

test('a ball is reckoned as wide as its last pot where that is wider than ten stems', () => {
  const young: Tree = { label: 'Y', species: 'Malus', plantedYear: 2024, stemDiameter: 0.03 };
  const hole = (...findings: Finding[]) =>
    of(young, visitWith(...findings))
      .operations.find((o) => o.key === 'reset')!
      .quantities.find((q) => q.key === 'holeDiameter')!;
  expect(hole().value).toBeCloseTo(0.3 * 2.5, 9);
  expect(hole({ key: 'history.potSize', number: 0.45 }).value).toBeCloseTo(0.45 * 2.5, 9);
  expect(hole({ key: 'history.potSize', number: 0.2 }).value).toBeCloseTo(0.3 * 2.5, 9);
});

test('the class of age counts in the cut plan and in the trenches as the year does', () => {
  const root = (label: string, bearing: number): DugRoot => ({
    label,
    kind: 'structural',
    start: 'stem',
    points: [
      { bearing, distance: 0, depth: 0.1, diameter: 0.04 },
      { bearing, distance: 0.5, depth: 0.15, diameter: 0.03 },
    ],
  });
  const dig: Dig = {
    measuredFrom: 'bark',
    north: 'true',
    roots: [0, 90, 180, 270].map((b, i) => root('ABCD'[i]!, b)),
  };
  const visit = (...findings: Finding[]): Visit => ({ ...visitWith(...findings), dig });
  const limit = (tree: Tree, v: Visit) => assessDig(tree, [v], v)!.advice.lossLimit;
  const old: Finding = { key: 'history.age', answer: 'old' };
  expect(limit(PLAIN, visit(old))).toBe(limit({ ...PLAIN, plantedYear: 1980 }, visit()));
  expect(limit(PLAIN, visit(old))).toBeLessThan(limit(PLAIN, visit()));
  const trenches = (tree: Tree, ...findings: Finding[]) =>
    assessTrenches({
      tree: { ...tree, crownRadius: 3, position: { x: 0, y: 0 } },
      date: '2026-06-10',
      findings,
      design: { holeRadius: 0.5 },
      dig: undefined,
      pushes: undefined,
      site: { things: [], others: [] },
      firm: {},
      stressed: false,
    }).plan;
  expect(trenches(PLAIN, { key: 'history.age', answer: 'young' }).rules.school).toBe('hand');
  expect(trenches(PLAIN, old).notes.join()).toContain('it is old');
});
