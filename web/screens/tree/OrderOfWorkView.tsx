'use client';

import { useMemo } from 'react';
import { plannedOf } from '@undrel/core/prescription';
import type { Visit } from '@undrel/core/records';
import { chosenWay } from '@undrel/core/worth';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { orderInWords, orderOfWork, orderRows } from '../../drawings/orderOfWork';
import { useMeasured } from '../../ui/useMeasured';
import { useLaidOut } from './trenches/useTrenches';
import type { StationProps } from './visitEntry';

type Props = StationProps & { judged: NonNullable<StationProps['judged']> };

/** What is prescribed as a picture: what is done when, in the order of work. */
export const OrderOfWorkView = (props: Props) =>
  props.visit.trenches && plannedOf(props.judged.operations, props.visit).some((o) => o.key === 'trench') ? (
    <OverYears {...props} design={props.visit.trenches} />
  ) : (
    <Drawn {...props} />
  );

/** With the seasons over which the trenches are laid out. */
function OverYears(props: Props & { design: NonNullable<Visit['trenches']> }) {
  const { trenches, problem } = useLaidOut(props, props.design);
  return (
    <Drawn
      {...props}
      trenchSeasons={chosenWay(props.visit, trenches)?.bySeason?.length}
      left={
        trenches
          ? undefined
          : problem
            ? `Later seasons of trenches are missing: ${problem}`
            : 'Laying out the trenches; their later seasons follow.'
      }
    />
  );
}

function Drawn(
  props: Props & {
    trenchSeasons?: number | undefined;
    /** What the picture does not show yet, in words. */
    left?: string | undefined;
  },
) {
  const { judged, visit, tree, closed, today, trenchSeasons } = props;
  const [pane, size] = useMeasured<HTMLDivElement>({ width: 632, height: 752 });
  const rows = useMemo(
    () => orderRows(judged.operations, visit, tree.species, closed, today, trenchSeasons),
    [judged.operations, visit, tree.species, closed, today, trenchSeasons],
  );
  const drawing = useMemo(() => orderOfWork(rows, today, size), [rows, today, size]);
  return (
    <div ref={pane} className="relative h-full w-full overflow-hidden bg-paper" data-testid="order-of-work">
      <DrawingSvg drawing={drawing} title={`Order of work. ${orderInWords(rows)}`} />
      {props.left && (
        <p role="status" className="absolute bottom-2 inset-x-4 bg-paper text-muted">
          {props.left}
        </p>
      )}
    </div>
  );
}
