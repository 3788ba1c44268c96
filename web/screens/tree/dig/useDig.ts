'use client';

import { inOrder } from '@undrel/core/labels';
import { type Dig, type DugRoot, NEW_DIG } from '@undrel/core/records';
import { useMemo } from 'react';
import { stemRate, type StemRate, type Scenario } from '@undrel/core/growth';
import { withAge } from '@undrel/core/history';
import {
  adviseRoots,
  isStressed,
  numberedCuts,
  proposalFor,
  scenariosOf,
  type NumberedCut,
  type PruningAdvice,
} from '@undrel/core/pruning';
import { readDig, type DigReading } from '@undrel/core/roots';
import { itemsBelow } from '../../../protocol/item';
import { useSame } from '../../../device/useSame';
import type { StationProps } from '../visitEntry';
import { useForecast, type ForecastState } from './useForecast';

export interface DigWork extends ForecastState {
  dig: Dig;
  reading: DigReading;
  stem: StemRate;
  advice: PruningAdvice;
  /** Cuts of this season, numbered round the stem. */
  cuts: NumberedCut[];
  scenarios: Scenario[];
}

/**
 * What follows from the dig of a visit; `shaped` is a root under the pointer, not yet saved; `alone` is
 * one whose cut alone is set beside the others.
 */
export function useDig(
  station: Pick<StationProps, 'tree' | 'visits' | 'visit' | 'visitId' | 'house'> & {
    control: Pick<StationProps['control'], 'items'>;
    /** Roots that are no longer there, by label. */
    gone?: ReadonlySet<string>;
  },
  shaped: { id: string; root: DugRoot } | undefined,
  alone?: string,
): DigWork {
  const { control, tree, visits, visit, visitId, house, gone } = station;
  const head = control.items.find((i) => i.kind === 'dig' && i.parent === visitId)?.values as Dig | undefined;
  const roots = itemsBelow(control.items, 'root', visitId).filter((r) => !gone?.has(r.values.label));
  const known = useSame(roots.map((r) => (shaped?.id === r.id ? shaped.root : r.values)));
  const dig = useMemo<Dig>(() => inOrder({ ...(head ?? NEW_DIG), roots: [...known] }), [head, known]);
  const reading = useMemo(() => readDig(tree, dig), [tree, dig]);
  const stem = useMemo(() => stemRate(tree, visits, house.species), [tree, visits, house]);
  const stressed = useMemo(() => isStressed(visit), [visit]);
  const design = visit.cuts;
  const pruning = useMemo(
    () => ({ tree: withAge(tree, visit), date: visit.date, reading, stem, stressed, firm: house, design }),
    [tree, visit, reading, stem, stressed, house, design],
  );
  const proposed = useMemo(() => proposalFor(pruning), [pruning]);
  const first = useMemo(() => adviseRoots(pruning, proposed), [pruning, proposed]);
  const scenarios = useMemo(() => scenariosOf(first, alone), [first, alone]);
  const settled = shaped ? undefined : dig;
  const forecasting = useForecast(tree, settled, stem, scenarios);
  const { forecast } = forecasting;
  const advice = useMemo(
    () => (forecast ? adviseRoots({ ...pruning, forecast }, proposed) : first),
    [pruning, proposed, first, forecast],
  );
  const cuts = useMemo(() => numberedCuts(advice), [advice]);
  return { dig, reading, stem, advice, cuts, scenarios, ...forecasting };
}
