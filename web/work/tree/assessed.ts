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
 * What one result takes of memory, bytes: that of a tree of which little is known, and so much for each letter of what it
 * follows from. A result says something of every cause and operation, however little is known. Measured, see the test.
 */
export const WEIGHTS = {
  assessment: { least: 85_000, letter: 8 },
  verdict: { least: 22_000, letter: 4 },
  explanation: { least: 32_000, letter: 4 },
} as const;
const weightOf =
  ({ least, letter }: { least: number; letter: number }) =>
  (_: object, key: string) =>
    least + letter * key.length;

/** What is kept in this thread of each kind, bytes: together less than half of what the smallest thread may take. */
const assessments = keeping<ReturnType<typeof assess>>(100_000_000, weightOf(WEIGHTS.assessment));
const verdicts = keeping<Verdict>(30_000_000, weightOf(WEIGHTS.verdict));
const explanations = keeping<Explanation>(40_000_000, weightOf(WEIGHTS.explanation));

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
