import { useMemo, useState } from 'react';
import { progressOf } from '@undrel/core/assessment';
import { profileOf } from '@undrel/core/profile';
import type { Tree, TreeEvent, Visit } from '@undrel/core/records';
import { visitToJudge } from '@undrel/core/walk';
import type { CaseControl } from '../../device/useCase';
import { itemsBelow, visitFrom, type ItemOf } from '../../protocol/item';

const NONE: never[] = [];

/** The tree as its items are now, with its events and its visits, the newest first. */
export function useTreeInHand({ items }: CaseControl, treeId: string) {
  const treeItem = items.find((i): i is ItemOf<'tree'> => i.kind === 'tree')!;
  // Removed in this very page it keeps its name.
  const [label] = useState((treeItem.values as Tree).label);
  const tree = useMemo(() => (treeItem.values ?? { label, species: '' }) as Tree, [treeItem.values, label]);
  const events = useMemo(
    () => itemsBelow(items, 'event', treeId).map((i) => i.values as TreeEvent),
    [items, treeId],
  );
  const visits = useMemo(
    () => itemsBelow(items, 'visit', treeId).sort((a, b) => b.values.date.localeCompare(a.values.date)),
    [items, treeId],
  );
  const allVisits = useMemo(() => visits.map((v) => visitFrom(items, v)), [items, visits]);
  return { treeItem, tree, events, visits, allVisits };
}

/** The visit that is shown, the one to judge by until another is chosen; undefined before the first. */
export function useVisitInHand(
  { items }: CaseControl,
  tree: Tree,
  events: readonly TreeEvent[],
  visits: ReturnType<typeof useTreeInHand>['visits'],
  allVisits: readonly Visit[],
) {
  const [chosen, choose] = useState<string | undefined>(undefined);
  const toJudge = visitToJudge(allVisits);
  const current = visits.find((v) => v.id === chosen) ?? visits[toJudge ? allVisits.indexOf(toJudge) : 0];
  const visit = useMemo(() => (current ? visitFrom(items, current) : undefined), [items, current]);
  const profile = useMemo(() => (visit ? profileOf(tree, visit) : undefined), [tree, visit]);
  const progress = useMemo(() => (visit ? progressOf(tree, events, visit) : NONE), [tree, events, visit]);
  const before = useMemo(
    () => visit && allVisits.find((v) => !v.walk && v.date < visit.date),
    [allVisits, visit],
  );
  return { current, visit, profile, progress, before, choose };
}
