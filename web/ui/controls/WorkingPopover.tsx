'use client';

import type { RefObject } from 'react';
import { Popover } from 'radix-ui';
import { CHOSEN_BY } from '../chosenBy';
import {
  formatQuantity,
  formatValue,
  tradeLengths,
  type Quantity,
  type UnitSystem,
} from '@undrel/core/units';

/** The working of a number beside it: formula, inputs, source, school, what was assumed. */
export function WorkingPopover(props: {
  quantity: Quantity;
  system: UnitSystem;
  anchor: RefObject<HTMLButtonElement | null>;
  onClose: () => void;
}) {
  const { quantity, system } = props;
  const { working } = quantity;
  return (
    <Popover.Root open onOpenChange={(open) => !open && props.onClose()}>
      <Popover.Anchor virtualRef={props.anchor as RefObject<HTMLButtonElement>} />
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={12}
          aria-label={`Working of ${quantity.name}`}
          onInteractOutside={(event) =>
            props.anchor.current?.contains(event.target as Node) && event.preventDefault()
          }
          onCloseAutoFocus={() => props.anchor.current?.focus()}
          className="z-40 w-[22rem] max-w-[calc(100vw-24px)] max-h-[70vh] overflow-auto bg-sheet border-2 border-ink p-4 text-[0.95rem] space-y-2"
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
                  <dd className="num text-right">
                    {formatValue(input.value, input.dimension, system, 0.001)}
                  </dd>
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
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
