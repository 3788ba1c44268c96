'use client';

import { memo } from 'react';
import type { ReactNode } from 'react';
import { stretchesIn, type Spell, type TaskState } from '@undrel/core/schedule';
import { byDay, daysBetween, lastOfMonth, monthName, monthsAfter } from '@undrel/core/vocabulary';
import { byLabel } from '@undrel/core/labels';
import { PageLink } from '@/ui/PageLink';
import type { TaskRow } from '../../protocol/season';
import type { Prescribed } from './useSeasonLines';

/** Months shown: the last one, this, and eleven to come. */
const MONTHS = 13;

const SPELL_WORDS: Record<Spell['key'], string> = {
  dormancy: 'leaves rest',
  frost: 'frost',
  frozen: 'frozen ground',
  heat: 'heat',
  wet: 'wet ground',
  dry: 'dry',
};

interface Bar {
  key: string;
  what: string;
  from: string;
  to: string;
  state: TaskState;
}

interface Row {
  treeId: string;
  label: string;
  bars: Bar[];
}

/** Trees of some grounds, each with the times of all that is to be done at it; works of one time are one. */
function rowsOf(tasks: readonly TaskRow[], { works }: Prescribed, propertyId: string): Row[] {
  const trees = new Map<string, Row>();
  for (const t of [...tasks, ...works].filter((one) => one.propertyId === propertyId)) {
    const row = trees.get(t.treeId) ?? { treeId: t.treeId, label: t.label, bars: [] };
    const same = row.bars.find(
      (b) => t.kind === 'work' && b.key.startsWith('work') && b.from === t.from && b.to === t.to,
    );
    if (same) same.what += `, ${t.what.charAt(0).toLowerCase()}${t.what.slice(1)}`;
    else
      row.bars.push({
        key: `${t.kind === 'work' ? 'work ' : ''}${t.visitId} ${t.key}`,
        what: t.what,
        from: t.from,
        to: t.to,
        state: t.state,
      });
    trees.set(t.treeId, row);
  }
  return [...trees.values()].sort((a, b) => byLabel(a.label, b.label));
}

const BAR: Record<string, string> = {
  late: 'bg-harm border-harm',
  due: 'bg-todo border-todo',
  ahead: 'bg-wash border-todo',
};

/** The year by tree: when each thing has its time, over the seasons of its grounds. */
export const YearView = memo(function YearView({
  tasks,
  prescribed,
  today,
}: {
  tasks: readonly TaskRow[];
  prescribed: Prescribed;
  today: string;
}) {
  const begin = `${monthsAfter(`${today.slice(0, 7)}-01`, -1).slice(0, 7)}-01`;
  const months = Array.from({ length: MONTHS }, (_, i) => monthsAfter(begin, i).slice(0, 7));
  const lastMonth = months.at(-1)!;
  const end = lastOfMonth(Number(lastMonth.slice(0, 4)), Number(lastMonth.slice(5)));
  const whole = daysBetween(begin, end) + 1;
  const at = (day: string) => (100 * Math.max(0, Math.min(whole, daysBetween(begin, day)))) / whole;
  const place = (from: string, to: string) => ({
    left: `${at(from)}%`,
    width: `${Math.max(0.6, at(to) - at(from) + 100 / whole)}%`,
  });
  const properties = new Map([...tasks, ...prescribed.works].map((t) => [t.propertyId, t.property] as const));
  if (properties.size === 0) return <p className="told my-3">Nothing is due in the year to come.</p>;
  return (
    <div>
      <YearLegend />
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Year by tree">
        <div className="min-w-[820px]">
          {[...properties].map(([id, name]) => {
            const spells = prescribed.spells.find((s) => s.propertyId === id)?.spells ?? [];
            const kinds = (Object.keys(SPELL_WORDS) as Spell['key'][]).filter((k) =>
              spells.some((s) => s.key === k),
            );
            return (
              <section key={id} aria-label={name} className="mb-6 break-inside-avoid">
                <h2 className="border-b-[1.5px] border-ink">{name}</h2>
                <Line label="">
                  {months.map((m) => (
                    <span
                      key={m}
                      className="absolute top-0 bottom-0 border-l border-hair text-sm pl-1 whitespace-nowrap overflow-hidden"
                      style={{ left: `${at(`${m}-01`)}%`, width: `${100 / MONTHS}%` }}
                    >
                      {monthName(Number(m.slice(5))).slice(0, 3)}
                      {m.endsWith('-01') && ` ’${m.slice(2, 4)}`}
                    </span>
                  ))}
                </Line>
                {kinds.map((kind) => (
                  <Line key={kind} label={<span className="text-sm text-muted">{SPELL_WORDS[kind]}</span>}>
                    {spells
                      .filter((s) => s.key === kind)
                      .flatMap((s) => stretchesIn(s, begin, end).map((bar) => ({ s, bar })))
                      .map(({ s, bar: [from, to] }) => (
                        <span
                          key={from}
                          title={`${s.from} to ${s.to}. ${s.says}`}
                          className={`absolute top-2 h-[6px] ${kind === 'dormancy' ? 'bg-muted' : 'border-t-2 border-dashed border-muted'}`}
                          style={place(from, to)}
                        />
                      ))}
                  </Line>
                ))}
                {rowsOf(tasks, prescribed, id).map((row) => (
                  <Tree
                    key={row.treeId}
                    row={row}
                    months={months}
                    today={today}
                    span={[begin, end]}
                    at={at}
                  />
                ))}
              </section>
            );
          })}
        </div>
      </div>
    </div>
  );
});

