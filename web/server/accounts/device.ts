import { cookies } from 'next/headers';
import type { UnitSystem } from '@undrel/core/units';

/** Units chosen on this device. */
export const unitsOfDevice = async (): Promise<UnitSystem> =>
  (await cookies()).get('undrel_units')?.value === 'us' ? 'us' : 'metric';
