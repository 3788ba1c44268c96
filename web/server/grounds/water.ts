import { LIMITS } from '@undrel/core/practice';
import { isTaken } from '@undrel/core/prescription';
import { rootsSince, waterPlan, type StationPlace, type WeatherDay } from '@undrel/core/water';
import type { TreeWater } from '../../protocol/water';
import { assessedOf } from '../assessed';
import type { TreeSource } from '../offers/treeWork';
import type { ReportSource } from '../reports/source';

/** Why a tree is watered: what was prescribed and is not declined, or that it was planted lately; undefined for others. */
function careOf(source: ReportSource, on: string): string | undefined {
  const { tree, events, visits, visit } = source;
  const since = rootsSince(tree, events, visits, on);
  if (since !== undefined && Number(on.slice(0, 4)) - since <= LIMITS.careYears.value)
    return `planted or reset in ${since}`;
  const { operations } = assessedOf(source);
  const water = operations.find((o) => o.key === 'water');
  return water && isTaken(water, visit.decisions) ? `watering prescribed ${visit.date}` : undefined;
}

/** The trees of a property that are under care on a day, those due first. */
export function waterOfTrees({
  sources,
  place,
  known,
  on,
}: {
  sources: readonly TreeSource[];
  place: StationPlace;
  known: readonly WeatherDay[];
  on: string;
}): { trees: TreeWater[]; unmeasured: string[]; others: number } {
  const trees: TreeWater[] = [];
  const unmeasured: string[] = [];
  let others = 0;
  for (const { id, source } of sources) {
    const { tree, events, visits, visit, schools } = source;
    const care = visit.date <= on ? careOf(source, on) : undefined;
    if (!care) {
      others++;
      continue;
    }
    const plan = waterPlan(tree, events, visits, visit, schools, place, known, on);
    if (!plan) {
      unmeasured.push(tree.label);
      continue;
    }
    const { zone, next, why, manners, manner } = plan;
    trees.push({
      id,
      label: tree.label,
      species: tree.species,
      care,
      next,
      why,
      radius: zone.radius,
      depth: zone.depth,
      notes: zone.notes,
      manners,
      manner,
    });
  }
  const due = ({ next }: TreeWater) => next.on ?? '9999';
  trees.sort((a, b) => due(a).localeCompare(due(b)));
  return { trees, unmeasured, others };
}
