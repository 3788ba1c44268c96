import { byDay } from '../vocabulary/dates';
import { standingOf, verdictOf, type JudgementTable } from '../diagnosis';
import type { House } from '../house';
import { keeping } from '../kept';
import { effectOf, type Effect } from '../practice/effects';
import { profileOf } from '../profile';
import type { Tree, TreeEvent, Visit } from '../records';
import { REMEDIES } from '../remedies';
import { CAUSE_KEYS, type NodeKey } from '../vocabulary/causes';
import { operationOf, type OperationKey } from '../vocabulary/operations';
import { isWalk } from '../walk/toJudge';

/** What is remembered: every cause, and what goes on in a tree that a remedy ends or that makes it fall. */
export const REMEMBERED: readonly NodeKey[] = [...CAUSE_KEYS, 'girdlingRoots', 'basalDecay', 'poorAnchorage'];

/** Of these, what makes a tree fall and not its crown thin. */
const FALLS: readonly NodeKey[] = ['basalDecay', 'poorAnchorage'];

/** A work done that is for a cause. */
export interface Treatment {
  operation: OperationKey;
  on: string;
  /** Done otherwise than prescribed. */
  changed: boolean;
  effect: Effect;
}

/** What the visits before one found, and what was done about it until its day. */
export interface Past {
  /** By node, the days on which it was found likely and how likely, oldest first. */
  found: Map<NodeKey, { on: string; probability: number }[]>;
  /** By node, what was done about it, oldest first. */
  treated: Map<NodeKey, Treatment[]>;
}

/** Works recorded as done up to a day, oldest first; a later part of a work (`prune-2`) is that work. */
function worksUntil(visits: readonly Visit[], day: string): Treatment[] {
  return visits
    .flatMap((v) => v.work ?? [])
    .filter((w) => w.how !== 'not done' && w.on <= day)
    .sort((a, b) => byDay(a.on, b.on))
    .flatMap(({ step, how, on }): Treatment[] => {
      const operation = operationOf(step);
      const effect = operation && effectOf(operation);
      return effect
        ? [
            {
              operation,
              on,
              changed: how === 'changed',
              effect,
            },
          ]
        : [];
    });
}

/** By table, what a visit found likely: it is asked for again with every entry on a later visit. */
const likely = new WeakMap<JudgementTable, ReturnType<typeof keeping<[NodeKey, number][]>>>();
/** Visits of which that is kept. */
const MOST_KEPT = 400;

function likelyAt(
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit,
  table: JudgementTable,
  house: House,
): [NodeKey, number][] {
  const kept = likely.get(table) ?? keeping<[NodeKey, number][]>(MOST_KEPT);
  likely.set(table, kept);
  return kept([tree, events, visit, house], () => {
    const verdict = verdictOf(tree, events, visit, profileOf(tree, visit), table, house);
    return REMEMBERED.flatMap((node): [NodeKey, number][] => {
      const { standing, probability } = standingOf(verdict, node);
      return standing === 'likely' ? [[node, probability]] : [];
    });
  });
}

/**
 * What is remembered at a visit: the verdict of each full visit before it, and the works recorded since.
 *
 * @param visits of the tree, in any order; those of its day or later count for nothing but their works
 */
export function pastOf(
  tree: Tree,
  events: readonly TreeEvent[],
  visits: readonly Visit[],
  visit: Pick<Visit, 'date'>,
  table: JudgementTable,
  house: House,
): Past {
  const before = visits
    .filter((v) => v.date < visit.date && !isWalk(v))
    .sort((a, b) => byDay(a.date, b.date));
  const found: Past['found'] = new Map();
  for (const earlier of before)
    for (const [node, probability] of likelyAt(tree, events, earlier, table, house))
      found.set(node, [...(found.get(node) ?? []), { on: earlier.date, probability }]);
  const works = found.size > 0 ? worksUntil(visits, visit.date) : [];
  const treated: Past['treated'] = new Map();
  for (const [node, times] of found) {
    const own = works.filter((w) => REMEDIES[w.operation].treats.includes(node) && w.on >= times[0]!.on);
    if (own.length > 0) treated.set(node, own);
  }
  return { found, treated };
}

/** Last year in which the crown may still be on its way to show a treatment. */
export const shownBy = ({ on, effect }: Treatment): number => Number(on.slice(0, 4)) + effect.seasons[1];

/** Whether something was treated so lately that the crown may still show what it suffered. */
export const isRecovering = ({ treated }: Past, day: string): boolean =>
  [...treated].some(
    ([node, works]) => !FALLS.includes(node) && shownBy(works.at(-1)!) >= Number(day.slice(0, 4)),
  );
