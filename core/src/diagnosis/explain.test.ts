import type { Finding, Tree, TreeEvent, Visit } from '../records';
import { CAUSE_KEYS, CONDITIONAL_CAUSES } from '../vocabulary';
import { profileOf } from '../profile';
import { circumstancesOf, explain, networkOf, PRACTICE_TABLE, verdictOf } from './index';
import { placeOf } from './verdict';
import { priorsOf } from './network';
import { jointOf, marginalsOf, type Seen } from './posterior';

const tree: Tree = { label: 'T', species: 'x', stemDiameter: 0.2, plantedYear: 2015, stock: 'container' };
const of = (findings: Finding[], events: TreeEvent[] = []) => {
  const visit: Visit = { date: '2026-06-01', findings, profiles: [], probes: [], decisions: [] };
  const verdict = verdictOf(tree, events, visit, profileOf(tree, visit));
  return { verdict, visit, why: explain(verdict) };
};
const answers = (given: Record<string, string>): Finding[] =>
  Object.entries(given).map(([key, answer]) => ({ key, answer }));
const CASE = answers({
  'base.girdling': 'pressing',
  'base.flat': 'marked',
  'base.conks': 'none',
  'crown.colour': 'pale',
  'probe.moisture': 'sour',
});

test('each weight of evidence is what the odds lose without the finding', () => {
  const { verdict, visit, why } = of(CASE);
  const without = (key: string) => {
    const rest = { ...visit, findings: visit.findings.filter((f) => f.key !== key) };
    return verdictOf(tree, [], rest, profileOf(tree, rest));
  };
  let checked = 0;
  for (const { cause, for: speaksFor, against } of why.causes)
    for (const reason of [...speaksFor, ...against]) {
      const odds = (v: typeof verdict) => {
        const p = v.causes.find((c) => c.cause === cause)!.probability;
        return p / (1 - p);
      };
      expect(reason.decibans).toBeCloseTo(10 * Math.log10(odds(verdict) / odds(without(reason.finding))), 6);
      expect(reason.why.length).toBeGreaterThan(10);
      checked++;
    }
  expect(checked).toBeGreaterThan(5);
  const pivotal = why.pivotal!;
  expect(without(pivotal.finding).causes[0]!.cause).toBe(pivotal.then);
  expect(pivotal.then).not.toBe(verdict.causes[0]!.cause);
});

test('what a check is worth is the saving averaged over its answers, reckoned one by one', () => {
  const { verdict, visit, why } = of(CASE);
  const network = networkOf(PRACTICE_TABLE);
  const priors = priorsOf(PRACTICE_TABLE, circumstancesOf(tree, [], visit));
  const cost = (seen: readonly Seen[]) => {
    const chances = marginalsOf(jointOf(network, priors, seen));
    const all = PRACTICE_TABLE.stakes.reduce((sum, { for: node, missing, needless }) => {
      const { of, index } = placeOf(node);
      const p = chances[of][index]!;
      return sum + Math.min(missing * p, needless * (1 - p));
    }, 0);
    return { all, total: chances.total };
  };
  const before = cost(verdict.evidence);
  for (const check of [why.checks[0]!, why.checks[10]!, why.checks.at(-1)!]) {
    const { answers } = network.findings.get(check.finding)!.finding;
    const after = answers.reduce((sum, _, grade) => {
      const then = cost([
        ...verdict.evidence,
        { key: check.finding, agrees: answers.map((__, g) => (g === grade ? 1 : 0)) },
      ]);
      return sum + (then.total / before.total) * then.all;
    }, 0);
    expect(check.gain).toBeCloseTo(Math.max(0, before.all - after), 6);
  }
  const rates = why.checks.map((c) => c.gainPerMinute);
  expect(rates).toEqual([...rates].sort((a, b) => b - a));
  expect(why.checks.map((c) => c.finding)).not.toContain('base.girdling');
  expect(why.enough).toBe(false);
});

test('when everything that can be examined was, it is enough', () => {
  const seen = PRACTICE_TABLE.findings.map((f) => ({
    key: f.key,
    agrees: f.answers.map((_, g) => (g === 0 ? 1 : 0)),
    answer: f.answers[0]![0],
    says: f.answers[0]![1],
    unsure: false,
  }));
  const { verdict } = of([]);
  const why = explain({ ...verdict, evidence: seen });
  expect(why.enough).toBe(true);
  expect(why.checks.filter((c) => c.gain > 0)).toEqual([]);
});

