import {
  byStage,
  type Estimate,
  type Need,
  type Rates,
  type StageEstimate,
  type TrenchWork,
} from '@undrel/core/costing';
import { plannedOf, undecidedOf, type Operation } from '@undrel/core/prescription';
import { chosenWay, sheetOf, type WorthOption } from '@undrel/core/worth';
import { assessedOf } from '../tree/assessed';
import type { ReportSource } from '../tree/source';
import { assessDigKept } from '../tree/dig';
import { trenchesKept } from '../tree/trenches';

/** What the options of a visit come to. */
export interface WorthSheet {
  options: WorthOption[];
  /** The operations that treat it, and what they cost stage by stage; undefined without rates. */
  treatment: Operation[];
  whole: Estimate | undefined;
  stages: StageEstimate[];
  /** Operations that have no amounts yet and so are not in the sums. */
  unpriced: string[];
  /** Operations that are worth weighing and not decided; they would change what is shown. */
  undecided: string[];
  /** Whether the treatment was prescribed, or is only what would be advised. */
  prescribed: boolean;
}

/** Operations that cost nothing by themselves. */
const FREE = ['fertiliser', 'watch'];

/** Options of their own, not part of a treatment. */
export const NEW_START: readonly string[] = ['reset', 'remove', 'replace'];

export const trenchWork = (source: ReportSource): TrenchWork | undefined =>
  chosenWay(source.visit, trenchesKept(source));

/** Operations that have no amounts yet, so that no sum holds them. */
export function unpricedOf(operations: readonly Operation[], needs: readonly Need[]): string[] {
  const priced = new Set(needs.map((n) => n.operation));
  return operations.filter((o) => !FREE.includes(o.key) && !priced.has(o.key)).map((o) => o.title);
}

/** What work costs and whether it is worth it, from the record alone. */
export function worthOf(source: ReportSource, rates: Rates | undefined): WorthSheet {
  const { visit } = source;
  const { operations, situation } = assessedOf(source);
  const { options, treatment, needs, whole } = sheetOf({
    visit,
    situation,
    operations,
    dig: assessDigKept(source),
    laidOut: trenchesKept(source),
    rates,
  });
  return {
    options,
    treatment,
    whole,
    stages: rates ? byStage(needs, rates) : [],
    unpriced: unpricedOf(treatment, needs),
    undecided: undecidedOf(operations, visit)
      .filter((o) => !treatment.includes(o) && !NEW_START.includes(o.key))
      .map((o) => o.title),
    prescribed: plannedOf(treatment, visit).length > 0,
  };
}
