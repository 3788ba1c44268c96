import { LIMITS } from '@undrel/core/practice';
import { dayAfter } from '@undrel/core/vocabulary';

/** A tree at which a sign was seen that it may fall; since then it was neither assessed nor taken down. */
export interface SignSeen {
  treeId: string;
  label: string;
  property: string;
  /** Day on which it was seen first, ISO. */
  since: string;
}

/** What is done first where a tree may fall. */
export const KEEP_AWAY =
  'Keep people away, and have stability assessed by a qualified person before any other work.';

/** The day by which a tree is assessed of which it was seen on a day that it may fall. Days are ISO. */
export const assessBy = (seen: string): string => dayAfter(seen, LIMITS.dangerSeenDays.value);
