import { estimate, needsOf, type Rates } from '@undrel/core/costing';
import { plannedOf, prescribe, schoolEffects, situation, type MatterEffect } from '@undrel/core/prescription';
import { assessedOf } from '../tree/assessed';
import type { ReportSource } from '../tree/source';
import { trenchesKept } from '../tree/trenches';
import { trenchWork } from './worth';

/** What a school would change in money, for the work that is prescribed. */
export interface PricedEffect {
  /** By matter and school: the difference of the net sum, decimal text; absent where it is nothing. */
  difference: Record<string, Record<string, string>>;
  currency: string | undefined;
}

/** Matters that change the trenches as they are laid out, which the operation itself does not carry. */
const OF_TRENCHES = ['trenches', 'trenchFill'];

/** Every disagreement, what each school makes of this prescription, and what that costs more or less. */
export function schoolsOf(
  source: ReportSource,
  rates: Rates | undefined,
): { matters: MatterEffect[] } & PricedEffect {
  const { tree, events, visit, schools, system } = source;
  const { profile, verdict, operations, situation: s } = assessedOf(source);
  const matters = schoolEffects(s, schools, system);
  const sumUnder = (own: ReportSource) => {
    const ops =
      own === source ? operations : prescribe(situation(own.tree, events, visit, profile, verdict, schools));
    return Number(estimate(needsOf(plannedOf(ops, visit), visit, trenchWork(own)), rates!).net);
  };
  const difference: Record<string, Record<string, string>> = {};
  for (const { matter, schools: effects } of matters)
    for (const { school, inForce, changes } of effects) {
      const trenches = OF_TRENCHES.includes(matter.key) && trenchesKept(source) !== undefined;
      if (inForce || !rates || (changes.length === 0 && !trenches)) continue;
      const own = { ...source, tree: { ...tree, schools: { ...tree.schools, [matter.key]: school.key } } };
      const more = sumUnder(own) - sumUnder(source);
      if (Math.abs(more) >= 0.005) (difference[matter.key] ??= {})[school.key] = more.toFixed(2);
    }
  return { matters, difference, currency: rates?.currency };
}
