import type { Station } from '../questions/question';
import type { CauseKey, MechanismKey, NodeKey } from '../vocabulary/causes';
import type { Stress } from '../species';
import type { HowOften, Shift } from './words';

/** A word of the scale, or a probability a firm has written in its place. */
export type Often = HowOften | number;

/** What a cause or mechanism makes of a finding or mechanism when it alone is at work, and why. */
export interface Link<Grade extends string = string> {
  of: NodeKey;
  /** For each grade how often; what is left over is the first answer, nothing to see. */
  makes: Partial<Record<Grade, Often>>;
  why: string;
}

/**
 * One thing that can be looked at. Its answers go from nothing to see upward; the highest that any cause at work
 * brings about is what is seen (a noisy MAX; with two answers, a noisy OR).
 */
export interface NetworkFinding {
  key: string;
  station: Station;
  /** What is looked at, as a noun. */
  about: string;
  /** Answers in rising order with what a report says of each; the first is "looked, nothing to see". */
  answers: readonly (readonly [answer: string, says: string])[];
  /** How often each grade is met with none of the causes of this table at work. */
  leak: Partial<Record<string, Often>>;
  /** At most one of the links may be of a mechanism. */
  links: readonly Link[];
  /** Work on site to get it. */
  minutes: number;
  tools?: string;
  /** When it can be seen at all. */
  season?: string;
  /** Cannot be gone and looked at: told or known, or not. */
  toldOnly?: true;
}

/** What of the history a prior may depend on. */
export type Circumstance =
  | 'container'
  | 'balled'
  | 'bareRoot'
  | 'young'
  | 'old'
  | 'mulchContract'
  | 'street'
  | 'paved'
  | 'built'
  | 'transplanted'
  | 'inLeaf'
  | 'largeStock'
  | 'tender'
  | 'recovering'
  | `${Stress} ${'poor' | 'good'}`;

export interface Prior {
  cause: CauseKey;
  /** It can be at work under this circumstance alone; the last causes of the vocabulary only. */
  only?: Circumstance;
  base: Often;
  given: readonly { when: Circumstance; shift: Shift; why: string }[];
  why: string;
}

export interface MechanismRow {
  mechanism: MechanismKey;
  /** How often it is met with none of its causes; under a circumstance as often as that says. */
  leak: Often;
  leakWhen?: { when: Circumstance; leak: Often; why: string };
  links: readonly (Omit<Link, 'makes'> & { makes: Often })[];
}

/** What a remedy is for and what is at stake, in steps of judgement. */
export interface Stake {
  remedy: string;
  for: NodeKey;
  /** Cost of leaving it out when it is needed, and of doing it when it is not. */
  missing: number;
  needless: number;
  why: string;
}

/** Every number of judgement of the verdict. Versioned: a verdict names the version it was made with. */
export interface JudgementTable {
  version: string;
  priors: readonly Prior[];
  mechanisms: readonly MechanismRow[];
  findings: readonly NetworkFinding[];
  stakes: readonly Stake[];
}
