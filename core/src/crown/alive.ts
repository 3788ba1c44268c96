import { percent } from '../units/share';
import { QUESTIONS } from '../questions/all';
import { answerTo } from '../questions/question';
import type { Finding } from '../records';
import { LIMITS } from '../practice/limits';
import { diebackOf } from './dieback';

/** Whether a tree lives, by bark, bud and leaf. */
export interface Aliveness {
  /**
   * `doubtful`: it looks dead and nobody scratched the bark; `contradictory`: what was noted cannot all be so;
   * `unexamined`: nothing that was looked at tells.
   */
  state: 'alive' | 'dead' | 'doubtful' | 'contradictory' | 'unexamined';
  /** What says so, as it may stand in a sentence. */
  says: string;
}

/** Answers that only a living tree gives, and those that a dead one gives. Common practice, no source. */
const LIVES: Readonly<Record<string, readonly string[]>> = {
  'crown.scratch': ['green', 'part'],
  'crown.buds': ['plump', 'weak'],
  'crown.colour': ['good', 'pale', 'veins'],
};
const DEAD: Readonly<Record<string, readonly string[]>> = { 'crown.scratch': ['dry'] };
const LOOKS_DEAD: Readonly<Record<string, readonly string[]>> = {
  'crown.buds': ['dry'],
  'crown.wilt': ['whole'],
};

const QUESTION_WORDS: Readonly<Record<string, string>> = {
  'crown.scratch': 'bark scratched',
  'crown.buds': 'buds',
  'crown.colour': 'leaf colour',
  'crown.wilt': 'wilted',
};

/** The answers that were given among some, each in the words of its question. */
function given(findings: readonly Finding[], among: typeof LIVES): string[] {
  return Object.entries(among).flatMap(([key, answers]) => {
    const answer = answerTo(findings, key)?.answer;
    if (answer === undefined || !answers.includes(answer)) return [];
    const question = QUESTIONS.find((q) => q.key === key)!;
    const label = 'answers' in question ? question.answers.find((a) => a.key === answer)!.label : answer;
    return [`${QUESTION_WORDS[key]}: ${label}`];
  });
}

/** Whether it lives, from what was noted at a visit; a scratched stem decides. */
export function aliveOf(findings: readonly Finding[]): Aliveness {
  const lives = given(findings, LIVES);
  const dead = given(findings, DEAD);
  const dieback = diebackOf(findings);
  const looksDead = [
    ...given(findings, LOOKS_DEAD),
    ...(dieback !== undefined && dieback >= LIMITS.deadDieback.value
      ? [`${percent(dieback)} of the crown is dead`]
      : []),
  ];
  const said = (reasons: readonly string[]) => reasons.join(', ');
  if (dead.length > 0)
    return lives.length > 0
      ? { state: 'contradictory', says: `${said(dead)}, yet ${said(lives)}` }
      : { state: 'dead', says: said([...dead, ...looksDead]) };
  const scratched = answerTo(findings, 'crown.scratch')?.answer !== undefined;
  if (looksDead.length > 0 && !scratched)
    return lives.length > 0 && dieback !== undefined && dieback >= 1
      ? { state: 'contradictory', says: `${said(looksDead)}, yet ${said(lives)}` }
      : lives.length > 0
        ? { state: 'alive', says: said(lives) }
        : { state: 'doubtful', says: said(looksDead) };
  return lives.length > 0 ? { state: 'alive', says: said(lives) } : { state: 'unexamined', says: '' };
}

/** What is told of it before all else; nothing of a tree that lives. */
export function aliveSays({ state, says }: Aliveness): string | undefined {
  if (state === 'dead') return `It is dead (${says}). What follows is what may have killed it.`;
  if (state === 'doubtful')
    return `Whether it lives is not known (${says}). Scratch the bark of twig, limb and stem before anything is prescribed.`;
  if (state === 'contradictory')
    return `What was noted cannot all be so: ${says}. Scratch the bark of twig, limb and stem again before anything is prescribed.`;
  return undefined;
}
