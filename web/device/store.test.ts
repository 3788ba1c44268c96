import type { Item } from '../protocol/item';
import { changesIn, editOf, reduceCase, startWith, toKeep, type CaseAction, type CaseState } from './store';

const visit: Item = { kind: 'visit', id: 'v', parent: 't', version: 3, values: { date: '2026-05-01' } };
const push = (depth: number) => ({
  bearing: 0,
  distance: 0.1,
  depth,
  found: 'root' as const,
  from: 'grade' as const,
});
const edit = (state: CaseState, id: string, depth: number | null): CaseState =>
  reduceCase(state, {
    type: 'edit',
    edits: [editOf(state, 'probe', id, 'v', depth === null ? null : push(depth))],
  });
const depthOf = (state: CaseState, id: string) =>
  (state.items.get(id)?.values as { depth: number } | null)?.depth;
const run = (state: CaseState, ...actions: CaseAction[]) => actions.reduce(reduceCase, state);

test('undo and redo walk through every edit; typing into one field is one step', () => {
  let s = startWith([visit]);
  s = edit(s, 'p', 0.1);
  s = edit(s, 'p', 0.12);
  s = edit(s, 'p', 0.125);
  s = edit(s, 'q', 0.3);
  s = run(s, { type: 'undo' });
  expect(s.items.get('q')!.values).toBeNull();
  s = run(s, { type: 'undo' });
  expect(depthOf(s, 'p')).toBe(0.1);
  s = run(s, { type: 'redo' });
  expect(depthOf(s, 'p')).toBe(0.125);
  s = run(s, { type: 'redo' });
  expect(depthOf(s, 'q')).toBe(0.3);
});

test('parents are sent first, and what was never saved and is gone is not sent', () => {
  let s = startWith([]);
  s = edit(s, 'p', 0.1);
  s = edit(s, 'gone', 0.1);
  s = edit(s, 'gone', null);
  s = reduceCase(s, { type: 'edit', edits: [editOf(s, 'visit', 'v', 't', { date: '2026-05-01' })] });
  expect(changesIn(s).map((c) => [c.kind, c.base])).toEqual([
    ['visit', 0],
    ['probe', 0],
  ]);
});

test('an edit made while the answer is on its way is still to be saved, on the new version', () => {
  let s = edit(startWith([visit]), 'p', 0.1);
  const sent = changesIn(s);
  s = edit(s, 'p', 0.2);
  s = run(s, { type: 'answered', sent, results: [{ id: 'p', status: 'saved', version: 1 }] });
  expect(changesIn(s)).toMatchObject([{ id: 'p', base: 1, values: { depth: 0.2 } }]);
});

test('a conflict holds both sides until one is taken', () => {
  const stale = (s: CaseState) =>
    run(s, {
      type: 'answered',
      sent: changesIn(s),
      results: [{ id: 'p', status: 'stale', theirs: { version: 4, values: push(0.3), by: 'B', at: '' } }],
    });
  const s = stale(edit(startWith([visit]), 'p', 0.1));
  expect(changesIn(s)).toEqual([]);
  const mine = run(s, { type: 'settle', id: 'p', keep: 'mine' });
  expect(changesIn(mine)).toMatchObject([{ base: 4, values: { depth: 0.1 } }]);
  const theirs = run(s, { type: 'settle', id: 'p', keep: 'theirs' });
  expect(depthOf(theirs, 'p')).toBe(0.3);
  expect(changesIn(theirs)).toEqual([]);
});

test('changes kept on the device come back after a reload and are sent from their base', () => {
  const kept = changesIn(edit(startWith([visit]), 'p', 0.1));
  const s = run(startWith([visit]), { type: 'restore', changes: kept, saved: [] });
  expect(changesIn(s)).toEqual(kept);
});

test('a reload keeps what was refused and what is still to be settled, and both are sent again', () => {
  let s = edit(edit(startWith([visit]), 'bad', 9), 'late', 0.2);
  const sent = changesIn(s);
  s = reduceCase(s, {
    type: 'answered',
    sent,
    results: sent.map(({ id }) =>
      id === 'bad'
        ? { id, status: 'refused' as const, problem: 'depth: 9: at most 2' }
        : { id, status: 'stale' as const, theirs: { version: 4, values: push(0.3), by: 'b', at: 'now' } },
    ),
  });
  expect(changesIn(s)).toEqual([]);
  const after = reduceCase(startWith([visit]), { type: 'restore', changes: toKeep(s), saved: [] });
  expect([depthOf(after, 'bad'), depthOf(after, 'late')]).toEqual([9, 0.2]);
  expect(changesIn(after)).toEqual(sent);
});

