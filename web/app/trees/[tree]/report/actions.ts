'use server';

import { redirect } from 'next/navigation';
import * as z from 'zod';
import { allowed, signedIn } from '@/server/accounts/viewer';
import { issueReport, saveWording } from '@/server/reports/reports';
import { unitsOfDevice } from '@/server/accounts/device';
import { ID, taking, VERSION } from '@/server/taking';
import type { SaveAnswer } from '@/screens/report/reportProps';
import { LEAVABLE, LENGTHS } from '@/protocol/lengths';
import { WORDED_PARTS, type Wording } from '@/protocol/report';

const DRAFT = z.object({
  visitId: ID,
  id: ID.optional(),
  version: VERSION,
  // Part by part it is looked at where it is kept.
  wording: z.custom<Wording>((wording) => typeof wording === 'object' && wording !== null),
});

/** Of what is to be left out, what may be; undefined where nothing is. */
function leaveOf(asked: Wording['leave']): Wording['leave'] {
  const left = LENGTHS.flatMap((length) => {
    const keys = LEAVABLE[length].map((p) => p.key).filter((key) => asked?.[length]?.includes(key));
    return keys.length > 0 ? [[length, keys] as const] : [];
  });
  return left.length > 0 ? Object.fromEntries(left) : undefined;
}

export const saveWordingAction = taking([DRAFT], async (draft): Promise<SaveAnswer> => {
  const wording: Wording = {};
  for (const { key, label } of WORDED_PARTS) {
    const text = draft.wording[key];
    if (typeof text !== 'string') continue;
    if (text.length > 8000)
      return { ok: false, problem: `${label}: ${text.length} characters; at most 8000 are allowed.` };
    wording[key] = text;
  }
  const leave = leaveOf(draft.wording.leave);
  if (leave) wording.leave = leave;
  const saved = await allowed('judge', (db) =>
    saveWording(db, draft.visitId, draft.id, draft.version, wording),
  );
  return 'problem' in saved ? { ok: false, problem: saved.problem } : saved;
});

/** Issues the report of a visit; `draftId` is the draft that was shown. */
export const issueAction = taking(
  [ID, ID, ID.optional()],
  async (treeId, visitId, draftId): Promise<{ problem: string }> => {
    const system = await unitsOfDevice();
    const person = await allowed('judge', async (_, viewer) => ({ viewer }));
    if ('problem' in person) return { problem: person.problem! };
    const done = await issueReport(signedIn, person.viewer, { treeId, visitId, draftId, system });
    if ('problem' in done) return done;
    redirect(`/reports/${done.id}`);
  },
);
