import type { Rates } from '@undrel/core/costing';
import type { FirmTable } from '@undrel/core/diagnosis';
import type { Beside } from '@undrel/core/history';
import type { House } from '@undrel/core/house';
import type { ClosedSeason } from '@undrel/core/prescription';
import type { Site, SoilLog, Tree, TreeEvent, Visit } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import type { Wording } from '../../protocol/report';

/** All that a report, an order or the options of a visit are worked out from. */
export interface ReportSource {
  tree: Tree;
  events: readonly TreeEvent[];
  visit: Visit;
  /** All visits of the tree: growth is read from one dig to another. */
  visits: readonly Visit[];
  property: string;
  client: string;
  firm: string;
  schools: House;
  /** The firm's own words in the table of causes. */
  table?: FirmTable;
  /** A healthy tree of its kind near by, and the rain of the grounds. */
  beside?: Beside;
  /** Holes of the soil probe beside a reference tree. */
  referenceLogs?: readonly SoilLog[];
  /** What stands and lies about the tree. */
  site?: Site;
  wording: Wording;
  /** What the firm charges. */
  rates?: Rates;
  /** Seasons closed where the firm works. */
  closed?: readonly ClosedSeason[];
  system: UnitSystem;
}
