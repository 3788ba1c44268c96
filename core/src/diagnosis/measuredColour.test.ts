import { visitOn } from '../../tests/visits';
import type { Finding, Picture, Tree, Visit } from '../records';
import { leafColour } from '../crown';
import { profileOf } from '../profile';
import { chlorosisAdvice } from '../soil';
import { PRACTICE_TABLE } from './practiceTable';
import { verdictOf } from './verdict';

const TREE: Tree = { label: 'T', species: 'Quercus robur' } as Tree;
const leaves = (of: 'tree' | 'reference', index: number, error = 0.02): Picture => ({
  hash: (of === 'tree' ? 'a' : 'b').repeat(64),
  width: 100,
  height: 100,
  on: '2026-07-10',
  leaves: { of, index, spread: 0.03, count: 6, error },
});
const visit = (pictures: Picture[], ...findings: Finding[]): Visit => ({
  ...visitOn('2026-07-10', findings),
  pictures,
});
const judged = (v: Visit) => verdictOf(TREE, [], v, profileOf(TREE, v));
const colourOf = (v: Visit) => judged(v).evidence.find((e) => e.key === 'crown.colour');

test('leaves measured beside those of the reference tree are evidence with their error, in place of the eye', () => {
  const paler = colourOf(visit([leaves('tree', 0.32), leaves('reference', 0.5)]))!;
  expect(paler.answer).toBe('pale');
  expect(paler.says).toBe('leaf colour index 0.32, 0.50 on the reference tree');
  expect(colourOf(visit([leaves('tree', 0.49), leaves('reference', 0.5)]))!.answer).toBe('good');
  // The eye said good, and was wrong.
  const corrected = visit([leaves('tree', 0.32), leaves('reference', 0.5)], {
    key: 'crown.colour',
    answer: 'good',
  });
  expect(colourOf(corrected)!.answer).toBe('pale');
});

test('one of the two tells nothing; green veins and scorched margins, which only the eye sees, stand', () => {
  expect(colourOf(visit([leaves('tree', 0.32)]))).toBeUndefined();
  for (const answer of ['veins', 'scorched'])
    expect(
      colourOf(visit([leaves('tree', 0.32), leaves('reference', 0.5)], { key: 'crown.colour', answer }))!
        .answer,
    ).toBe(answer);
});

test('every cause that pales leaves is the likelier for pale leaves measured; advice and recovery read the same colour', () => {
  const pale = visit([leaves('tree', 0.3, 0.005), leaves('reference', 0.5, 0.005)]);
  const good = visit([leaves('tree', 0.5, 0.005), leaves('reference', 0.5, 0.005)]);
  const colour = PRACTICE_TABLE.findings.find((f) => f.key === 'crown.colour')!;
  const chances = (v: Visit) => {
    const { causes, mechanisms } = judged(v);
    return new Map<string, number>([
      ...causes.map((c) => [c.cause, c.probability] as const),
      ...mechanisms.map((m) => [m.mechanism, m.probability] as const),
    ]);
  };
  const [a, b] = [chances(pale), chances(good)];
  const paling = colour.links.filter((l) => 'pale' in l.makes).map((l) => l.of as string);
  expect(paling.length).toBeGreaterThan(5);
  // One that cannot be at a tree, such as transplant shock in a grown one, is left out of the verdict.
  const weighed = paling.filter((of) => a.has(of));
  expect(weighed.length).toBeGreaterThan(4);
  for (const of of weighed) expect([of, a.get(of)! > b.get(of)!]).toEqual([of, true]);
  expect([leafColour(pale), leafColour(good)]).toEqual(['pale', 'good']);
  expect(chlorosisAdvice(pale)[0]).toContain('waits for the soil test');
  expect(chlorosisAdvice(good)).toEqual([]);
});

test('the surer it is measured that leaves are paler, the likelier is what pales them; near the limit it says little', () => {
  const chance = (index: number, error: number) =>
    judged(visit([leaves('tree', index, error), leaves('reference', 0.5, error)])).causes.find(
      (c) => c.cause === 'chlorosis',
    )!.probability;
  const known = (list: number[]) => list.every((v, i) => i === 0 || v >= list[i - 1]! - 1e-9);
  expect(known([0.5, 0.46, 0.42, 0.36, 0.3].map((index) => chance(index, 0.02)))).toBe(true);
  expect(chance(0.3, 0.02)).toBeGreaterThan(chance(0.3, 0.2));
});
