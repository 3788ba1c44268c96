import { chanceWords, percent } from '../units/share';
import { diebackOf } from '../crown/dieback';
import { REMEDIES } from '../remedies';
import type { CauseKey } from '../vocabulary/causes';
import type { OperationKey } from '../vocabulary/operations';
import { DIEBACK_FACTORS, OUTLOOK, OTHER_OUTLOOKS, type Judged } from '../practice/worth';
import type { Situation } from '../prescription';

/** Two ends of a judgement, 0 to 1. */
export interface Range {
  from: number;
  to: number;
}

/** One factor of a chance: what it is for, its two ends as they enter, and why. */
export interface ChanceStep extends Range {
  name: string;
  why: string;
  /** To which power it enters. */
  power: number;
}

/** A chance with everything that went into it; the chance is the product of the steps, each to its power. */
export interface Chance extends Range {
  steps: ChanceStep[];
}

/** Whether one of these operations mends a cause; one that none of them mends goes on as if left alone. */
const mendedBy = (cause: CauseKey, done: readonly OperationKey[]): boolean =>
  done.some((key) => REMEDIES[key].treats.includes(cause));

/** Nothing lasts ten years for certain. Common practice, no source. */
const ORDINARY: Judged = {
  from: 0.95,
  to: 0.99,
  why: 'Storms, construction and accidents claim a tree now and then.',
};

const product = (steps: ChanceStep[]): Chance => ({
  from: steps.reduce((p, s) => p * s.from ** s.power, 1),
  to: steps.reduce((p, s) => p * s.to ** s.power, 1),
  steps,
});

/**
 * Causes overlap in what they do to a tree, so the worst counts in full and each further one half as much as the one
 * before it. Common practice, no source.
 */
const overlapping = (steps: Omit<ChanceStep, 'power'>[]): ChanceStep[] =>
  [...steps].sort((a, b) => a.from + a.to - (b.from + b.to)).map((step, i) => ({ ...step, power: 0.5 ** i }));

const whole = (step: Omit<ChanceStep, 'power'>): ChanceStep => ({ ...step, power: 1 });

/** Of a hazard that is there with chance p and is survived with chance s: 1 - p (1 - s). */
const survived = (p: number, s: number): number => 1 - p * (1 - s);

/** What crown and base take from every chance. */
function standingOf({ visit, verdict }: Situation): ChanceStep[] {
  const dieback = diebackOf(visit.findings);
  const row = dieback === undefined ? undefined : DIEBACK_FACTORS.filter((f) => dieback >= f.from).at(-1);
  const decay = (['barkSoft', 'conks', 'hollow'] as const)
    .map((key) => verdict.facts[key])
    .filter((fact) => fact.state === 'yes');
  return [
    ...(verdict.alive.state === 'dead'
      ? [whole({ name: 'It is dead', from: 0, to: 0, why: verdict.alive.says })]
      : []),
    ...(row && row.factor.to < 1
      ? [whole({ name: `${percent(dieback!)} of the crown is dead`, ...row.factor })]
      : []),
    ...(decay.length > 0
      ? [whole({ name: decay.map((d) => d.text).join(', '), ...OTHER_OUTLOOKS.decay })]
      : []),
  ];
}

/**
 * Chance that the tree stands healthy enough to be kept after ten years: the product over the causes that are likely or
 * possible, each with its chance from the verdict and the worst counting most, times what crown and base take from it.
 * It is a stated judgement; its two ends are the ends of each judgement.
 *
 * @param done the operations that are done; none for leaving it alone
 */
export function chanceOf(s: Situation, done: readonly OperationKey[]): Chance {
  const causes = s.verdict.causes.filter((c) => c.standing === 'likely' || c.standing === 'possible');
  const steps = causes.map((c) => {
    const treated = mendedBy(c.cause, done);
    const outlook = OUTLOOK[c.cause][treated ? 'treated' : 'left'];
    return {
      name: `${c.label}, ${c.certainty} (${chanceWords(c.probability)}), ${treated ? 'treated' : 'left as it is'}`,
      from: survived(c.probability, outlook.from),
      to: survived(c.probability, outlook.to),
      why: outlook.why,
    };
  });
  return product([whole({ name: 'An ordinary tree', ...ORDINARY }), ...overlapping(steps), ...standingOf(s)]);
}

/** Chance of a tree that is lifted and set anew, or of a young one in its place. */
export function chanceOfNew(s: Situation, kind: 'reset' | 'replace'): Chance {
  const ground: readonly CauseKey[] =
    kind === 'reset'
      ? ['compaction', 'waterlogging', 'biotic', 'salt', 'chlorosis']
      : ['compaction', 'waterlogging', 'salt'];
  const steps = s.verdict.causes
    .filter((c) => ground.includes(c.cause) && (c.standing === 'likely' || c.standing === 'possible'))
    .map((c) => {
      const outlook = OUTLOOK[c.cause].left;
      return {
        name: `${c.label}, ${c.certainty} (${chanceWords(c.probability)}), stays in the ground`,
        from: survived(c.probability, outlook.from),
        to: survived(c.probability, outlook.to),
        why: outlook.why,
      };
    });
  const own = OTHER_OUTLOOKS[kind];
  return product([
    whole({ name: kind === 'reset' ? 'A tree reset young' : 'A young tree', ...own }),
    ...overlapping(steps),
    ...(kind === 'reset' ? standingOf(s) : []),
  ]);
}
