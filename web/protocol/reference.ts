import type { SoilLog } from '@undrel/core/records';
import type { Series } from '@undrel/core/history';

/** A healthy tree of the same genus on the same grounds, and its shoots read back by year. */
export interface ReferenceShoots {
  label: string;
  series: Series[];
}

/** Holes of the soil probe beside a reference tree of the same grounds. */
export interface ReferenceGround {
  label: string;
  logs: SoilLog[];
}
