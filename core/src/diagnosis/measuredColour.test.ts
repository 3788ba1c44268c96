import { visitOn } from '../../tests/visits';
import type { Finding, Picture, Tree, Visit } from '../records';
import { leafColour } from '../crown';
import { profileOf } from '../profile';
import { chlorosisAdvice } from '../soil';
import { PRACTICE_TABLE } from './practiceTable';
import { verdictOf } from './verdict';

const TREE: Tree = { label: 'T', species: 'Quercus robur' } as Tree;
const leaves = (of: 'tree' | 'reference', index: number, error = 0.02, veins?: number): Picture => ({
  hash: (of === 'tree' ? 'a' : 'b').repeat(64),
  width: 100,
  height: 100,
  on: '2026-07-10',
  leaves: {
    of,
    index,
    spread: 0.03,
    count: 6,
    error,
    ...(veins !== undefined && { veins: { index: veins, error: 0.01 } }),
  },
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

test('one of the two tells nothing; scorched margins, which only the eye sees, stand, and green veins where none were measured', () => {
  const scorched = { key: 'crown.colour', answer: 'scorched' };
  const veined = { key: 'crown.colour', answer: 'veins' };
  const measured = [leaves('tree', 0.32, 0.02, -0.02), leaves('reference', 0.5)];
  expect(colourOf(visit(measured, scorched))!.answer).toBe('scorched');
  // The eye took them for green veins; they are paler than the blade.
  expect(colourOf(visit(measured, veined))!.answer).toBe('pale');
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

test('green veins measured: every cause that makes them is the likelier than where leaves are evenly pale, to the advice', () => {
  const [veined, even] = [0.14, -0.02].map((v) =>
    visit([leaves('tree', 0.3, 0.005, v), leaves('reference', 0.5, 0.005)]),
  ) as [Visit, Visit];
  expect(colourOf(veined)!).toMatchObject({
    answer: 'veins',
    says: 'leaf colour index 0.30, 0.50 on the reference tree, its veins greener by 0.14',
  });
  expect([leafColour(veined), leafColour(even)]).toEqual(['veins', 'pale']);
  const colour = PRACTICE_TABLE.findings.find((f) => f.key === 'crown.colour')!;
  const chance = (v: Visit, of: string) => {
    const { causes, mechanisms } = judged(v);
    return (
      causes.find((c) => c.cause === of)?.probability ??
      mechanisms.find((m) => m.mechanism === of)?.probability
    );
  };
  const veining = colour.links.filter((l) => 'veins' in l.makes).map((l) => l.of);
  expect(veining.length).toBeGreaterThan(0);
  for (const of of veining) expect([of, chance(veined, of)! > chance(even, of)!]).toEqual([of, true]);
  // What makes leaves evenly pale and no green veins is the less likely.
  const paling = colour.links.filter((l) => 'pale' in l.makes && !('veins' in l.makes)).map((l) => l.of);
  const weighed = paling.filter((of) => chance(veined, of) !== undefined);
  expect(weighed.length).toBeGreaterThan(3);
  for (const of of weighed) expect([of, chance(veined, of)! < chance(even, of)!]).toEqual([of, true]);
  expect(chlorosisAdvice(veined)).not.toEqual([]);
  // Near the limit it may be either, and where veins were not measured it may be either as well.
  const near = visit([leaves('tree', 0.3, 0.005, 0.06), leaves('reference', 0.5, 0.005)]);
  const cause = veining[0]!;
  expect(chance(near, cause)!).toBeGreaterThan(chance(even, cause)!);
  expect(chance(near, cause)!).toBeLessThan(chance(veined, cause)!);
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
