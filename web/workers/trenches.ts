import type { Dig, Finding, Push, Tree, TrenchDesign } from '@undrel/core/casefile';
import { SPOKES, schoolFor, type SchoolInForce, type Schools } from '@undrel/core/practice';
import { readDig } from '@undrel/core/roots';
import {
  alternativesTo,
  planTrenches,
  spokeRules,
  trenchQuantities,
  type Alternative,
  type TrenchPlan,
} from '@undrel/core/trenching';
import type { Quantity } from '@undrel/core/units';
import type { Site } from '../protocol/site';

export interface TrenchJob {
  id: number;
  tree: Tree;
  date: string;
  findings: readonly Finding[];
  design: TrenchDesign;
  dig: Dig | undefined;
  pushes: readonly Push[] | undefined;
  site: Site;
  firm: Schools;
  stressed: boolean;
}

export interface Trenches {
  plan: TrenchPlan;
  quantities: Quantity[];
  /** Of each season, where there are several. */
  bySeason: Quantity[][];
  alternatives: Alternative[];
  /** The same ground by the other kind of spokes, before anyone takes it. */
  other: TrenchPlan;
  school: SchoolInForce;
}

export type TrenchAnswer = { id: number; trenches: Trenches } | { id: number; problem: string };

function laidOut({ tree, date, findings, design, dig, pushes, site, firm, stressed }: TrenchJob): Trenches {
  const school = schoolFor('trenches', firm, tree.schools);
  const fill = schoolFor('trenchFill', firm, tree.schools);
  const given = {
    tree,
    date,
    design,
    site: site.things,
    others: site.others,
    dig: dig && readDig(tree, dig),
    pushes,
    school,
    stressed,
  };
  const plan = planTrenches(given);
  const key = spokeRules(school, tree, date).school === 'hand' ? 'air' : 'hand';
  const other = planTrenches({ ...given, school: { ...school, key, label: SPOKES[key].label } });
  const quantities = trenchQuantities(plan, fill);
  return {
    plan,
    other,
    school,
    quantities,
    bySeason:
      plan.seasons > 1
        ? Array.from({ length: plan.seasons }, (_, i) => trenchQuantities(plan, fill, i + 1))
        : [],
    alternatives: alternativesTo(plan, quantities.find((q) => q.name === 'Crew hours')!.value, findings),
  };
}

self.onmessage = ({ data }: MessageEvent<TrenchJob>) => {
  const answer = (message: TrenchAnswer) => self.postMessage(message);
  try {
    answer({ id: data.id, trenches: laidOut(data) });
  } catch (error) {
    answer({ id: data.id, problem: error instanceof Error ? error.message : String(error) });
  }
};
