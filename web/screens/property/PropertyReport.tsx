'use client';

import { useRef, useState } from 'react';
import { Said } from '../../ui/Said';
import type { Length } from '../../protocol/lengths';
import { LengthChoice } from '../report/LengthChoice';
import type { ReportProgress } from '../../protocol/propertyWork';
import { useAlive } from '../../ui/controls/Entry';
import { readLines } from '../../ui/readLines';
import { keepFile } from '../../ui/keepFile';

type State =
  | { at: 'rest'; told?: string; problem?: string }
  | { at: 'work'; done: number; of: number; doing: string };

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

/** Makes the report of the whole property, tells how far it is, and stops when asked. */
export function PropertyReport({ id, name }: { id: string; name: string }) {
  const [length, setLength] = useState<Length>('record');
  const [state, setState] = useState<State>({ at: 'rest' });
  const stop = useRef<AbortController | undefined>(undefined);
  const alive = useAlive();
  const make = async ({ format, type }: Format) => {
    const kept = `${name}${length === 'record' ? '' : ` ${length}`}.${format}`;
    const control = new AbortController();
    stop.current = control;
    setState({ at: 'work', done: 0, of: 1, doing: 'Reading the trees' });
    try {
      const answer = await fetch(`/api/properties/${id}/report?format=${format}&length=${length}`, {
        signal: control.signal,
      });
      if (!answer.ok || !answer.body) {
        const { problem } = (await answer.json().catch(() => ({}))) as { problem?: string };
        setState({ at: 'rest', problem: problem ?? 'The report could not be made; try again.' });
        return;
      }
      let ended = false;
      await readLines<ReportProgress>(answer.body, (told) => {
        if ('file' in told) {
          keepFile(new Blob([bytesOf(told.file)], { type }), kept);
          setState({
            at: 'rest',
            told: `${told.pages === undefined ? 'Kept' : `${told.pages} pages, kept`} as ${kept}.`,
          });
          ended = true;
        } else if ('problem' in told) {
          setState({ at: 'rest', problem: told.problem });
          ended = true;
        } else setState({ at: 'work', ...told });
      });
      if (!ended) setState({ at: 'rest', problem: 'The connection was lost on the way; try again.' });
    } catch {
      setState(
        control.signal.aborted
          ? { at: 'rest', told: 'Stopped; nothing was made.' }
          : { at: 'rest', problem: 'The server was not reached; try again.' },
      );
    }
  };
  return (
    <div className="no-print">
      <LengthChoice
        of="property"
        length={length}
        disabled={!alive || state.at === 'work'}
        onChange={setLength}
      />
      {state.at === 'work' ? (
        <div className="flex flex-wrap items-center gap-3">
          <progress className="w-60 h-3 accent-todo" value={state.done} max={state.of} aria-label="Report" />
          <span>
            {state.doing}, {Math.round((100 * state.done) / state.of)} %
          </span>
          <button type="button" className="quiet" onClick={() => stop.current?.abort()}>
            Stop
          </button>
        </div>
      ) : (
        <div className="flex flex-wrap gap-2">
          {FORMATS.map((format, i) => (
            <button
              key={format.format}
              type="button"
              className={i === 0 ? 'act' : 'quiet'}
              disabled={!alive}
              onClick={() => void make(format)}
            >
              {i === 0 ? 'Make the report, PDF' : format.label}
            </button>
          ))}
        </div>
      )}
      <Said
        className="mt-1"
        problem={state.at === 'rest' && state.problem}
        told={state.at === 'rest' && state.told}
      />
    </div>
  );
}