test('a page older than what this tab saved shows what was saved; a newer page stands', () => {
  const probe = (version: number, depth: number): Item => ({
    kind: 'probe',
    id: 'p',
    parent: 'v',
    version,
    values: push(depth),
  });
  const open = (version: number) =>
    reduceCase(startWith([probe(version, 0.1)]), { type: 'restore', changes: [], saved: [probe(3, 0.3)] });
  expect(depthOf(open(2), 'p')).toBe(0.3);
  expect(depthOf(open(4), 'p')).toBe(0.1);
  expect(changesIn(open(2))).toEqual([]);
});

test('a value whose answer was lost travels with the next one, so that finding it stored is no conflict', () => {
  let s = edit(startWith([visit]), 'p', 0.1);
  s = reduceCase(s, { type: 'sending', sent: changesIn(s) });
  s = edit(s, 'p', 0.2);
  const [change] = changesIn(s);
  expect(change!.inDoubt).toEqual([push(0.1)]);
  s = reduceCase(s, {
    type: 'answered',
    sent: [change!],
    results: [{ id: 'p', status: 'saved', version: 2 }],
  });
  s = edit(s, 'p', 0.3);
  expect(changesIn(s)[0]).not.toHaveProperty('inDoubt');
});

test('what is undone before it was saved is not waited for; what was sent meanwhile is taken back', () => {
  let s = reduceCase(edit(startWith([visit]), 'p', 0.1), { type: 'undo' });
  expect([s.unsaved.size, changesIn(s)]).toEqual([0, []]);
  s = edit(startWith([visit]), 'p', 0.1);
  const sent = changesIn(s);
  s = run(s, { type: 'sending', sent }, { type: 'undo' });
  expect(changesIn(s)).toMatchObject([{ id: 'p', base: 0, values: null, inDoubt: [push(0.1)] }]);
  s = reduceCase(s, { type: 'answered', sent, results: [{ id: 'p', status: 'saved', version: 1 }] });
  expect(changesIn(s)).toMatchObject([{ id: 'p', base: 1, values: null }]);
});

test('what the server has now replaces what was kept, but for what waits here; what is gone there goes', () => {
  const item = (id: string, version: number, depth: number): Item => ({
    kind: 'probe',
    id,
    parent: 'v',
    version,
    values: { bearing: 0, distance: 0.1, depth, found: 'root', from: 'grade' },
  });
  const kept = [item('same', 2, 0.2), item('newer', 1, 0.1), item('gone', 1, 0.3), item('mine', 1, 0.4)];
  let state = startWith(kept);
  state = reduceCase(state, {
    type: 'edit',
    edits: [editOf(state, 'probe', 'mine', 'v', { ...kept[3]!.values!, depth: 0.5 } as never)],
  });
  state = reduceCase(state, {
    type: 'refresh',
    items: [item('same', 2, 0.2), item('newer', 3, 0.9), item('mine', 2, 0.6), item('fresh', 1, 0.7)],
  });
  const depths = [...state.items.values()].map((i) => [
    i.id,
    i.version,
    (i.values as { depth: number }).depth,
  ]);
  expect(depths.sort()).toEqual([
    ['fresh', 1, 0.7],
    ['mine', 1, 0.5],
    ['newer', 3, 0.9],
    ['same', 2, 0.2],
  ]);
  // Nothing is worked out anew for what is as it was; what waits is sent against what it was typed over.
  expect(state.items.get('same')).toBe(kept[0]);
  expect(changesIn(state)).toMatchObject([{ id: 'mine', base: 1, values: { depth: 0.5 } }]);
});

test('what is typed on a page before it is known what waits there leaves the rest of its record', () => {
  const profile = (version: number, mulch: { distance: number; depth: number }[]): Item => ({
    kind: 'profile',
    id: 'n',
    parent: 'v',
    version,
    values: { bearing: 0, mulch, fill: [] },
  });
  const [bark, away] = [
    { distance: 0, depth: 0.2 },
    { distance: 0.3, depth: 0.1 },
  ];
  const shown = startWith([visit, profile(2, [])]);
  const typed = reduceCase(shown, {
    type: 'edit',
    edits: [editOf(shown, 'profile', 'n', 'v', { bearing: 0, mulch: [away], fill: [] })],
  });
  const waited = {
    kind: 'profile',
    id: 'n',
    parent: 'v',
    base: 2,
    values: { bearing: 0, mulch: [bark], fill: [] },
  };
  const restored = run(typed, { type: 'restore', changes: [waited as never], saved: [] });
  expect(restored.items.get('n')!.values).toMatchObject({ mulch: [bark, away] });
  expect(changesIn(restored).map((c) => c.id)).toEqual(['n']);
  // The same where the server has it by now, and only the kept page is older.
  const later = run(typed, { type: 'restore', changes: [], saved: [profile(5, [bark])] });
  expect(later.items.get('n')).toMatchObject({ version: 5, values: { mulch: [bark, away] } });
  expect(changesIn(later)).toMatchObject([{ id: 'n', base: 5 }]);
});
