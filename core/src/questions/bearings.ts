import { wrapBearing } from '../geometry';
import { SECTORS, sectorBearing } from './question';

/** N, NE, … or degrees. */
export const bearingName = (bearing: number): string => {
  const i = SECTORS.findIndex((_, k) => sectorBearing(k) === bearing);
  return i >= 0 ? SECTORS[i]! : `${bearing}°`;
};

/** `N`, `ne` or degrees as a bearing; undefined when it is neither. */
export function readBearing(text: string): number | undefined {
  const clean = text.trim().toUpperCase().replace('°', '');
  const named = SECTORS.findIndex((s) => s === clean);
  if (named >= 0) return sectorBearing(named);
  const degrees = clean === '' ? NaN : Number(clean.replace(',', '.'));
  return Number.isFinite(degrees) && degrees >= 0 && degrees <= 360 ? wrapBearing(degrees) : undefined;
}
