import { answerTo } from '../questions/question';
import type { Finding } from '../records';

/** Share of the crown that is dead, 0 to 1, as it was estimated; undefined where it was not. */
export const diebackOf = (findings: readonly Finding[]): number | undefined =>
  answerTo(findings, 'crown.dieback')?.number;
