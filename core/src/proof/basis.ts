import type { Rates } from '../costing';
import type { FirmTable } from '../diagnosis';
import type { CaseFile } from '../format';
import type { House } from '../house';
import type { Visit } from '../records';

export const BASIS_FORMAT = 'undrel-basis';
export const BASIS_VERSION = 1;

/** What a report was worked out from, beside the case: all in SI units. */
export interface Basis {
  format: typeof BASIS_FORMAT;
  version: typeof BASIS_VERSION;
  /** The visit that was judged, as it was judged. */
  visit: Visit;
  /** Schools, species and weather of the firm and the property. */
  house: House;
  /** The firm's own words in the table of causes. */
  table?: FirmTable | undefined;
  rates?: Rates | undefined;
}

/** A case and what else it was worked out from. */
export interface Given {
  caseFile: Pick<CaseFile, 'tree' | 'events' | 'visits' | 'site'>;
  basis: Basis;
}
