'use client';

import { memo, useState } from 'react';
import { byDay, dayAfter, lastOfMonth, monthsAfter, inARow } from '@undrel/core/vocabulary';
import { formatValue } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import type { TaskRow } from '../../protocol/season';
import { usePreferences } from '../shell/preferences';
import type { Prescribed } from './useSeasonLines';
import { dayWords, monthWords } from './words';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** Something on a day of the month. */
interface Entry {
  key: string;
  on: string;
  href: string;
  label: string;
  what: string;
  late: boolean;
}

/** Monday of the week of a day. */
const monday = (day: string): string => dayAfter(day, -((new Date(day).getUTCDay() + 6) % 7));

/** All that has its last day in a stretch; a work of a tree once for all its steps of that day. */
function entriesOf(
  tasks: readonly TaskRow[],
  { works, water }: Prescribed,
  from: string,
  to: string,
  litres: (l: number) => string,
): Entry[] {
  const within = (day: string | undefined) => day !== undefined && day >= from && day <= to;
  const byTree = new Map<string, (typeof works)[number][]>();
  for (const w of works.filter((w) => within(w.to))) {
    const key = `${w.treeId} ${w.to}`;
    byTree.set(key, [...(byTree.get(key) ?? []), w]);
  }
  return [
    ...tasks
      .filter((t) => within(t.to))
      .map((t) => ({
        key: `${t.visitId} ${t.key}`,
        on: t.to,
        href: `/trees/${t.treeId}`,
        label: t.label,
        what: t.what,
        late: t.state === 'late',
      })),
    ...[...byTree].map(([key, own]) => ({
      key,
      on: own[0]!.to,
      href: `/trees/${own[0]!.treeId}/order`,
      label: own[0]!.label,
      what: inARow(own.map((w) => w.what)),
      late: own.some((w) => w.state === 'late'),
    })),
    ...water
      .filter((w) => within(w.next.on))
      .map((w) => ({
        key: `water ${w.treeId}`,
        on: w.next.on!,
        href: `/grounds/${w.propertyId}/water`,
        label: w.label,
        what: `Water, ${litres(w.next.litres)}`,
        late: false,
      })),
  ].sort((a, b) => byDay(a.on, b.on));
}

/** A month as it is pinned to a wall: each task on the last day of its time. */
export const MonthView = memo(function MonthView({
  tasks,
  prescribed,
  today,
}: {
  tasks: readonly TaskRow[];
  prescribed: Prescribed;
  today: string;
}) {
  const [month, setMonth] = useState(today.slice(0, 7));
  const { units } = usePreferences();
  const first = `${month}-01`;
  const last = lastOfMonth(Number(month.slice(0, 4)), Number(month.slice(5)));
  const begin = monday(first);
  const days = Array.from({ length: 42 }, (_, i) => dayAfter(begin, i)).filter((_, i, all) =>
    // The weeks that hold a day of the month.
    all.slice(7 * Math.floor(i / 7), 7 * Math.floor(i / 7) + 7).some((d) => d >= first && d <= last),
  );
  const entries = entriesOf(tasks, prescribed, first, last, (l) => formatValue(l, 'litres', units));
  const carried = [...tasks, ...prescribed.works].filter(
    (t) => t.state === 'late' && t.to < first && month === today.slice(0, 7),
  ).length;
  const on = (day: string) => entries.filter((e) => e.on === day);
  const go = (by: number) => setMonth(monthsAfter(first, by).slice(0, 7));
  return (
    <section aria-label={monthWords(month)}>
      <div className="flex items-center gap-2 mb-2">
        <button type="button" className="quiet no-print" onClick={() => go(-1)}>
          Earlier
        </button>
        <h2 className="min-w-[10.5rem] text-center" aria-live="polite">
          {monthWords(month)}
        </h2>
        <button type="button" className="quiet no-print" onClick={() => go(1)}>
          Later
        </button>
      </div>
      <p className="text-sm text-muted mb-2">
        Each task stands on the last day of its time.
        {carried > 0 && ` ${carried} from before are still open: see the list.`}
      </p>
      <MonthTable days={days} first={first} last={last} today={today} on={on} />
      <ol className="sm:hidden border-t border-ink">
        {entries.length === 0 && <li className="told my-2">Nothing ends in this month.</li>}
        {[...new Set(entries.map((e) => e.on))].map((day) => (
          <li key={day} className="border-b border-ink py-2">
            <h3 className="font-bold">
              {dayWords(day)} {day === today && <span className="text-todo">today</span>}
            </h3>
            <ul>
              {on(day).map((e) => (
                <Line key={e.key} entry={e} />
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </section>
  );
});

function Line({ entry }: { entry: Entry }) {
  return (
    <li className="text-sm leading-snug mt-1 break-words">
      <PageLink href={entry.href} className={entry.late ? 'text-harm font-bold' : 'font-semibold'}>
        {entry.label}
      </PageLink>{' '}
      {entry.what}
    </li>
  );
}

function MonthTable({
  days,
  first,
  last,
  today,
  on,
}: {
  days: string[];
  first: string;
  last: string;
  today: string;
  on: (day: string) => Entry[];
}) {
  return (
    <table className="hidden sm:table table-fixed border border-ink">
      <thead>
        <tr>
          {WEEKDAYS.map((d) => (
            <th key={d} scope="col" className="border border-hair px-1">
              {d}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {Array.from({ length: days.length / 7 }, (_, w) => (
          <tr key={w}>
            {days.slice(7 * w, 7 * w + 7).map((day) => {
              const here = day >= first && day <= last;
              return (
                <td
                  key={day}
                  className={`align-top border border-hair p-1 h-[92px] ${here ? '' : 'bg-paper'} ${day === today ? 'outline-2 outline-todo -outline-offset-2' : ''}`}
                >
                  <span className={`num text-sm ${here ? '' : 'text-muted'}`}>{Number(day.slice(8))}</span>
                  {day === today && <span className="text-sm text-todo font-bold"> today</span>}
                  {here && (
                    <ul>
                      {on(day).map((e) => (
                        <Line key={e.key} entry={e} />
                      ))}
                    </ul>
                  )}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
