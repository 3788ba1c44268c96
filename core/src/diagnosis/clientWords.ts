import type { Tree, Visit } from '../records';
import { type CauseKey, CAUSES } from '../vocabulary/causes';
import type { Verdict } from './verdict';

const LIST = new Intl.ListFormat('en-GB');

/** How sure, as a client reads it. */
const surely = (probability: number): string =>
  probability >= 0.93 ? 'We are as good as certain that' : probability >= 0.75 ? 'Most likely' : 'Probably';

const inSentence = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/**
 * What the client is told, from the same facts as the verdict, without terms of the trade. The consultant may write it
 * anew.
 */
export function clientWords(
  tree: Tree,
  visit: Pick<Visit, 'opinion' | 'clientWords'>,
  verdict: Verdict,
): string {
  if (visit.clientWords) return visit.clientWords;
  const likely = verdict.causes.filter((c) => c.standing === 'likely');
  const possible = verdict.causes.filter((c) => c.standing === 'possible');
  const own = visit.opinion?.cause as CauseKey | undefined;
  const name = tree.commonName ? `Your ${inSentence(tree.commonName)}` : 'Your tree';
  const { state } = verdict.alive;
  const dead = state === 'dead';
  const sentences: string[] = [];
  if (own)
    sentences.push(`In our judgement the trouble of ${inSentence(name)} began with this: ${plain(own)}.`);
  for (const { cause, probability } of likely.filter((c) => c.cause !== own))
    sentences.push(`${surely(probability)} ${plain(cause)}.`);
  if (sentences.length === 0)
    sentences.push(`What ails ${inSentence(name)} is not settled by what could be looked at so far.`);
  if (dead) sentences.unshift(`${name} is dead.`);
  if (state === 'doubtful' || state === 'contradictory')
    sentences.unshift(
      `Whether ${inSentence(name)} lives is not known yet; its bark is looked at before anything is done.`,
    );
  const states = verdict.chain.map((step) => step.so);
  if (!dead && likely.length > 0 && states.length > 0) sentences.push(`By now ${LIST.format(states)}.`);
  const others = possible.filter((c) => c.cause !== own).slice(0, 3);
  if (others.length > 0)
    sentences.push(
      `We cannot yet rule out ${new Intl.ListFormat('en-GB', { type: 'disjunction' }).format(others.map((c) => `that ${plain(c.cause)}`))}.`,
    );
  if (dead)
    sentences.push('What killed it tells of the trees that were planted with it: they are looked at next.');
  sentences.push('These are judgements of practice from what could be seen on the day.');
  return sentences.join(' ');
}

const plain = (cause: CauseKey): string => inSentence(CAUSES[cause].led);
