import { collarAt, visitOn } from '../../tests/visits';
import { PRACTICE_TABLE } from '../diagnosis';
import { questionFor } from '../questions';
import type { Finding, Tree } from '../records';
import { compareVisits } from './compare';

const TREE: Tree = { label: 'T', species: 'Tilia cordata', plantedYear: 2012, stemDiameter: 0.12 };
const between = (before: Finding[], after: Finding[]) =>
  compareVisits(TREE, visitOn('2024-06-01', before), visitOn('2026-06-01', after));
const of = (rows: ReturnType<typeof between>, key: string) => rows.find((r) => r.key === key);
const number = (key: string, value: number): Finding => ({ key, number: value });

test('a measure is better or worse only where it moved more than its error; dieback the other way round', () => {
  const told = (key: string, was: number, is: number) =>
    of(between([number(key, was)], [number(key, is)]), key.split('.')[1]!)!.judgement;
  expect(told('crown.density', 0.5, 0.9)).toBe('better');
  expect(told('crown.density', 0.5, 0.55)).toBe('as it was');
  expect(told('crown.density', 0.9, 0.5)).toBe('worse');
  expect(told('crown.dieback', 0.1, 0.5)).toBe('worse');
  expect(told('crown.dieback', 0.5, 0.1)).toBe('better');
});

test('what one visit did not inspect cannot be determined, and says which', () => {
  expect(of(between([number('crown.density', 0.5)], []), 'density')).toMatchObject({
    judgement: 'cannot be determined',
    why: 'not measured on 2026-06-01',
  });
  expect(of(between([], [{ key: 'crown.leaf', answer: 'small' }]), 'crown.leaf')).toMatchObject({
    judgement: 'cannot be determined',
    why: 'not checked on 2024-06-01',
  });
});

test('a collar that was laid open is better, by its depth and its error', () => {
  const [before, after] = [
    visitOn('2024-06-01', [], { probes: collarAt(0.2) }),
    visitOn('2026-06-01', [], { probes: collarAt(0) }),
  ];
  const collar = compareVisits(TREE, before, after).find((r) => r.key === 'collar')!;
  expect(collar.judgement).toBe('better');
  expect(collar.before!.value).toBeGreaterThan(collar.after!.value);
});

test('every look of the table: graver is worse, as grave is as it was, back to nothing is better', () => {
  for (const finding of PRACTICE_TABLE.findings) {
    const question = questionFor(finding.key);
    if (!question || !('answers' in question)) continue;
    const [none, ...rest] = finding.answers.map(([answer]) => answer);
    const worst = rest.at(-1);
    if (worst === undefined) continue;
    const saw = (answer: string): Finding[] => [
      { key: finding.key, answer, ...(question.kind === 'sectors' && { part: 0 }) },
    ];
    const judged = (was: string, is: string) => of(between(saw(was), saw(is)), finding.key)?.judgement;
    expect([finding.key, judged(none!, worst), judged(worst, none!), judged(worst, worst)]).toEqual([
      finding.key,
      'worse',
      'better',
      'as it was',
    ]);
  }
});
