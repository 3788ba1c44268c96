'use client';

import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { questionFor } from '@undrel/core/questions';
import {
  ANSWER_WORDS,
  readingText,
  type Compared,
  type Judgement,
  type Recovery,
} from '@undrel/core/recovery';
import { formatValue, writeLengths } from '@undrel/core/units';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { lifeLine } from '../../drawings/lifeLine';
import type { TreeTime } from '../../protocol/time';
import { Entry } from '../../ui/controls/Entry';
import { useMeasured } from '../../ui/useMeasured';
import { usePreferences } from '../shell/preferences';
import { SameSide, type Align } from './SameSide';
import { TreePageBar } from '../shell/TreePageBar';
import { asOptions, Select } from '../../ui/controls/Select';

/** Whether the work paid, first; below it the life of the tree on one axis, and two visits side by side. */
export function TimeScreen({
  treeId,
  time,
  today,
  align,
}: {
  treeId: string;
  time: TreeTime;
  today: string;
  /** None where the person may not. */
  align: Align | undefined;
}) {
  const { recovery } = time;
  const { units: system } = usePreferences();
  return (
    <div className="min-h-dvh flex flex-col">
      <TreePageBar href={`/trees/${treeId}`} label={time.label} page="Through time" print />
      <main className="px-4 lg:px-8 py-4 w-full max-w-[1200px] mx-auto">
        <Entry>
          {recovery ? (
            <>
              <h1 data-testid="answer" className={recovery.answer === 'declines' ? 'text-harm' : ''}>
                {time.label}: {ANSWER_WORDS[recovery.answer]}
              </h1>
              <p className="text-lg my-2 max-w-[60rem]">{writeLengths(recovery.text, system)}</p>
              <p className="max-w-[60rem]">
                <strong>Next:</strong> {recovery.next}
              </p>
            </>
          ) : (
            <>
              <h1>{time.label} through time</h1>
              <p className="told my-2">
                No work that would show in the crown has been recorded as done. Tick work in its order, and
                this page tells whether it paid.
              </p>
            </>
          )}
          <Life time={time} today={today} />
          {time.pairs.length > 0 && <SameSide treeId={treeId} pairs={time.pairs} align={align} />}
          {recovery && <Working recovery={recovery} />}
          <Sides time={time} />
        </Entry>
      </main>
    </div>
  );
}

function Life({ time, today }: { time: TreeTime; today: string }) {
  const { units: system } = usePreferences();
  const [box, { width }] = useMeasured<HTMLElement>({ width: 1000, height: 400 });
  const { recovery, years, beside, marks, planted, dry } = time;
  const drawing = useMemo(
    () =>
      lifeLine({
        years,
        marks,
        planted,
        dry,
        until: today,
        system,
        width: Math.max(340, width),
        ...(beside && { beside }),
        ...(recovery && {
          after: {
            from: recovery.seasons.after,
            last: recovery.seasons.before,
            reading: recovery.readings.find((r) => r.key === 'shoots'),
          },
        }),
      }),
    [years, marks, planted, dry, today, system, width, beside, recovery],
  );
  return (
    <section aria-label="Life of the tree" className="my-4" ref={box}>
      <DrawingSvg
        drawing={drawing}
        className="max-w-full"
        title={`Shoots by year${beside ? ` beside ${beside}` : ''}, with the events of its life: ${marks.map((m) => `${m.on} ${m.what}`).join(', ')}${dry.length > 0 ? `; dry growing seasons: ${dry.join(', ')}` : ''}`}
      />
      {years.length === 0 && (
        <p className="told">
          No shoots were read. Their scars record five to eight years at one visit: before the work and after.
        </p>
      )}
    </section>
  );
}

const COLOUR = questionFor('crown.colour');
const CROWN_COLOURS = COLOUR && 'answers' in COLOUR ? COLOUR.answers : [];

const colourWord = (answer: string): string => CROWN_COLOURS.find((a) => a.key === answer)?.label ?? answer;

const upperFirst = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

