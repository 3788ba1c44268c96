import type { Place } from '@undrel/core/crewDays';
import type { ToDecide } from '@undrel/core/prescription';
import type { Spell, Task, WhoDoes, WorkTask } from '@undrel/core/schedule';
import type { FollowUpMark } from '@undrel/core/records';
import type { OperationKey } from '@undrel/core/vocabulary';
import type { NextWatering } from '@undrel/core/water';
import type { LargeTree } from './heavy';

/** The tree that a task is for, and where it is marked. */
export interface TaskPlace {
  treeId: string;
  label: string;
  species: string;
  propertyId: string;
  property: string;
  visitId: string;
}

/** Something to do at a tree, as a calendar shows it. */
export type TaskRow = Task &
  TaskPlace & {
    /** Of what was said of it, as the server has it; 0 where nothing was. */
    version?: number;
  };

/** A step of an order that is still to be done. */
export type WorkRow = WorkTask & TaskPlace;

/** Remedies of a tree that the consultant has still to decide on. */
export type DecisionRow = TaskPlace & { who: WhoDoes; undecided: ToDecide[] };

/** What somebody says of a task. */
export type Marking =
  | { how: 'done'; on: string }
  | { how: 'moved'; on: string; why: string }
  | { how: 'dropped'; why: string }
  /** Takes back what was said. */
  | { how: 'open' };

/** What is kept of what somebody says of a task; null where it takes back what was said. @param today ISO */
export const markOf = (marking: Marking, task: string, by: string, today: string): FollowUpMark | null =>
  marking.how === 'open'
    ? null
    : {
        task,
        how: marking.how,
        on: marking.how === 'dropped' ? today : marking.on,
        by,
        ...('why' in marking && { why: marking.why.trim() }),
      };

/** The same the other way round. */
export const markingOf = (mark: FollowUpMark | null): Marking => {
  switch (mark?.how) {
    case 'done':
      return { how: 'done', on: mark.on };
    case 'moved':
      return { how: 'moved', on: mark.on, why: mark.why ?? '' };
    case 'dropped':
      return { how: 'dropped', why: mark.why ?? '' };
    default:
      return { how: 'open' };
  }
};

/** What came of saying something of a task. */
export interface Marked {
  problem?: string;
  /** Of what was said, as the server has it now. */
  version?: number;
}

/** A tree of some grounds that is not worked out in the season. */
export type LargeRow = LargeTree & { propertyId: string; property: string };

/** A tree under care, with when it is to be watered. */
export interface WaterRow {
  treeId: string;
  label: string;
  propertyId: string;
  property: string;
  next: NextWatering;
  why: string;
}

/** What is prescribed and what needs water, of one of the grounds; or why no more comes. */
export type SeasonLine =
  | {
      done: number;
      of: number;
      works: WorkRow[];
      rests: TaskRow[];
      decisions: DecisionRow[];
      water: WaterRow[];
      spells: { propertyId: string; spells: Spell[] }[];
      large: LargeRow[];
    }
  | { problem: string };

/** A calendar that another program reads. */
export interface FeedHead {
  id: string;
  name: string;
  who: WhoDoes | null;
  property: string | null;
  made: string;
  /** Day on which it was read last. */
  read: string | null;
}

/** Where the crews of a firm start from, and where its grounds lie, as far as it was noted. */
export interface Places {
  yard?: Place;
  grounds: (Place & { id: string })[];
}

/** The day on which a work of a visit is to be done. */
export interface PlannedDay {
  visitId: string;
  operation: OperationKey;
  /** Stage of the cut plan; 1 for what is done in one go. */
  part: number;
  on: string;
}
