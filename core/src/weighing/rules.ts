import type { FactKey } from '../diagnosis';
import type { NodeKey } from '../vocabulary/causes';
import type { OperationKey } from '../vocabulary/operations';

/** Something that is so of a tree, as the rules ask for it. */
export type Condition =
  | { node: NodeKey; standing: 'likely' | 'possible' }
  | { fact: FactKey; is: 'yes' | 'no' }
  | { fact: FactKey; isNot: 'yes' | 'no' }
  | { school: string; matter: string }
  | { finding: string; among: readonly string[] }
  | { measured: MeasureKey }
  | { planned: OperationKey };

/** Conditions that need a figure; each is worked out in `conditions.ts`. */
export type MeasureKey =
  | 'waterStands'
  | 'basinPlanned'
  | 'fertiliserWanted'
  | 'beyondHelp'
  | 'dead'
  | 'deadWood'
  | 'mayBeDead'
  | 'anchorsFew'
  | 'cutsLeftAll'
  | 'inDrought'
  | 'tooOldToLift'
  | 'rootsLeftBall'
  | 'tooLargeToLift'
  | 'youngToLift'
  | 'mulchTooDeep'
  | 'mulchSpent'
  | 'noMulchThere'
  | 'grassToStem'
  | 'bareToStem'
  | 'stoneAtStem'
  | 'rootsScalped'
  | 'ringReached'
  | 'rootsOverRing'
  | 'limbHangs'
  | 'limbsCracked'
  | 'dwarfing'
  | 'isShrub'
  | 'standsHigh'
  | 'sweeps'
  | 'justPlanted'
  | 'beyondABowl'
  | 'cutsAgreed'
  | 'rootsPress'
  | 'trenchesLaidOut'
  | 'groundTight'
  | 'soilLeft'
  | 'noWorkAdvised'
  | 'rootsMapped'
  | 'mayFall'
  | 'baseDecays'
  | 'notSmallToStake';

/** One row of the rule table: what is so, and what follows for a remedy. All conditions of a row must hold. */
export interface Rule {
  when: readonly Condition[];
  why: string;
}

/**
 * What a remedy does about causes and mechanisms: those that it mends, and those that it makes sure of.
 */
export interface Aims {
  treats: readonly NodeKey[];
  settles: readonly NodeKey[];
}

/** Months in which an operation is done, 1 to 12, both ends included; of the northern half of the world until `windowHere` has set them. */
export interface SeasonWindow {
  from: number;
  to: number;
  why: string;
}

/**
 * All that is a matter of practice about a remedy and no computation. `do` and `option` say when it is called for,
 * `bars` what rules it out whatever calls for it, `against` what speaks against it where it is prescribed all the same.
 */
export interface RemedyRules extends Aims {
  do: readonly Rule[];
  option: readonly Rule[];
  bars?: readonly Rule[];
  against: readonly Rule[];
  /** What comes before it. */
  first: readonly HoldKey[];
  /**
   * The dates it may be done in; none stands for any day that is neither frozen nor waterlogged. `planting`: by the school
   * of the season of planting, the climate and the species.
   */
  window?: SeasonWindow | 'planting';
  risks: readonly string[];
  followUp: string;
}

/** Points at which work stops until someone has signed. */
export const HOLD_POINTS = {
  alive: 'Alive, or dead, by bark scratched at twig, limb and stem',
  utilities: 'Buried utilities located and marked; hand-dig near marks',
  stability: 'Stability judged by a qualified person; target area clear',
  permits: 'Permits, nesting and closed seasons checked',
  dry: 'Bark dried and checked again before anything is cut or covered',
} as const;
export type HoldKey = keyof typeof HOLD_POINTS;
