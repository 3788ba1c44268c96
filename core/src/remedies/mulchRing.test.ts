import { assess } from '../assessment';
import { needsOf } from '../costing';
import type { Finding, Tree, Visit } from '../records';
import { ringVolume } from './mulch';

const TREE: Tree = { label: 'T', species: 'Tilia cordata', plantedYear: 2016, stemDiameter: 0.2, dbh: 0.16 };
const visitWith = (findings: Finding[], more: Partial<Visit> = {}): Visit => ({
  date: '2026-06-01',
  findings,
  profiles: [],
  probes: [],
  decisions: [],
  ...more,
});
const ground = (answer: string): Finding => ({ key: 'mulch.ground', answer });
const ringOn = (tree: Tree, visit: Visit) =>
  assess(tree, [], visit).operations.find((o) => o.key === 'mulchRing')!;
const amountOf = (ring: ReturnType<typeof ringOn>, key: string) =>
  ring.quantities.find((q) => q.key === key)?.value;

// Common practice, no source; the amounts by hand.
test('grass up to the stem: turf off by hand, chips by room and stem, down to the price', () => {
  const visit = visitWith([ground('grass')]);
  const ring = ringOn({ ...TREE, crownRadius: 2.5 }, visit);
  expect(ring.advice).toBe('do');
  // Stem 10 cm, 7.5 cm clear, 6 cm deep; room not measured: 1.5 m.
  expect(amountOf(ring, 'newRingRadius')).toBe(1.5);
  const volume = Math.PI * 0.06 * (1.5 ** 2 - 0.175 ** 2);
  expect(amountOf(ring, 'mulchMissing')).toBeCloseTo(volume, 9);
  expect(amountOf(ring, 'bagsToBring')).toBe(Math.ceil(volume / 0.05));
  const turf = Math.PI * (1.5 ** 2 - 0.1 ** 2);
  expect(amountOf(ring, 'turfOff')).toBeCloseTo(turf, 9);
  expect(amountOf(ring, 'turfToTakeAway')).toBeCloseTo(0.03 * turf, 9);
  expect(amountOf(ring, 'crewHours')).toBeCloseTo(0.15 * turf + (volume + 0.03 * turf) / 0.35, 9);
  const needs = needsOf([ring], visit, undefined);
  expect(needs.map((n) => n.resource)).toEqual(expect.arrayContaining(['crew', 'mulch', 'disposal']));
  expect(ring.lookAgain!.days).toBe(365);
  expect(ring.cautions.join(' ')).toMatch(/in writing/);
});

test.each<[string, Partial<Tree>, number]>([
  ['a small crown: no less than keeps a mower off', { crownRadius: 0.4 }, 0.75],
  ['out to the drip line where there is room', { crownRadius: 2.5, mulchRoom: 4 }, 2.5],
  ['no farther than the room', { crownRadius: 2.5, mulchRoom: 1.2 }, 1.2],
  ['a narrow bed', { crownRadius: 2.5, mulchRoom: 0.5 }, 0.5],
])('%s', (_, more, radius) => {
  expect(amountOf(ringOn({ ...TREE, ...more }, visitWith([ground('grass')])), 'newRingRadius')).toBe(radius);
});

test('stone is lifted and taken away, scarred roots get chips and never soil, unless that school is chosen', () => {
  const stone = ringOn(TREE, visitWith([ground('stone')]));
  expect([stone.advice, amountOf(stone, 'turfOff')]).toEqual(['do', undefined]);
  expect(amountOf(stone, 'stoneToTakeAway')).toBeCloseTo(Math.PI * (1.5 ** 2 - 0.1 ** 2) * 0.06, 9);
  const scarred = visitWith([{ key: 'mulch.scalped', answer: 'many' }]);
  const ring = ringOn(TREE, scarred);
  expect(ring.advice).toBe('do');
  expect(ring.method.join(' ')).toContain('chips over them, never soil');
  const other = ringOn({ ...TREE, schools: { scalpedRoots: 'soil' } }, scarred);
  expect(other.method.join(' ')).toMatch(/no more than \{m:0\.02\d*\} of soil/);
  expect(other.schools.find((s) => s.matter === 'scalpedRoots')!.warning).toBeDefined();
});

test('spent mulch is topped up by what is missing; good mulch is left; wet ground comes first', () => {
  const around = (depth: number) =>
    visitWith([ground('mulch')], {
      profiles: [0, 90, 180, 270].map((bearing) => ({
        bearing,
        mulch: [0, 0.3, 0.6].map((distance) => ({ distance, depth: distance === 0 ? 0 : depth })),
        mulchEnds: 0.9,
        fill: [],
      })) as unknown as Visit['profiles'],
    });
  const spent = ringOn(TREE, around(0.02));
  expect(spent.advice).toBe('option');
  const full = ringVolume(amountOf(spent, 'newRingRadius')!, 0.06, 0.175);
  expect(amountOf(spent, 'mulchMissing')!).toBeGreaterThan(0);
  expect(amountOf(spent, 'mulchMissing')!).toBeLessThan(full);
  expect(ringOn(TREE, around(0.06)).advice).toBe('not');
  const wet: Finding[] = [
    { key: 'history.wet', answer: 'days' },
    { key: 'probe.drain', answer: 'standing' },
    { key: 'probe.moisture', answer: 'sour' },
    { key: 'probe.colour', answer: 'mottled' },
  ];
  const drowned = ringOn(TREE, visitWith([...wet, ground('grass')]));
  expect([drowned.advice, drowned.why.join()]).toEqual(['not', expect.stringContaining('drain first')]);
});

test('room that ends at the stem, or within what is kept clear of it, has no amounts and says what is missing', () => {
  const at = (mulchRoom: number) => ringOn({ ...TREE, mulchRoom }, visitWith([ground('stone')]));
  for (const room of [0.1, 0.15]) {
    expect(at(room).quantities).toEqual([]);
    expect(at(room).missing).toEqual(['room for the ring, beyond what is kept clear of the bark']);
  }
  expect(at(0.5).quantities.length).toBeGreaterThan(0);
});
