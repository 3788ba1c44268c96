import { isOpen, type WhoDoes } from '@undrel/core/schedule';
import { byDay, dayAfter } from '@undrel/core/vocabulary';
import { assessBy } from '../../protocol/mayFall';
import type { TaskRow, WorkRow } from '../../protocol/season';
import type { Marks } from './marks';
import type { Prescribed } from './useSeasonLines';

/** Whether a work is to keep people away from a tree that may fall, and to have it assessed. */
export const isDanger = ({ operation }: WorkRow): boolean => operation === 'stability';

/** Tasks and works of whom and where is asked, and what of them is left. Rows without somebody who does them are everybody's. */
export function seasonOf(
  tasks: readonly TaskRow[],
  prescribed: Prescribed,
  marks: Marks,
  { who, property }: { who: WhoDoes | ''; property: string },
  today: string,
) {
  const mine = <T extends { who?: WhoDoes; propertyId: string }>(rows: readonly T[]) =>
    rows.filter(
      (t) =>
        (who === '' || t.who === undefined || t.who === who) &&
        (property === '' || t.propertyId === property),
    );
  const shown = mine(tasks);
  const rests = mine(prescribed.rests);
  const works = {
    ...prescribed,
    rests,
    works: mine(prescribed.works),
    decisions: mine(prescribed.decisions),
    water: mine(prescribed.water),
    large: mine(prescribed.large),
  };
  const marked = (t: TaskRow) => marks.get(`${t.visitId} ${t.key}`)?.how ?? 'open';
  const isLeft = (t: TaskRow) => isOpen(t) && marked(t) === 'open';
  // As the first page and the list count them; what is prescribed is told beside it.
  const due = shown.filter(isLeft);
  return {
    shown,
    works,
    left: [...shown, ...rests].filter(isLeft),
    late: due.filter((t) => t.state === 'late').length,
    week: due.filter((t) => t.state !== 'late' && t.from <= dayAfter(today, 7)).length,
    /** Trees that may fall and were not assessed yet, what is late before the rest. */
    danger: [
      ...works.works.filter(isDanger).map(({ label, to, state }) => ({ label, to, late: state === 'late' })),
      ...works.large.flatMap(({ label, mayFall }) => {
        const to = mayFall && assessBy(mayFall);
        return to ? [{ label, to, late: to < today }] : [];
      }),
    ].sort((a, b) => byDay(a.to, b.to)),
    trees: new Set(works.works.map((w) => w.treeId)).size,
    hours: works.works.reduce((sum, w) => sum + w.hours, 0),
  };
}

export type Season = ReturnType<typeof seasonOf>;
