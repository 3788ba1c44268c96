import fc from 'fast-check';
import { anyCase, tries } from '../../tests/anyCase';
import { caseOf } from '../format/order';
import type { CaseFile } from '../format/case';
import type { Visit } from '../records';
import { estimate, needsLeft, needsOf, RESOURCE_KEYS, type Rates } from '../costing';
import { clientWords } from '../diagnosis';
import { clashesOf, plannedOf, workOrder } from '../prescription';
import { assessDig, isStressed } from '../pruning';
import { assessTrenches } from '../trenching';
import { writeLengths } from '../units';
import { optionsOf, treatmentOf } from '../worth';
import { assess, COUNTED, progressOf, unansweredIn, glanceAt } from './index';

const RATES: Rates = {
  currency: 'EUR',
  prices: Object.fromEntries(RESOURCE_KEYS.map((key, i) => [key, String(10 + i)])),
  tax: { name: 'VAT', percent: '19' },
};

/** A case whose names hold nothing that could be taken for a fault of a sentence. */
const named = anyCase.map(({ tree, events, visits }) => ({
  tree: { ...tree, label: 'Tree 1', species: 'Tilia cordata', commonName: 'Lime', note: undefined },
  events: events.map((e) => ({ ...e, note: undefined })),
  visits: visits.map((v) => ({
    ...v,
    by: 'Ada',
    findings: v.findings.map((f) => ({ ...f, note: undefined })),
  })),
}));

/** Everything that is said and every number, wherever it stands. */
function leaves(value: unknown, texts: string[], numbers: number[]): void {
  if (typeof value === 'string') texts.push(value);
  else if (typeof value === 'number') numbers.push(value);
  else if (value && typeof value === 'object')
    for (const v of Object.values(value)) leaves(v, texts, numbers);
}

function allOf({ tree, events }: Pick<CaseFile, 'tree' | 'events'>, visit: Visit, visits: readonly Visit[]) {
  const assessment = assess(tree, events, visit);
  const { verdict, operations, situation: s } = assessment;
  const planned = plannedOf(operations, visit);
  const trenches = assessTrenches({
    tree,
    date: visit.date,
    findings: visit.findings,
    design: visit.trenches ?? {},
    dig: visit.dig,
    pushes: visit.pushes,
    site: { things: [], others: [] },
    firm: {},
    stressed: isStressed(visit),
  });
  const chosen = trenches.alternatives.find((a) => a.remedy === (visit.trenches?.choice?.remedy ?? 'spokes'));
  const needs = needsOf(planned, visit, chosen);
  return {
    assessment,
    s,
    planned,
    needs,
    said: {
      operations,
      chances: verdict.causes.map((c) => [c.probability, c.label]),
      summary: [verdict.summary, verdict.chain, verdict.evidence.map((e) => e.says)],
      client: clientWords(tree, visit, verdict),
      clashes: clashesOf(planned, s),
      order: workOrder(planned, visit, chosen?.bySeason?.length),
      options: optionsOf({ situation: s, operations, rates: RATES, trenches: chosen }),
      trenches: [trenches.quantities, trenches.alternatives, trenches.plan.blocked],
      dig: assessDig(tree, visits, visit)?.advice,
      glance: glanceAt(assessment, tree, visit),
      progress: progressOf(tree, events, visit, COUNTED),
      needs,
    },
  };
}