/** Height of a bar with its words, px. */
const BAR_HEIGHT = 26;

function Tree({
  row,
  months,
  today,
  span: [begin, end],
  at,
}: {
  row: Row;
  months: readonly string[];
  today: string;
  span: readonly [string, string];
  at: (day: string) => number;
}) {
  // What is late waits until today.
  const bars = row.bars
    .map((b) => ({ ...b, to: b.state === 'late' ? today : b.to }))
    .filter((b) => b.from <= end && b.to >= begin)
    .sort((a, b) => byDay(a.from, b.from));
  return (
    <Line
      label={
        <PageLink href={`/trees/${row.treeId}`} className="font-semibold">
          {row.label}
        </PageLink>
      }
      height={4 + bars.length * BAR_HEIGHT}
    >
      {months.slice(1).map((m) => (
        <span
          key={m}
          className="absolute top-0 bottom-0 border-l border-hair"
          style={{ left: `${at(`${m}-01`)}%` }}
        />
      ))}
      <span className="absolute top-0 bottom-0 w-[2px] bg-harm" style={{ left: `${at(today)}%` }} />
      {bars.map((b, i) => {
        const left = at(b.from < begin ? begin : b.from);
        const right = 100 - at(b.to);
        // Words begin with their bar, or end with it where they would run off the sheet.
        const words =
          left < 60 ? { left: `calc(${left}% + 4px)`, right: 0 } : { right: `${right}%`, left: '30%' };
        return (
          <span key={b.key}>
            <span
              className={`absolute text-[0.8125rem] leading-none truncate ${left < 60 ? '' : 'text-right'} ${b.state === 'late' ? 'text-harm' : ''}`}
              style={{ ...words, top: 4 + i * BAR_HEIGHT }}
              title={`${b.what} ${b.from} to ${b.to}`}
            >
              <span className="bg-paper pr-1">{b.what}</span>
            </span>
            <span
              className={`absolute h-[7px] border ${BAR[b.state]}`}
              style={{ left: `${left}%`, right: `${Math.max(0, right - 0.3)}%`, top: 18 + i * BAR_HEIGHT }}
            />
          </span>
        );
      })}
    </Line>
  );
}

function Line({ label, height = 24, children }: { label: ReactNode; height?: number; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[8rem_minmax(0,1fr)] border-b border-hair items-start">
      <div className="pr-2 truncate sticky left-0 bg-paper z-10">{label}</div>
      <div className="relative overflow-hidden" style={{ height: Math.max(24, height) }}>
        {children}
      </div>
    </div>
  );
}

function YearLegend() {
  return (
    <p className="text-sm mb-3 flex flex-wrap gap-x-5">
      {[
        ['late', 'late'],
        ['due', 'its time is now'],
        ['ahead', 'its time comes'],
      ].map(([state, words]) => (
        <span key={state} className="inline-flex items-center gap-2">
          <span className={`inline-block w-6 h-3 border ${BAR[state!]}`} /> {words}
        </span>
      ))}
      <span className="inline-flex items-center gap-2">
        <span className="inline-block w-[2px] h-4 bg-harm" /> today
      </span>
    </p>
  );
}
