import fc from 'fast-check';
import { anyCase, tries } from '../../tests/anyCase';
import { signsOf } from '../../tests/signs';
import { assess } from '../assessment';
import { needsOf } from '../costing';
import type { Finding, Tree, TreeEvent, Visit } from '../records';
import { CAUSE_KEYS, MECHANISM_KEYS, type NodeKey } from '../vocabulary/causes';
import { OPERATION_KEYS } from '../vocabulary/operations';
import { REMEDIES } from '../remedies';
import {
  causesAnswered,
  dateProblems,
  isTaken,
  PASSIVE,
  plannedOf,
  toDecide,
  workOrder,
  type CauseAnswer,
} from './index';

const NODES: readonly NodeKey[] = [...CAUSE_KEYS, ...MECHANISM_KEYS];
const TREE: Tree = {
  label: 'T',
  species: 'Quercus robur',
  plantedYear: 2008,
  stemDiameter: 0.2,
  crownRadius: 3,
};

/** What was told of its history and no look shows. */
const eventsOf = (node: NodeKey): TreeEvent[] =>
  node === 'barrier' ? [{ kind: 'planting ring', when: '2008' }] : [];

/** Where the cause can be: transplant shock at a tree that was just moved. */
const treeOf = (node: NodeKey): Tree =>
  node === 'transplantShock' ? { ...TREE, plantedYear: 2025, stemDiameter: 0.05 } : TREE;

const visitWith = (findings: readonly Finding[]): Visit => ({
  date: '2026-06-01',
  findings: [...new Map(findings.map((f) => [f.key, f])).values()],
  profiles: [],
  probes: [],
  decisions: [],
});

const HOLE = /undefined|NaN|\.\.|: \.|: $/;

/** Every cause and mechanism that stands at possible or more is answered; returns them. */
function nothingIsSilent(tree: Tree, events: Parameters<typeof assess>[1], visit: Visit): CauseAnswer[] {
  const { verdict, operations, situation } = assess(tree, events, visit);
  const answers = causesAnswered(situation, operations);
  const standing = [
    ...verdict.causes.map((c) => [c.cause, c.standing] as const),
    ...verdict.mechanisms.map((m) => [m.mechanism, m.standing] as const),
  ].filter(([, s]) => s === 'likely' || s === 'possible');
  expect(answers.map((a) => a.node).sort()).toEqual(standing.map(([node]) => node).sort());
  for (const { text, by, operations: keys } of answers) {
    expect(text).toMatch(/^[A-Z].*[a-z%].*\.$/);
    expect(text).not.toMatch(HOLE);
    expect(keys.length > 0).toBe(by !== 'nothing');
  }
  // Reasons are joined with a full stop of their own, and each thing found is told once.
  for (const { why } of operations) {
    expect(why.filter((reason) => reason.endsWith('.'))).toEqual([]);
    const found = why.map((reason) => reason.split(': ')[0]);
    expect(new Set(found).size).toBe(found.length);
  }
  const watch = operations.find((o) => o.key === 'watch')!;
  if (standing.length > 0 || verdict.danger)
    expect([watch.summary, ...watch.why].join()).not.toMatch(/calls for work now|nothing examined calls/);
  // What is to be weighed first is named whenever the summary sends there.
  if (watch.advice === 'do' && /worth considering/.test(watch.summary))
    expect(answers.length).toBeGreaterThan(0);
  return answers;
}

test('from quick looks alone, every cause and mechanism by itself reaches an answer', () => {
  const reached = new Map<NodeKey, CauseAnswer['by']>();
  for (const node of NODES)
    for (const { node: of, by } of nothingIsSilent(treeOf(node), eventsOf(node), visitWith(signsOf(node))))
      reached.set(of, by);
  expect([...reached.keys()].sort()).toEqual([...NODES].sort());
  // Work or a closer look, wherever there is any: only the crown and what feeds it follow from the rest.
  const silentWork = [...reached].filter(([, by]) => by === 'nothing').map(([node]) => node);
  expect(silentWork.filter((n) => !['crownDecline', 'transport', 'oxygenStarved'].includes(n))).toEqual([]);
});

test('in pairs as well @whole', () => {
  for (const a of NODES)
    for (const b of NODES)
      if (a < b)
        nothingIsSilent(
          treeOf(a === 'transplantShock' ? a : b),
          [...eventsOf(a), ...eventsOf(b)],
          visitWith([...signsOf(a), ...signsOf(b)]),
        );
});

test('whatever was measured, and whatever was decided', () => {
  const seen = new Set<CauseAnswer['by']>();
  fc.assert(
    fc.property(anyCase, fc.boolean(), ({ tree, events, visits }, declines) => {
      for (const visit of visits) {
        const advised = assess(tree, events, visit).operations.filter((o) => o.advice !== 'not');
        const decisions = declines
          ? advised.map((o) => ({ operation: o.key, taken: false, reason: 'no money' }))
          : visit.decisions;
        for (const { by } of nothingIsSilent(tree, events, { ...visit, decisions })) seen.add(by);
      }
    }),
    tries(60),
  );
  expect([...seen].sort()).toEqual(['declined', 'nothing', 'open', 'prescribed']);
});

