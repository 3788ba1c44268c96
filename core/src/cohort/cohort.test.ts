import fc from 'fast-check';
import type { Verdict } from '../diagnosis';
import { LEAST_MEMBERS, proposeCohorts, readCohort, SHARED_FAULTS, type CohortTree } from './cohort';

const PRIOR = 0.2;
/** A tree whose own findings make it as likely as `probability` that it has the fault. */
const seen = (
  id: string,
  fault: string,
  probability: number,
  more: Partial<CohortTree> = {},
): CohortTree => ({
  id,
  label: id,
  probed: false,
  dug: false,
  verdict: {
    causes: [{ cause: fault, probability, prior: PRIOR }],
    alive: { state: 'unexamined', says: '' },
  } as unknown as Verdict,
  ...more,
});
const unseen = (id: string): CohortTree => ({ id, label: id, probed: false, dug: false });

test('trees of one year, stock and planter are proposed once there are enough, confirmed ones and strays never', () => {
  const tree = fc.record({
    plantedYear: fc.constantFrom(2012, 2014, undefined),
    stock: fc.constantFrom('container' as const, undefined),
    planter: fc.constantFrom('Brook & Daughters', undefined),
    cohort: fc.constantFrom('known', undefined, undefined),
  });
  fc.assert(
    fc.property(fc.array(tree, { maxLength: 20 }), (given) => {
      const trees = given.map((t, i) => ({
        ...t,
        id: String(i),
        label: String(i),
        species: 'Tilia cordata',
      }));
      const proposals = proposeCohorts(trees);
      const ids = proposals.flatMap((p) => p.ids);
      expect(new Set(ids).size).toBe(ids.length);
      for (const p of proposals) expect(p.ids.length).toBeGreaterThanOrEqual(LEAST_MEMBERS);
      // By hand: every tree that fits has the like of it counted one by one.
      for (const t of trees) {
        const like = trees.filter(
          (o) =>
            o.cohort === undefined &&
            o.plantedYear === t.plantedYear &&
            o.stock === t.stock &&
            o.planter === t.planter,
        );
        const fits = t.cohort === undefined && t.plantedYear !== undefined && like.length >= LEAST_MEMBERS;
        expect([t.id, ids.includes(t.id)]).toEqual([t.id, fits]);
      }
      expect(proposals.map((p) => p.ids.length)).toEqual(
        proposals.map((p) => p.ids.length).sort((a, b) => b - a),
      );
    }),
  );
});

test('a cohort of one is as its own verdict says; what one shows moves those that nobody examined', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...SHARED_FAULTS),
      fc.double({ min: 0.02, max: 0.98, noNaN: true }),
      (fault, p) => {
        expect(readCohort([seen('A', fault, p)], fault, PRIOR).trees[0]!.chance).toBeCloseTo(p, 9);
        const other = readCohort([seen('A', fault, p), unseen('B')], fault, PRIOR).trees.find(
          (t) => t.id === 'B',
        )!;
        expect(other.own).toBe(PRIOR);
        if (p > PRIOR + 0.01) expect(other.chance).toBeGreaterThan(PRIOR);
        if (p < PRIOR - 0.01) expect(other.chance).toBeLessThan(PRIOR);
      },
    ),
  );
});

test('a probed collar settles how deep a tree was planted and nothing else; a dig settles all', () => {
  for (const fault of SHARED_FAULTS) {
    const { examined, found, trees, summary } = readCohort(
      [
        seen('A', fault, 0.99, { dug: true }),
        seen('B', fault, 0.98, { probed: true }),
        seen('C', fault, 0.01, { dug: true }),
        unseen('D'),
      ],
      fault,
      PRIOR,
    );
    const settled = fault === 'plantedDeep' ? 3 : 2;
    expect([fault, examined, found]).toEqual([fault, settled, settled - 1]);
    expect(trees.map((t) => t.chance)).toEqual([...trees.map((t) => t.chance)].sort((a, b) => b - a));
    expect(summary).toContain(`of the 4 (`);
    expect(summary).toContain(`; ${settled} examined, ${settled - 1} of them with it.`);
  }
});

test('where all were dug nothing is left to dig, and the share is what was found', () => {
  const all = ['A', 'B', 'C', 'D'].map((id, i) => seen(id, 'barrier', i < 3 ? 0.999 : 0.001, { dug: true }));
  const reading = readCohort(all, 'barrier', PRIOR);
  expect(reading.next).toBeUndefined();
  expect(reading.digs.map((d) => d.more)).toEqual([0, 0]);
  expect(reading.pooled.share.value).toBeCloseTo(0.75, 2);
});

test('the likeliest stands first, and of trees as likely the one with the lower number', () => {
  const labels = ['Linden 10', 'Linden 2', 'Linden 20', 'Linden 3'];
  for (const fault of SHARED_FAULTS) {
    const trees = [...labels.map(unseen), seen('Linden 19', fault, 0.9)];
    const order = readCohort(trees, fault, PRIOR).trees.map((t) => t.label);
    expect(order).toEqual(['Linden 19', 'Linden 2', 'Linden 3', 'Linden 10', 'Linden 20']);
  }
});
