import type { FirmTable } from '@undrel/core/diagnosis';
import type { House } from '@undrel/core/house';
import type { ClosedSeason } from '@undrel/core/prescription';
import type { Site } from '@undrel/core/records';
import type { ReadPlaces } from './grounds';
import type { Item } from './item';
import type { ReferenceGround, ReferenceShoots } from './reference';

/** What a tree is judged by and does not hold itself: what its firm and property set, and what stands about it. */
export interface About {
  property: { id: string; name: string };
  house: House;
  firmTable: FirmTable | undefined;
  closed: readonly ClosedSeason[];
  /** What stands and lies about the tree. */
  site: Site;
  /** By what positions are told on the plan of the property; missing on pages kept by an earlier version. */
  places?: ReadPlaces;
  /** Shoots of a healthy tree of its kind near by. */
  reference: ReferenceShoots | undefined;
  /** The soil beside a healthy tree near by. */
  referenceGround: ReferenceGround | undefined;
}

/** A tree as the server has it, for a page that was kept on a device and shows what was before. */
export interface CaseNow {
  items: Item[];
  about: About;
  /** The server's day, ISO. */
  today: string;
}
