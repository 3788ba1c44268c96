import fc from 'fast-check';
import jstat from 'jstat';
import { digNext, digsNeeded, pool, weightsAlike, type Member } from './index';

const member = (factor: number, examined = false): Member => ({ factor, examined });
const members = fc.array(fc.double({ min: 0.01, max: 100, noNaN: true }), { minLength: 1, maxLength: 9 });

test('chances of a number among more trees are the beta-binomial of a general-purpose package (jstat), in large cohorts too', () => {
  const logBeta = (a: number, b: number) => jstat.gammaln(a) + jstat.gammaln(b) - jstat.gammaln(a + b);
  const trees = fc.integer({ min: 0, max: 400 });
  fc.assert(
    fc.property(
      trees,
      trees,
      trees,
      fc.double({ min: 0.02, max: 0.98, noNaN: true }),
      (n, yes, no, prior) => {
        const [a, b] = [2 * prior + yes, 2 * (1 - prior) + no];
        const weights = weightsAlike(n, yes, no, prior);
        expect(weights.reduce((x, y) => x + y, 0)).toBeCloseTo(1, 12);
        weights.forEach((w, m) => {
          const choices = jstat.gammaln(n + 1) - jstat.gammaln(m + 1) - jstat.gammaln(n - m + 1);
          expect(w).toBeCloseTo(Math.exp(choices + logBeta(a + m, b + n - m) - logBeta(a, b)), 7);
        });
      },
    ),
  );
});

test('five hundred trees of which nothing is known, or whose findings all say the same, pool to chances that are chances', () => {
  for (const factor of [1, 0.001, 1000]) {
    const { chances, number, share } = pool(
      Array.from({ length: 500 }, () => member(factor)),
      0.3,
    );
    expect(number.reduce((x, y) => x + y, 0)).toBeCloseTo(1, 9);
    expect(chances.every((p) => p >= 0 && p <= 1)).toBe(true);
    expect(chances[0]).toBeCloseTo(share.value, 6);
    if (factor === 1) expect(chances[0]).toBeCloseTo(0.3, 9);
  }
});

test('a level prior and a finite cohort: the same as weighing each number by its hypergeometric chance', () => {
  // Any number with the fault as likely as another (beta 1,1): 2 of 4 dug have it, of 9 in all.
  const [size, dug, found] = [9, 4, 2];
  const by = Array.from({ length: size + 1 }, (_, m) =>
    m < found || size - m < dug - found
      ? 0
      : (choose(m, found) * choose(size - m, dug - found)) / choose(size, dug),
  );
  const total = by.reduce((a, b) => a + b, 0);
  weightsAlike(size - dug, found, dug - found, 0.5).forEach((w, m) =>
    expect(w).toBeCloseTo(by[m + found]! / total, 9),
  );
});

test('the beta prior agrees with integrating a binomial over it (jstat)', () => {
  const [n, prior] = [6, 0.3];
  weightsAlike(n, 1, 2, prior).forEach((w, m) => {
    const steps = 20000;
    let sum = 0;
    for (let i = 0; i < steps; i++) {
      const p = (i + 0.5) / steps;
      sum += (jstat.binomial.pdf(m, n, p) * jstat.beta.pdf(p, 2 * prior + 1, 2 * (1 - prior) + 2)) / steps;
    }
    expect(w).toBeCloseTo(sum, 4);
  });
});

test('pooled chances agree with every combination of the trees counted out', () => {
  fc.assert(
    fc.property(members, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (factors, prior) => {
      const n = factors.length;
      const alike = Array.from({ length: n + 1 }, (_, m) => weightsAlike(n, 0, 0, prior)[m]! / choose(n, m));
      let total = 0;
      const each = factors.map(() => 0);
      const number = Array.from({ length: n + 1 }, () => 0);
      for (let s = 0; s < 1 << n; s++) {
        const has = factors.map((_, i) => (s >> i) & 1);
        const m = has.reduce((a, b) => a + b, 0);
        const w = has.reduce((product, h, i) => (h ? product * factors[i]! : product), alike[m]!);
        total += w;
        number[m]! += w;
        has.forEach((h, i) => (each[i]! += h ? w : 0));
      }
      const pooled = pool(
        factors.map((f) => member(f)),
        prior,
      );
      each.forEach((w, i) => expect(pooled.chances[i]).toBeCloseTo(w / total, 9));
      number.forEach((w, m) => expect(pooled.number[m]).toBeCloseTo(w / total, 9));
    }),
  );
});

function choose(n: number, k: number): number {
  return k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k;
}

test('one tree alone is as its own findings make it; a found fault raises the others', () => {
  const alone = pool([member(4)], 0.25).chances[0]!;
  expect(alone / (1 - alone)).toBeCloseTo((4 * 0.25) / 0.75, 9);
  const after = pool([member(1000, true), member(1)], 0.25).chances[1]!;
  expect(after).toBeGreaterThan(0.25);
  expect(pool([member(0.001, true), member(1)], 0.25).chances[1]).toBeLessThan(0.25);
  expect(() => pool([member(1)], 1.2)).toThrow(/Prior 1.2: allowed between 0 and 1/);
});

test('digs needed: none when it is known, more when it hangs in the balance', () => {
  const known = { found: 9, dug: 10, size: 12, prior: 0.3 };
  expect(digsNeeded(known, 0.5)).toBe(0);
  const open = digsNeeded({ found: 1, dug: 2, size: 12, prior: 0.3 }, 0.5)!;
  expect(open).toBeGreaterThan(1);
  expect(digsNeeded({ found: 1, dug: 2, size: 12, prior: 0.3 }, 0.5, 0.8)!).toBeLessThanOrEqual(open);
  // When all are dug it is known.
  expect(digsNeeded({ found: 3, dug: 6, size: 6, prior: 0.3 }, 0.5)).toBe(0);
});

test('the next dig is never at a tree that was examined, and leaves least unknown', () => {
  expect(digNext([member(1000, true), member(0.001, true)], 0.3)).toBeUndefined();
  expect(digNext([member(1000, true), member(50), member(1)], 0.3)).toBe(2);
});
