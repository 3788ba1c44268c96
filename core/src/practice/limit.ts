/** What the value of a limit is in. A ratio has the same unit above and below; a share is of a whole, 0 to 1. */
export type LimitUnit =
  | 'm'
  | 'm²'
  | 'm³'
  | 'share'
  | 'ratio'
  | 'count'
  | 'degrees'
  | 'days'
  | 'years'
  | 'h'
  | '1/h'
  | 'h/m'
  | 'h/m²'
  | 'm/h'
  | 'km/h'
  | 'm³/h'
  | 'm³/s'
  | 'kg'
  | 'kg/m³'
  | 'L/m³'
  | 'L/in'
  | 'cm/h';

/**
 * Judgement numbers: where a reading begins to mean something. Each with the reason and where it comes from; the
 * rules refer to them by name and never carry a number of their own.
 */
export interface Limit {
  value: number;
  unit: LimitUnit;
  reason: string;
  source: string;
}

export const PRACTICE = 'common practice, no source';
