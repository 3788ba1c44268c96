import { type WhoDoes } from '../practice/followUps';
import type { Visit, WorkDone } from '../records';

/**
 * How a task stands on a day. `ahead`: its time has not come. `due`: it has. `late`: it is over. `missed`: it is over, and
 * the same comes again. `void`: the tree was taken down, or the work was done anew and is followed by its own.
 */
export type TaskState = 'ahead' | 'due' | 'late' | 'done' | 'dropped' | 'missed' | 'void';

/** Something that has to be done at a tree, with the days it is for. */
export interface Task {
  /** Its name below its visit, as it is marked. */
  key: string;
  kind: 'follow-up' | 'look' | 'work';
  what: string;
  /** What is at stake where it is late; empty where nothing is told of it. */
  stake: string;
  who: WhoDoes;
  /** First and last day of its time, ISO, both included. */
  from: string;
  to: string;
  state: TaskState;
  /** What it follows from, with the day. */
  because: string;
  /** The visit that it is marked at: its place in the list that was given. */
  visit: number;
  /** Where somebody moved or dropped it, or how it was closed. */
  told?: string;
  /** The day on which it was done or dropped. */
  closed?: string;
}

/** Tasks that are still to be done. */
export const isOpen = ({ state }: Pick<Task, 'state'>): boolean =>
  state === 'ahead' || state === 'due' || state === 'late';

/** Of a visit what a calendar is told from: what was done, marked, asked for and looked at. A visit is one. */
export interface Looked extends Pick<
  Visit,
  'date' | 'walk' | 'lookAgain' | 'drainCheck' | 'findings' | 'followUps'
> {
  work?: readonly Pick<WorkDone, 'step' | 'how' | 'on'>[];
  /** What was measured: only whether there is any counts. */
  profiles: readonly unknown[];
  probes: readonly unknown[];
  pushes?: readonly unknown[];
  dig?: unknown;
}
