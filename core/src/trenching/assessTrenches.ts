import type { Dig, Finding, Push, Site, Tree, TrenchDesign } from '../records';
import { schoolFor, SPOKES, type SchoolInForce } from '../practice';
import { withAge } from '../history';
import type { House } from '../house';
import { readDig } from '../roots';
import { readPushes } from '../soil';
import type { Quantity } from '../units/quantity';
import { alternativesTo, type Alternative } from './alternatives';
import { planTrenches, spokeRules, type TrenchPlan } from './plan';
import { compostShare, trenchQuantities } from './quantities';

/** All that the trenches of a visit follow from. */
export interface TrenchesGiven {
  tree: Tree;
  /** ISO date of the visit. */
  date: string;
  findings: readonly Finding[];
  design: TrenchDesign;
  dig: Dig | undefined;
  pushes: readonly Push[] | undefined;
  site: Site;
  firm: House;
  stressed: boolean;
}

export interface Trenches {
  plan: TrenchPlan;
  quantities: Quantity[];
  /** Of each season, where there are several. */
  bySeason: Quantity[][];
  /** Share of compost in what goes back. */
  compost: number;
  alternatives: Alternative[];
  /** The same ground by the other kind of spokes, before anyone takes it. */
  other: TrenchPlan;
  school: SchoolInForce;
}

/** Share of the tight soil of the zone that lies within reach of a trench. */
export const openedShare = ({ layout }: Pick<TrenchPlan, 'layout'>): number =>
  layout.tight > 0 ? layout.opened / layout.tight : 0;

/** The trenches of a visit with what they take, the other school and the other ways beside them. */
export function assessTrenches(given: TrenchesGiven): Trenches {
  const { date, findings, design, dig, pushes, site, firm, stressed } = given;
  const tree = withAge(given.tree, { date, findings: [...findings] });
  const school = schoolFor('trenches', firm, tree.schools);
  const fill = schoolFor('trenchFill', firm, tree.schools);
  const situation = {
    tree,
    date,
    design,
    site: site.things,
    others: site.others,
    dig: dig && readDig(tree, dig),
    pushes,
    school,
    pace: schoolFor('trenchSeasons', firm, tree.schools),
    stressed,
  };
  const plan = planTrenches(situation);
  const key = spokeRules(school, tree, date).school === 'hand' ? 'air' : 'hand';
  const read = pushes && readPushes(pushes);
  const soil = read?.tightness === 'open' ? 'open' : 'tight';
  const quantities = trenchQuantities(plan, fill, soil);
  const bySeason =
    plan.seasons > 1
      ? Array.from({ length: plan.seasons }, (_, i) => trenchQuantities(plan, fill, soil, i + 1))
      : [];
  const compost = compostShare(plan.rules, fill);
  return {
    plan,
    other: planTrenches({ ...situation, school: { ...school, key, label: SPOKES[key].label } }),
    school,
    compost,
    quantities,
    bySeason,
    alternatives: alternativesTo(plan, { quantities, bySeason }, compost, findings),
  };
}
