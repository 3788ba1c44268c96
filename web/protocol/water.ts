import type { LargeTree } from './heavy';
import type { Watering } from '@undrel/core/records';
import type { MannerSeason, Manner, NextWatering, OwnFactor, TooMuch } from '@undrel/core/water';

/** The water of a tree under care on a day. */
export interface TreeWater {
  id: string;
  /** The visit that rounds are logged at. */
  visitId: string;
  label: string;
  species: string;
  own: OwnFactor;
  /** Rounds of this year, oldest first. */
  log: Watering[];
  /** Why it is under care. */
  care: string;
  next: NextWatering;
  /** Why that day, in one sentence. */
  why: string;
  radius: number;
  depth: number;
  notes: string[];
  /** Where it stands on the plan of the property, m. */
  at?: { x: number; y: number };
  /** More was given this year than its roots can hold. */
  tooMuch?: TooMuch;
  manners: MannerSeason[];
  manner: Manner;
}

/** The water of a property on a day. */
export interface PropertyWater {
  id: string;
  name: string;
  on: string;
  /** Who measured the weather, and at which latitude. */
  source: string;
  latitude: number;
  /** The latitude was noted on the property, not taken from the service. */
  noted: boolean;
  trees: TreeWater[];
  /** Would be watered, and stand in water: it has to drain first. */
  wet: string[];
  /** Under care, with nothing measured that tells how far their roots go. */
  unmeasured: string[];
  /** Visited trees that are not under care. */
  others: number;
  /** Visited trees that are not worked out here. */
  large: LargeTree[];
}
