import { answerTo } from '../questions/question';
import type { Finding } from '../records';

/** How many trees were planted together, and how many of them fail or are dead, as told. */
export interface CohortTold {
  planted: number;
  failed: number;
}

/** Both numbers of a visit; undefined where one is missing, or more fail than were planted. */
export function cohortTold(findings: readonly Finding[]): CohortTold | undefined {
  const [planted, failed] = ['history.planted', 'history.failed'].map(
    (key) => answerTo(findings, key)?.number,
  );
  return planted === undefined || failed === undefined || failed > planted ? undefined : { planted, failed };
}
