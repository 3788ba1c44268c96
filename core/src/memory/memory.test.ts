import { byDay } from '../vocabulary/dates';
import fc from 'fast-check';
import { anyCase, tries } from '../../tests/anyCase';
import { signsOf } from '../../tests/signs';
import { collarAt, visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { standingOf } from '../diagnosis';
import { EFFECTS, effectOf } from '../practice/effects';
import type { Finding, Tree, Visit } from '../records';
import { REMEDIES } from '../remedies';
import type { NodeKey } from '../vocabulary/causes';
import { OPERATION_KEYS, type OperationKey } from '../vocabulary/operations';
import { isWalk } from '../walk';
import { REMEMBERED } from './index';

const TREE: Tree = {
  label: 'T',
  species: 'Tilia cordata',
  plantedYear: 2008,
  stemDiameter: 0.2,
  crownRadius: 3,
};
/** A tree at which it can be: transplant shock at one just moved, a ring where one was set. */
const at = (node: NodeKey): [Tree, { kind: 'planting ring'; when: string }[]] => [
  node === 'transplantShock'
    ? { ...TREE, plantedYear: 2023, stemDiameter: 0.12, stock: 'bare-root', species: 'Betula papyrifera' }
    : TREE,
  node === 'barrier' ? [{ kind: 'planting ring', when: '2008' }] : [],
];
/** What has to be measured or told for those that no look shows. */
const MORE: Partial<Record<NodeKey, Finding[]>> = {
  confinedHole: [
    { key: 'probe.wall', answer: 'glazed' },
    { key: 'probe.out', answer: 'none' },
    { key: 'history.site', answer: 'paved' },
  ],
  barrier: [{ key: 'base.ring', answer: 'over' }],
};
const DEEP: Finding[] = Array.from({ length: 8 }, (_, part) => ({
  key: 'base.entry',
  part,
  answer: 'straight',
}));
const found = (node: NodeKey, on = '2024-05-01'): Visit =>
  node === 'plantedDeep'
    ? visitOn(on, DEEP, { probes: collarAt(0.2) })
    : visitOn(on, [...new Map([...signsOf(node), ...(MORE[node] ?? [])].map((f) => [f.key, f])).values()]);
const done = (operation: string, on: string, how: 'done' | 'not done' = 'done'): Visit['work'] => [
  { step: operation, how, on },
];
const of = (node: NodeKey, visits: readonly Visit[], day: Visit) => {
  const [tree, events] = at(node);
  return assess(tree, events, day, {}, undefined, [...visits, day]);
};
const stateOf = (node: NodeKey, visits: readonly Visit[], day: Visit) =>
  of(node, visits, day).memory.find((m) => m.node === node);

const cures = (node: NodeKey): OperationKey[] =>
  OPERATION_KEYS.filter((key) => REMEDIES[key].treats.includes(node) && effectOf(key));
const FOUND = REMEMBERED.filter((node) => {
  const [tree, events] = at(node);
  return standingOf(assess(tree, events, found(node)).verdict, node).standing === 'likely';
});
/** Nothing of it is seen: a look at something else. */
const ELSE = visitOn('2026-06-10', [{ key: 'crown.scratch', answer: 'green' }]);

test('every remedy that is for a cause says what it does, when that shows, and what it leaves', () => {
  for (const key of OPERATION_KEYS) {
    const treats = REMEDIES[key].treats.length > 0;
    expect([key, effectOf(key) !== undefined]).toEqual([key, treats]);
  }
  for (const { chance, seasons } of Object.values(EFFECTS)) {
    expect(chance).toBeGreaterThan(0);
    expect(chance).toBeLessThan(1);
    expect(seasons[1]).toBeGreaterThanOrEqual(seasons[0]);
  }
});

test('every cause can be found likely by signs, and is then remembered', () => {
  expect(REMEMBERED.filter((node) => !FOUND.includes(node))).toEqual([]);
});

test.each(FOUND)('%s: found, not seen again, nothing done: it is not forgotten', (node) => {
  const kept = stateOf(node, [found(node)], ELSE)!;
  expect(kept.text).toContain('2024-05-01');
  expect(['open', 'acting']).toContain(kept.state);
  // What was ordered and not done is no treatment.
  const [cure] = cures(node);
  if (cure) {
    const ordered = { ...found(node), work: done(cure, '2024-06-01', 'not done') };
    expect(stateOf(node, [ordered], ELSE)!.treatment).toBeUndefined();
  }
});

const TREATED = FOUND.flatMap((node) => cures(node).map((cure) => [node, cure] as const));

test.each(TREATED)('%s, treated by %s: awaited, then recovered or back', (node, cure) => {
  // Shock is over two years after the planting: it is treated and comes back within them.
  const [treated, back] =
    node === 'transplantShock' ? ['2024-06-01', '2025-03-01'] : ['2025-06-01', '2026-06-10'];
  const year = Number(treated!.slice(0, 4));
  const visits = [{ ...found(node), work: done(cure, treated!) }];
  const kept = stateOf(node, visits, ELSE)!;
  expect(kept.treatment).toMatchObject({ operation: cure, on: treated });
  expect(kept.text).not.toMatch(/undefined|NaN/);
  const [, latest] = EFFECTS[cure as keyof typeof EFFECTS].seasons;
  // Today's findings alone may still make it likely, by the history of the tree.
  if (kept.state !== 'back') {
    expect(kept).toMatchObject({ state: 'awaited', by: year + latest });
    expect(kept.text).toContain(`by ${year + latest} at the latest`);
    const later = { ...ELSE, date: `${year + 1 + latest}-06-10` };
    expect(stateOf(node, visits, later)!.state).toBe('unlooked');
    const full = {
      ...later,
      findings: [...later.findings, { key: 'crown.density', number: 1 }, { key: 'crown.dieback', number: 0 }],
    };
    expect(stateOf(node, visits, full)!.state).toBe('recovered');
    // The crown goes on declining after its time: it is looked at anew.
    const thin = {
      ...later,
      findings: [
        ...later.findings,
        { key: 'crown.density', number: 0.4 },
        { key: 'crown.dieback', number: 0.4 },
      ],
    };
    expect(stateOf(node, visits, thin)!.state).toBe('unanswered');
  }
  // The signs are back.
  const again = found(node, back);
  expect(stateOf(node, visits, again)).toMatchObject({ state: 'back', relapses: 1 });
  expect(stateOf(node, visits, again)!.text).toContain('for the first time');
});

test('a mulch cone that comes back each spring is counted', () => {
  const cone = (year: number, pulled: boolean): Visit => ({
    ...found('mulchCone', `${year}-05-01`),
    ...(pulled && { work: done('mulch', `${year}-05-10`) }),
  });
  const visits = [cone(2022, true), cone(2023, true), cone(2024, true)];
  const kept = stateOf('mulchCone', visits, cone(2025, false))!;
  expect(kept).toMatchObject({ state: 'back', relapses: 3, since: '2022-05-01' });
  expect(kept.text).toBe(
    'Has come back for the third time: mulch pulled back 2024-05-10, and it is likely again.',
  );
});

test('two years after a dig planting too deep is not forgotten, and nothing new is blamed for the crown it left', () => {
  const first = visitOn('2024-05-01', [{ key: 'crown.density', number: 0.6 }, ...DEEP], {
    probes: collarAt(0.2),
    work: done('excavate', '2024-06-15'),
  });
  // Laid bare, the flare is in view; the crown is still thin.
  const later = visitOn(
    '2026-05-20',
    [
      { key: 'crown.density', number: 0.6 },
      { key: 'crown.dieback', number: 0.15 },
      ...Array.from({ length: 8 }, (_, part) => ({ key: 'base.entry', part, answer: 'flared' })),
    ],
    { probes: collarAt(0.02) },
  );
  const forgets = assess(TREE, [], later);
  const keeps = assess(TREE, [], later, {}, undefined, [first, later]);
  const deep = keeps.memory.find((m) => m.node === 'plantedDeep')!;
  expect(deep).toMatchObject({ state: 'awaited', by: 2027 });
  expect(deep.text).toContain('root collar excavated 2024-06-15');
  // The thin crown speaks for new causes less than it would of a tree nobody treated.
  for (const { cause, probability } of keeps.verdict.causes)
    expect(probability).toBeLessThanOrEqual(
      forgets.verdict.causes.find((c) => c.cause === cause)!.probability + 1e-9,
    );
  const drains = (a: typeof keeps) => standingOf(a.verdict, 'waterlogging').probability;
  expect(drains(keeps)).toBeLessThan(drains(forgets));
  // After its time has passed the crown speaks again.
  const late = { ...later, date: '2029-05-20' };
  expect(assess(TREE, [], late, {}, undefined, [first, late]).verdict.circumstances).not.toContain(
    'recovering',
  );
});

test('nothing that an earlier visit found likely is missing, whatever a case holds', () => {
  fc.assert(
    fc.property(anyCase, ({ tree, events, visits }) => {
      const newest = [...visits].sort((a, b) => byDay(b.date, a.date))[0];
      if (!newest) return;
      const { memory } = assess(tree, events, newest, {}, undefined, visits);
      const kept = new Set(memory.map((m) => m.node));
      for (const earlier of visits.filter((v) => v.date < newest.date && !isWalk(v)))
        for (const node of REMEMBERED)
          if (standingOf(assess(tree, events, earlier).verdict, node).standing === 'likely')
            expect([node, kept.has(node)]).toEqual([node, true]);
      for (const { text } of memory) expect(text).not.toMatch(/undefined|NaN|Infinity/);
    }),
    tries(40),
  );
});

test('work of the day itself is no relapse, and a stake explains no thin crown', () => {
  const cone = found('mulchCone', '2024-05-01');
  const today = { ...found('mulchCone', '2025-05-01'), work: done('mulch', '2025-05-01') };
  expect(stateOf('mulchCone', [cone], today)).toMatchObject({ state: 'acting', relapses: 0 });
  const loose = { ...found('poorAnchorage'), work: done('stake', '2025-06-01') };
  const { circumstances } = of('poorAnchorage', [loose], ELSE).verdict;
  expect(circumstances).not.toContain('recovering');
});
