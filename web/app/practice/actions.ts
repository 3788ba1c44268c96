'use server';

import * as z from 'zod';
import { tableFor, tableProblems, wordsWithoutRow, type FirmTable, type Often } from '@undrel/core/diagnosis';
import { allowed } from '@/server/accounts/viewer';
import { chosenIn, chosenMeanwhile } from '@/server/schoolChoice';
import { loadFirm, saveJudgements, saveSchools } from '@/server/accounts/firm';
import { taking, takingForm, VERSION } from '@/server/taking';
import type { JudgementsSaved } from '@/screens/practice/JudgementsScreen';
import type { PracticeState } from '@/screens/practice/PracticeScreen';

const JUDGEMENTS = z.object({
  // Which words there are is said where the table is made of them.
  words: z.custom<Record<string, Often>>((words) => typeof words === 'object' && words !== null),
  table: z.int().min(0).max(1_000_000),
  version: VERSION,
});

export const savePracticeAction = takingForm(async (state: PracticeState, form): Promise<PracticeState> => {
  const schools = chosenIn(form);
  const saved = await allowed('judge', async (db) => {
    const version = await saveSchools(db, schools, state.version);
    return version === undefined ? { stale: await loadFirm(db) } : { version };
  });
  if ('problem' in saved) return { ...state, schools, problem: saved.problem };
  if ('stale' in saved && saved.stale)
    return {
      schools,
      version: saved.stale.version,
      problem: chosenMeanwhile(saved.stale.schools, schools),
    };
  return { schools, version: saved.version!, told: 'Saved. Open trees follow it at once.' };
});

/** Saves the firm's own words in the table of causes as a new version of it. */
export const saveJudgementsAction = taking([JUDGEMENTS], async (given): Promise<JudgementsSaved> => {
  const next: FirmTable = { version: given.table + 1, words: given.words };
  const [strange] = wordsWithoutRow(given.words);
  if (strange !== undefined)
    return { problem: `Judgement ${strange}: there is no such row. Nothing was saved.` };
  try {
    const [wrong] = tableProblems(tableFor(next));
    if (wrong) return { problem: `${wrong.row}: ${wrong.message}. Nothing was saved.` };
  } catch (error) {
    return { problem: `${error instanceof Error ? error.message : String(error)} Nothing was saved.` };
  }
  const saved = await allowed('judge', async (db) => ({
    version: await saveJudgements(db, next, given.version),
  }));
  if ('problem' in saved) return { problem: saved.problem };
  if (saved.version === undefined)
    return {
      problem:
        'Someone else has changed the practice book. Yours is still here; open the page in a second tab to compare.',
    };
  return { version: saved.version, table: next.version };
});
