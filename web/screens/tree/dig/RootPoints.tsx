'use client';

import type { KeyboardEvent } from 'react';
import type { DugRoot } from '@undrel/core/records';
import { movePoint } from '@undrel/core/roots';
import { shortUnit, type UnitSystem, type LengthUnit } from '@undrel/core/units';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { LengthInput } from '../../../ui/controls/LengthInput';

/** Enter goes down the column, at its end to a new point. */
function downTheColumn(event: KeyboardEvent<HTMLElement>, more: () => void): void {
  const at = event.target instanceof HTMLInputElement ? event.target.dataset.cell : undefined;
  if (event.key !== 'Enter' || !at) return;
  event.preventDefault();
  const [row, column] = at.split(':').map(Number) as [number, number];
  const table = event.currentTarget;
  const next = (r: number, c: number) => table.querySelector<HTMLInputElement>(`[data-cell="${r}:${c}"]`);
  if (column < 3) return next(row, column + 1)?.focus();
  if (!next(row + 1, 0)) more();
  setTimeout(() => next(row + 1, 0)?.focus(), 0);
}

/** The points of a root as they were read, a row each. */
export function RootPoints(props: {
  root: DugRoot;
  point: number | undefined;
  north: 'true' | 'magnetic';
  measuredFrom: 'bark' | 'centre';
  system: UnitSystem;
  disabled: boolean;
  onPoint: (index: number | undefined) => void;
  onChange: (root: DugRoot, field: string) => void;
  /** One more at the end. */
  onAdd: () => void;
}) {
  const { root, point, system, disabled, onChange } = props;
  const unit = shortUnit(system);
  return (
    <table
      className="mt-3 w-full"
      aria-label={`Points of root ${root.label}`}
      onKeyDown={(event) => downTheColumn(event, props.onAdd)}
    >
      <PointHeads measuredFrom={props.measuredFrom} unit={unit} />
      <tbody>
        {root.points.map((p, i) => {
          const cell = (
            field: 'rootDistance' | 'rootDepth' | 'rootDiameter',
            key: 'distance' | 'depth' | 'diameter',
            column: number,
            words: string,
          ) => (
            <td className="min-w-[4.4rem]">
              <LengthInput
                bare
                hideLabel
                field={field}
                label={`${words}, point ${i + 1}`}
                cell={`${i}:${column}`}
                system={system}
                value={p[key]}
                onChange={(metres) =>
                  metres !== undefined && onChange(movePoint(root, i, { [key]: metres }), `${i}.${key}`)
                }
                disabled={disabled}
              />
            </td>
          );
          return (
            <tr key={i} className={i === point ? 'bg-sheet' : ''} onFocus={() => props.onPoint(i)}>
              <th scope="row" className="num font-normal text-muted pr-1">
                {i + 1}
              </th>
              <td className="min-w-[5.2rem]">
                <BearingInput
                  bare
                  hideLabel
                  label={`Bearing, point ${i + 1}`}
                  cell={`${i}:0`}
                  north={props.north}
                  value={p.bearing}
                  onChange={(bearing) =>
                    bearing !== undefined && onChange(movePoint(root, i, { bearing }), `${i}.bearing`)
                  }
                  disabled={disabled}
                />
              </td>
              {cell('rootDistance', 'distance', 1, 'Distance')}
              {cell('rootDepth', 'depth', 2, 'Depth')}
              {cell('rootDiameter', 'diameter', 3, 'Diameter')}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function PointHeads({ measuredFrom, unit }: { measuredFrom: 'bark' | 'centre'; unit: LengthUnit }) {
  return (
    <thead>
      <tr className="text-sm">
        <th scope="col" className="font-normal">
          <span className="sr-only">point</span>
        </th>
        <th scope="col" className="text-right">
          bearing
        </th>
        <th scope="col" className="text-right">
          from {measuredFrom} ({unit})
        </th>
        <th scope="col" className="text-right">
          depth ({unit})
        </th>
        <th scope="col" className="text-right">
          across ({unit})
        </th>
      </tr>
    </thead>
  );
}
