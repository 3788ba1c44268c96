import { depthOf } from '@undrel/core/records';
import type { Change, ChangeResult, Item, ItemKind, ItemValues, Theirs } from '../protocol/item';
import { laidOver } from './laidOver';
import { DOUBTS_KEPT } from './pending';

/** An edit: what an item was and what it became; its inverse undoes it. */
export interface Edit {
  kind: ItemKind;
  id: string;
  parent: string;
  before: Item['values'];
  after: Item['values'];
  /** The field typed in, where an item has several: typing on in it is one step of undo. */
  field?: string;
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
  /** What was sent for an item and not answered yet. */
  inDoubt: ReadonlyMap<string, readonly Change['values'][]>;
  conflicts: readonly Conflict[];
  refusals: ReadonlyMap<string, string>;
  undo: readonly (readonly Edit[])[];
  redo: readonly (readonly Edit[])[];
}

export type CaseAction =
  | { type: 'edit'; edits: readonly Edit[] }
  | { type: 'undo' }
  | { type: 'redo' }
  | { type: 'restore'; changes: readonly Change[]; saved: readonly Item[] }
  | { type: 'refresh'; items: readonly Item[] }
  | { type: 'sending'; sent: readonly Change[] }
  | { type: 'answered'; sent: readonly Change[]; results: readonly ChangeResult[] }
  | { type: 'settle'; id: string; keep: 'mine' | 'theirs' };

const UNDO_DEPTH = 200;
/** The field of an edit that is a step of undo by itself. */
export const ONE_STEP = 'one step';

export const startWith = (items: readonly Item[]): CaseState => ({
  items: new Map(items.map((item) => [item.id, item])),
  unsaved: new Set(),
  inDoubt: new Map(),
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
    const version = items.get(id)?.version ?? 0;
    items.set(id, { kind, id, parent, version, values: after } as Item);
    // What the server never heard of and is gone again needs no word.
    if (version === 0 && after === null && !state.inDoubt.has(id)) unsaved.delete(id);
    else unsaved.add(id);
    refusals.delete(id);
  }
  return { ...state, items, unsaved, refusals };
}

/** What the page showed of an item before anything was entered. */
const shownFirst = (state: CaseState, id: string): Item['values'] =>
  state.undo.flat().find((edit) => edit.id === id)?.before ?? null;

const inverse = (edits: readonly Edit[]) =>
  [...edits].reverse().map((e) => ({ ...e, after: e.before, before: e.after }));

/** Typing into one field is one step of undo. */
function sameField(a: readonly Edit[] | undefined, b: readonly Edit[]): boolean {
  return (
    a?.length === 1 &&
    b.length === 1 &&
    a[0]!.id === b[0]!.id &&
    a[0]!.field === b[0]!.field &&
    a[0]!.field !== ONE_STEP &&
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
      // Nothing waited, and nothing here is older: nothing is worked out anew.
      const older = action.saved.some((item) => item.version > (state.items.get(item.id)?.version ?? 0));
      if (action.changes.length === 0 && !older) return state;
      const items = new Map(state.items);
      const unsaved = new Set(state.unsaved);
      // Typed while the page was coming: that is newer than what was kept, and of what the page showed then.
      const withTyped = (item: Item): Item =>
        unsaved.has(item.id)
          ? ({
              ...item,
              values: laidOver(shownFirst(state, item.id), items.get(item.id)!.values, item.values),
            } as Item)
          : item;
      for (const item of action.saved)
        if (item.version > (items.get(item.id)?.version ?? 0)) items.set(item.id, withTyped(item));
      const doubts = new Map(state.inDoubt);
      for (const { kind, id, parent, base, values, inDoubt } of action.changes) {
        items.set(
          id,
          withTyped({ kind, id, parent, version: base, values: values as Item['values'] } as Item),
        );
        unsaved.add(id);
        if (inDoubt) doubts.set(id, inDoubt);
      }
      return { ...state, items, unsaved, inDoubt: doubts };
    }
    case 'refresh': {
      // What waits to be sent or settled here stays; the rest is as the server has it.
      const own = (id: string) =>
        state.unsaved.has(id) || state.refusals.has(id) || state.conflicts.some((c) => c.id === id);
      const mine = [...state.items.values()].filter((item) => own(item.id));
      const items = new Map(action.items.map((item) => [item.id, item]));
      for (const item of state.items.values()) {
        const theirs = items.get(item.id);
        // The same item stays the same object: nothing is worked out anew for it.
        if (theirs && theirs.version <= item.version) items.set(item.id, item);
      }
      for (const item of mine) items.set(item.id, item);
      const same =
        items.size === state.items.size && [...items].every(([id, item]) => state.items.get(id) === item);
      return same ? state : { ...state, items };
    }
    case 'sending': {
      const doubts = new Map(state.inDoubt);
      for (const { id, values, inDoubt = [] } of action.sent)
        doubts.set(id, [...inDoubt.filter((v) => v !== values), values].slice(-DOUBTS_KEPT));
      return { ...state, inDoubt: doubts };
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
  const inDoubt = new Map(state.inDoubt);
  let conflicts = state.conflicts;
  results.forEach((result, i) => {
    inDoubt.delete(result.id);
    const item = items.get(result.id);
    if (!item) return;
    // Edited again while the answer was on its way: the newer value is still to be saved.
    const moved = item.values !== (sent[i]!.values as Item['values']);
    if (result.status === 'saved') {
      items.set(result.id, { ...item, version: result.version });
      if (moved) unsaved.add(result.id);
      else unsaved.delete(result.id);
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
  return { ...state, items, unsaved, inDoubt, refusals, conflicts };
}

/** What is removed goes after all that is written, what belongs to it before it. */
const placeOf = ({ kind, values }: Item): number => (values === null ? 10 - depthOf(kind) : depthOf(kind));

const asChanges = (state: CaseState, ids: Iterable<string>): Change[] =>
  [...new Set(ids)]
    .map((id) => state.items.get(id)!)
    .filter((item) => !(item.version === 0 && item.values === null) || state.inDoubt.has(item.id))
    .sort((a, b) => placeOf(a) - placeOf(b))
    .map(({ kind, id, parent, version, values }) => ({
      kind,
      id,
      parent,
      base: version,
      values: values as Change['values'],
      ...(state.inDoubt.has(id) && { inDoubt: [...state.inDoubt.get(id)!] }),
    }));

/** What is to be sent: parents before what belongs to them, nothing that was never saved and is already gone. */
export const changesIn = (state: CaseState): Change[] => asChanges(state, state.unsaved);

/** What a reload must not lose: what is to be sent, and what was refused or is still to be settled. */
export const toKeep = (state: CaseState): Change[] =>
  asChanges(state, [...state.unsaved, ...state.refusals.keys(), ...state.conflicts.map((c) => c.id)]);

/** An edit from the present state of an item to new values; null deletes it. */
export function editOf<K extends ItemKind>(
  state: CaseState,
  kind: K,
  id: string,
  parent: string,
  after: ItemValues[K] | null,
  field?: string,
): Edit {
  const before = state.items.get(id)?.values ?? null;
  return { kind, id, parent, before, after: after as Item['values'], ...(field && { field }) };
}
