import type { ReportHead, Wording } from '../../protocol/report';

export type SaveAnswer =
  | { ok: true; id: string; version: number }
  | { ok?: false; problem?: string; theirs?: ReportHead };

export interface ReportScreenProps {
  treeId: string;
  visitId: string;
  /** A `ReportContent` without its drawings, as one JSON text: cheaper to send and to read than as many small parts. */
  content: string;
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
}
