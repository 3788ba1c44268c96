import { byLabel } from '@undrel/core/labels';
import { idOf } from '@undrel/core/records';
import type { TreeRow } from '../../protocol/grounds';
import type { Change } from '../../protocol/item';

/** Answers to quick looks by the key of the question. */
export type Looks = Record<string, string>;

/** What of today is known of a tree: its visit, and what was answered on it. */
export type Today = NonNullable<TreeRow['today']>;

/** Trees in walking order: by label, as the eye reads numbers. */
export const inOrder = (trees: readonly TreeRow[]): TreeRow[] =>
  [...trees].sort((a, b) => byLabel(a.label, b.label));

/** The nearest tree not yet walked, on the plan; where there is none, the next by label. */
export function nextAfter(tree: TreeRow, left: readonly TreeRow[]): TreeRow | undefined {
  const rest = left.filter((t) => t.id !== tree.id);
  const placed = rest.filter((t) => t.x !== undefined && t.y !== undefined);
  if (tree.x === undefined || tree.y === undefined || placed.length === 0)
    return rest.find((t) => byLabel(t.label, tree.label) > 0) ?? rest[0];
  const far = (t: TreeRow) => Math.hypot(t.x! - tree.x!, t.y! - tree.y!);
  return placed.reduce((a, b) => (far(b) < far(a) ? b : a));
}

export const answersIn = (today: Today | undefined): Looks =>
  Object.fromEntries(Object.entries(today?.looks ?? {}).map(([key, { answer }]) => [key, answer]));

/**
 * Answers at a tree as changes, and what is known of today after them. A visit is begun with the first; what was answered
 * the same before is not sent again.
 *
 * @param begun id, day and visitor of a visit where there is none yet
 */
export function noted(
  treeId: string,
  today: Today | undefined,
  answers: Looks,
  begun: { id: string; date: string; by: string },
): { changes: Change[]; now: Today } {
  const visitId = today?.visitId ?? begun.id;
  const other = Object.entries(answers).filter(([key, answer]) => today?.looks[key]?.answer !== answer);
  const version = (key: string) => today?.looks[key]?.version ?? 0;
  const visit: Change = {
    kind: 'visit',
    id: visitId,
    parent: treeId,
    base: 0,
    values: { date: begun.date, by: begun.by, walk: true },
  };
  return {
    changes: [
      ...(today ? [] : [visit]),
      ...other.map(([key, answer]): Change => ({
        kind: 'finding',
        id: idOf('finding', visitId, { key }),
        parent: visitId,
        base: version(key),
        values: { key, answer },
      })),
    ],
    now: {
      visitId,
      looks: {
        ...today?.looks,
        ...Object.fromEntries(other.map(([key, answer]) => [key, { answer, version: version(key) + 1 }])),
      },
    },
  };
}
