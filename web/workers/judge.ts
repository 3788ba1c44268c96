import { assess, glanceAt, type Assessment, type Glance } from '@undrel/core/assessment';
import type { Tree, TreeEvent, Visit } from '@undrel/core/records';
import { explain, tableFor, type Explanation, type FirmTable } from '@undrel/core/diagnosis';
import type { House } from '@undrel/core/house';
import { revisionOf, type Revision } from '@undrel/core/prescription';
import type { UnitSystem } from '@undrel/core/units';

export interface JudgeJob {
  id: number;
  tree: Tree;
  events: readonly TreeEvent[];
  visit: Visit;
  /** All of the tree: what those before found is remembered. */
  visits: readonly Visit[];
  firm: House;
  table: FirmTable | undefined;
  /** The visit before: also say what is prescribed otherwise than then. */
  before: Visit | undefined;
  system: UnitSystem;
  /** Also say why, and what to look at next; takes several times as long. */
  explained: boolean;
}

/** Profile and situation stay out: they hold functions, and whoever asks has what they are made of. */
export interface Judged extends Omit<Assessment, 'profile' | 'situation'> {
  glance: Glance;
  explanation?: Explanation;
  revision?: Revision;
}

export type JudgeAnswer = { id: number; judged: Judged } | { id: number; problem: string };

self.onmessage = ({ data }: MessageEvent<JudgeJob>) => {
  const { id, tree, events, visit, visits, before, system, firm, table, explained } = data;
  const answer = (message: JudgeAnswer) => self.postMessage(message);
  try {
    const assessment = assess(tree, events, visit, firm, table, visits);
    const explanation = explained ? explain(assessment.verdict, tableFor(table)) : undefined;
    const { verdict, memory, operations } = assessment;
    const glance = glanceAt(assessment, tree, visit);
    const was = before && assess(tree, events, before, firm, table, visits);
    const revision =
      was &&
      revisionOf(
        { ...was, decisions: before.decisions },
        { ...assessment, decisions: visit.decisions },
        system,
      );
    answer({ id, judged: { verdict, memory, operations, glance, explanation, revision } });
  } catch (error) {
    answer({ id, problem: error instanceof Error ? error.message : String(error) });
  }
};
