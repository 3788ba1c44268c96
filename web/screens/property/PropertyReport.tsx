'use client';

import { useRouter } from 'next/navigation';
import { memo, useRef, useState } from 'react';
import { Said } from '../../ui/Said';
import type { Length } from '../../protocol/lengths';
import type { Language } from '../../language/languages';
import { LanguageChoice } from '../report/LanguageChoice';
import { LengthChoice } from '../report/LengthChoice';
import { longDay } from '../../documents/dates';
import type { IssuedPropertyHead } from '../../protocol/propertyWork';
import { PageLink } from '../../ui/PageLink';
import { useAlive } from '../../ui/controls/Entry';
import { readLines } from '../../ui/readLines';
import { keepFile } from '../../ui/keepFile';
import { ServerButton } from '../../ui/FromServer';

interface Progress {
  done: number;
  of: number;
  doing: string;
}

type State = { at: 'rest'; told?: string; problem?: string } | ({ at: 'work' } & Progress);

/** Bytes of a base64 text. */
const bytesOf = (base64: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));

interface Format {
  format: 'pdf' | 'docx' | 'md' | 'json';
  label: string;
  type: string;
}
const FORMATS: readonly Format[] = [
  { format: 'pdf', label: 'PDF', type: 'application/pdf' },
  {
    format: 'docx',
    label: 'DOCX',
    type: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  },
  { format: 'md', label: 'Markdown', type: 'text/markdown' },
  { format: 'json', label: 'JSON', type: 'application/json' },
];

/** Begins work that answers in lines, and hands each on; what it came to stands in the state. */
function useLines() {
  const [state, setState] = useState<State>({ at: 'rest' });
  const stop = useRef<AbortController | undefined>(undefined);
  const begin = async <T extends object>(
    url: string,
    init: RequestInit,
    failed: string,
    ended: (line: T) => string | undefined,
  ) => {
    const control = new AbortController();
    stop.current = control;
    setState({ at: 'work', done: 0, of: 1, doing: 'Reading the trees' });
    try {
      const answer = await fetch(url, { ...init, signal: control.signal });
      if (!answer.ok || !answer.body) {
        const { problem } = (await answer.json().catch(() => ({}))) as { problem?: string };
        setState({ at: 'rest', problem: problem ?? failed });
        return;
      }
      let over = false;
      await readLines<T | Progress | { problem: string }>(answer.body, (line) => {
        if ('done' in line) return setState({ at: 'work', ...line });
        over = true;
        if ('problem' in line) setState({ at: 'rest', problem: line.problem });
        else setState({ at: 'rest', told: ended(line) });
      });
      if (!over) setState({ at: 'rest', problem: 'The connection was lost on the way; try again.' });
    } catch {
      setState(
        control.signal.aborted
          ? { at: 'rest', told: 'Stopped; nothing was made.' }
          : { at: 'rest', problem: 'The server could not be reached; try again.' },
      );
    }
  };
  return { state, begin, stop: () => stop.current?.abort() };
}

/** Makes the report of the whole property or issues it, tells how far it is, and stops when asked. */
export const PropertyReport = memo(function PropertyReport({
  id,
  name,
  issued,
  mayIssue,
}: {
  id: string;
  name: string;
  issued: readonly IssuedPropertyHead[];
  mayIssue: boolean;
}) {
  const [length, setLength] = useState<Length>('record');
  const [language, setLanguage] = useState<Language>('en');
  const { state, begin, stop } = useLines();
  const alive = useAlive();
  const router = useRouter();
  const make = ({ format, type }: Format) => {
    const kept = `${name}${length === 'record' ? '' : ` ${length}`}.${format}`;
    return begin<{ file: string; pages?: number }>(
      `/api/properties/${id}/report?format=${format}&length=${length}&language=${language}`,
      {},
      'The report could not be made; try again.',
      ({ file, pages }) => {
        keepFile(new Blob([bytesOf(file)], { type }), kept);
        return `${pages === undefined ? 'Kept' : `${pages} pages, kept`} as ${kept}.`;
      },
    );
  };
  const issue = () =>
    begin<{ issued: { id: string; number: string } }>(
      `/api/properties/${id}/report`,
      { method: 'POST' },
      'The report could not be issued; try again.',
      ({ issued: { id: report, number } }) => {
        router.push(`/property-reports/${report}`);
        return `Issued as ${number}.`;
      },
    );
  return (
    <section aria-label="Report" className="no-print">
      <LengthChoice
        of="property"
        length={length}
        disabled={!alive || state.at === 'work'}
        onChange={setLength}
      />
      <LanguageChoice
        of={length}
        language={language}
        disabled={!alive || state.at === 'work'}
        onChange={setLanguage}
      />
      {state.at === 'work' ? (
        <Making state={state} stop={stop} />
      ) : (
        <MakeButtons alive={alive} make={make} mayIssue={mayIssue} issue={issue} />
      )}
      <Said
        className="mt-1"
        problem={state.at === 'rest' && state.problem}
        told={state.at === 'rest' && state.told}
      />
      {issued.length > 0 && <Issued issued={issued} />}
    </section>
  );
});

function Making({ state, stop }: { state: { at: 'work' } & Progress; stop: () => void | undefined }) {
  return (
    <div className="flex flex-wrap items-center gap-3 min-h-[44px]">
      <progress className="w-60 h-3 accent-todo" value={state.done} max={state.of} aria-label="Report" />
      <span>
        {state.doing}, {Math.round((100 * state.done) / state.of)}%
      </span>
      <button type="button" className="quiet" onClick={stop}>
        Stop
      </button>
    </div>
  );
}

function MakeButtons({
  alive,
  make,
  mayIssue,
  issue,
}: {
  alive: boolean;
  make: ({ format, type }: Format) => Promise<void>;
  mayIssue: boolean;
  issue: () => Promise<void>;
}) {
  return (
    <div className="flex flex-wrap gap-2">
      {FORMATS.map((format, i) => (
        <ServerButton
          key={format.format}
          type="button"
          className={i === 0 ? 'act' : 'quiet'}
          disabled={!alive}
          onClick={() => void make(format)}
        >
          {i === 0 ? 'Make the report, PDF' : format.label}
        </ServerButton>
      ))}
      {mayIssue && (
        <ServerButton type="button" className="quiet" disabled={!alive} onClick={() => void issue()}>
          Issue the report
        </ServerButton>
      )}
    </div>
  );
}

function Issued({ issued }: { issued: readonly IssuedPropertyHead[] }) {
  return (
    <p className="mt-1">
      Issued:{' '}
      {issued.map((report, i) => (
        <span key={report.id}>
          {i > 0 && ', '}
          <PageLink href={`/property-reports/${report.id}`}>{report.number}</PageLink> of{' '}
          {longDay(report.issued_at, 'A4')}
        </span>
      ))}
    </p>
  );
}
