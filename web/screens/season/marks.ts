import type { Marking } from '../../protocol/season';

/** What was said of tasks on this page, by visit and task. */
export type Marks = ReadonlyMap<string, Marking>;
