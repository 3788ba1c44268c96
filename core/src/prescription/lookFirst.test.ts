import fc from 'fast-check';
import { anyCase, tries } from '../../tests/anyCase';
import { visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { explain } from '../diagnosis';
import type { Tree, Visit } from '../records';
import { REMEDIES } from '../remedies';
import { looksFirst } from './index';

const told = (tree: Tree, visit: Visit) => {
  const { verdict, operations, situation } = assess(tree, [], visit);
  const { decisions } = explain(verdict);
  return { operations, decisions, waiting: looksFirst(situation, operations, decisions) };
};

test('a remedy waits only where none of its causes is to be treated and one is to be examined', () => {
  fc.assert(
    fc.property(anyCase, ({ tree, visits: [visit] }) => {
      if (!visit) return;
      const { decisions, waiting } = told(tree, visit);
      for (const { operation, look, text } of waiting) {
        const own = decisions.filter((d) => REMEDIES[operation].treats.includes(d.for));
        expect(own.some((d) => d.choice === 'do')).toBe(false);
        expect(own.some((d) => d.look?.finding === look.finding)).toBe(true);
        expect(visit.decisions.some((d) => d.operation === operation)).toBe(false);
        expect(look.minutes).toBeGreaterThan(0);
        expect(text).toMatch(/\d/);
      }
      expect(waiting.map((w) => w.operation)).not.toContain('stability');
    }),
    tries(40),
  );
});

/** Looks that leave tight ground possible. */
const TREE: Tree = { label: 'T', species: 'Tilia cordata', plantedYear: 2012, stemDiameter: 0.2 };
const FEW = visitOn('2026-06-10', [{ key: 'dig.shape', answer: 'partly' }]);

test('what is prescribed on little waits for the look, what a person prescribes waits for nothing', () => {
  const { waiting, operations } = told(TREE, FEW);
  expect(waiting.length).toBeGreaterThan(0);
  const decided = {
    ...FEW,
    decisions: operations.filter((o) => o.advice !== 'not').map((o) => ({ operation: o.key, taken: true })),
  };
  expect(told(TREE, decided).waiting).toEqual([]);
});
