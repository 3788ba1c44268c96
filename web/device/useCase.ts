'use client';

import { useCallback, useEffect, useLayoutEffect, useMemo, useReducer, useRef, useState } from 'react';
import type { Item, ItemKind, ItemValues } from '../protocol/item';
import { useSame } from './useSame';
import { caseNow, keptSince, opened } from './along/keptPage';
import { keepSoon } from './along/keepSoon';
import { keepChanges, keptChanges, rememberSaved, savedItems, savedLater, show } from './pending';
import { batchOf, savedOf, send } from './sending';
import { changesIn, editOf, reduceCase, startWith, toKeep, type CaseState } from './store';

/** `unknown` until it was looked at what waits on this device. */
export type Saving = 'unknown' | 'saved' | 'saving' | 'away' | 'signed out';

/** Entries wait this long for the next keystroke before they are sent. */
const PAUSE_MS = 500;
const RETRY_MS = [1_000, 2_000, 5_000, 10_000];

/** What a case says and the way to change it: the same while only what is told of saving it changes. */
export interface CaseHand {
  items: readonly Item[];
  set<K extends ItemKind>(
    kind: K,
    id: string,
    parent: string,
    values: ItemValues[K] | null,
    field?: string,
  ): void;
  setAll(edits: readonly { kind: ItemKind; id: string; parent: string; values: Item['values'] }[]): void;
  undo(): void;
  redo(): void;
  /** Sends what is waiting now, and says whether all of it was saved. */
  flush(): Promise<boolean>;
}

/** The same with what is told of saving it. */
export interface CaseControl extends CaseHand {
  hand: CaseHand;
  state: CaseState;
  saving: Saving;
  /** Whether what is not saved yet is kept on this device; false where its storage is full or forbidden. */
  kept: boolean;
  settle(id: string, keep: 'mine' | 'theirs'): void;
}

/** Something that is waited for, and what ends the wait. */
function later() {
  let done = () => {};
  const whole = new Promise<void>((resolve) => (done = resolve));
  return { whole, done };
}

type Dispatch = (action: Parameters<typeof reduceCase>[1]) => void;

/** Whose case it is. */
interface Owner {
  treeId: string;
  person: string;
}

/**
 * Brings back what a page of before left unsaved on this device, and asks for what is new where the page was kept.
 *
 * @returns whether that was looked at
 */
function useRestored({ treeId, person }: Owner, dispatch: Dispatch): boolean {
  const [restored, setRestored] = useState(false);
  // Before anything of the page asks.
  useLayoutEffect(() => opened(treeId), [treeId]);
  useEffect(() => {
    let here = true;
    const hide = show(treeId);
    void Promise.all([keptChanges({ person, treeId }), keptSince()]).then(([changes, since]) => {
      if (!here) return;
      const saved = [...savedItems(treeId), ...savedLater({ person, treeId }, since)];
      dispatch({ type: 'restore', changes, saved });
      setRestored(true);
      if (since !== undefined)
        void caseNow(treeId).then((now) => {
          if (!here || now === undefined) return;
          // Removed meanwhile: the page is asked for anew, and says so.
          if (now === 'gone') return window.location.reload();
          // Its session was ended: what was taken along goes there, what waits stays.
          if (now === 'signed out') return window.location.assign('/sign-in');
          dispatch({ type: 'refresh', items: now.items });
        });
    });
    return () => {
      here = false;
      hide();
    };
  }, [treeId, person, dispatch]);
  return restored;
}