test('whatever a case holds, no number is missing and no sentence has a hole, in either units', () => {
  fc.assert(
    fc.property(named, ({ tree, events, visits }) => {
      for (const visit of visits) {
        const { said, needs, assessment } = allOf({ tree, events }, visit, visits);
        const [texts, numbers]: [string[], number[]] = [[], []];
        leaves(said, texts, numbers);
        expect(numbers.filter((n) => Number.isNaN(n))).toEqual([]);
        for (const system of ['metric', 'us'] as const)
          for (const text of texts)
            expect(writeLengths(text, system)).not.toMatch(
              /NaN|undefined|Infinity|null|\[object|\{[mM]|\s\.|\.\.$/,
            );
        for (const { probability } of assessment.verdict.causes) {
          expect(probability).toBeGreaterThan(0);
          expect(probability).toBeLessThan(1);
        }
        for (const o of assessment.operations)
          for (const q of o.quantities) {
            expect([o.key, q.name, Number.isFinite(q.value) && q.value >= 0]).toEqual([o.key, q.name, true]);
            expect(q.working.source).not.toBe('');
          }
        // What can be worked out can be charged, and all of it done leaves no work.
        const total = Number(estimate(needs, RATES).total);
        expect(Number.isFinite(total)).toBe(true);
        const steps = new Set(needs.flatMap((n) => n.step ?? []));
        expect(needsLeft(needs, steps).filter((n) => n.resource === 'crew' || n.resource === 'trip')).toEqual(
          [],
        );
        for (const option of said.options) {
          if (option.chance) expect(option.chance.from).toBeLessThanOrEqual(option.chance.to);
          if (option.cost) expect(option.cost.years.from).toBeLessThanOrEqual(option.cost.years.to);
        }
      }
    }),
    tries(25),
  );
});

test('every step that is charged is one of the order of work', () => {
  fc.assert(
    fc.property(named, ({ tree, events, visits }) => {
      for (const visit of visits) {
        const { operations, situation } = assess(tree, events, visit);
        const treatment = treatmentOf(situation, operations);
        const order = new Set(workOrder(treatment, visit).map((step) => step.key));
        for (const { step } of needsOf(treatment, visit, undefined)) if (step) expect(order).toContain(step);
      }
    }),
    tries(40),
  );
});

const shuffled = <T>(list: readonly T[]) =>
  fc.shuffledSubarray([...list], { minLength: list.length, maxLength: list.length });

test('in which order things were written down makes no difference', () => {
  const twice = named.chain(({ tree, events, visits }) => {
    const visit = visits[0];
    if (!visit) return fc.constant(undefined);
    return fc
      .tuple(shuffled(events), shuffled(visit.findings), shuffled(visit.profiles), shuffled(visit.probes))
      .map(([e, findings, profiles, probes]) => ({
        tree,
        events: [events, e] as const,
        visits: [visit, { ...visit, findings, profiles, probes }] as const,
      }));
  });
  fc.assert(
    fc.property(twice, (given) => {
      if (!given) return;
      const { tree, events, visits } = given;
      const [one, other] = [0, 1].map((i) => assess(tree, events[i]!, visits[i]!));
      // Sums taken in another order differ in their last digits.
      const close = (a: number, b: number) => expect(a).toBeCloseTo(b, 9);
      one!.verdict.causes.forEach((c, i) => {
        expect(other!.verdict.causes[i]!.cause).toBe(c.cause);
        close(other!.verdict.causes[i]!.probability, c.probability);
      });
      expect(other!.operations.map((o) => [o.key, o.advice])).toEqual(
        one!.operations.map((o) => [o.key, o.advice]),
      );
      one!.operations.forEach((o, i) =>
        o.quantities.forEach((q, k) => close(other!.operations[i]!.quantities[k]!.value, q.value)),
      );
      const [a, b] = [0, 1].map((i) => caseOf(tree, [], [visits[i]!]));
      expect(b).toEqual(a);
    }),
    tries(40),
  );
});

test('stations count what was answered, and the report names the rest', () => {
  fc.assert(
    fc.property(named, ({ tree, events, visits }) => {
      for (const visit of visits) {
        const answered = new Set(visit.findings.map((f) => f.key));
        for (const { asked, answered: had } of progressOf(tree, events, visit, COUNTED)) {
          expect(had).toBeGreaterThanOrEqual(0);
          expect(had).toBeLessThanOrEqual(asked);
        }
        for (const q of unansweredIn(visit)) expect(answered).not.toContain(q.key);
      }
    }),
  );
});
