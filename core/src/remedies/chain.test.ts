import { collarAt, visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { estimate, needsLeft, needsOf, RESOURCE_KEYS, type Rates } from '../costing';
import { dateProblems, PASSIVE, workOrder } from '../prescription';
import type { Finding, Tree, Visit } from '../records';

const TREE: Tree = {
  label: 'T',
  species: 'Tilia cordata',
  plantedYear: 2022,
  stock: 'container',
  stemDiameter: 0.06,
  height: 5,
};
const RATES: Rates = {
  currency: 'EUR',
  prices: Object.fromEntries(RESOURCE_KEYS.map((key) => [key, '10'])),
};
const answer = (key: string, value: string): Finding => ({ key, answer: value });
const WET = [
  answer('history.wet', 'days'),
  answer('probe.drain', 'standing'),
  answer('probe.moisture', 'sour'),
  answer('probe.colour', 'mottled'),
];
const HOLE = [answer('probe.wall', 'glazed'), answer('probe.out', 'none'), answer('history.site', 'paved')];
const DEAD = [answer('crown.scratch', 'dry'), answer('crown.buds', 'dry')];
const deep = collarAt(0.18);

/** What is found, what is done about it, and what it has to be priced with. */
test.each<[string, Finding[], Visit['probes'], string, string[]]>([
  ['grass up to the stem', [answer('mulch.ground', 'grass')], [], 'mulchRing', ['crew', 'mulch', 'disposal']],
  ['stone at the stem', [answer('mulch.ground', 'stone')], [], 'mulchRing', ['crew', 'mulch', 'disposal']],
  ['wet ground that falls', [...WET, { key: 'soil.fall', number: 0.08 }], [], 'drain', ['crew', 'drain']],
  ['wet level ground', [...WET, { key: 'soil.fall', number: 0 }], [], 'drain', ['crew', 'drain']],
  ['dead, read at the stump', DEAD, [], 'postmortem', ['crew']],
  ['dead, taken down', DEAD, [], 'remove', ['crew', 'disposal']],
  ['dead, replaced', DEAD, [], 'replace', ['crew', 'youngTree', 'stakes', 'watering']],
  ['dead wood', [{ key: 'crown.dieback', number: 0.2 }], [], 'crown', ['crew']],
  ['planted deep and young', [], deep, 'reset', ['crew']],
  ['young in wet ground', WET, [], 'raise', ['crew', 'topsoil']],
  ['planted too high', [], collarAt(-0.1), 'slopeUp', ['crew', 'topsoil']],
  ['sweeps out of the ground', [answer('base.sweep', 'marked')], [], 'straighten', ['crew']],
  ['sweeps, held once turned', [answer('base.sweep', 'slight')], [], 'stake', ['crew', 'stakes']],
  ['young in a hole it cannot leave', HOLE, [], 'move', ['crew', 'airTool']],
  ['lifts out by hand', [answer('base.push', 'lifts')], [], 'openBall', ['crew']],
  ['roots in the shape of the pot', [answer('dig.shape', 'wholly')], [], 'openBall', ['crew']],
])('%s: remedy, amount, cost, date, done', (_, findings, probes, key, resources) => {
  const plain = visitOn('2026-06-01', findings, { probes });
  const found = assess(TREE, [], plain).operations.find((o) => o.key === key)!;
  expect(found.advice).not.toBe('not');
  expect(found.why.join()).not.toBe('');
  // Prescribed, it has amounts with their working and a price of its own.
  const visit = { ...plain, decisions: [{ operation: found.key, taken: true }] };
  const own = assess(TREE, [], visit).operations.find((o) => o.key === key)!;
  expect(own.quantities.length).toBeGreaterThan(0);
  for (const q of own.quantities)
    expect([q.key, Number.isFinite(q.value), q.working.formula !== '']).toEqual([q.key, true, true]);
  const needs = needsOf([own], visit, undefined).filter((n) => n.step !== undefined);
  expect([...new Set(needs.map((n) => n.resource))].sort()).toEqual([...resources].sort());
  expect(Number(estimate(needs, RATES).net)).toBeGreaterThan(0);
  // A day it may be done on, a step of the order, a look afterwards or a proof of its own.
  const days = ['2026-07-01', '2026-11-20', '2027-03-01'];
  expect(days.some((on) => dateProblems(own, TREE.species, on, []).length === 0)).toBe(true);
  expect(PASSIVE).not.toContain(own.key);
  const steps = workOrder([own], visit).flatMap((s) => ('operation' in s ? [s.key] : []));
  expect(steps).toEqual([key]);
  expect([own.acceptance.length > 0, own.cautions.length > 0, own.followUp !== '']).toEqual([
    true,
    true,
    true,
  ]);
  // Done, nothing of it is left to be paid.
  expect(needsLeft(needs, new Set(steps))).toEqual([]);
});
