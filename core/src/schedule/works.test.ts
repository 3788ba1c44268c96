import { collarAt, visitOn } from '../../tests/visits';
import { signsOf } from '../../tests/signs';
import { assess } from '../assessment';
import { estimate, needsOf, RESOURCE_KEYS, type Rates } from '../costing';
import { seasonsWatched } from '../practice/followUps';
import { plannedOf, PASSIVE, toDecide, workOrder } from '../prescription';
import { recoveryOf } from '../recovery';
import type { Tree, Visit } from '../records';
import { CAUSE_KEYS } from '../vocabulary/causes';
import { OPERATION_KEYS } from '../vocabulary/operations';
import { isOpen } from './task';
import { tasksOf } from './tasks';
import { openSpell, worksOf } from './works';

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

const worksAt = (visit: Visit, today: string, closed: Parameters<typeof worksOf>[5] = [], tree = TREE) => {
  const { operations } = assess(tree, [], visit);
  const planned = plannedOf(operations, visit);
  return worksOf(
    workOrder(planned, visit),
    planned,
    visit,
    needsOf(planned, visit, undefined),
    tree.species,
    closed,
    today,
    0,
  );
};

test.each(CAUSE_KEYS)(
  '%s: what is prescribed for its signs has amounts, a price and its days; done, it is off the list, followed by its own, and what a crown shows is proved',
  (cause) => {
    const plain = visitOn('2026-06-01', signsOf(cause), { probes: collarAt(0.12) });
    const { operations } = assess(TREE, [], plain);
    const planned = plannedOf(operations, plain).filter((o) => !PASSIVE.includes(o.key) && o.key !== 'water');
    const works = worksAt(plain, '2026-06-01');
    expect(works.map((w) => w.key).sort()).toEqual(planned.map((o) => o.key).sort());
    for (const w of works) {
      expect(w.from >= '2026-06-01' && w.from <= w.to).toBe(true);
      expect(Number.isFinite(w.hours)).toBe(true);
      const done: Visit = { ...plain, work: [{ step: w.key, how: 'done', on: w.from }] };
      expect(worksAt(done, w.from).map((left) => left.key)).not.toContain(w.key);
      const after = tasksOf(TREE, [done], {}, w.from).filter(isOpen);
      expect([w.key, after.length > 0]).toEqual([w.key, true]);
      // Its price: what it takes has a sum, unless nothing of it is charged.
      const own = needsOf([planned.find((o) => o.key === w.operation)!], plain, undefined).filter(
        (n) => n.step === w.key,
      );
      if (own.some((n) => n.amount > 0)) expect(Number(estimate(own, RATES).net)).toBeGreaterThan(0);
      expect(w.hours).toBeCloseTo(
        own.filter((n) => n.resource === 'crew').reduce((sum, n) => sum + n.amount, 0),
        9,
      );
      // Its proof: what a crown would show is awaited from the next season on, and asked for in every season until then.
      const proof = recoveryOf([done], {}, w.from);
      const watched = seasonsWatched(w.operation);
      expect([w.key, proof?.answer]).toEqual([w.key, watched > 0 ? 'awaited' : undefined]);
      expect(after.filter((t) => t.key.includes('.recovery.'))).toHaveLength(watched);
    }
  },
);

test('every remedy that may be carried out is followed by something, whoever prescribes it', () => {
  for (const operation of OPERATION_KEYS.filter((o) => !PASSIVE.includes(o))) {
    const visit = visitOn('2026-06-01', [], { work: [{ step: operation, how: 'done', on: '2026-06-10' }] });
    const after = tasksOf(TREE, [visit], {}, '2026-06-10');
    expect([operation, after.filter(isOpen).length > 0]).toEqual([operation, true]);
  }
});

