import { assess } from '@undrel/core/assessment';
import {
  explain,
  reweigh,
  tableFor,
  type Evidence,
  type Explanation,
  type FirmTable,
  type Verdict,
} from '@undrel/core/diagnosis';

/** Kept in this process; a few kilobytes each. */
const MOST = 2000;

/** Nothing but what it is given decides the result, so the text of that is its key; the longest unused goes first. */
function kept<T>() {
  const known = new Map<string, T>();
  return (given: unknown, make: () => T): T => {
    const key = JSON.stringify(given);
    const value = known.get(key) ?? make();
    known.delete(key);
    known.set(key, value);
    if (known.size > MOST) known.delete(known.keys().next().value!);
    return value;
  };
}

const assessments = kept<ReturnType<typeof assess>>();
const verdicts = kept<Verdict>();
const explanations = kept<Explanation>();

/** The same as `assess`, which weighs all combinations of causes anew each time; one asked for before is given again. */
export const assessed: typeof assess = (...given) => assessments(given, () => assess(...given));

/** A verdict with other evidence in place of its own. */
export const reweighed = (verdict: Verdict, evidence: Evidence[], words: FirmTable | undefined): Verdict =>
  verdicts([verdict.circumstances, evidence, words], () =>
    reweigh({ ...verdict, evidence }, tableFor(words)),
  );

/** Why a verdict is what it is; `words` are those it was weighed with. */
export const explained = (verdict: Verdict, words: FirmTable | undefined): Explanation =>
  explanations([verdict.circumstances, verdict.evidence, words], () => explain(verdict, tableFor(words)));
