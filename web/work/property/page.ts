import { proposeCohorts } from '@undrel/core/cohort';
import type { PropertyPage } from '../../protocol/grounds';
import { idIn, parentIn, valuesIn } from '../tree/items';
import type { PropertyPractice } from './practice';
import { cohortPage, seenTree, type Seen } from './seen';
import type { StoredList, StoredVisit } from './stored';

/** A property as it is stored. */
export interface PropertyRows {
  head: Omit<PropertyPage, 'trees' | 'cohorts' | 'proposals'>;
  /** The trees as one text, see {@link StoredList}, and their newest visits, see {@link StoredVisit}: read where they are worked with. */
  trees: string;
  visits: string;
  practice: PropertyPractice;
  /** Today. */
  on: string;
}

/** A property with its plan and trees, each with what its newest visits come to, and what the cohorts tell. */
export function propertyPageOf({ head, practice, on, ...texts }: PropertyRows): PropertyPage {
  const trees = JSON.parse(texts.trees) as StoredList[];
  const visits = JSON.parse(texts.visits) as StoredVisit[];
  const byTree = new Map<string, StoredVisit[]>();
  for (const visit of visits) {
    const tree = parentIn(visit.visit);
    const own = byTree.get(tree);
    if (own) own.push(visit);
    else byTree.set(tree, [visit]);
  }
  const seen = trees.map((stored) => seenTree(stored, byTree.get(idIn(stored)) ?? [], practice, on));
  const cohorts = new Map<string, Seen[]>();
  for (const s of seen)
    if (s.row.cohort) cohorts.set(s.row.cohort, [...(cohorts.get(s.row.cohort) ?? []), s]);
  return {
    ...head,
    trees: seen.map((s) => s.row),
    cohorts: [...cohorts].map(([name, members]) => cohortPage(name, members, practice, on)),
    proposals: proposeCohorts(trees.map((t) => ({ ...valuesIn('tree', t), id: idIn(t) }))),
  };
}

/** The same as one text: half the time to hand on. */
export const propertyTextOf = (rows: PropertyRows): string => JSON.stringify(propertyPageOf(rows));
