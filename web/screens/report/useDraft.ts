import { useState, useTransition } from 'react';
import { LEAVABLE, LENGTHS } from '../../protocol/lengths';
import { WORDED_PARTS, type ReportHead, type Wording } from '../../protocol/report';
import type { ReportScreenProps } from './reportProps';

/** Whether the words are others, or other parts are left out. */
const differs = (a: Wording, b: Wording): boolean =>
  WORDED_PARTS.some(({ key }) => (a[key] ?? '') !== (b[key] ?? '')) ||
  LENGTHS.some((length) =>
    LEAVABLE[length].some(
      ({ key }) => (a.leave?.[length] ?? []).includes(key) !== (b.leave?.[length] ?? []).includes(key),
    ),
  );

/** The consultant's words: kept on the version they were begun on, and issued once they are kept. */
export function useDraft({
  treeId,
  visitId,
  head,
  save: keep,
  issue: send,
}: Pick<ReportScreenProps, 'treeId' | 'visitId' | 'head' | 'save' | 'issue'>) {
  const begun = head?.wording ?? {};
  const [wording, setWording] = useState<Wording>(begun);
  const [kept, setKept] = useState({ id: head?.id, version: head?.version ?? 0, wording: begun });
  const [stale, setStale] = useState<ReportHead | undefined>(undefined);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const [busy, startWork] = useTransition();
  const changed = differs(wording, kept.wording);
  /** Gives the draft the words are kept in, or undefined where they were not kept. */
  const save = async (
    base: { id: string | undefined; version: number } = kept,
  ): Promise<string | undefined> => {
    try {
      const answer = await keep({ visitId, id: base.id, version: base.version, wording });
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
      const answer = await send(treeId, visitId, draftId).catch((error: unknown) => {
        if (String((error as { digest?: string }).digest).startsWith('NEXT_REDIRECT')) throw error;
        return { problem: 'The server could not be reached; nothing was issued. Try again.' };
      });
      setProblem(answer?.problem);
    });
  return {
    wording,
    setWording,
    kept,
    stale,
    problem,
    busy,
    changed,
    save,
    issue,
    keepMine: () => void save(stale),
    takeTheirs: () => {
      if (!stale) return;
      setWording(stale.wording);
      setKept({ id: stale.id, version: stale.version, wording: stale.wording });
      setStale(undefined);
    },
  };
}
