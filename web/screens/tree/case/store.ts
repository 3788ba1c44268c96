import type { Change, ChangeResult, Item, ItemKind, ItemValues, Theirs } from '../../../protocol/item';

/** An edit: what an item was and what it became; its inverse undoes it. */
export interface Edit {
  kind: ItemKind;
  id: string;
  parent: string;
  before: Item['values'];
  after: Item['values'];
}

export interface Conflict {
  id: string;
  kind: ItemKind;
  mine: Item['values'];
  theirs: Theirs;
}

export interface CaseState {
  items: ReadonlyMap<string, Item>;
  /** Ids with values the server does not have yet. */
  unsaved: ReadonlySet<string>;
  conflicts: readonly Conflict[];
  refusals: ReadonlyMap<string, string>;
  undo: readonly (readonly Edit[])[];
  redo: readonly (readonly Edit[])[];
}

export type CaseAction =
  | { type: 'edit'; edits: readonly Edit[] }
  | { type: 'undo' }
  | { type: 'redo' }
  | { type: 'restore'; changes: readonly Change[] }
  | { type: 'answered'; sent: readonly Change[]; results: readonly ChangeResult[] }
  | { type: 'settle'; id: string; keep: 'mine' | 'theirs' };

const UNDO_DEPTH = 200;

export const startWith = (items: readonly Item[]): CaseState => ({
  items: new Map(items.map((item) => [item.id, item])),
  unsaved: new Set(),
  conflicts: [],
  refusals: new Map(),
  undo: [],
  redo: [],
});

function put(state: CaseState, edits: readonly Pick<Edit, 'kind' | 'id' | 'parent' | 'after'>[]): CaseState {
  const items = new Map(state.items);
  const unsaved = new Set(state.unsaved);
  const refusals = new Map(state.refusals);
  for (const { kind, id, parent, after } of edits) {
    items.set(id, { kind, id, parent, version: items.get(id)?.version ?? 0, values: after } as Item);
    unsaved.add(id);
    refusals.delete(id);
  }
  return { ...state, items, unsaved, refusals };
}

const inverse = (edits: readonly Edit[]) =>
  [...edits].reverse().map((e) => ({ ...e, after: e.before, before: e.after }));

/** Typing into one field is one step of undo. */
function sameField(a: readonly Edit[] | undefined, b: readonly Edit[]): boolean {
  return (
    a?.length === 1 &&
    b.length === 1 &&
    a[0]!.id === b[0]!.id &&
    a[0]!.before !== null &&
    b[0]!.after !== null
  );
}

export function reduceCase(state: CaseState, action: CaseAction): CaseState {
  switch (action.type) {
    case 'edit': {
      const last = state.undo[state.undo.length - 1];
      const joined = sameField(last, action.edits)
        ? [...state.undo.slice(0, -1), [{ ...last![0]!, after: action.edits[0]!.after }]]
        : [...state.undo, action.edits];
      return { ...put(state, action.edits), undo: joined.slice(-UNDO_DEPTH), redo: [] };
    }
    case 'undo': {
      const last = state.undo[state.undo.length - 1];
      if (!last) return state;
      return { ...put(state, inverse(last)), undo: state.undo.slice(0, -1), redo: [...state.redo, last] };
    }
    case 'redo': {
      const next = state.redo[state.redo.length - 1];
      if (!next) return state;
      return { ...put(state, next), undo: [...state.undo, next], redo: state.redo.slice(0, -1) };
    }
    case 'restore': {
      const items = new Map(state.items);
      const unsaved = new Set(state.unsaved);
      for (const { kind, id, parent, base, values } of action.changes) {
        items.set(id, { kind, id, parent, version: base, values: values as Item['values'] } as Item);
        unsaved.add(id);
      }
      return { ...state, items, unsaved };
    }
    case 'answered':
      return answered(state, action.sent, action.results);
    case 'settle': {
      const conflict = state.conflicts.find((c) => c.id === action.id);
      const item = state.items.get(action.id);
      if (!conflict || !item) return state;
      const items = new Map(state.items);
      const unsaved = new Set(state.unsaved);
      const values = (action.keep === 'mine' ? item.values : conflict.theirs.values) as Item['values'];
      items.set(action.id, { ...item, version: conflict.theirs.version, values } as Item);
      if (action.keep === 'mine') unsaved.add(action.id);
      else unsaved.delete(action.id);
      return { ...state, items, unsaved, conflicts: state.conflicts.filter((c) => c.id !== action.id) };
    }
  }
}

function answered(state: CaseState, sent: readonly Change[], results: readonly ChangeResult[]): CaseState {
  const items = new Map(state.items);
  const unsaved = new Set(state.unsaved);
  const refusals = new Map(state.refusals);
  let conflicts = state.conflicts;
  results.forEach((result, i) => {
    const item = items.get(result.id);
    if (!item) return;
    // Edited again while the answer was on its way: the newer value is still to be saved.
    const moved = item.values !== (sent[i]!.values as Item['values']);
    if (result.status === 'saved') {
      items.set(result.id, { ...item, version: result.version });
      if (!moved) unsaved.delete(result.id);
    } else if (result.status === 'refused') {
      refusals.set(result.id, result.problem);
      if (!moved) unsaved.delete(result.id);
    } else {
      unsaved.delete(result.id);
      conflicts = [
        ...conflicts.filter((c) => c.id !== result.id),
        { id: result.id, kind: item.kind, mine: item.values, theirs: result.theirs },
      ];
    }
  });
  return { ...state, items, unsaved, refusals, conflicts };
}

/** What is to be sent: parents before what belongs to them, nothing that was never saved and is already gone. */
export function changesIn(state: CaseState): Change[] {
  const order: ItemKind[] = ['tree', 'event', 'visit', 'finding', 'profile', 'probe', 'decision'];
  return [...state.unsaved]
    .map((id) => state.items.get(id)!)
    .filter((item) => !(item.version === 0 && item.values === null))
    .sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind))
    .map(({ kind, id, parent, version, values }) => ({
      kind,
      id,
      parent,
      base: version,
      values: values as Record<string, unknown> | null,
    }));
}

/** An edit from the present state of an item to new values; null deletes it. */
export function editOf<K extends ItemKind>(
  state: CaseState,
  kind: K,
  id: string,
  parent: string,
  after: ItemValues[K] | null,
): Edit {
  return { kind, id, parent, before: state.items.get(id)?.values ?? null, after: after as Item['values'] };
}
