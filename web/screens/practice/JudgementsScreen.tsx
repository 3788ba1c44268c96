'use client';

import { useMemo, useState } from 'react';
import {
  CERTAINTY,
  HOW_OFTEN,
  PRACTICE_NOTE,
  PRACTICE_TABLE,
  rowsOf,
  type Often,
  type TableRow,
} from '@undrel/core/diagnosis';
import { tradeLengths } from '@undrel/core/units';
import { usePreferences } from '../shell/preferences';
import { Said } from '../../ui/Said';
import { PracticeBar } from './PracticeBar';
import { asOptions, PickList } from '../../ui/controls/Select';

export type JudgementsSaved = { problem: string } | { version: number; table: number };

const PARTS = [
  { key: 'prior', label: 'How often each cause is met', joins: 'has this cause' },
  { key: 'mechanism', label: 'What each cause leads to', joins: 'leads to' },
  { key: 'finding', label: 'What each cause lets you see', joins: 'shows' },
] as const;

const ROWS = rowsOf(PRACTICE_TABLE);
const MANY = 40;

/** The firm's own words as they are saved. */
interface KeptWords {
  words: Readonly<Record<string, Often>>;
  /** Version of the firm's words, 0 for none. */
  table: number;
  version: number;
}

interface JudgementsProps extends KeptWords {
  firm: string;
  /** How many of the firm's words stand for rows that the table has no more. */
  gone: number;
  save: ((given: KeptWords) => Promise<JudgementsSaved>) | undefined;
}

/** The table of causes: every judgement in words, with its reason; the firm may put its own word in place of one. */
export function JudgementsScreen(props: JudgementsProps) {
  const [kept, setKept] = useState<KeptWords>(props);
  const [words, setWords] = useState(props.words);
  const [filter, setFilter] = useState('');
  const [told, setTold] = useState<{ text: string; bad: boolean }>();
  const [busy, setBusy] = useState(false);
  const changed = Object.keys({ ...words, ...kept.words }).filter((a) => words[a] !== kept.words[a]);
  const set = (row: TableRow, often: Often) => {
    const next = { ...words };
    if (often === row.often) delete next[row.address];
    else next[row.address] = often;
    setWords(next);
    setTold(undefined);
  };
  const shown = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    return ROWS.filter(
      (r) =>
        wanted === '' ||
        `${r.given} ${r.then} ${r.why} ${r.address}`.toLowerCase().includes(wanted) ||
        (wanted === 'changed' && words[r.address] !== undefined),
    );
  }, [filter, words]);
  const save = async () => {
    setBusy(true);
    const answer = await props.save!({ words, table: kept.table, version: kept.version }).catch(() => ({
      problem: 'The server could not be reached; your words are still here. Try again.',
    }));
    setBusy(false);
    if ('problem' in answer) return setTold({ text: answer.problem, bad: true });
    setKept({ words, table: answer.table, version: answer.version });
    setTold({ text: `Saved as version ${answer.table}. Verdicts use it from now on.`, bad: false });
  };
  return (
    <div className="min-h-dvh">
      <PracticeBar part="Table of causes" />
      <main className="p-4 lg:p-8 max-w-5xl">
        <h1>Table of causes</h1>
        <AboutTable kept={kept} firm={props.firm} gone={props.gone} />
        <TableFilter filter={filter} setFilter={setFilter} />
        {PARTS.map(({ key, label, joins }) => {
          const rows = shown.filter((r) => r.part === key);
          return rows.length === 0 ? null : (
            <details key={key} open={filter !== '' || key === 'prior'} className="border-t border-ink">
              <summary className="min-h-[48px] flex items-center cursor-pointer font-bold">
                {label} ({rows.length})
              </summary>
              <Rows rows={rows} joins={joins} words={words} onChange={props.save && set} />
            </details>
          );
        })}
        {shown.length === 0 && <p className="told">No judgement has these words.</p>}
        {props.save ? (
          <SaveWords busy={busy} changed={changed} save={save} setWords={setWords} kept={kept} told={told} />
        ) : (
          <p className="told">Owners and consultants change the table.</p>
        )}
      </main>
    </div>
  );
}

