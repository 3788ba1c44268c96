'use client';

import { releaseProxy, transfer, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { verifiedTold, type IssuedHere, type Verified } from '@undrel/core/proof';
import { longDay } from '../../documents/dates';
import { useAlive } from '../../ui/controls/Entry';
import { FilePick } from '../../ui/FilePick';
import { PageLink } from '../../ui/PageLink';
import type { VerifyWork } from '../../workers/verify';

/** Larger files are no reports: limits before work. */
const MOST_BYTES = 60_000_000;

type State =
  | { at: 'rest' }
  | { at: 'work'; name: string }
  | { at: 'done'; name: string; answer: Verified | { problem: string }; issued?: IssuedHere | 'not here' };

/** Whether this installation issued the file, by its hash alone; undefined where it could not be asked. */
const askIssued = async (sha256: string): Promise<IssuedHere | 'not here' | undefined> => {
  const answer = await fetch(`/api/issued/${sha256}`).catch(() => undefined);
  if (answer?.status === 404) return 'not here';
  return answer?.ok ? ((await answer.json()) as IssuedHere) : undefined;
};

/** Anybody with an issued report sees whether it is genuine; the file stays on their device, its hash is asked for here. */
export function VerifyScreen({ today }: { today: string }) {
  const [state, setState] = useState<State>({ at: 'rest' });
  const worker = useRef<Worker | undefined>(undefined);
  const alive = useAlive();
  useEffect(() => () => worker.current?.terminate(), []);
  const stop = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setState({ at: 'rest' });
  };
  const verify = async (file: File) => {
    stop();
    const { name } = file;
    if (file.size > MOST_BYTES)
      return setState({
        at: 'done',
        name,
        answer: { problem: `The file has ${file.size} bytes; at most ${MOST_BYTES} are allowed.` },
      });
    setState({ at: 'work', name });
    const made = new Worker(new URL('../../workers/verify.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    const work = wrap<VerifyWork>(made);
    const failed = new Promise<{ problem: string }>((settle) => {
      made.onerror = (event) => settle({ problem: event.message || 'The file could not be verified.' });
    });
    const asked = async () => {
      const bytes = new Uint8Array(await file.arrayBuffer());
      return work.verify(transfer(bytes, [bytes.buffer]), today);
    };
    const answer = await Promise.race([asked(), failed]).catch((error: unknown) => ({
      problem: error instanceof Error ? error.message : String(error),
    }));
    work[releaseProxy]();
    made.terminate();
    const issued = 'problem' in answer ? undefined : await askIssued(answer.sha256);
    if (worker.current !== made) return;
    worker.current = undefined;
    setState({ at: 'done', name, answer, ...(issued && { issued }) });
  };
  const told =
    state.at === 'done' && !('problem' in state.answer)
      ? verifiedTold(state.answer, state.issued, (day) => longDay(day, 'A4'))
      : undefined;
  return (
    <main className="p-6 lg:p-10 max-w-2xl">
      <p className="text-2xl font-bold mb-4">Undrel</p>
      <h1>Verify a report</h1>
      <p className="my-3">
        Choose the PDF of an issued report. It is checked on your device: whether it was changed, and whether
        its verdict, work, amounts and costs follow from the measurements attached to it. The file is not
        sent; only its hash is, to ask whether it was issued here.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <FilePick
          about="Issued report, PDF"
          label="Choose a PDF"
          accept="application/pdf,.pdf"
          className="act min-w-[9rem]"
          disabled={!alive || state.at === 'work'}
          onFile={(file) => void verify(file)}
        />
        <button type="button" className="link min-h-[44px]" disabled={state.at !== 'work'} onClick={stop}>
          Stop
        </button>
      </div>
      <Verified state={state} told={told} />
      <p className="text-sm text-muted">
        A report that is genuine is as it was issued; whether its advice was right is for a consultant to
        judge. <PageLink href="/sign-in">Sign in</PageLink>
      </p>
    </main>
  );
}

function Verified({
  state,
  told,
}: {
  state: State;
  told: { stands: boolean; head: string; lines: string[] } | undefined;
}) {
  return (
    <div role="status" className="my-4 min-h-[6rem]">
      {state.at === 'work' && <p>Recomputing {state.name}…</p>}
      {state.at === 'done' && 'problem' in state.answer && (
        <p className="wrong">
          {state.name}: {state.answer.problem}
        </p>
      )}
      {told && (
        <>
          <p className={`text-xl ${told.stands ? 'told' : 'wrong'}`} data-testid="verified">
            {told.head}
          </p>
          <ul className="list-disc pl-5 mt-2">
            {told.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
