'use client';

import { useEffect, useMemo, useState } from 'react';
import { PageLink } from '@/ui/PageLink';
import { FoldOnPhone } from '../../ui/FoldOnPhone';
import { Said } from '../../ui/Said';
import { type ReportContent, type ReportHead } from '../../protocol/report';
import type { Language } from '../../language/languages';
import { LEAVABLE, type Length } from '../../protocol/lengths';
import { useAlive } from '../../ui/controls/Entry';
import { TreePageBar } from '../shell/TreePageBar';
import { LanguageChoice } from './LanguageChoice';
import { LengthChoice } from './LengthChoice';
import { PartsChoice } from './PartsChoice';
import { ReportBody } from './ReportBody';
import { useShortened } from './useShortened';
import { WordFields } from './WordFields';
import { IssueButton } from './IssueButton';
import { ChangedByOther } from './ChangedByOther';
import { useDraft } from './useDraft';
import type { ReportScreenProps } from './reportProps';

/** What a draft may be taken out as, beside PDF. */
const FILES = [
  { format: 'docx', label: 'Draft DOCX, to edit' },
  { format: 'md', label: 'Markdown' },
  { format: 'json', label: 'JSON' },
];

/** Preview, the consultant's words, and issue. */
export function ReportScreen(props: ReportScreenProps) {
  const [length, setLength] = useState<Length>('record');
  const [language, setLanguage] = useState<Language>('en');
  const file = (format: string) =>
    `/api/trees/${props.treeId}/report?visit=${props.visitId}&format=${format}&length=${length}&language=${language}`;
  const content = useMemo(() => JSON.parse(props.content) as ReportContent, [props.content]);
  const { drawn, missed } = useDrawn(props);
  const draft = useDraft(props);
  const { wording, setWording, kept, stale } = draft;
  const alive = useAlive();
  const shortened = useShortened(length, `${file('json')}&draft=${kept.version}`);
  return (
    <div className="min-h-dvh">
      <TreePageBar href={`/trees/${props.treeId}`} label={content.tree} page="Report" />
      <main className="grid lg:grid-cols-[minmax(0,1fr)_400px]">
        <div className="min-w-0 p-4 lg:p-8 bg-sheet order-2 lg:order-1">
          <ReportBody content={{ ...(drawn ?? content), wording }} {...{ length, language, shortened }} />
          {!drawn && (
            <p role="status" className="text-sm text-muted">
              {missed ? 'The drawings could not be reached; they are in the files.' : 'Drawing…'}
            </p>
          )}
        </div>
        <aside
          className="no-print px-4 py-1 lg:p-6 order-1 lg:order-2 border-b-2 lg:border-b-0 lg:border-l-2 border-ink"
          aria-label="Wording and issue"
        >
          <FoldOnPhone summary="Wording and issue">
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
              <WordFields mayJudge={props.mayJudge} alive={alive} wording={wording} setWording={setWording} />
              {props.mayJudge ? (
                <TakeOut draft={draft} file={file} />
              ) : (
                <p className="told">Your role can read reports, not issue them.</p>
              )}
              <Said problem={draft.problem} />
              {stale && (
                <ChangedByOther
                  stale={stale}
                  wording={wording}
                  onMine={draft.keepMine}
                  onTheirs={draft.takeTheirs}
                />
              )}
              {props.issued.length > 0 && <Issued issued={props.issued} />}
            </div>
          </FoldOnPhone>
        </aside>
      </main>
    </div>
  );
}

function Issued({ issued }: { issued: ReportHead[] }) {
  return (
    <section>
      <h2 className="mt-4">Issued</h2>
      <ul>
        {issued.map((r) => (
          <li key={r.id} className="border-b border-hair py-1.5">
            <PageLink href={`/reports/${r.id}`}>{r.number}</PageLink>, {r.issued_at}
            {r.issued_by && ` by ${r.issued_by}`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The page comes with the places of the drawings; what is in them is many times as long as the text. */
function useDrawn({ treeId, visitId, content }: Pick<ReportScreenProps, 'treeId' | 'visitId' | 'content'>) {
  const [drawn, setDrawn] = useState<ReportContent | undefined>(undefined);
  const [missed, setMissed] = useState(false);
  useEffect(() => {
    const stop = new AbortController();
    fetch(`/api/trees/${treeId}/report?format=json&visit=${visitId}`, { signal: stop.signal })
      .then(async (answer) => {
        if (!answer.ok) throw new Error(String(answer.status));
        setDrawn((await answer.json()) as ReportContent);
      })
      .catch(() => !stop.signal.aborted && setMissed(true));
    return () => stop.abort();
  }, [treeId, visitId, content]);
  return { drawn, missed };
}

/** The draft kept, issued, or taken out as a file. */
function TakeOut({ draft, file }: { draft: ReturnType<typeof useDraft>; file: (format: string) => string }) {
  const { changed } = draft;
  return (
    <div className="flex flex-wrap gap-2">
      <button type="button" className="quiet" disabled={!changed} onClick={() => void draft.save()}>
        {changed ? 'Save draft' : 'Draft saved'}
      </button>
      <IssueButton busy={draft.busy} issue={draft.issue} />
      <a className="quiet" href={file('pdf')}>
        Draft PDF
      </a>
      {FILES.map(({ format, label }) => (
        <a key={format} className="quiet" href={file(format)}>
          {label}
        </a>
      ))}
    </div>
  );
}
