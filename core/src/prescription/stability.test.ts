import fc from 'fast-check';
import { anyCase, tries } from '../../tests/anyCase';
import { assess } from '../assessment';
import { ageAt } from '../history';
import type { Finding, Tree, Visit } from '../records';
import { needsOf } from '../costing';
import { PASSIVE, plannedOf, situation, workOrder } from './index';
import { triage } from '../walk';
import { optionsOf } from '../worth';

// Common practice, no source: what is seen before a tree falls.
const SIGNS: Finding[] = [
  { key: 'base.push', answer: 'rocks' },
  { key: 'base.push', answer: 'slight' },
  { key: 'base.lean', answer: 'lifted' },
  { key: 'base.conks', answer: 'few' },
  { key: 'base.conks', answer: 'many' },
  { key: 'base.push', answer: 'lifts' },
  { key: 'base.sinks', number: 0.08 },
];

const CALM = /calls for work|nothing to do|Nothing calls/;

/** What must hold wherever the verdict says that a tree may fall. */
function dangerComesFirst(tree: Tree, visit: Visit, result: ReturnType<typeof assess>): void {
  const { verdict, operations, profile } = result;
  expect(verdict.summary.startsWith(verdict.danger!.text)).toBe(true);
  const stability = operations[0]!;
  expect(stability).toMatchObject({ key: 'stability', advice: 'do' });
  expect(stability.why.join()).not.toBe('');
  expect(`${verdict.summary} ${triage(verdict).why}`).not.toMatch(/\{\w+:/);
  expect(stability.cautions.length).toBeGreaterThan(0);
  expect(stability.lookAgain?.days).toBe(verdict.danger!.days);
  for (const { key, first } of operations)
    if (![...PASSIVE, 'stability'].includes(key)) expect([key, first[0]]).toEqual([key, 'stability']);
  const steps = workOrder(plannedOf(operations, { decisions: [] }), visit);
  expect(steps[0]).toMatchObject({ operation: 'stability', first: [] });
  for (const step of steps.slice(1)) {
    if ('hold' in step) {
      if (step.hold === 'stability' && step.season === 1) expect(step.after).toBe('stability');
    } else expect(step.first.map((f) => f.hold)).toContain('stability');
  }
  expect(needsOf([stability], visit, undefined)).toContainEqual(
    expect.objectContaining({ resource: 'assessor', amount: 1, step: 'stability' }),
  );
  expect(operations.find((o) => o.key === 'watch')).toMatchObject({
    advice: 'not',
    summary: expect.stringContaining('it may fall'),
  });
  expect(
    operations
      .flatMap((o) => [o.summary, ...o.why])
      .filter((t) => CALM.test(t) && !/^Nothing calls for it\.?$/.test(t)),
  ).toEqual([]);
  const { urgency, action } = triage(verdict);
  expect(['now', 'season']).toContain(urgency);
  expect(action).toMatch(/stability|decay examined/);
  const s = situation(tree, [], visit, profile, verdict, {});
  for (const option of optionsOf({ situation: s, operations, rates: undefined, trenches: undefined }))
    expect(option.what).toMatch(/stability assessed/);
}

test.each(SIGNS)('$key $answer, seen and nothing else: people away and stability first', (finding) => {
  const tree: Tree = { label: 'T', species: 'x', plantedYear: 2005 };
  const visit: Visit = { date: '2026-06-01', findings: [finding], profiles: [], probes: [], decisions: [] };
  const result = assess(tree, [], visit);
  expect(result.verdict.danger).toMatchObject({ days: 7 });
  expect(result.verdict.danger!.signs).toHaveLength(1);
  dangerComesFirst(tree, visit, result);
});

test('whatever else a case holds, a sign of danger comes before all work, and all work waits for it', () => {
  const withSign = fc.tuple(anyCase, fc.constantFrom(...SIGNS));
  fc.assert(
    fc.property(withSign, ([{ tree, events, visits }, sign]) => {
      for (const plain of visits) {
        const findings = [...plain.findings.filter((f) => f.key !== sign.key), sign];
        const visit = { ...plain, findings, decisions: [] };
        const age = ageAt(tree, visit)?.years ?? 99;
        const result = assess(tree, events, visit);
        if (sign.answer !== 'slight' || age >= 5)
          expect(result.verdict.danger?.signs.length).toBeGreaterThan(0);
        if (result.verdict.danger) dangerComesFirst(tree, visit, result);
      }
    }),
    tries(40),
  );
});

test('nothing calls for work is said beside no danger and no likely cause, and a stake holds only what is small and sound', () => {
  fc.assert(
    fc.property(anyCase, ({ tree, events, visits }) => {
      for (const plain of visits) {
        const visit = { ...plain, decisions: [] };
        const { verdict, operations } = assess(tree, events, visit);
        const watch = operations.find((o) => o.key === 'watch')!;
        const likely = verdict.causes.some((c) => c.standing === 'likely');
        if (verdict.danger || likely) {
          expect([watch.summary, ...watch.why].join()).not.toMatch(CALM);
          expect(triage(verdict).urgency).not.toBe('fine');
        }
        const stake = operations.find((o) => o.key === 'stake')!;
        const stem = tree.stemDiameter ?? tree.dbh;
        const decay = verdict.mechanisms.find((m) => m.mechanism === 'basalDecay')!;
        const decayed =
          decay.probability >= 0.6 ||
          ['barkSoft', 'conks', 'hollow'].some((key) => verdict.facts[key as 'conks'].state === 'yes');
        if (verdict.facts.rocks.state === 'yes' && (stem === undefined || stem > 0.1 || decayed))
          expect(stake.advice).toBe('not');
      }
    }),
    tries(60),
  );
});

// Common practice, no source: a nursery tree is held by a stake while its roots grow.
test('a small sound tree that rocks may be staked, once its stability was judged', () => {
  const tree: Tree = { label: 'T', species: 'x', plantedYear: 2022, stemDiameter: 0.04, height: 3 };
  const visit = (more: Finding[]): Visit => ({
    date: '2026-06-01',
    findings: [{ key: 'base.push', answer: 'rocks' }, ...more],
    profiles: [],
    probes: [],
    decisions: [],
  });
  const of = (given: Tree, more: Finding[] = []) =>
    assess(given, [], visit(more)).operations.find((o) => o.key === 'stake')!;
  expect(of(tree)).toMatchObject({ advice: 'option', first: ['stability'] });
  expect(of({ ...tree, stemDiameter: 0.2 }).why[0]).toMatch(/stem .*not held by a stake/);
  expect(of(tree, [{ key: 'base.sound', answer: 'hollow' }]).advice).toBe('not');
  const { quantities } = assess(tree, [], visit([])).operations[0]!;
  // 1.5 times the height, and once round it.
  expect(quantities.find((q) => q.key === 'radiusKeptClear')!.value).toBeCloseTo(4.5, 12);
  expect(quantities.find((q) => q.key === 'barrier')!.value).toBeCloseTo(9 * Math.PI, 12);
});
