import type { OperationKey } from '@undrel/core/vocabulary';
import { needsOf, RESOURCES, type Need, type ResourceKey } from '@undrel/core/costing';
import { clashesOf, dateProblems, plannedOf, workOrder, type ClosedSeason } from '@undrel/core/prescription';
import { neverCut } from '@undrel/core/pruning';
import type { Order, OrderMaterial } from '../../protocol/order';
import { assessedOf } from '../tree/assessed';
import type { ReportSource } from '../tree/source';
import { assessDigKept } from '../tree/dig';
import { refusedSpokes } from '../tree/trenches';
import { heldBy } from '../tree/held';
import { trenchWork } from '../costs/worth';

/** Operations with a sheet of their own. */
const SHEETS: Partial<Record<OperationKey, string>> = { prune: 'crew', trench: 'crew/trenches' };
/** What is carried, not worked. */
const CARRIED: readonly ResourceKey[] = [
  'mulch',
  'compost',
  'drain',
  'stakes',
  'guard',
  'youngTree',
  'airTool',
];

/** What the needs of the first stage put on the truck. */
export const materialsOf = (needs: readonly Need[]): OrderMaterial[] =>
  CARRIED.flatMap((key) => {
    const amount = needs
      .filter((n) => n.resource === key && n.stage === 1)
      .reduce((sum, n) => sum + n.amount, 0);
    return amount > 0 ? [{ label: RESOURCES[key].label, amount, unit: RESOURCES[key].unit }] : [];
  });

/** The crew order of a visit: what was prescribed, step by step, with its hold points, amounts and never-cut list. */
export function orderOf(source: ReportSource, closed: readonly ClosedSeason[], treeId: string): Order {
  const { tree, visit } = source;
  const { operations, situation: s } = assessedOf(source);
  const planned = plannedOf(operations, visit);
  const trenches = trenchWork(source);
  const advice = assessDigKept(source)?.advice;
  const held = heldBy(source);
  return {
    steps: workOrder(planned, visit, trenches?.bySeason?.length).map((step) => {
      const bare = { quantities: [], method: [], cautions: [], acceptance: [], when: '', dateProblems: [] };
      if ('hold' in step) return { ...step, ...bare };
      const operation = planned.find((o) => o.key === step.operation)!;
      const on = step.part === 1 ? visit.decisions.find((d) => d.operation === operation.key)?.on : step.on;
      const sheet = SHEETS[operation.key];
      const dug = trenches?.bySeason?.[step.part - 1] ?? (step.part === 1 && trenches?.quantities);
      const own = operation.key === 'trench' ? dug || [] : step.part === 1 ? operation.quantities : [];
      return {
        ...step,
        text:
          (step.part === 1 && visit.decisions.find((d) => d.operation === operation.key)?.wording) ||
          step.text,
        quantities: [...own],
        method: operation.method,
        cautions: operation.cautions,
        acceptance: operation.acceptance,
        when: operation.season,
        ...(on && { on }),
        dateProblems: [
          ...(held && step.part > 1 ? [held] : []),
          ...(on ? dateProblems(operation, tree.species, on, closed) : []),
        ],
        ...(sheet &&
          (step.operation !== 'trench' || trenches) && {
            sheet: `/trees/${treeId}/${sheet}${step.part > 1 ? `?${sheet === SHEETS.prune ? 'stage' : 'season'}=${step.part}` : ''}`,
          }),
      };
    }),
    never: advice ? neverCut(advice) : [],
    materials: materialsOf(needsOf(planned, visit, trenches)),
    clashes: [...clashesOf(planned, s, closed), ...(trenches ? refusedSpokes(source) : [])],
  };
}
