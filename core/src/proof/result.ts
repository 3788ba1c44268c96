import { assess, trenchesGiven } from '../assessment';
import { VERDICT_ENGINE } from '../diagnosis';
import { PRESCRIPTION_ENGINE } from '../prescription';
import { assessDig } from '../pruning';
import { girdledShare } from '../roots';
import { assessTrenches } from '../trenching';
import { sheetOf } from '../worth';
import type { Given } from './basis';

/** What was worked out, in figures: chances and shares of one, amounts in SI units, money as decimal text. */
export interface Result {
  engines: { verdict: string; table: string; prescription: string };
  causes: { key: string; name: string; chance: number }[];
  conditions: { key: string; name: string; chance: number }[];
  /** Share of the circumference that girdling roots compress; undefined without a dig. */
  compressed?: number;
  work: {
    key: string;
    name: string;
    advice: string;
    amounts: { key: string; name: string; value: number }[];
  }[];
  /** Undefined without rates. */
  costs?: {
    currency: string;
    net: string;
    total: string;
    options: { key: string; name: string; now: string; from: number; to: number }[];
  };
}

/** Whether two results were worked out by the same engines and table: otherwise figures may differ for that. */
export const sameEngines = (a: Result['engines'], b: Result['engines']): boolean =>
  a.verdict === b.verdict && a.table === b.table && a.prescription === b.prescription;

/** Works a report out anew: verdict, plan, amounts and costs. */
export function resultOf({ caseFile, basis }: Given): Result {
  const { tree, events, visits, site } = caseFile;
  const { visit, house, table, rates } = basis;
  const { verdict, operations, situation } = assess(tree, events, visit, house, table, visits);
  const dig = visit.dig && assessDig(tree, visits, visit, house);
  const asked = trenchesGiven(tree, visit, site, house);
  const laidOut = asked && assessTrenches(asked);
  const { options, whole } = sheetOf({ visit, situation, operations, dig, laidOut, rates });
  return {
    engines: { verdict: VERDICT_ENGINE, table: verdict.table, prescription: PRESCRIPTION_ENGINE },
    causes: verdict.causes.map((c) => ({ key: c.cause, name: c.label, chance: c.probability })),
    conditions: verdict.mechanisms.map((m) => ({ key: m.mechanism, name: m.label, chance: m.probability })),
    ...(dig && { compressed: girdledShare(dig.reading).value }),
    work: operations.map((o) => ({
      key: o.key,
      name: o.title,
      advice: o.advice,
      amounts: o.quantities.map((q) => ({ key: q.key, name: q.name, value: q.value })),
    })),
    ...(whole && {
      costs: {
        currency: whole.currency,
        net: whole.net,
        total: whole.total,
        options: options.flatMap(({ key, title, cost }) =>
          cost ? [{ key, name: title, now: cost.now.total, ...cost.years }] : [],
        ),
      },
    }),
  };
}
