'use client';

import { Beside } from '../Beside';
import { CHOSEN_BY } from '../chosenBy';
import type { Opened } from '../late';
import {
  formatQuantity,
  formatValue,
  tradeLengths,
  type Quantity,
  type UnitSystem,
} from '@undrel/core/units';

export interface WorkingProps extends Opened {
  quantity: Quantity;
  system: UnitSystem;
}

/** The working of a number beside it: formula, inputs, source, school, what was assumed. */
export function WorkingPopover({ quantity, system, ...opened }: WorkingProps) {
  const { working } = quantity;
  return (
    <Beside
      {...opened}
      label={`Working of ${quantity.name}`}
      className="w-[22rem] max-h-[70vh] overflow-auto p-4 text-[0.95rem] space-y-2"
    >
      <p className="font-semibold">
        {quantity.name} <span className="num">{formatQuantity(quantity, system)}</span>
      </p>
      <p>{working.formula}</p>
      {working.inputs.length > 0 && (
        <dl className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-0.5">
          {working.inputs.map((input) => (
            <div key={input.name} className="contents">
              <dt>{input.name}</dt>
              <dd className="num text-right">{formatValue(input.value, input.dimension, system, 0.001)}</dd>
            </div>
          ))}
        </dl>
      )}
      {quantity.plusMinus !== undefined && <p className="text-muted">± is half a 90% interval.</p>}
      {working.school && (
        <p>
          {working.school.matter}: {tradeLengths(working.school.school, system)} (
          {CHOSEN_BY[working.school.chosenBy]})
        </p>
      )}
      {working.notes.map((note) => (
        <p key={note}>{note}</p>
      ))}
      <p className="text-muted">Source: {working.source}</p>
    </Beside>
  );
}
