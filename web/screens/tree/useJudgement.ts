import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import type { Tree, TreeEvent, Visit } from '@undrel/core/records';
import type { FirmTable } from '@undrel/core/diagnosis';
import type { Glance } from '@undrel/core/assessment';
import type { House } from '@undrel/core/house';
import type { Profile } from '@undrel/core/profile';
import type { UnitSystem } from '@undrel/core/units';
import { idle } from '../../device/idle';
import type { JudgeAnswer, Judged, JudgeJob } from '../../workers/judge';

/** Where the verdict is not what is looked at, it waits for such a pause in typing, ms: reading its answer takes a phone from the keys. Judgement. */
const PAUSE_MS = 300;

/**
 * Verdict, prescription and their figures at a glance, weighed in a worker: what is entered never waits for it. Until
 * the first comes there is nothing, and the page shows what the server made of it; after that the last one stays up
 * until the next. Jobs that were overtaken by another entry are left out.
 *
 * @param before the visit before it, to say what is prescribed otherwise than then
 * @param explained also say why, what to look at next, and what waits for it
 */
export function useJudgement(
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit | undefined,
  visitId: string | undefined,
  visits: readonly Visit[],
  before: Visit | undefined,
  system: UnitSystem,
  firm: House,
  table: FirmTable | undefined,
  explained: boolean,
): Judged | undefined {
  const [judged, setJudged] = useState<Judged & { visitId: string }>();
  const worker = useRef<Worker | undefined>(undefined);
  const next = useRef<{ job: JudgeJob; visitId: string } | undefined>(undefined);
  const busy = useRef<{ id: number; visitId: string } | undefined>(undefined);
  const count = useRef(0);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = undefined;
      busy.current = undefined;
    },
    [],
  );
  useEffect(() => {
    if (!visit || !visitId) return;
    next.current = {
      job: { id: ++count.current, tree, events, visit, visits, before, system, firm, table, explained },
      visitId,
    };
    const send = () => {
      if (busy.current || !next.current || !worker.current) return;
      busy.current = { id: next.current.job.id, visitId: next.current.visitId };
      worker.current.postMessage(next.current.job);
      next.current = undefined;
    };
    const begin = () => {
      const made = new Worker(new URL('../../workers/judge.ts', import.meta.url), { type: 'module' });
      worker.current = made;
      made.onmessage = ({ data }: MessageEvent<JudgeAnswer>) => {
        const { visitId: of } = busy.current!;
        busy.current = undefined;
        // What is typed meanwhile is drawn first.
        startTransition(() =>
          setJudged(() => {
            if ('problem' in data) throw new Error(data.problem);
            return { ...data.judged, visitId: of };
          }),
        );
        send();
      };
      made.onerror = () => {
        // The program could not be fetched; the next entry tries again.
        made.terminate();
        worker.current = undefined;
        busy.current = undefined;
      };
    };
    // Handing it over waits until what was typed is drawn; the first, until the page is at rest, and later ones for a pause.
    let over = false;
    const timer = setTimeout(
      async () => {
        if (!worker.current && !explained) await idle();
        if (over) return;
        if (!worker.current) begin();
        send();
      },
      worker.current && !explained ? PAUSE_MS : 0,
    );
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [tree, events, visit, visitId, visits, before, system, firm, table, explained]);
  return judged?.visitId === visitId ? judged : undefined;
}

/**
 * The same as stations take it: with the profile, the change against the visit before, and the figures at a glance, which
 * are the server's until the first is weighed.
 *
 * @param served figures of the visit that the server weighed
 */
export function useJudged(
  weighed: Judged | undefined,
  profile: Profile | undefined,
  before: Visit | undefined,
  visitId: string | undefined,
  served: (Glance & { visitId: string }) | undefined,
) {
  const judged = useMemo(
    () => (weighed && profile ? { ...weighed, profile } : undefined),
    [weighed, profile],
  );
  const revision = useMemo(
    () => before && weighed?.revision && { since: before.date, revision: weighed.revision },
    [before, weighed?.revision],
  );
  return {
    judged,
    revision,
    explanation: weighed?.explanation,
    glance: weighed?.glance ?? (served?.visitId === visitId ? served : undefined),
  };
}