/** Judgements of a part, some at first: hundreds at once hold up a phone. */
function Rows(props: {
  rows: readonly TableRow[];
  joins: string;
  words: Readonly<Record<string, Often>>;
  onChange: ((row: TableRow, often: Often) => void) | undefined;
}) {
  const { rows, joins, words, onChange } = props;
  const [shown, setShown] = useState(MANY);
  const rest = rows.length - shown;
  return (
    <>
      <ul>
        {rows.slice(0, shown).map((row) => (
          <Row
            key={row.address}
            row={row}
            joins={joins}
            own={words[row.address]}
            onChange={onChange && ((often) => onChange(row, often))}
          />
        ))}
      </ul>
      {rest > 0 && (
        <button type="button" className="quiet my-2" onClick={() => setShown(shown + MANY)}>
          Show {Math.min(rest, MANY)} more of {rows.length}
        </button>
      )}
    </>
  );
}

function Row(props: {
  row: TableRow;
  joins: string;
  own: Often | undefined;
  onChange: ((often: Often) => void) | undefined;
}) {
  const { row, own } = props;
  const { units } = usePreferences();
  const say = (words: string) => tradeLengths(words, units);
  const value = own ?? row.often;
  return (
    <li className="grid sm:grid-cols-[1fr_13rem] gap-x-4 items-center border-b border-hair py-1.5">
      <div>
        <span>
          <strong>{say(row.given)}</strong> {props.joins} <strong>{say(row.then)}</strong>
        </span>
        <span className="block text-sm text-muted">{say(row.why)}</span>
        {own !== undefined && <span className="block text-sm">Shipped: {row.often}</span>}
      </div>
      <PickList
        aria-label={`How often: ${row.given} ${props.joins} ${row.then}`}
        className={own !== undefined ? 'font-bold' : ''}
        disabled={!props.onChange}
        options={asOptions(Object.keys(HOW_OFTEN) as (keyof typeof HOW_OFTEN)[])}
        value={typeof value === 'string' ? value : undefined}
        onChange={(often) => often && props.onChange?.(often)}
      />
    </li>
  );
}

function AboutTable({ kept, firm, gone }: { kept: KeptWords; firm: string; gone: number }) {
  return (
    <>
      <p className="my-2 max-w-2xl">
        {PRACTICE_NOTE} Each word stands for one chance:{' '}
        {Object.entries(HOW_OFTEN)
          .map(([word, chance]) => `${word} ${Math.round(100 * chance)}%`)
          .join(', ')}
        . A verdict says how sure in words, from {CERTAINTY[0].words} ({Math.round(100 * CERTAINTY[0].from)}%
        and more) down.
      </p>
      <p className="mb-3">
        In force: <span className="num">{PRACTICE_TABLE.version}</span>
        {kept.table > 0 && (
          <>
            {' '}
            with {Object.keys(kept.words).length} {Object.keys(kept.words).length === 1 ? 'word' : 'words'} of{' '}
            {firm}, version <span className="num">{kept.table}</span>
          </>
        )}
        .
        {gone > 0 &&
          ` ${gone} ${gone === 1 ? 'word of yours stands for a row' : 'words of yours stand for rows'} that the table has no more; what is saved next leaves them out.`}
      </p>
    </>
  );
}

function SaveWords({
  busy,
  changed,
  save,
  setWords,
  kept,
  told,
}: {
  busy: boolean;
  changed: string[];
  save: () => Promise<void>;
  setWords: (next: Readonly<Record<string, Often>>) => void;
  kept: KeptWords;
  told: { text: string; bad: boolean } | undefined;
}) {
  return (
    <div className="sticky bottom-0 bg-wash border-t-2 border-ink -mx-4 px-4 py-2.5 flex items-center gap-3">
      <button
        type="button"
        className="act min-w-[11rem]"
        disabled={busy || changed.length === 0}
        onClick={() => void save()}
      >
        Save {changed.length > 0 && `${changed.length} ${changed.length === 1 ? 'word' : 'words'}`}
      </button>
      <button
        type="button"
        className="quiet"
        disabled={changed.length === 0}
        onClick={() => setWords(kept.words)}
      >
        Undo
      </button>
      <Said problem={told?.bad && told.text} told={told?.text} className="flex-1" />
    </div>
  );
}

function TableFilter({ filter, setFilter }: { filter: string; setFilter: (next: string) => void }) {
  return (
    <label className="block max-w-md mb-2">
      <span className="block text-sm">Filter ({ROWS.length} judgements; “changed” shows the firm’s own)</span>
      <input
        className="w-full"
        type="search"
        placeholder="cause, finding or reason"
        value={filter}
        onChange={(event) => setFilter(event.target.value)}
      />
    </label>
  );
}
