'use client';

import { useEffect, useState, useTransition } from 'react';
import { AlertDialog } from 'radix-ui';
import { PageLink } from '@/ui/PageLink';
import { Said } from '../../ui/Said';
import { WORDED_PARTS, type ReportContent, type ReportHead, type Wording } from '../../protocol/report';
import type { Language } from '../../language/languages';
import { LEAVABLE, LENGTHS, type Length } from '../../protocol/lengths';
import { useAlive } from '../../ui/controls/Entry';
import { TopBar } from '../shell/TopBar';
import { LanguageChoice } from './LanguageChoice';
import { LengthChoice } from './LengthChoice';
import { PartsChoice } from './PartsChoice';
import { ReportBody } from './ReportBody';
import { useShortened } from './useShortened';

export type SaveAnswer =
  | { ok: true; id: string; version: number }
  | { ok?: false; problem?: string; theirs?: ReportHead };

/** What a draft may be taken out as, beside PDF. */
const FILES = [
  { format: 'docx', label: 'Draft DOCX, to edit' },
  { format: 'md', label: 'Markdown' },
  { format: 'json', label: 'JSON' },
];

/** Whether the words are others, or other parts are left out. */
const differs = (a: Wording, b: Wording): boolean =>
  WORDED_PARTS.some(({ key }) => (a[key] ?? '') !== (b[key] ?? '')) ||
  LENGTHS.some((length) =>
    LEAVABLE[length].some(
      ({ key }) => (a.leave?.[length] ?? []).includes(key) !== (b.leave?.[length] ?? []).includes(key),
    ),
  );

