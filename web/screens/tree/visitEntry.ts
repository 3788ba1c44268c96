import type { Site, Tree, TreeEvent, Visit } from '@undrel/core/records';
import type { Assessment, Glance } from '@undrel/core/assessment';
import type { Explanation, FirmTable } from '@undrel/core/diagnosis';
import type { ClosedSeason, Revision } from '@undrel/core/prescription';
import type { House } from '@undrel/core/house';
import type { Profile } from '@undrel/core/profile';
import type { UnitSystem } from '@undrel/core/units';
import type { ReferenceGround, ReferenceShoots } from '../../protocol/reference';
import type { ReadPlaces } from '../../protocol/grounds';
import type { ItemOf } from '../../protocol/item';
import type { CaseHand } from '../../device/useCase';

/** What every station is given: the visit at hand, what was measured, and the way to change it. */
export interface StationProps {
  control: CaseHand;
  treeId: string;
  tree: Tree;
  treeItem: ItemOf<'tree'>;
  events: readonly TreeEvent[];
  /** All visits of the tree, newest first. */
  visits: readonly Visit[];
  reference: ReferenceShoots | undefined;
  referenceGround: ReferenceGround | undefined;
  site: Site;
  /** By what positions are told on the plan of the property. */
  places: ReadPlaces;
  /** Its property, where the tree is on this device alone. */
  alone: string | undefined;
  visitId: string;
  visit: Visit;
  profile: Profile;
  /** Verdict and prescription; their code comes after the page, so they are missing at first. */
  judged: Omit<Assessment, 'situation'> | undefined;
  /** What the server made of it, until it is weighed here. */
  glance: Glance | undefined;
  /** What is prescribed otherwise than on the visit before, while the prescription is open. */
  revision: { since: string; revision: Revision } | undefined;
  /** Reasons and next checks, while the verdict is open. */
  explanation: Explanation | undefined;
  house: House;
  firmTable: FirmTable | undefined;
  /** Seasons closed where the firm works. */
  closed: readonly ClosedSeason[];
  system: UnitSystem;
  mayMeasure: boolean;
  mayJudge: boolean;
  today: string;
  goTo: (station: StationKey) => void;
}

export type StationKey =
  | 'history'
  | 'crown'
  | 'base'
  | 'mulch'
  | 'probe'
  | 'dig'
  | 'soil'
  | 'trenches'
  | 'verdict'
  | 'cuts'
  | 'prescription';

/** Stations in the order of the plumb line: `height` is what each looks at, m above grade, for its place on the line. */
export const STATIONS: readonly { key: StationKey; label: string; place: number }[] = [
  { key: 'history', label: 'History', place: 0.02 },
  { key: 'crown', label: 'Crown', place: 0.12 },
  { key: 'base', label: 'Base', place: 0.24 },
  { key: 'mulch', label: 'Mulch, grade', place: 0.34 },
  { key: 'probe', label: 'Probe', place: 0.435 },
  { key: 'dig', label: 'Dig', place: 0.515 },
  { key: 'soil', label: 'Soil', place: 0.59 },
  { key: 'trenches', label: 'Trenches', place: 0.668 },
  { key: 'verdict', label: 'Verdict', place: 0.746 },
  { key: 'cuts', label: 'Cut plan', place: 0.824 },
  { key: 'prescription', label: 'Prescription', place: 0.902 },
];
