import { needsLeft, needsOf } from '@undrel/core/costing';
import { isTakenDown, plannedOf, toDecide } from '@undrel/core/prescription';
import { writeLengths } from '@undrel/core/units';
import { isDone, type WorkTree } from '../../protocol/propertyWork';
import { assessedOf } from '../tree/assessed';
import type { ReportSource } from '../tree/source';
import { materialsOf, orderOf } from './order';
import { trenchWork, unpricedOf, worthOf } from '../costs/worth';

/** A tree with what its newest visit is made from. */
export interface TreeSource {
  id: string;
  visitId: string;
  source: ReportSource;
}

/**
 * The work of one tree; undefined where nothing is prescribed, and nothing is to be decided.
 */
export function workOfTree({ id, visitId, source }: TreeSource): WorkTree | undefined {
  const { tree, visit, system } = source;
  const { verdict, operations, situation } = assessedOf(source);
  const planned = plannedOf(operations, visit).filter((o) => o.key !== 'watch');
  const undecided = toDecide(situation, operations);
  if (planned.length === 0 && undecided.length === 0) return undefined;
  const order = orderOf(source, source.closed ?? [], id);
  const recorded = new Map((visit.work ?? []).map((w) => [w.step, w.how]));
  const said = (key: string) => ({ ...(recorded.has(key) && { done: recorded.get(key)! }) });
  const needs = needsOf(planned, visit, trenchWork(source));
  const finished = new Set([...recorded].flatMap(([step, how]) => (isDone(how) ? [step] : [])));
  const steps = order.steps.filter((s) => 'operation' in s);
  const open = steps.filter((s) => !finished.has(s.key));
  const left = needsLeft(needs, finished);
  const nothing = worthOf(source, undefined).options.find((o) => o.key === 'nothing');
  return {
    id,
    visitId,
    label: tree.label,
    species: tree.species,
    visitDate: visit.date,
    verdict: verdict.summary,
    ...(nothing?.chance && !isTakenDown(visit) && { ifNothing: nothing.chance }),
    steps: steps.map((s) => ({
      key: s.key,
      operation: s.operation,
      title: s.title,
      text: writeLengths(s.text, system),
      season: s.season,
      year: s.year,
      first: s.first.map((f) => f.key),
      ...said(s.key),
    })),
    holds: order.steps.flatMap((s) =>
      'hold' in s
        ? [
            {
              key: s.key,
              text: s.text,
              season: s.season,
              ...(s.after && { after: s.after }),
              ...said(s.key),
            },
          ]
        : [],
    ),
    now: (open[0] ?? steps.at(-1))?.season ?? 1,
    never: order.never,
    clashes: order.clashes.map((c) => writeLengths(c, system)),
    needs: left,
    done: needs.filter((n) => n.step !== undefined && finished.has(n.step)),
    unpriced: unpricedOf(
      planned.filter((o) => open.some((step) => step.operation === o.key)),
      needs,
    ),
    materials: materialsOf(left),
    toDecide: undecided.map(({ operation, title, mends }) => ({
      operation,
      title,
      mends: mends.map((m) => m.label),
    })),
  };
}
