import type { WorkDone } from '@undrel/core/records';
import type { OperationKey } from '@undrel/core/vocabulary';
import type { Need } from '@undrel/core/costing';
import type { LargeTree } from './heavy';
import type { OrderMaterial } from './order';

/** A tree of a property with the work that is prescribed for it, or that is still to be decided. */
export interface WorkTree {
  id: string;
  visitId: string;
  label: string;
  species: string;
  visitDate: string;
  verdict: string;
  /** The chance that it is still worth keeping in ten years where nothing is done, of one. */
  ifNothing?: { from: number; to: number };
  /** Operations in the order of work, each with its text, the points to sign before it, and what came of it. */
  steps: {
    key: string;
    operation: OperationKey;
    title: string;
    text: string;
    season: number;
    year: number;
    first: string[];
    done?: WorkDone['how'];
  }[];
  /** Points to sign, and those that are signed. */
  holds: {
    key: string;
    text: string;
    season: number;
    /** Step that has to be done before it can be signed. */
    after?: string;
    done?: WorkDone['how'];
  }[];
  /** The first season in which something is left to do; the last one where nothing is. */
  now: number;
  never: string[];
  clashes: string[];
  /** What is left to do takes this, and what was done took that. */
  needs: Need[];
  done: Need[];
  unpriced: string[];
  materials: OrderMaterial[];
  /** What would mend what is likely, where nothing prescribed does, and nobody decided on it yet. */
  toDecide: { operation: OperationKey; title: string; mends: string[] }[];
}

/** Whether what was recorded of a step leaves nothing of it to do. */
export const isDone = (how: WorkDone['how'] | undefined): boolean => how === 'done' || how === 'changed';

/** Whether work is prescribed for a tree, be it done or not. */
export const isWorked = ({ steps }: WorkTree): boolean => steps.length > 0;

/** Whether some of the work on a tree is left. */
export const isOpen = ({ steps }: WorkTree): boolean => steps.some((s) => !isDone(s.done));

/** What the work on a property comes to. */
export interface PropertyWork {
  id: string;
  name: string;
  client: string;
  trees: WorkTree[];
  /** Trees that were visited and need neither work nor a decision, and those never visited. */
  idle: number;
  unvisited: number;
  /** Visited trees that are not worked out here. */
  large: LargeTree[];
  currency: string | undefined;
}

/** Lines of the answer while a property report is made: how far it is, then the file. */
export type ReportProgress =
  | { done: number; of: number; doing: string }
  | { file: string; pages?: number }
  | { problem: string };

/** Lines of the answer while a property report is issued. */
export type IssueProgress =
  | { done: number; of: number; doing: string }
  | { issued: { id: string; number: string } }
  | { problem: string };

/** An issued report of a property. */
export interface IssuedPropertyHead {
  id: string;
  property_id: string;
  property: string;
  number: string;
  sha256: string;
  /** ISO day. */
  issued_at: string;
}