test('answers that exclude each other, and one that hardly fits the rest, are told', () => {
  const { why } = of(
    answers({ 'crown.pattern': 'none', 'base.adventitious': 'none' }).concat({
      key: 'crown.dieback',
      number: 0.6,
    }),
  );
  expect(why.contradictions[0]!.findings.sort()).toEqual(['crown.dieback', 'crown.pattern']);
  expect(why.contradictions[0]!.text).toContain('pattern was noted as none');
  const { why: plain } = of(answers({ 'base.conks': 'none' }));
  expect(plain.contradictions).toEqual([]);
});

test('an unsure finding shows what its other answers would change', () => {
  const unsure = CASE.map((f) => (f.key === 'probe.moisture' ? { ...f, unsure: true as const } : f));
  const { why } = of(unsure);
  const dry = why.flips.find((f) => f.finding === 'probe.moisture' && f.otherwise.includes('dry'))!;
  const wet = dry.changes.find((c) => c.cause === 'waterlogging')!;
  const { verdict } = of(CASE.map((f) => (f.key === 'probe.moisture' ? { ...f, answer: 'dry' } : f)));
  expect(wet.to).toBeCloseTo(verdict.causes.find((c) => c.cause === 'waterlogging')!.probability, 6);
  expect(wet.to).toBeLessThan(wet.from);
  expect(new Set(why.causes.map((c) => c.cause))).toEqual(new Set(CAUSE_KEYS.slice(0, -CONDITIONAL_CAUSES)));
});

test('treat or look first: each loss reckoned again from every answer of every look, and the cheapest way taken', () => {
  const { verdict, visit, why } = of(CASE);
  const network = networkOf(PRACTICE_TABLE);
  const priors = priorsOf(PRACTICE_TABLE, circumstancesOf(tree, [], visit));
  const at = (seen: readonly Seen[]) => marginalsOf(jointOf(network, priors, seen));
  const present = at(verdict.evidence);
  const HOURS = 4 / 3;
  expect(why.decisions.map((d) => d.choice)).toEqual(expect.arrayContaining(['do', 'look']));
  const standing = [...verdict.causes, ...verdict.mechanisms].filter((n) => n.standing === 'unexamined');
  expect(standing.length).toBeGreaterThan(0);
  for (const { label } of standing) expect(why.decisions.map((d) => d.label)).not.toContain(label);
  for (const { remedy, for: node, choice, done, left, look, text } of why.decisions) {
    const { missing, needless } = PRACTICE_TABLE.stakes.find((s) => s.remedy === remedy)!;
    const chance = (m: typeof present) => m[placeOf(node).of][placeOf(node).index]!;
    expect(done).toBeCloseTo(needless * (1 - chance(present)) * HOURS, 9);
    expect(left).toBeCloseTo(missing * chance(present) * HOURS, 9);
    if (text.startsWith('At once')) {
      expect([verdict.danger !== undefined, choice]).toEqual([true, 'do']);
      continue;
    }
    expect(text).toMatch(/\d\.\d h/);
    if (!look) {
      expect(choice).toBe(done <= left ? 'do' : 'leave');
      continue;
    }
    const { answers } = network.findings.get(look.finding)!.finding;
    const after = answers.reduce((sum, _, grade) => {
      const then = at([
        ...verdict.evidence,
        { key: look.finding, agrees: answers.map((__, g) => (g === grade ? 1 : 0)) },
      ]);
      return (
        sum + (then.total / present.total) * Math.min(missing * chance(then), needless * (1 - chance(then)))
      );
    }, 0);
    expect(choice).toBe('look');
    expect(look.loss).toBeCloseTo(after * HOURS, 6);
    expect(look.loss + look.minutes / 60).toBeLessThan(Math.min(done, left));
  }
});

test('mulch comes off on a chance that lifts no tree, and danger waits for no look', () => {
  // From which chance on a remedy is done where no look is left.
  const from = (remedy: string) => {
    const { missing, needless } = PRACTICE_TABLE.stakes.find((s) => s.remedy === remedy)!;
    return needless / (missing + needless);
  };
  expect(from('pull back the mulch')).toBeLessThan(0.2);
  expect(from('trench outward or reset')).toBeGreaterThan(0.3);
  const { why } = of(answers({ 'base.push': 'rocks' }));
  const stability = why.decisions.find((d) => d.for === 'poorAnchorage')!;
  expect(stability).toMatchObject({ choice: 'do', text: expect.stringContaining('may fall') });
  expect(stability.look).toBeUndefined();
});
