import type { OperationKey } from '../vocabulary/operations';
import type { Tree, TreeEvent, Visit } from '../records';
import type { Verdict } from '../diagnosis';
import { LIMITS, schoolFor, type ChosenBy, type LimitKey, type SchoolInForce } from '../practice';
import { ageAt } from '../history';
import type { House } from '../house';
import type { Profile } from '../profile';
import { speciesFor, type Species } from '../species';
import type { Quantity, Working } from '../units/quantity';
import type { HoldKey, SeasonWindow } from './rules';

/** What is prescribed by leaving something alone: no step of the order of work. */
export const PASSIVE: readonly OperationKey[] = ['alive', 'watch', 'fertiliser'];

export interface SchoolUse {
  matter: string;
  matterLabel: string;
  school: string;
  label: string;
  chosenBy: ChosenBy;
  warning?: string;
}

/** One remedy weighed for this tree. Every remedy is in the list, those not advised with their reason. */
export interface Operation extends Weighed {
  /** What speaks against it on this tree, though it may be called for. */
  against: string[];
  /** Points at which work stops until someone has signed, before this begins. */
  first: HoldKey[];
  window?: SeasonWindow;
  risks: readonly string[];
  followUp: string;
  source: string;
}

/** A remedy as its own file weighs it; the rule table adds the rest. */
export interface Weighed {
  key: OperationKey;
  title: string;
  advice: 'do' | 'option' | 'not';
  /** What it comes to, in one sentence for the crew and the client. */
  summary: string;
  why: string[];
  quantities: Quantity[];
  method: string[];
  cautions: string[];
  acceptance: string[];
  schools: SchoolUse[];
  season: string;
  lookAgain?: { days: number; why: string };
  /** What would have to be measured for the quantities. */
  missing: string[];
}

/** All a remedy may look at. */
export interface Situation {
  tree: Tree;
  events: readonly TreeEvent[];
  visit: Visit;
  profile: Profile;
  verdict: Verdict;
  school(matter: string): SchoolInForce;
  house: House;
  /** What the species stands and how it grows; undefined for one that nobody knows. */
  species: Species | undefined;
}

export function situation(
  tree: Tree,
  events: readonly TreeEvent[],
  visit: Visit,
  profile: Profile,
  verdict: Verdict,
  house: House,
): Situation {
  return {
    tree,
    events,
    visit,
    profile,
    verdict,
    school: (matter) => schoolFor(matter, house, tree.schools),
    house,
    species: speciesFor(tree.species, house.species)?.species,
  };
}

export const used = (school: SchoolInForce): SchoolUse => ({
  matter: school.matter.key,
  matterLabel: school.matter.label,
  school: school.key,
  label: school.label,
  chosenBy: school.chosenBy,
  warning: school.warning,
});

export const schoolNote = (school: SchoolInForce): NonNullable<Working['school']> => ({
  matter: school.matter.label,
  school: school.label,
  chosenBy: school.chosenBy,
});

export const limit = (key: LimitKey): number => LIMITS[key].value;

/** A number a school must carry; a school without it is a fault of the data file. */
export function schoolValue(school: SchoolInForce, name: string): number {
  const value = school.values?.[name];
  if (value === undefined)
    throw new RangeError(`School ${school.key} of ${school.matter.key} has no ${name}.`);
  return value;
}

export { PRACTICE as PRACTICE_SOURCE } from '../practice/limit';

/** Years since planting at the visit, or undefined. */
export const yearsInGround = ({ tree, visit }: Pick<Situation, 'tree' | 'visit'>): number | undefined =>
  ageAt(tree, visit)?.years;
