import fc from 'fast-check';
import type { Finding, Tree, Visit } from '../records';
import { profileOf } from '../profile';
import { verdictOf } from './verdict';

const tree: Tree = { label: 'T', species: 'Tilia cordata', plantedYear: 2014, stemDiameter: 0.2 };
const bare = (findings: Finding[] = []): Visit => ({
  date: '2026-05-01',
  findings,
  profiles: [],
  probes: [],
  decisions: [],
});
const chance = (visit: Visit, cause: string): number =>
  verdictOf(tree, [], visit, profileOf(tree, visit)).causes.find((c) => c.cause === cause)!.probability;
const BEARINGS = [0, 90, 180, 270];
const round = fc.double({ min: 0, max: 0.35, noNaN: true });

/** Mulch against the stem, and soil over the old grade, equally deep all round. */
const around = (mulch: number, fill: number): Visit['profiles'] =>
  BEARINGS.map((bearing) => ({
    bearing,
    mulch: [
      { distance: 0, depth: mulch },
      { distance: 0.5, depth: mulch / 2 },
    ],
    mulchEnds: 1,
    fill: [{ distance: 0.3, depth: fill }],
  }));

// Common practice, no source: the more of a fault there is to be measured, the surer one is of it.

test('the more mulch stands against the stem, the surer the mulch cone', () => {
  fc.assert(
    fc.property(round, round, (a, b) => {
      const [less, more] = [Math.min(a, b), Math.max(a, b)];
      const of = (mulch: number) => chance({ ...bare(), profiles: around(mulch, 0) }, 'mulchCone');
      expect(of(more)).toBeGreaterThanOrEqual(of(less) - 1e-9);
    }),
    { numRuns: 40 },
  );
});

test('the more soil lies over the old grade, the surer that soil was added', () => {
  fc.assert(
    fc.property(round, round, (a, b) => {
      const [less, more] = [Math.min(a, b), Math.max(a, b)];
      const of = (fill: number) => chance({ ...bare(), profiles: around(0, fill) }, 'gradeRaised');
      expect(of(more)).toBeGreaterThanOrEqual(of(less) - 1e-9);
    }),
    { numRuns: 40 },
  );
});

test('the deeper the rod finds the first roots under the old grade, the surer that it was planted deep', () => {
  const probed = (depth: number): Visit => ({
    ...bare(),
    probes: Array.from({ length: 8 }, (_, i) => ({
      bearing: 45 * i,
      distance: 0.15,
      depth,
      found: 'root' as const,
      from: 'grade' as const,
    })),
  });
  fc.assert(
    fc.property(round, round, (a, b) => {
      const [less, more] = [0.02 + Math.min(a, b), 0.02 + Math.max(a, b)];
      expect(chance(probed(more), 'plantedDeep')).toBeGreaterThanOrEqual(
        chance(probed(less), 'plantedDeep') - 1e-9,
      );
    }),
    { numRuns: 40 },
  );
  expect(chance(probed(0.3), 'plantedDeep')).toBeGreaterThan(3 * chance(probed(0.02), 'plantedDeep'));
});

test('the thinner the crown, the surer that it declines', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.05, max: 1, noNaN: true }),
      fc.double({ min: 0.05, max: 1, noNaN: true }),
      (a, b) => {
        const of = (density: number) => {
          const visit = bare([{ key: 'crown.density', number: density }]);
          return verdictOf(tree, [], visit, profileOf(tree, visit)).mechanisms;
        };
        const [thin, full] = [of(Math.min(a, b)), of(Math.max(a, b))];
        const decline = (m: typeof thin) => m.find((x) => x.mechanism === 'crownDecline')!.probability;
        expect(decline(thin)).toBeGreaterThanOrEqual(decline(full) - 1e-9);
      },
    ),
    { numRuns: 40 },
  );
});
