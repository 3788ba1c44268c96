import fc from 'fast-check';
import { assess } from '../assessment';
import { clientWords } from '../diagnosis';
import { needsOf } from '../costing';
import { CROWN_QUESTIONS } from '../questions/crown';
import type { Finding, Tree, Visit } from '../records';
import { causesAnswered, workOrder } from '../prescription';
import { optionsOf } from '../worth/options';
import { answerOf } from '../worth/answer';
import { triage } from '../walk';
import { aliveOf } from './alive';

const TREE: Tree = {
  label: 'T',
  species: 'Tilia cordata',
  plantedYear: 2012,
  stock: 'container',
  stemDiameter: 0.12,
  dbh: 0.1,
  height: 6,
};
const visitWith = (findings: readonly Finding[]): Visit => ({
  date: '2026-06-01',
  findings: [...findings],
  profiles: [],
  probes: [],
  decisions: [],
});
const answer = (key: string, value: string): Finding => ({ key: `crown.${key}`, answer: value });
const dieback = (number: number): Finding => ({ key: 'crown.dieback', number });
const DEAD = [answer('scratch', 'dry'), answer('buds', 'dry'), dieback(1)];

// Common practice, no source.
test.each<[string, Finding[], string]>([
  ['nothing examined', [], 'unexamined'],
  ['good leaves', [answer('colour', 'good')], 'alive'],
  ['brown down to the stem', [answer('scratch', 'dry')], 'dead'],
  ['brown, no buds, no crown', DEAD, 'dead'],
  ['no crown and nobody scratched', [dieback(1)], 'doubtful'],
  ['dry buds alone', [answer('buds', 'dry')], 'doubtful'],
  ['no crown, but green on the stem', [dieback(1), answer('scratch', 'part')], 'alive'],
  ['half a crown', [dieback(0.5)], 'unexamined'],
  ['brown, yet plump buds', [answer('scratch', 'dry'), answer('buds', 'plump')], 'contradictory'],
  ['all dead, yet good leaves', [dieback(1), answer('colour', 'good')], 'contradictory'],
])('%s', (_, findings, state) => {
  const found = aliveOf(findings);
  expect(found.state).toBe(state);
  expect(found.says === '').toBe(state === 'unexamined');
});

