import { inSentence, listed } from '../vocabulary/inSentence';
import { chanceWords } from '../units/share';
import { LIMITS } from '../practice/limits';
import { type MechanismKey, MECHANISMS } from '../vocabulary/causes';
import type { Evidence } from './evidence';
import { certaintyOf } from './words';

/** Mechanisms that bring a tree down, and from which chance on they count. Common practice, no source. */
export const FALLS: readonly MechanismKey[] = ['poorAnchorage', 'basalDecay'];
export const MAY_FALL = 0.25;

/**
 * What is seen before a tree falls, by the answers of the finding. One look is enough, whatever else is known.
 * Common practice, no source.
 */
const SIGNS: Readonly<Record<string, { answers: readonly string[]; from?: number; says?: string }>> = {
  'base.push': { answers: ['slight', 'rocks', 'lifts'] },
  'base.lean': { answers: ['lifted'] },
  'base.conks': { answers: ['few', 'many'] },
  // In words of its own: a sentence of danger is shown as it stands, and carries no measure to be written out.
  'base.sinks': {
    answers: ['deep'],
    from: LIMITS.decayDeep.value,
    says: 'a probe sinks far into the base',
  },
};

/** Whether an answer to a finding is a sign that the tree may fall. */
export const isDangerSign = (key: string, answer: string | undefined): boolean =>
  answer !== undefined && (SIGNS[key]?.answers.includes(answer) ?? false);

/** The answers to findings that are such signs; where one is measured, the measure from which it is, m. */
export const DANGER_SIGNS: readonly { key: string; answer: string; from?: number }[] = Object.entries(
  SIGNS,
).flatMap(([key, { answers, from }]) =>
  answers.map((answer) => ({ key, answer, ...(from !== undefined && { from }) })),
);

/** That a tree may fall or break, and why it is said. */
export interface Danger {
  /** Signs that were seen. */
  signs: string[];
  /** Mechanisms that bring a tree down and are possible or likely, with their chance. */
  possible: { mechanism: MechanismKey; label: string; probability: number }[];
  /** Days within which its stability has to be assessed. People are kept away until then. */
  days: number;
  /** What is done first, in one sentence. */
  text: string;
}

/** The reasons of a danger, signs first, each as it may stand in a list. */
export const dangerReasons = ({ signs, possible }: Pick<Danger, 'signs' | 'possible'>): string[] => [
  ...signs,
  ...possible.map(
    ({ label, probability }) =>
      `${inSentence(label)} is ${certaintyOf(probability)} (${chanceWords(probability)})`,
  ),
];

/**
 * The danger that a tree falls, from what was seen and from how likely poor anchorage and decay at the base are.
 *
 * @param mechanisms chances of the mechanisms that something seen speaks of, 0 to 1; what is merely usual for such a
 *   tree is no danger
 * @returns undefined where no sign was seen and neither is possible
 */
export function dangerOf(
  evidence: readonly Evidence[],
  mechanisms: readonly { mechanism: MechanismKey; probability: number }[],
): Danger | undefined {
  const signs = evidence
    .filter((e) => isDangerSign(e.key, e.answer))
    .map((e) => SIGNS[e.key]!.says ?? e.says);
  const possible = mechanisms
    .filter((m) => FALLS.includes(m.mechanism) && m.probability >= MAY_FALL)
    .map(({ mechanism, probability }) => ({ mechanism, label: MECHANISMS[mechanism].label, probability }));
  if (signs.length === 0 && possible.length === 0) return undefined;
  const days = (signs.length > 0 ? LIMITS.dangerSeenDays : LIMITS.dangerPossibleDays).value;
  const reasons = listed(dangerReasons({ signs, possible }));
  return {
    signs,
    possible,
    days,
    text: `It may fall: ${reasons}. Keep people away, and have its stability assessed by a qualified person within ${days} days, before any other work.`,
  };
}