/** Sends what waits, batch by batch, one flight at a time; what fails is tried again by whoever calls next. */
function useFlush(
  { treeId, person }: Owner,
  latest: { current: CaseState },
  dispatch: Dispatch,
  restored: boolean,
) {
  const [saving, setSaving] = useState<Saving>('saved');
  const flight = useRef<Promise<boolean> | undefined>(undefined);
  const failures = useRef(0);
  const [looked] = useState(later);
  useEffect(() => {
    if (restored) looked.done();
  }, [restored, looked]);
  const flush = useCallback((): Promise<boolean> => {
    flight.current ??= (async () => {
      // What a page of before left is not known until then: nothing is called saved.
      await looked.whole;
      for (;;) {
        const changes = batchOf(changesIn(latest.current));
        if (changes.length === 0) {
          setSaving('saved');
          return latest.current.conflicts.length === 0 && latest.current.refusals.size === 0;
        }
        setSaving('saving');
        dispatch({ type: 'sending', sent: changes });
        const results = await send(changes, person);
        if (typeof results === 'string') {
          failures.current++;
          setSaving(results);
          return false;
        }
        failures.current = 0;
        const saved = savedOf(changes, results);
        rememberSaved(treeId, saved);
        void keepSoon(person, treeId, saved);
        const action = { type: 'answered' as const, sent: changes, results };
        latest.current = reduceCase(latest.current, action);
        dispatch(action);
      }
    })().finally(() => {
      flight.current = undefined;
    });
    return flight.current;
  }, [treeId, person, looked, latest, dispatch]);
  return { flush, saving, failures };
}

/** Sends as soon as there is signal again, and when the page is left. */
function useSentWhenAble(flush: () => Promise<boolean>): void {
  useEffect(() => {
    const now = () => void flush();
    const leaving = () => document.visibilityState === 'hidden' && now();
    window.addEventListener('online', now);
    document.addEventListener('visibilitychange', leaving);
    return () => {
      window.removeEventListener('online', now);
      document.removeEventListener('visibilitychange', leaving);
    };
  }, [flush]);
}

/** Whether two items say the same to whoever reads them, which version of the server's they are aside. */
const saysTheSame = (a: Item, b: Item) =>
  a === b ||
  (a.id === b.id && a.values === b.values && a.parent === b.parent && a.version > 0 === b.version > 0);

/**
 * The case on this device: edits show at once, are saved behind, and are kept here until the server has them.
 *
 * @param person who is signed in: what waits is theirs, and is sent as theirs alone
 */
export function useCase(treeId: string, initial: string, person: string): CaseControl {
  const [state, dispatch] = useReducer(reduceCase, initial, (text) => startWith(JSON.parse(text) as Item[]));
  const latest = useRef(state);
  latest.current = state;
  const owner = useMemo(() => ({ treeId, person }), [treeId, person]);
  const restored = useRestored(owner, dispatch);
  const { flush, saving, failures } = useFlush(owner, latest, dispatch, restored);
  const [kept, setKept] = useState(true);

  useEffect(() => {
    if (!restored) return;
    setKept(keepChanges(owner, toKeep(state)));
    if (state.unsaved.size === 0) return;
    const pause =
      failures.current === 0 ? PAUSE_MS : RETRY_MS[Math.min(failures.current, RETRY_MS.length) - 1]!;
    const timer = setTimeout(() => void flush(), pause);
    return () => clearTimeout(timer);
  }, [state, saving, owner, flush, failures, restored]);
  useSentWhenAble(flush);

  const listed = useMemo(() => [...state.items.values()], [state.items]);
  const items = useSame(listed, saysTheSame);
  const edits = useMemo<Pick<CaseControl, 'set' | 'setAll' | 'undo' | 'redo' | 'settle'>>(
    () => ({
      set: (kind, id, parent, values, field) =>
        dispatch({ type: 'edit', edits: [editOf(latest.current, kind, id, parent, values, field)] }),
      setAll: (edits) =>
        dispatch({
          type: 'edit',
          edits: edits.map((e) => editOf(latest.current, e.kind, e.id, e.parent, e.values as never)),
        }),
      undo: () => dispatch({ type: 'undo' }),
      redo: () => dispatch({ type: 'redo' }),
      settle: (id, keep) => dispatch({ type: 'settle', id, keep }),
    }),
    [],
  );
  const hand = useMemo<CaseHand>(() => {
    const { settle: _, ...change } = edits;
    return { items, ...change, flush };
  }, [items, edits, flush]);
  return useMemo<CaseControl>(
    () => ({ ...hand, hand, state, saving: restored ? saving : 'unknown', kept, settle: edits.settle }),
    [hand, state, saving, restored, kept, edits],
  );
}
