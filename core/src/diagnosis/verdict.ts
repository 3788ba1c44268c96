import type { Tree, TreeEvent, Visit } from '../casefile/model';
import type { Station } from '../base/question';
import type { Profile } from '../profile';
import { factsOf, type FactKey, type Facts } from './facts';
import { CAUSES, RULES, STANDINGS, type CauseKey, type Standing } from './rules';

/** Bumped whenever the rule table or the way it is read changes; kept with every snapshot. */
export const VERDICT_ENGINE = 'rules-1';

export interface Reason {
  fact: FactKey;
  text: string;
  why: string;
  weight: number;
}

export interface CauseVerdict {
  cause: CauseKey;
  label: string;
  mechanism: string;
  standing: Standing;
  score: number;
  for: Reason[];
  against: Reason[];
  unexamined: { fact: FactKey; text: string; station: Station }[];
}

export interface Verdict {
  engine: string;
  /** Most likely first. */
  causes: CauseVerdict[];
  facts: Facts;
  /** One sentence: the finding, or that there is too little to say. */
  summary: string;
}

/**
 * Ranks the causes of decline from what was seen and measured. Several may be likely at once. Nothing that was not
 * looked at counts for or against a cause; it is listed as unexamined.
 */
export function verdictOf(tree: Tree, events: readonly TreeEvent[], visit: Visit, profile: Profile): Verdict {
  const facts = factsOf(tree, events, visit, profile);
  const causes = (Object.keys(CAUSES) as CauseKey[]).map((cause): CauseVerdict => {
    const rules = RULES.filter((rule) => rule.cause === cause);
    const reasons = rules.flatMap((rule): Reason[] => {
      const { state, text } = facts[rule.fact];
      const weight = state === 'yes' ? rule.ifYes : state === 'no' ? rule.ifNo : 0;
      return weight === 0 ? [] : [{ fact: rule.fact, text, why: rule.why, weight }];
    });
    const score = reasons.reduce((sum, r) => sum + r.weight, 0);
    const examined = rules.some((rule) => facts[rule.fact].state !== 'unexamined');
    return {
      cause,
      label: CAUSES[cause].label,
      mechanism: CAUSES[cause].mechanism,
      score,
      standing: examined ? STANDINGS.find((s) => score >= s.from)!.key : 'unexamined',
      for: reasons.filter((r) => r.weight > 0).sort((a, b) => b.weight - a.weight),
      against: reasons.filter((r) => r.weight < 0).sort((a, b) => a.weight - b.weight),
      unexamined: rules
        .filter((rule) => facts[rule.fact].state === 'unexamined')
        .map((rule) => ({ fact: rule.fact, text: facts[rule.fact].text, station: facts[rule.fact].station })),
    };
  });
  causes.sort((a, b) => b.score - a.score);
  return { engine: VERDICT_ENGINE, causes, facts, summary: summarise(causes) };
}

function summarise(causes: readonly CauseVerdict[]): string {
  const named = (standing: Standing) =>
    causes.filter((c) => c.standing === standing).map((c) => c.label.toLowerCase());
  const likely = named('likely');
  const possible = named('possible');
  const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
  if (likely.length > 0) {
    const rest = possible.length > 0 ? ` Possible beside it: ${possible.join(', ')}.` : '';
    return `${sentence(likely.join('; '))}.${rest}`;
  }
  if (possible.length > 0) return `Nothing settled. Possible: ${possible.join(', ')}.`;
  if (causes.every((c) => c.standing === 'unexamined'))
    return 'Nothing examined yet: start with the base and the probe.';
  return 'No cause stands out from what was examined.';
}
