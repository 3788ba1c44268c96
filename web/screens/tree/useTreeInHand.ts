import { byDay } from '@undrel/core/vocabulary';
import { useEffect, useMemo, useRef, useState } from 'react';
import { progressOf } from '@undrel/core/assessment';
import { profileOf } from '@undrel/core/profile';
import type { Tree, TreeEvent, Visit } from '@undrel/core/records';
import { visitToJudge } from '@undrel/core/walk';
import type { CaseHand } from '../../device/useCase';
import { itemsBelow, visitFrom, type Item, type ItemOf, type Living } from '../../protocol/item';
import { keepLists } from '../../protocol/keepSame';
import { useSame } from '../../device/useSame';

const NONE: never[] = [];

/** Keys of the questions that count as progress. */
export type Counted = Parameters<typeof progressOf>[3];

/** What a visit is made of: its own values and those of all below it. */
const partsOf = (items: readonly Item[], visit: Living<'visit'>) => [
  visit.values,
  ...items.flatMap((i) => (i.parent === visit.id && i.values !== null ? [i.values] : [])),
];

/** Visits as the core reads them, each part that did not change the same as before. */
function useWholeVisits(items: readonly Item[], visits: readonly Living<'visit'>[]): readonly Visit[] {
  const kept = useRef<ReadonlyMap<string, { parts: readonly unknown[]; visit: Visit }>>(new Map());
  const whole = useMemo(() => {
    kept.current = new Map(
      visits.map((v) => {
        const parts = partsOf(items, v);
        const was = kept.current.get(v.id);
        const same = was?.parts.length === parts.length && parts.every((part, i) => part === was.parts[i]);
        return [v.id, same ? was : { parts, visit: keepLists(was?.visit, visitFrom(items, v)) }];
      }),
    );
    return [...kept.current.values()].map(({ visit }) => visit);
  }, [items, visits]);
  return useSame(whole);
}

/** The tree as its items are now, with its events and its visits, the newest first. */
export function useTreeInHand({ items }: CaseHand, treeId: string) {
  const treeItem = items.find((i): i is ItemOf<'tree'> => i.kind === 'tree')!;
  // Removed in this very page it keeps its name.
  const [label] = useState((treeItem.values as Tree).label);
  const tree = useMemo(() => (treeItem.values ?? { label, species: '' }) as Tree, [treeItem.values, label]);
  const events = useSame(
    useMemo(() => itemsBelow(items, 'event', treeId).map((i) => i.values as TreeEvent), [items, treeId]),
  );
  const visits = useSame(
    useMemo(
      () => itemsBelow(items, 'visit', treeId).sort((a, b) => byDay(b.values.date, a.values.date)),
      [items, treeId],
    ),
  );
  const allVisits = useWholeVisits(items, visits);
  return { treeItem, tree, events, visits, allVisits };
}

/** What counts as progress, fetched where a page that was kept by an earlier version does not bring it. */
export function useCounted(given: Counted | undefined): Counted | undefined {
  const [counted, setCounted] = useState(given);
  useEffect(() => {
    if (!counted)
      import('@undrel/core/assessment').then(
        ({ COUNTED }) => setCounted(COUNTED),
        () => undefined,
      );
  }, [counted]);
  return counted;
}

/** The visit that is shown, the one to judge by until another is chosen; undefined before the first. */
export function useVisitInHand(
  tree: Tree,
  events: readonly TreeEvent[],
  visits: readonly Living<'visit'>[],
  allVisits: readonly Visit[],
  counted: Counted | undefined,
) {
  const [chosen, choose] = useState<string | undefined>(undefined);
  const toJudge = visitToJudge(allVisits);
  const current = visits.find((v) => v.id === chosen) ?? visits[toJudge ? allVisits.indexOf(toJudge) : 0];
  const visit = current && allVisits[visits.indexOf(current)];
  const profile = useMemo(() => (visit ? profileOf(tree, visit) : undefined), [tree, visit]);
  const progress = useMemo(
    () => (visit && counted ? progressOf(tree, events, visit, counted) : NONE),
    [tree, events, visit, counted],
  );
  const before = useMemo(
    () => visit && allVisits.find((v) => !v.walk && v.date < visit.date),
    [allVisits, visit],
  );
  return { current, visit, profile, progress, before, choose };
}
