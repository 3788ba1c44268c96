import type { Assessment } from '@undrel/core/assessment';
import type { Tree, TreeEvent, Visit, WeatherRecord, Site } from '@undrel/core/casefile';
import type { Explanation, FirmTable } from '@undrel/core/diagnosis';
import type { Schools } from '@undrel/core/practice';
import type { Profile } from '@undrel/core/profile';
import type { UnitSystem } from '@undrel/core/units';
import type { ReferenceGround, ReferenceShoots } from '../../protocol/reference';
import type { ItemOf, VisitHead } from '../../protocol/item';
import type { CaseControl } from './case/useCase';

/** What every station is given: the visit at hand, what was measured, and the way to change it. */
export interface StationProps {
  control: CaseControl;
  treeId: string;
  tree: Tree;
  treeItem: ItemOf<'tree'>;
  events: readonly TreeEvent[];
  /** All visits of the tree, newest first. */
  visits: readonly Visit[];
  reference: ReferenceShoots | undefined;
  referenceGround: ReferenceGround | undefined;
  weather: WeatherRecord | undefined;
  site: Site;
  visitId: string;
  visit: Visit;
  profile: Profile;
  /** Verdict and prescription; their code comes after the page, so they are missing at first. */
  judged: Assessment | undefined;
  /** Reasons and next checks, while the verdict is open. */
  explanation: Explanation | undefined;
  firmSchools: Schools;
  firmTable: FirmTable | undefined;
  system: UnitSystem;
  mayMeasure: boolean;
  mayJudge: boolean;
  today: string;
  goTo: (station: StationKey) => void;
}

/** The visit's own values, without what hangs below it. */
export function headOf(visit: Visit): VisitHead {
  const {
    findings: _f,
    profiles: _p,
    probes: _r,
    decisions: _d,
    dig: _g,
    trenches: _t,
    pushes: _u,
    soilLogs: _l,
    ...head
  } = visit;
  return head;
}

export type StationKey =
  'history' | 'crown' | 'base' | 'mulch' | 'probe' | 'dig' | 'soil' | 'trenches' | 'verdict' | 'prescription';

/** Stations in the order of the plumb line: `height` is what each looks at, m above grade, for its place on the line. */
export const STATIONS: readonly { key: StationKey; label: string; place: number }[] = [
  { key: 'history', label: 'History', place: 0.02 },
  { key: 'crown', label: 'Crown', place: 0.14 },
  { key: 'base', label: 'Base', place: 0.285 },
  { key: 'mulch', label: 'Mulch, grade', place: 0.4 },
  { key: 'probe', label: 'Probe', place: 0.515 },
  { key: 'dig', label: 'Dig', place: 0.595 },
  { key: 'soil', label: 'Soil', place: 0.67 },
  { key: 'trenches', label: 'Trenches', place: 0.748 },
  { key: 'verdict', label: 'Verdict', place: 0.825 },
  { key: 'prescription', label: 'Prescription', place: 0.9 },
];
