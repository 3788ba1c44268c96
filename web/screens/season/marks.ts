import type { Marking } from '../../protocol/season';

/** What was said of a task on this page, or on this device; it may still wait to be sent. */
export type Mark = Marking & { waits?: true };
/** The same of all, by visit and task. */
export type Marks = ReadonlyMap<string, Mark>;
