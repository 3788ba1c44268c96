import { assess, type Assessment } from '@undrel/core/assessment';
import { keeping } from '@undrel/core/kept';
import {
  explain,
  reweigh,
  tableFor,
  type Evidence,
  type Explanation,
  type FirmTable,
  type Verdict,
} from '@undrel/core/diagnosis';
import type { ReportSource } from './source';

/**
 * What is kept in this process of each kind, in letters of what it follows from: nothing else decides a result, and its
 * size goes with it.
 */
const MOST = 20_000_000;
const byLength = (_: object, key: string) => key.length;

const assessments = keeping<ReturnType<typeof assess>>(MOST, byLength);
const verdicts = keeping<Verdict>(MOST, byLength);
const explanations = keeping<Explanation>(MOST, byLength);

/** The same as `assess`, which weighs all combinations of causes anew each time; one asked for before is given again. */
export const assessed: typeof assess = (...given) => assessments(given, () => assess(...given));

/** What follows from the visit of a source, with what is remembered of those before it. */
export const assessedOf = ({
  tree,
  events,
  visit,
  schools,
  table,
  visits,
}: Pick<ReportSource, 'tree' | 'events' | 'visit' | 'schools' | 'table' | 'visits'>): Assessment =>
  assessed(tree, events, visit, schools, table, visits);

/** A verdict with other evidence in place of its own. */
export const reweighed = (verdict: Verdict, evidence: Evidence[], words: FirmTable | undefined): Verdict =>
  verdicts([verdict.circumstances, evidence, words], () =>
    reweigh({ ...verdict, evidence }, tableFor(words)),
  );

/** Why a verdict is what it is; `words` are those it was weighed with. */
export const explained = (verdict: Verdict, words: FirmTable | undefined): Explanation =>
  explanations([verdict.circumstances, verdict.evidence, words], () => explain(verdict, tableFor(words)));
