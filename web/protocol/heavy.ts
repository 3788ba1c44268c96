import type { DugRoot } from '@undrel/core/records';
import type { Item } from './item';

/**
 * Readings of roots up to which a dig is worked out wherever it is shown. Beyond it, lists pass it over and its own pages
 * are worked out on the device that opens them: sixty roots of a dozen readings each are a large dig.
 */
export const USUAL_READINGS = 1_000;

/** A tree that a list names without working it out, since its dig is large. */
export interface LargeTree {
  id: string;
  label: string;
  /** Day since which a sign stands that it may fall, neither assessed nor taken down, ISO. */
  mayFall?: string;
}

export const isLargeDig = (roots: readonly DugRoot[]): boolean =>
  roots.reduce((sum, root) => sum + root.points.length, 0) > USUAL_READINGS;

/** Whether a case holds a dig of such a size. */
export function holdsLargeDig(items: readonly Item[]): boolean {
  const byVisit = new Map<string, DugRoot[]>();
  for (const item of items) {
    if (item.kind !== 'root' || item.values === null) continue;
    const own = byVisit.get(item.parent);
    if (own) own.push(item.values);
    else byVisit.set(item.parent, [item.values]);
  }
  return [...byVisit.values()].some(isLargeDig);
}
