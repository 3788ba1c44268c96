import type { Series } from '@undrel/core/history';

/** A healthy tree of the same genus on the same grounds, and its shoots read back by year. */
export interface ReferenceShoots {
  label: string;
  series: Series[];
}
