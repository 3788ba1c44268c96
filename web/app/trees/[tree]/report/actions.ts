'use server';

import { redirect } from 'next/navigation';
import { allowed } from '@/server/accounts/viewer';
import { issueReport, openDraft, saveWording } from '@/server/reports/reports';
import { unitsOfDevice } from '@/server/accounts/device';
import type { SaveAnswer } from '@/screens/report/ReportScreen';
import { WORDED_PARTS, type Wording } from '@/protocol/report';

export async function saveWordingAction(draft: {
  visitId: string;
  id: string | undefined;
  version: number;
  wording: Wording;
}): Promise<SaveAnswer> {
  const wording: Wording = {};
  for (const { key, label } of WORDED_PARTS) {
    const text = draft.wording[key];
    if (typeof text !== 'string') continue;
    if (text.length > 8000)
      return { ok: false, problem: `${label}: ${text.length} characters; at most 8000 are allowed.` };
    wording[key] = text;
  }
  const saved = await allowed('judge', (db) =>
    saveWording(db, draft.visitId, draft.id, draft.version, wording),
  );
  return 'problem' in saved ? { ok: false, problem: saved.problem } : saved;
}

export async function issueAction(treeId: string, visitId: string): Promise<{ problem: string }> {
  const system = await unitsOfDevice();
  const done = await allowed('judge', async (db, viewer) => {
    const draft = await openDraft(db, viewer, treeId, visitId, system);
    return draft ? issueReport(db, draft) : { problem: 'The visit is not there any more.' };
  });
  if ('problem' in done) return done;
  redirect(`/reports/${done.id}`);
}
