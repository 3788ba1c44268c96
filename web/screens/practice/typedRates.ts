import type { Rates, ResourceKey } from '@undrel/core/costing';
import type { ClosedSeason } from '@undrel/core/prescription';

/** Rates as they were typed. */
export interface TypedRates {
  currency: string;
  prices: Partial<Record<ResourceKey, string>>;
  measure?: Rates['measure'];
  taxName: string;
  taxPercent: string;
  closed: ClosedSeason[];
}

export type RatesSaved = { version: number } | { problem: string; field?: string };

/** What a field of the rates has besides its value: where it is, and whether it is the one that was refused. */
export interface RateField {
  id: string;
  disabled: boolean;
  'aria-invalid': true | undefined;
  'aria-describedby': string | undefined;
}
