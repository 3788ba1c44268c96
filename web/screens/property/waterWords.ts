import { formatValue, type UnitSystem } from '@undrel/core/units';

export const litres = (value: number, system: UnitSystem) => formatValue(value, 'litres', system);

/** What was logged, in words. */
export const roundWords = (entry: { litres?: number; probe?: 'moist' | 'dry' }, system: UnitSystem): string =>
  [
    ...(entry.probe ? [`found ${entry.probe}`] : []),
    ...(entry.litres !== undefined ? [`watered ${litres(entry.litres, system)}`] : []),
  ].join(', ');
