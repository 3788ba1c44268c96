import { visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { sameGenus, SPECIES } from '../species';
import type { Finding, Tree } from '../records';
import { writeLengths } from '../units';

const YOUNG: Tree = { label: 'T', species: 'Malus', plantedYear: 2025, stemDiameter: 0.05 };
const ROCKS: Finding = { key: 'base.push', answer: 'rocks' };
const wind = (answer: string): Finding => ({ key: 'history.wind', answer });
const staked = (height: number | undefined, ...findings: Finding[]) => {
  const operation = assess(
    { ...YOUNG, height },
    [],
    visitOn('2026-06-10', [ROCKS, ...findings]),
  ).operations.find((o) => o.key === 'stake')!;
  return (key: string) => operation.quantities.find((q) => q.key === key)?.value;
};

// Common practice, no source: a third of the height, higher in wind and never above half, 60 cm in the ground.
test('stakes by height and wind', () => {
  expect(staked(1.8, wind('sheltered'))('stakesNeeded')).toBe(1);
  expect(staked(1.8)('stakesNeeded')).toBe(2);
  expect(staked(3)('tieHeight')).toBeCloseTo(1, 9);
  expect(staked(3)('stakeLength')).toBeCloseTo(1.65, 9);
  expect(staked(3, wind('windy'))('tieHeight')).toBeCloseTo(1.2, 9);
  expect(staked(3, wind('windy'))('stakesNeeded')).toBe(3);
  // Three stakes are two sets of two.
  expect(staked(3, wind('windy'))('stakeSets')).toBe(2);
  expect(staked(4)('stakesNeeded')).toBe(3);
  // Never above half of the tree, and without a height the usual two.
  for (const height of [1, 2.5, 6])
    expect(staked(height, wind('windy'))('tieHeight')! / height).toBeLessThanOrEqual(0.5);
  expect([staked(undefined)('stakesNeeded'), staked(undefined)('stakeLength')]).toEqual([2, undefined]);
});

/** Latin names that the method of the replacement names. */
const named = (tree: Tree, ...findings: Finding[]) => {
  const visit = visitOn('2026-06-10', [{ key: 'crown.dieback', number: 1 }, ...findings]);
  const method = assess(tree, [], visit)
    .operations.find((o) => o.key === 'replace')!
    .method.map((line) => writeLengths(line, 'metric'));
  return {
    method: method.join(' '),
    species: SPECIES.filter((s) => method.some((line) => line.includes(s.name))),
  };
};

test('the next tree fits under the wires and into the room there is', () => {
  const oak: Tree = { label: 'T', species: 'Quercus robur', plantedYear: 1990, stemDiameter: 0.4 };
  const tallest = (found: ReturnType<typeof named>) =>
    Math.max(...found.species.filter((s) => s.name.includes(' ')).map((s) => s.height));
  expect(tallest(named(oak))).toBeGreaterThan(12);
  const under = named(oak, { key: 'history.wires', number: 9 });
  expect(under.method).toContain('Wires at 9.00 m: no taller than 7.50 m at maturity.');
  expect(tallest(under)).toBeLessThanOrEqual(7.5);
  expect(under.species.length).toBeGreaterThan(0);
  expect(tallest(named({ ...oak, mulchRoom: 1 }))).toBeLessThanOrEqual(10);
  // Under wires that leave no room no species is named.
  const none = named(oak, { key: 'history.wires', number: 2 });
  expect(none.species.filter((s) => s.name.includes(' '))).toEqual([]);
  expect(none.method).toContain('no species of the table fits');
});

test('one genus goes by many names', () => {
  expect(sameGenus('small-leaved lime', "Tilia cordata 'Greenspire'")).toBe(true);
  expect(sameGenus('Tilia', 'linden')).toBe(true);
  expect(sameGenus('English oak', 'Tilia cordata')).toBe(false);
  expect(sameGenus('', 'Tilia cordata')).toBe(false);
  // What nobody knows is one genus by its first word.
  expect(sameGenus('Unheardia nova', 'Unheardia vetus')).toBe(true);
});
