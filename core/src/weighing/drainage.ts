import { answerTo } from '../questions/question';
import type { Visit } from '../records';
import { limit } from './operation';

/** Fall of the ground where it is steepest, as a share: as laid out for the trenches, else as noted; undefined where nobody measured it. */
export const groundFall = ({
  trenches,
  findings,
}: Pick<Visit, 'trenches' | 'findings'>): number | undefined =>
  trenches?.slope?.fall ?? answerTo(findings, 'soil.fall')?.number;

/** How water leaves a place below grade: by a pipe that comes to the surface, or not at all. */
export type Outlet = { way: 'daylight'; length: number } | { way: 'none' } | { way: 'unknown' };

/**
 * A pipe that falls comes to the surface only where the ground falls faster: length = depth / (ground fall - pipe fall).
 *
 * @param depth of the floor below grade, m
 * @param fall of the ground, as a share
 * @returns `none` where the ground falls no faster than the pipe, or the pipe would run on for too long
 * @example outletOf(0.26, 0.04) // 13 m at a pipe fall of 2 %
 */
export function outletOf(depth: number, fall: number | undefined): Outlet {
  if (fall === undefined) return { way: 'unknown' };
  const faster = fall - limit('drainFall');
  const length = depth / faster;
  return faster <= 1e-9 || length > limit('drainLongest') ? { way: 'none' } : { way: 'daylight', length };
}
