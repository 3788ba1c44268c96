import type { FirmTable } from '@undrel/core/diagnosis';
import type { House } from '@undrel/core/house';
import type { HouseSchools } from '@undrel/core/practice';

/** What is followed on a property: the schools of the firm and its own, and the firm's table of causes. */
export interface PropertyPractice {
  name: string;
  version: number;
  house: House & Required<HouseSchools>;
  judgements: FirmTable | null;
}
