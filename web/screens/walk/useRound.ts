import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  addUnsent,
  begunIn,
  send,
  takeUnsent,
  unsentIn,
  walking,
  type Batch,
  type Round,
} from '../../device/walkBatches';
import type { TreeRow } from '../../protocol/grounds';

/** What waits is tried again so often while the page is open, ms. */
const AGAIN_MS = 15_000;

/** What waits on this phone, and the way to send it: batch after batch, one flight at a time. */
function useUnsent(round: Round, onSent: () => Promise<void>) {
  const [unsent, setUnsent] = useState<Batch[]>([]);
  const [away, setAway] = useState<'signed out' | 'not kept'>();
  const [problem, setProblem] = useState<string>();
  const sending = useRef(false);
  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (let next = unsentIn(round)[0]; next; next = unsentIn(round)[0]) {
        const outcome = await send(next, round.person);
        if (outcome === 'later') break;
        if (outcome === 'signed out') {
          setAway(outcome);
          break;
        }
        if (outcome !== 'sent') setProblem(outcome.problem);
        takeUnsent(round, next);
      }
      const waiting = unsentIn(round);
      setUnsent(waiting);
      if (waiting.length > 0) return;
      setAway(undefined);
      await onSent();
    } finally {
      sending.current = false;
    }
  }, [round, onSent]);
  const add = (batch: Batch) => {
    if (!addUnsent(round, batch)) setAway('not kept');
    setUnsent(unsentIn(round));
  };
  return { unsent, away, problem, setProblem, flush, add };
}

/**
 * A round over a property: when it began, what of it waits on this phone, and what was begun here without signal.
 *
 * @param started its first day, as the server knows it
 * @param beginRound begins one on the server
 */
export function useRound(
  { person, property }: Round,
  today: string,
  started: string | null,
  beginRound: () => Promise<unknown>,
) {
  const round = useMemo(() => ({ person, property }), [person, property]);
  /** Day of a round that was begun without signal; the server hears of it when there is some. */
  const [sinceHere, setSinceHere] = useState<string | null>(null);
  const toBegin = useRef(false);
  const [just, setJust] = useState<ReadonlySet<string>>(new Set());
  const [begun, setBegun] = useState<Record<string, NonNullable<TreeRow['today']>>>({});
  const beginThere = useCallback(async () => {
    if (!toBegin.current || !navigator.onLine || started !== null) return;
    toBegin.current = false;
    await beginRound().catch(() => undefined);
  }, [beginRound, started]);
  const { add, flush, setProblem, ...waiting } = useUnsent(round, beginThere);

  useEffect(() => {
    const there = unsentIn(round);
    setJust(new Set(there.map((b) => b.tree)));
    // Opened again without signal: the round goes on where it was.
    const days = Object.values(begunIn(there)).map((b) => b.date);
    if (days.length > 0) {
      toBegin.current = true;
      setSinceHere(days.sort()[0]!);
    }
    void flush();
    const left = walking(round);
    const timer = setInterval(() => unsentIn(round).length > 0 && void flush(), AGAIN_MS);
    window.addEventListener('online', flush);
    return () => {
      left();
      clearInterval(timer);
      window.removeEventListener('online', flush);
    };
  }, [flush, round]);
  useEffect(() => {
    // Looks at a tree of today that wait belong to one visit.
    const there = Object.entries(begunIn(unsentIn(round))).filter(([, b]) => b.date === today);
    setBegun((now) => ({ ...Object.fromEntries(there), ...now }));
  }, [round, today]);

  const begin = async () => {
    try {
      await beginRound();
    } catch (error) {
      // Where it leads on is thrown too.
      if (navigator.onLine || (error as { digest?: string }).digest) throw error;
      if (started !== null) setProblem('The next round is begun with signal; this one is done.');
      else {
        toBegin.current = true;
        setSinceHere(today);
      }
    }
  };
  return {
    ...waiting,
    /** First day of the round; null where none is under way. */
    since: started ?? sinceHere,
    /** Trees noted since the page came, and what was begun at them today. */
    just,
    begun,
    begin,
    flush,
    seen: () => setProblem(undefined),
    keep: (batch: Batch, now: NonNullable<TreeRow['today']>) => {
      add(batch);
      setJust(new Set([...just, batch.tree]));
      setBegun({ ...begun, [batch.tree]: now });
    },
  };
}