test('a season that shuts is said before it does: work before its last day, or wait for the next', () => {
  const visit = {
    ...visitOn('2026-11-20', [], { probes: collarAt(0.18) }),
    decisions: [{ operation: 'reset' as const, taken: true }],
  };
  const reset = (today: string) => worksAt(visit, today).find((w) => w.key === 'reset')!;
  expect(reset('2026-11-21')).toMatchObject({
    state: 'due',
    from: '2026-11-20',
    to: '2026-12-31',
    flag: 'Before 2027-01-01, else wait for 2027-10-01.',
  });
  // Over, it is late, and its next season is named.
  expect(reset('2027-02-01')).toMatchObject({
    state: 'late',
    told: 'its season is over; the next begins 2027-10-01',
  });
});

test('a closed season by law counts as well, and a day that was planned stands before all', () => {
  const plain = visitOn('2026-06-01', signsOf('girdlingRoots'), { probes: collarAt(0.12) });
  const nesting = { why: 'nesting', from: '03-01', to: '08-31', operations: ['excavate' as const] };
  const dug = (visit: Visit) => worksAt(visit, '2026-06-02', [nesting]).find((w) => w.key === 'excavate')!;
  const taken = { ...plain, decisions: [{ operation: 'excavate' as const, taken: true }] };
  expect(dug(taken).from).toBe('2026-09-01');
  const planned = {
    ...plain,
    decisions: [{ operation: 'excavate' as const, taken: true, on: '2026-10-07' }],
  };
  expect(dug(planned)).toMatchObject({
    from: '2026-10-07',
    to: '2026-10-07',
    because: 'planned for 2026-10-07',
  });
});

test('an operation that is shut all year is open on no day', () => {
  const always = { why: 'a rule', from: '01-01', to: '12-31', operations: ['mulch' as const] };
  const mulch = assess(TREE, [], visitOn('2026-06-01')).operations.find((o) => o.key === 'mulch')!;
  expect(openSpell(mulch, TREE.species, '2026-06-01', [always])).toBeUndefined();
  expect(openSpell(mulch, TREE.species, '2026-06-01', [])).toEqual({ from: '2026-06-01' });
});

test('nobody is sent to a tree that may fall before it was assessed', () => {
  const plain = visitOn('2026-06-01', [...signsOf('basalDecay'), { key: 'base.push', answer: 'rocks' }], {
    probes: collarAt(0.18),
  });
  const works = worksAt(plain, '2026-06-02');
  expect(works.map((w) => w.key)).toContain('stability');
  const dug = (visit: Visit) => worksAt(visit, '2026-06-02').filter((w) => w.key === 'excavate');
  const taken = { ...plain, decisions: [{ operation: 'excavate' as const, taken: true }] };
  expect(dug(taken).map((w) => w.waits)).toEqual([true]);
  const assessed = { ...taken, work: [{ step: 'stability', how: 'done' as const, on: '2026-06-01' }] };
  expect(dug(assessed).map((w) => w.waits)).toEqual([false]);
  // An assessor who did not come has assessed nothing.
  const missed = { ...taken, work: [{ step: 'stability', how: 'not done' as const, on: '2026-06-01' }] };
  expect(worksAt(missed, '2026-06-02').map((w) => w.key)).toContain('stability');
  expect(dug(missed).map((w) => w.waits)).toEqual([true]);
});

test('once a tree is taken down, only what follows that is still to be done, and nothing is to be decided', () => {
  const signs = [...signsOf('basalDecay'), { key: 'base.push', answer: 'rocks' }];
  const all = OPERATION_KEYS.map((operation) => ({ operation, taken: true }));
  for (const how of ['done', 'changed', 'not done'] as const)
    for (const decisions of [[], all]) {
      const down = {
        ...visitOn('2026-06-01', signs, { probes: collarAt(0.18) }),
        decisions,
        work: [{ step: 'remove', how, on: '2026-06-10' }],
      };
      const left = worksAt(down, '2026-06-12').map((w) => w.operation);
      const { operations, situation } = assess(TREE, [], down);
      if (how === 'not done') expect(left).toContain('stability');
      else {
        expect(left.filter((key) => !['postmortem', 'replace'].includes(key))).toEqual([]);
        expect(toDecide(situation, operations)).toEqual([]);
      }
    }
});