test('what is likely and could be mended is mended by what is prescribed, or waits by name until it is decided', () => {
  const waited = new Set<string>();
  const followed = (tree: Tree, events: readonly TreeEvent[], seen: Visit) => {
    // Each decision may bring up another; there are no more of them than operations.
    for (let visit = seen, left = OPERATION_KEYS.length; left >= 0; left--) {
      const { operations, situation } = assess(tree, events, visit);
      const open = toDecide(situation, operations);
      for (const { node, standing, by, operations: keys } of causesAnswered(situation, operations)) {
        const treats = operations.filter(
          (o) => keys.includes(o.key) && REMEDIES[o.key].treats.includes(node),
        );
        const mended = treats.some((o) => isTaken(o, visit.decisions));
        const waits = open.filter((o) => o.mends.some((m) => m.node === node)).map((o) => o.operation);
        // What is declined or beyond mending waits for nothing.
        const could = standing === 'likely' && !mended && by !== 'declined' ? treats.map((o) => o.key) : [];
        expect([node, waits]).toEqual([node, could]);
        for (const key of waits) waited.add(key);
      }
      const [first] = open;
      if (!first) return;
      expect(left).toBeGreaterThan(0);
      visit = {
        ...visit,
        decisions: [...visit.decisions, { operation: first.operation, taken: left % 2 === 0 }],
      };
    }
  };
  for (const node of NODES) followed(treeOf(node), eventsOf(node), visitWith(signsOf(node)));
  fc.assert(
    fc.property(anyCase, ({ tree, events, visits }) => {
      for (const visit of visits) followed(tree, events, visit);
    }),
    tries(40),
  );
  expect(waited.size).toBeGreaterThan(2);
});

test('an answer is followed to its end: a day it may be done, a step, a method, a price, a look afterwards', () => {
  const followed = new Set<string>();
  for (const node of NODES) {
    const plain = visitWith(signsOf(node));
    const { operations: weighed, situation } = assess(treeOf(node), eventsOf(node), plain);
    const keys = causesAnswered(situation, weighed).flatMap((a) => a.operations);
    const decisions = [...new Set(keys)].map((operation) => ({ operation, taken: true }));
    const visit = { ...plain, decisions };
    const { operations } = assess(treeOf(node), eventsOf(node), visit);
    const planned = plannedOf(operations, { decisions });
    const steps = workOrder(planned, visit).flatMap((s) => ('operation' in s ? [s.operation] : []));
    const priced = new Set(needsOf(planned, visit, undefined).map((n) => n.operation));
    const wanted = planned.filter(
      (o) => o.advice !== 'not' && keys.includes(o.key) && !PASSIVE.includes(o.key),
    );
    for (const o of wanted) {
      followed.add(o.key);
      expect(isTaken(o, decisions)).toBe(true);
      expect(steps).toContain(o.key);
      for (const part of [o.method, o.acceptance, o.risks]) expect(part.length).toBeGreaterThan(0);
      expect(`${o.season}${o.followUp}`).not.toMatch(HOLE);
      // What only makes sure comes back with what it showed; what has months is told of a day outside them.
      if (REMEDIES[o.key].settles.length > 0 && REMEDIES[o.key].treats.length === 0)
        expect(o.lookAgain?.days).toBeGreaterThan(0);
      const days = ['2027-03-01', '2027-07-01', '2027-11-20'].map((on) =>
        dateProblems(o, TREE.species, on, []),
      );
      expect(days.some((problems) => problems.length === 0)).toBe(true);
      if (o.window) expect(days.some((problems) => problems.length > 0)).toBe(true);
      // What has no amount says what would have to be measured for it, or is laid out at a station of its own.
      if (!priced.has(o.key) && o.key !== 'trench') expect([o.key, o.missing]).not.toEqual([o.key, []]);
    }
  }
  for (const key of ['identify', 'explore', 'leach', 'feed', 'stability', 'mulch', 'drain', 'water', 'ring'])
    expect(followed).toContain(key);
});

test('what was dug, measured or agreed is given as the reason, as it stands', () => {
  const mapped = (agreed?: []): Visit => ({
    ...visitWith(signsOf('containerRoots')),
    dig: {
      measuredFrom: 'bark',
      north: 'true',
      roots: [
        {
          label: 'A',
          kind: 'structural',
          start: 'stem',
          points: [{ bearing: 10, distance: 0.3, depth: 0.1, diameter: 0.04 }],
        },
      ],
    },
    ...(agreed && { cuts: { agreed } }),
  });
  const textOf = (visit: Visit, node: NodeKey) =>
    nothingIsSilent(TREE, [], visit).find((a) => a.node === node)?.text;
  expect(textOf(mapped(), 'containerRoots')).toMatch(/roots are mapped, and none presses/);
  expect(textOf(mapped([]), 'containerRoots')).toMatch(/agreed no root is cut/);
  const high: Visit = {
    ...visitWith([...signsOf('plantedDeep'), ...signsOf('buriedCollar')]),
    probes: [0, 90, 180, 270].map((bearing) => ({
      bearing,
      distance: 0.1,
      depth: -0.1,
      found: 'root' as const,
      from: 'grade' as const,
    })),
  };
  for (const answer of nothingIsSilent(TREE, [], high))
    if (['plantedDeep', 'buriedCollar'].includes(answer.node))
      expect(answer.text).toMatch(/planted too high|To consider|excavation/);
});
