import type { WorkStep } from '@undrel/core/prescription';
import type { Quantity } from '@undrel/core/units';

/** A step of a crew order with all that is on the sheet for it. */
export type OrderStep = WorkStep & {
  quantities: Quantity[];
  method: string[];
  cautions: string[];
  acceptance: string[];
  /** When in the year it is done. */
  when: string;
  on?: string;
  /** Why the planned day will not do. */
  dateProblems: string[];
  /** The sheet with the numbers for it, where there is one of its own. */
  sheet?: string;
};

/** What has to be on the truck. */
export interface OrderMaterial {
  label: string;
  amount: number;
  unit: string;
}

export interface Order {
  steps: OrderStep[];
  never: string[];
  materials: OrderMaterial[];
  clashes: string[];
}
