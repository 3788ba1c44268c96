import { useEffect, useMemo, useState } from 'react';
import type * as Assessing from '@undrel/core/assessment';
import type { Assessment } from '@undrel/core/assessment';
import type { Tree, TreeEvent, Visit } from '@undrel/core/casefile';
import type { Schools } from '@undrel/core/practice';

type Judge = typeof Assessing;

/**
 * Verdict, prescription and their figures at a glance. The rules and their words are a good part of the program and
 * come after the page; until then there is nothing, and the page shows what the server made of it.
 */
export function useJudgement(
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit | undefined,
  firm: Schools,
) {
  const [judge, setJudge] = useState<Judge>();
  useEffect(() => {
    if (judge) return;
    import('@undrel/core/assessment').then(
      (loaded) => setJudge(loaded),
      () => undefined,
    );
    // Tried again with the next entry where the server was away.
  }, [judge, visit]);
  const judged = useMemo<Assessment | undefined>(
    () => (judge && visit ? judge.assess(tree, events, visit, firm) : undefined),
    [judge, tree, events, visit, firm],
  );
  const glance = useMemo(
    () => (judge && judged && visit ? judge.glanceAt(judged, visit.decisions) : undefined),
    [judge, judged, visit],
  );
  return { judged, glance };
}