function Working({ recovery }: { recovery: Recovery }) {
  const { readings, works, before, shows, notes } = recovery;
  const { units: system } = usePreferences();
  return (
    <section aria-labelledby="working" className="my-4 max-w-[60rem]">
      <h2 id="working">How this is judged</h2>
      <p>
        {upperFirst(works.map((w) => `${w.done} ${w.on}`).join(', '))}. By judgement this works at{' '}
        {Math.round(100 * before)}% of trees, and shows from {shows[0]} on, by {shows[1]} at the latest.
      </p>
      <ul className="list-disc ml-5">
        {readings.map((r) => (
          <li key={r.key}>
            {writeLengths(readingText(r), system)}: {r.before} before, {r.after} after
            {r.against ? `, less the change of ${recovery.beside}` : ', with no tree beside it'}.
          </li>
        ))}
        {recovery.colour && (
          <li>
            Leaf colour: {colourWord(recovery.colour.before)} before, {colourWord(recovery.colour.after)}{' '}
            since.
          </li>
        )}
        {notes.map((n) => (
          <li key={n}>{n}</li>
        ))}
      </ul>
      <p className="text-sm text-muted">
        In brackets 90% of the chance. Before and after, treated against untreated: Stewart-Oaten, Murdoch and
        Parker, Ecology 67, 1986. What each measure moves in a tree that recovers is a judgement.
      </p>
    </section>
  );
}

const TONE: Record<Judgement, string> = {
  better: 'text-todo font-bold',
  worse: 'text-harm font-bold',
  'as it was': '',
  'cannot be determined': 'text-muted',
};

function Sides({ time: { visits, compared } }: { time: TreeTime }) {
  const router = useRouter();
  const { units: system } = usePreferences();
  if (!compared) return <p className="told my-4">Two visits on different days are set side by side here.</p>;
  const ask = (before: string, after: string) =>
    router.replace(`?before=${before}&after=${after}`, { scroll: false });
  const value = ({ dimension, ...row }: Compared, side: 'before' | 'after') => {
    const told = row[side];
    if (!dimension) return row.saw?.[side === 'before' ? 0 : 1] ?? '—';
    if (!told) return '—';
    const error = told.plusMinus > 0 ? ` ± ${formatValue(told.plusMinus, dimension, system)}` : '';
    return `${formatValue(told.value, dimension, system)}${error}`;
  };
  const pick = (label: string, chosen: string, days: string[], set: (day: string) => void) => (
    <Select
      label={label}
      className="num"
      options={asOptions(days)}
      value={chosen}
      onChange={(day) => day && set(day)}
    />
  );
  return (
    <section aria-labelledby="sides" className="my-6">
      <h2 id="sides">Two visits side by side</h2>
      <div className="flex flex-wrap gap-4 my-2 no-print">
        {pick(
          'Before',
          compared.before,
          visits.filter((d) => d < compared.after),
          (day) => ask(day, compared.after),
        )}
        {pick(
          'After',
          compared.after,
          visits.filter((d) => d > compared.before),
          (day) => ask(compared.before, day),
        )}
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Two visits side by side">
        <table>
          <thead>
            <tr>
              <th scope="col">what</th>
              <th scope="col">{compared.before}</th>
              <th scope="col">{compared.after}</th>
              <th scope="col" className="hidden sm:table-cell">
                judged
              </th>
            </tr>
          </thead>
          <tbody>
            {compared.rows.map((row) => (
              <tr key={row.key} className="align-top border-b border-hair">
                <th scope="row" className="font-normal">
                  {row.label}
                  <span className={`block sm:hidden ${TONE[row.judgement]}`}>{row.judgement}</span>
                </th>
                <td className={row.dimension ? 'num' : ''}>{value(row, 'before')}</td>
                <td className={row.dimension ? 'num' : ''}>{value(row, 'after')}</td>
                <td className="hidden sm:table-cell">
                  <span className={TONE[row.judgement]}>{row.judgement}</span>
                  {row.why && <span className="block text-sm text-muted">{row.why}</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
