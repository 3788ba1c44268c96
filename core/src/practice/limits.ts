import { EXCAVATION_LIMITS } from './limitsOfExcavation';
import { READING_LIMITS } from './limitsOfReadings';
import { ROOT_LIMITS } from './limitsOfRoots';
import { WATER_LIMITS } from './limitsOfWater';
import { WORK_LIMITS } from './limitsOfWork';

export type { Limit, LimitUnit } from './limit';

/** Every judgement number by name, each declared in one of the five; what a page draws first asks the one it needs. */
export const LIMITS = {
  ...EXCAVATION_LIMITS,
  ...READING_LIMITS,
  ...ROOT_LIMITS,
  ...WATER_LIMITS,
  ...WORK_LIMITS,
};

export type LimitKey = keyof typeof LIMITS;
