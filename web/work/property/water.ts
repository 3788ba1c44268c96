import { LIMITS, schoolFor } from '@undrel/core/practice';
import { isPlanned, isTakenDown, REMEDIES, rulesHolding, schoolValue } from '@undrel/core/prescription';
import { rootsSince, waterPlan, type StationPlace, type WeatherDay } from '@undrel/core/water';
import type { PropertyWater, TreeWater } from '../../protocol/water';
import { assessedOf } from '../tree/assessed';
import type { TreeSource } from '../offers/treeWork';
import type { ReportSource } from '../tree/source';

/** Why a tree is watered; `wet` where water must drain first; undefined where nobody waters it, or no longer. */
function careOf(source: ReportSource, on: string): string | 'wet' | undefined {
  const { tree, events, visits, visit, schools } = source;
  // What was planted in its place is a tree of its own.
  if (isTakenDown(visit)) return undefined;
  const year = Number(on.slice(0, 4));
  const since = rootsSince(tree, events, visits, on);
  const young = since !== undefined && year - since <= LIMITS.careYears.value;
  const { operations, situation } = assessedOf(source);
  const water = operations.find((o) => o.key === 'water')!;
  const seasons = schoolValue(schoolFor('wateringYears', schools, tree.schools), 'seasons');
  const asked = isPlanned(water, visit) && year - Number(visit.date.slice(0, 4)) < seasons;
  if (!young && !asked) return undefined;
  if (rulesHolding(REMEDIES.water.bars ?? [], situation, operations).length > 0) return 'wet';
  return young ? `planted or reset in ${since}` : `watering prescribed ${visit.date}`;
}

/** Of some trees those that are under care on a day. */
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
}): Pick<PropertyWater, 'trees' | 'wet' | 'unmeasured' | 'others'> {
  const trees: TreeWater[] = [];
  const wet: string[] = [];
  const unmeasured: string[] = [];
  let others = 0;
  for (const { id, visitId, source } of sources) {
    const { tree, events, visits, visit, schools } = source;
    const care = visit.date <= on ? careOf(source, on) : undefined;
    if (!care) {
      others++;
      continue;
    }
    if (care === 'wet') {
      wet.push(tree.label);
      continue;
    }
    const plan = waterPlan(tree, events, visits, visit, schools, place, known, on);
    if (!plan) {
      unmeasured.push(tree.label);
      continue;
    }
    const { zone, next, why, manners, manner, own, log, tooMuch } = plan;
    trees.push({
      id,
      visitId,
      label: tree.label,
      own,
      log,
      species: tree.species,
      care,
      next,
      why,
      radius: zone.radius,
      depth: zone.depth,
      notes: zone.notes,
      manners,
      manner,
      ...(tree.position && { at: tree.position }),
      ...(tooMuch && { tooMuch }),
    });
  }
  return { trees, wet, unmeasured, others };
}
