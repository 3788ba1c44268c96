import { estimate, needsOf, type Estimate, type Need, type Rates } from '../costing';
import type { Operation, Situation } from '../prescription';
import type { DigAssessment } from '../pruning';
import type { Visit } from '../records';
import type { Trenches } from '../trenching';
import { optionsOf, squeezedIn, treatmentOf, type WorthOption } from './options';

/** What a visit comes to in work and money. */
export interface Sheet {
  options: WorthOption[];
  /** The operations that treat it, and what they take. */
  treatment: Operation[];
  needs: Need[];
  /** Undefined without rates. */
  whole: Estimate | undefined;
}

/** Of the ways of opening the soil the one that was chosen: radial trenches where nothing else was. */
export const chosenWay = (
  { trenches }: Pick<Visit, 'trenches'>,
  laidOut: Trenches | undefined,
): Trenches['alternatives'][number] | undefined =>
  laidOut?.alternatives.find((a) => a.remedy === (trenches?.choice?.remedy ?? 'spokes'));

/** The options of a visit and what its treatment takes and costs, from what was assessed of it. */
export function sheetOf({
  visit,
  situation,
  operations,
  dig,
  laidOut,
  rates,
}: {
  visit: Visit;
  situation: Situation;
  operations: readonly Operation[];
  dig: Pick<DigAssessment, 'forecast' | 'reading'> | undefined;
  laidOut: Trenches | undefined;
  rates: Rates | undefined;
}): Sheet {
  const trenches = chosenWay(visit, laidOut);
  const treatment = treatmentOf(situation, operations);
  const needs = needsOf(treatment, visit, trenches);
  return {
    options: optionsOf({
      situation,
      operations,
      rates,
      trenches,
      ...(dig && { squeezed: squeezedIn(dig.forecast, dig.reading.share) }),
    }),
    treatment,
    needs,
    whole: rates && estimate(needs, rates),
  };
}
