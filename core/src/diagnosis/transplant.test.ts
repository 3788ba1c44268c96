import { visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { movedLately } from '../history';
import type { Finding, Tree, TreeEvent, Visit } from '../records';
import { explain, standingOf } from '.';

const visitWith = (...findings: Finding[]): Visit => visitOn('2026-07-10', findings);
const tree = (more: Partial<Tree> = {}): Tree => ({
  label: 'T',
  species: 'Acer rubrum',
  plantedYear: 2025,
  stemDiameter: 0.05,
  ...more,
});
const chance = (t: Tree, events: readonly TreeEvent[], ...findings: Finding[]) =>
  standingOf(assess(t, events, visitWith(...findings)).verdict, 'transplantShock').probability;
const SIGNS: Finding[] = [
  { key: 'crown.growing', answer: 'no' },
  { key: 'crown.drop', answer: 'some' },
  { key: 'crown.leaf', answer: 'small' },
  { key: 'history.onset', answer: 'season' },
];

test('within two years of planting or a move it can be, later it is not even listed', () => {
  const listed = (t: Tree, events: readonly TreeEvent[] = []) =>
    assess(t, events, visitWith(...SIGNS)).verdict.causes.some((c) => c.cause === 'transplantShock');
  expect(listed(tree())).toBe(true);
  expect(listed(tree({ plantedYear: 2024 }))).toBe(true);
  expect(listed(tree({ plantedYear: 2023 }))).toBe(false);
  expect(listed(tree({ plantedYear: 2027 }))).toBe(false);
  expect(listed(tree({ plantedYear: undefined }))).toBe(false);
  expect(listed(tree({ plantedYear: 2010 }), [{ kind: 'moved', when: '2025-11' }])).toBe(true);
  // A move that is still to come, or that came long ago, is none.
  expect(listed(tree({ plantedYear: 2010 }), [{ kind: 'moved', when: '2026-11' }])).toBe(false);
  expect(listed(tree({ plantedYear: 2010 }), [{ kind: 'moved', when: '2020' }])).toBe(false);
  expect(movedLately(tree(), [{ kind: 'planted', when: '2026-06' }], visitWith())).toEqual({ inLeaf: true });
  expect(
    movedLately(tree({ plantedYear: undefined }), [], visitWith({ key: 'history.age', answer: 'young' })),
  ).toEqual({ inLeaf: false });
});

// Common practice, no source: what makes the shock likelier before anything is looked at.
test('stock, size, season and species move it', () => {
  const plain = chance(tree(), []);
  expect(chance(tree({ stock: 'balled-and-burlapped' }), [])).toBeGreaterThan(plain);
  expect(chance(tree({ stock: 'bare-root' }), [])).toBeGreaterThan(plain);
  expect(chance(tree({ stock: 'container' }), [])).toBeLessThan(plain);
  expect(chance(tree({ stemDiameter: 0.12 }), [])).toBeGreaterThan(plain);
  expect(chance(tree({ species: 'Quercus alba' }), [])).toBeGreaterThan(plain);
  expect(chance(tree({ species: 'Platanus x hispanica' }), [])).toBeLessThan(plain);
  const planted = (when: string): TreeEvent[] => [{ kind: 'planted', when }];
  expect(chance(tree(), planted('2025-07'))).toBeGreaterThan(chance(tree(), planted('2025-11')));
  // An established species counts alike, whatever it would do if it were moved.
  const old = assess(tree({ plantedYear: 1990, species: 'Quercus alba' }), [], visitWith()).verdict;
  expect(old.circumstances).not.toContain('tender');
});

test('its signs speak for it, it is watered, mulched and not fed, and the client reads what it is', () => {
  const t = tree({ stock: 'balled-and-burlapped' });
  const { verdict, operations } = assess(t, [], visitWith(...SIGNS));
  expect(verdict.causes[0]!.cause).toBe('transplantShock');
  expect(verdict.causes[0]!.standing).toBe('likely');
  const advice = (key: string) => operations.find((o) => o.key === key)!;
  expect(advice('water')).toMatchObject({ advice: 'do' });
  expect(advice('water').why.join()).toContain('transplant shock is');
  expect(advice('water').quantities.find((q) => q.key === 'waterAtEachWatering')!.value).toBeGreaterThan(0);
  expect(advice('mulchRing').advice).toBe('option');
  expect(advice('fertiliser').advice).toBe('do');
  const why = explain(verdict);
  const own = why.causes.find((c) => c.cause === 'transplantShock')!;
  expect(own.for.map((r) => r.finding)).toEqual(expect.arrayContaining(['crown.growing', 'history.onset']));
  expect(why.decisions.map((d) => d.for)).toContain('transplantShock');
});
