import { proposeCohorts } from '@undrel/core/cohort';
import type { PropertyPage } from '../../protocol/grounds';
import { fromColumns } from '../tree/items';
import type { PropertyPractice } from './practice';
import { cohortPage, seenTree, type Seen, type Stored, type StoredVisit } from './seen';

/** A property as it is stored. */
export interface PropertyRows {
  head: Omit<PropertyPage, 'trees' | 'cohorts' | 'proposals'>;
  trees: Stored[];
  visits: StoredVisit[];
  practice: PropertyPractice;
  /** Today. */
  on: string;
}

/** A property with its plan and trees, each with what its newest visits come to, and what the cohorts tell. */
export function propertyPageOf({ head, trees, visits, practice, on }: PropertyRows): PropertyPage {
  const byTree = new Map<unknown, StoredVisit[]>();
  for (const v of visits) {
    const own = byTree.get(v.visit.tree_id);
    if (own) own.push(v);
    else byTree.set(v.visit.tree_id, [v]);
  }
  const seen = trees.map((stored) => seenTree(stored, byTree.get(stored.id) ?? [], practice, on));
  const cohorts = new Map<string, Seen[]>();
  for (const s of seen)
    if (s.row.cohort) cohorts.set(s.row.cohort, [...(cohorts.get(s.row.cohort) ?? []), s]);
  return {
    ...head,
    trees: seen.map((s) => s.row),
    cohorts: [...cohorts].map(([name, members]) => cohortPage(name, members, practice, on)),
    proposals: proposeCohorts(trees.map((t) => ({ ...fromColumns('tree', t), id: t.id as string }))),
  };
}