/** Preview, the consultant's words, and issue. */
export function ReportScreen(props: {
  treeId: string;
  visitId: string;
  content: ReportContent;
  head: ReportHead | undefined;
  issued: ReportHead[];
  mayJudge: boolean;
  save: (draft: {
    visitId: string;
    id: string | undefined;
    version: number;
    wording: Wording;
  }) => Promise<SaveAnswer>;
  issue: (treeId: string, visitId: string, draftId: string | undefined) => Promise<{ problem: string }>;
}) {
  const [drawn, setDrawn] = useState<ReportContent | undefined>(undefined);
  const [length, setLength] = useState<Length>('record');
  const [language, setLanguage] = useState<Language>('en');
  const file = (format: string) =>
    `/api/trees/${props.treeId}/report?visit=${props.visitId}&format=${format}&length=${length}&language=${language}`;
  const [missed, setMissed] = useState(false);
  const content = drawn ?? props.content;
  useEffect(() => {
    // The page comes with the places of the drawings; what is in them is many times as long as the text.
    const stop = new AbortController();
    fetch(`/api/trees/${props.treeId}/report?format=json&visit=${props.visitId}`, { signal: stop.signal })
      .then(async (answer) => {
        if (!answer.ok) throw new Error(String(answer.status));
        setDrawn((await answer.json()) as ReportContent);
      })
      .catch(() => !stop.signal.aborted && setMissed(true));
    return () => stop.abort();
  }, [props.treeId, props.visitId, props.content]);
  const [wording, setWording] = useState<Wording>(props.head?.wording ?? {});
  const [kept, setKept] = useState({
    id: props.head?.id,
    version: props.head?.version ?? 0,
    wording: props.head?.wording ?? {},
  });
  const [stale, setStale] = useState<ReportHead | undefined>(undefined);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const [busy, startWork] = useTransition();
  const alive = useAlive();
  const shortened = useShortened(length, `${file('json')}&draft=${kept.version}`);
  const changed = differs(wording, kept.wording);

  /** Saves the words; gives the draft they are kept in, or undefined where they were not saved. */
  const save = async (base = kept): Promise<string | undefined> => {
    try {
      const answer = await props.save({
        visitId: props.visitId,
        id: base.id,
        version: base.version,
        wording,
      });
      if (answer.ok) {
        setKept({ id: answer.id, version: answer.version, wording });
        setStale(undefined);
        setProblem(undefined);
        return answer.id;
      }
      setStale(answer.theirs);
      setProblem(answer.problem);
    } catch {
      setProblem('The server could not be reached; your words are still here. Try again.');
    }
    return undefined;
  };
  const issue = () =>
    startWork(async () => {
      const draftId = changed ? await save() : kept.id;
      if (changed && draftId === undefined) return;
      const answer = await props.issue(props.treeId, props.visitId, draftId).catch((error: unknown) => {
        if (String((error as { digest?: string }).digest).startsWith('NEXT_REDIRECT')) throw error;
        return { problem: 'The server could not be reached; nothing was issued. Try again.' };
      });
      setProblem(answer?.problem);
    });
  return (
    <div className="min-h-dvh">
      <TopBar>
        <nav aria-label="Where" className="flex items-baseline gap-2">
          <PageLink className="plain" href={`/trees/${props.treeId}`}>
            {props.content.tree}
          </PageLink>
          <span aria-hidden="true">›</span>
          <strong>Report</strong>
        </nav>
      </TopBar>
      <main className="grid lg:grid-cols-[minmax(0,1fr)_400px]">
        <div className="min-w-0 p-4 lg:p-8 bg-sheet order-2 lg:order-1">
          <ReportBody content={{ ...content, wording }} {...{ length, language, shortened }} />
          {!drawn && (
            <p role="status" className="text-sm text-muted">
              {missed ? 'The drawings could not be reached; they are in the files.' : 'Drawing…'}
            </p>
          )}
        </div>
        <aside
          className="no-print p-4 lg:p-6 order-1 lg:order-2 border-b-2 lg:border-b-0 lg:border-l-2 border-ink"
          aria-label="Wording and issue"
        >
          <div className="lg:sticky lg:top-4 space-y-3">
            <LengthChoice length={length} disabled={!alive} onChange={setLength} />
            <LanguageChoice of={length} language={language} disabled={!alive} onChange={setLanguage} />
            {LEAVABLE[length].length > 0 && (
              <PartsChoice
                length={length}
                left={wording.leave?.[length] ?? []}
                disabled={!props.mayJudge || !alive}
                onChange={(left) => setWording({ ...wording, leave: { ...wording.leave, [length]: left } })}
              />
            )}
            <h2>Your words</h2>
            {WORDED_PARTS.map(({ key, label, hint }) => (
              <label key={key} className="block">
                <span className="block font-semibold">{label}</span>
                <span className="block text-sm text-muted">{hint}</span>
                <textarea
                  className="w-full"
                  rows={3}
                  maxLength={8000}
                  disabled={!props.mayJudge || !alive}
                  value={wording[key] ?? ''}
                  onChange={(event) => setWording({ ...wording, [key]: event.target.value })}
                />
              </label>
            ))}
            {props.mayJudge ? (
              <div className="flex flex-wrap gap-2">
                <button type="button" className="quiet" disabled={!changed} onClick={() => void save()}>
                  {changed ? 'Save draft' : 'Draft saved'}
                </button>
                <AlertDialog.Root>
                  <AlertDialog.Trigger className="act min-w-[7rem]" disabled={busy}>
                    {busy ? 'Issuing…' : 'Issue'}
                  </AlertDialog.Trigger>
                  <AlertDialog.Portal>
                    <AlertDialog.Overlay className="fixed inset-0 bg-ink/40 z-40" />
                    <AlertDialog.Content className="fixed z-50 left-1/2 top-1/4 -translate-x-1/2 w-[26rem] max-w-[calc(100vw-24px)] bg-sheet border-2 border-ink p-5">
                      <AlertDialog.Title className="font-bold text-lg">Issue this report?</AlertDialog.Title>
                      <AlertDialog.Description className="my-2">
                        It gets a number and cannot be changed afterwards. A later correction is a new report.
                      </AlertDialog.Description>
                      <div className="flex gap-2 mt-3">
                        <AlertDialog.Action className="act" onClick={issue}>
                          Issue now
                        </AlertDialog.Action>
                        <AlertDialog.Cancel className="quiet">Not yet</AlertDialog.Cancel>
                      </div>
                    </AlertDialog.Content>
                  </AlertDialog.Portal>
                </AlertDialog.Root>
                <a className="quiet" href={file('pdf')}>
                  Draft PDF
                </a>
                {FILES.map(({ format, label }) => (
                  <a key={format} className="quiet" href={file(format)}>
                    {label}
                  </a>
                ))}
              </div>
            ) : (
              <p className="told">Your role can read reports, not issue them.</p>
            )}
            <Said problem={problem} />
            {stale && (
              <section
                role="alertdialog"
                aria-label="Changed by someone else"
                className="border-2 border-harm p-3"
              >
                <p className="font-semibold">Someone else has changed these words.</p>
                {WORDED_PARTS.filter(({ key }) => (stale.wording[key] ?? '') !== (wording[key] ?? '')).map(
                  ({ key, label }) => (
                    <p key={key} className="mt-1">
                      <strong>{label}, theirs:</strong> {stale.wording[key] || '—'}
                    </p>
                  ),
                )}
                <button
                  type="button"
                  className="act mt-2 mr-2"
                  onClick={() => void save({ ...kept, id: stale.id, version: stale.version })}
                >
                  Keep mine
                </button>
                <button
                  type="button"
                  className="quiet mt-2"
                  onClick={() => {
                    setWording(stale.wording);
                    setKept({ id: stale.id, version: stale.version, wording: stale.wording });
                    setStale(undefined);
                  }}
                >
                  Take theirs
                </button>
              </section>
            )}
            {props.issued.length > 0 && (
              <section>
                <h2 className="mt-4">Issued</h2>
                <ul>
                  {props.issued.map((r) => (
                    <li key={r.id} className="border-b border-hair py-1.5">
                      <PageLink href={`/reports/${r.id}`}>{r.number}</PageLink>, {r.issued_at}
                      {r.issued_by && ` by ${r.issued_by}`}
                    </li>
                  ))}
                </ul>
              </section>
            )}
          </div>
        </aside>
      </main>
    </div>
  );
}
