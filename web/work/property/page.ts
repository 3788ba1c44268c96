import { proposeCohorts } from '@undrel/core/cohort';
import type { PropertyPage } from '../../protocol/grounds';
import { fromColumns } from '../tree/items';
import type { PropertyPractice } from './practice';
import { cohortPage, seenTree, type Seen } from './seen';
import type { Stored, StoredVisit, VisitRow } from './stored';

/** A property as it is stored. */
export interface PropertyRows {
  head: Omit<PropertyPage, 'trees' | 'cohorts' | 'proposals'>;
  trees: Stored[];
  visits: VisitRow[];
  practice: PropertyPractice;
  /** Today. */
  on: string;
}

/** A property with its plan and trees, each with what its newest visits come to, and what the cohorts tell. */
export function propertyPageOf({ head, trees, visits, practice, on }: PropertyRows): PropertyPage {
  const byTree = new Map<unknown, StoredVisit[]>();
  for (const { tree_id, stored } of visits) {
    const visit = JSON.parse(stored) as StoredVisit;
    const own = byTree.get(tree_id);
    if (own) own.push(visit);
    else byTree.set(tree_id, [visit]);
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