test('a dead tree: no remedy for the living, taken down from a lift, a post-mortem that answers every cause', () => {
  const { operations, verdict, situation } = assess(
    TREE,
    [],
    visitWith([
      ...DEAD,
      { key: 'base.entry', part: 0, answer: 'straight' },
      { key: 'look.flare', answer: 'straight' },
      { key: 'look.mulch', answer: 'high' },
    ]),
  );
  expect(verdict.summary).toMatch(/It is dead \(bark scratched: brown and dry down to the stem/);
  // The client reads it first, and nothing of what the crown does by now.
  const words = clientWords(TREE, visitWith(DEAD), verdict);
  expect(words).toMatch(/^Your tree is dead\. /);
  expect(words).not.toContain('As a result');
  const done = operations.filter((o) => o.advice !== 'not').map((o) => o.key);
  expect(done).toEqual(['stability', 'postmortem', 'remove', 'replace']);
  const remove = operations.find((o) => o.key === 'remove')!;
  expect(remove.summary).toContain('nobody climbs it');
  expect(remove.method.join(' ')).toContain('not climbed: use a lift or fell');
  for (const o of operations.filter((op) => !done.includes(op.key)))
    expect([o.key, o.summary, o.quantities]).toEqual([
      o.key,
      expect.stringMatching(/^(Not for a dead tree|Not as it stands: it may fall)/),
      [],
    ]);
  const answers = causesAnswered(situation, operations);
  expect(answers.length).toBeGreaterThan(0);
  for (const { by, operations: keys } of answers)
    expect([by, keys.includes('postmortem')]).toEqual(['prescribed', true]);
  expect(triage(verdict)).toMatchObject({
    urgency: 'season',
    action: expect.stringContaining('post-mortem'),
  });
});

test('its chain to the end: steps in order, hours, a day to inspect the others, and no chance left', () => {
  const visit = visitWith(DEAD);
  const { operations, situation } = assess(TREE, [], visit);
  const planned = operations.filter((o) => o.advice === 'do');
  const steps = workOrder(planned, visit).flatMap((s) =>
    'operation' in s ? [s.operation] : [`hold ${s.hold}`],
  );
  expect(steps.indexOf('postmortem')).toBeLessThan(steps.indexOf('remove'));
  expect(steps.indexOf('hold utilities')).toBeLessThan(steps.indexOf('postmortem'));
  expect(steps.indexOf('hold stability')).toBeLessThan(steps.indexOf('remove'));
  const needs = needsOf(planned, visit, undefined, true);
  for (const key of ['postmortem', 'remove', 'replace'])
    expect([key, needs.some((n) => n.step === key && n.amount > 0)]).toEqual([key, true]);
  expect(planned.find((o) => o.key === 'postmortem')!.lookAgain!.days).toBe(60);
  const options = optionsOf({ situation, operations, rates: undefined, trenches: undefined });
  expect(options.find((o) => o.key === 'treat')!.barred.length).toBeGreaterThan(0);
  expect(options.find((o) => o.key === 'reset')!.barred).toEqual(['It is dead']);
  expect(options.find((o) => o.key === 'nothing')!.chance).toMatchObject({ from: 0, to: 0 });
  expect(answerOf(options, undefined)).toMatch(/^The tree is dead/);
});

test('what looks dead is scratched before anything else; every other step waits for it', () => {
  const rocks: Finding = { key: 'base.girdling', answer: 'pressing' };
  for (const findings of [[dieback(1)], [answer('scratch', 'dry'), answer('buds', 'plump')]]) {
    const { operations, verdict } = assess(
      TREE,
      [],
      visitWith([...findings, rocks, { key: 'look.mulch', answer: 'high' }]),
    );
    const own = operations.find((o) => o.key === 'alive')!;
    expect([own.advice, own.lookAgain!.days]).toEqual(['do', 14]);
    expect(verdict.summary).toMatch(/Scratch the bark of twig, limb and stem/);
    for (const o of operations.filter(
      (op) => op.advice !== 'not' && !['alive', 'watch', 'fertiliser', 'stability'].includes(op.key),
    ))
      expect([o.key, o.first]).toEqual([o.key, expect.arrayContaining(['alive'])]);
    expect(triage(verdict).action).toMatch(/scratch/);
    expect(clientWords(TREE, visitWith(findings), verdict)).toMatch(
      /^We do not yet know whether your tree is alive/,
    );
  }
});

test('whatever is answered: one state with its reason; nothing is felled as dead that gives a sign of life', () => {
  const graded = CROWN_QUESTIONS.flatMap((q) => (q.kind === 'grade' ? [q] : []));
  const some = fc.tuple(
    ...graded.map((q) => fc.option(fc.constantFrom(...q.answers.map((a) => a.key)), { nil: undefined })),
    fc.option(fc.constantFrom(0, 0.5, 0.97, 1), { nil: undefined }),
  );
  fc.assert(
    fc.property(some, (given) => {
      const share = given.at(-1) as number | undefined;
      const findings = graded.flatMap((q, i) =>
        given[i] === undefined ? [] : [{ key: q.key, answer: given[i] as string }],
      );
      const { state, says } = aliveOf([...findings, ...(share === undefined ? [] : [dieback(share)])]);
      expect(says === '').toBe(state === 'unexamined');
      expect(says).not.toMatch(/undefined/);
      const of = (key: string) => findings.find((f) => f.key === `crown.${key}`)?.answer;
      const green = of('scratch') === 'green' || of('scratch') === 'part' || of('buds') === 'plump';
      if (green) expect(state).not.toBe('dead');
      if (state === 'dead') expect(of('scratch')).toBe('dry');
    }),
    { numRuns: 300 },
  );
});
