import { inSentence, listed } from '../vocabulary/inSentence';
import type { Tree, Visit } from '../records';
import { certaintyOf } from './words';
import { type CauseKey, CAUSES } from '../vocabulary/causes';
import type { Verdict } from './verdict';

/** From this chance on a thing is more likely than not. */
const EVEN = 0.5;

/** How sure, by the one scale of the product. */
const surely = (probability: number): string => `It is ${certaintyOf(probability)} that`;

/**
 * What the client is told, from the same facts as the verdict, without terms of the trade. The consultant may write it
 * again.
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
  if (own) sentences.push(`In our judgement, the main cause is this: ${plain(own)}.`);
  for (const { cause, probability } of likely.filter((c) => c.cause !== own))
    sentences.push(`${surely(probability)} ${plain(cause)}.`);
  if (sentences.length === 0)
    sentences.push(
      possible.length > 0
        ? `What we have examined so far does not settle what is wrong with ${inSentence(name)}.`
        : `Nothing that we examined points to a fault in ${inSentence(name)}.`,
    );
  if (dead) sentences.unshift(`${name} is dead.`);
  if (state === 'doubtful' || state === 'contradictory')
    sentences.unshift(
      `We do not yet know whether ${inSentence(name)} is alive. We will check its bark before anything is done.`,
    );
  const states = verdict.chain.map((step) => step.so);
  if (!dead && likely.length > 0 && states.length > 0) sentences.push(`As a result, ${listed(states)}.`);
  // What is more likely than not is said to be so, though it calls for no work of its own yet.
  for (const { cause, probability } of possible.filter((c) => c.cause !== own && c.probability >= EVEN))
    sentences.push(`${surely(probability)} ${plain(cause)}.`);
  const others = possible.filter((c) => c.cause !== own && c.probability < EVEN).slice(0, 3);
  if (others.length > 0)
    sentences.push(
      `We cannot yet rule out ${listed(
        others.map((c) => `that ${plain(c.cause)}`),
        'disjunction',
      )}.`,
    );
  if (dead) sentences.push('Trees planted with it may have the same fault, so we will check them next.');
  return sentences.join(' ');
}

const plain = (cause: CauseKey): string => inSentence(CAUSES[cause].led);
