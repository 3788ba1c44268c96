'use client';

import { useCallback, useRef, useState } from 'react';
import { formatQuantity, type Quantity, type UnitSystem } from '@undrel/core/units';
import { lateOver, PlainOver } from '../late';
import type { WorkingProps } from './WorkingPopover';

const Working = lateOver<WorkingProps>(
  () => import('./WorkingPopover').then((m) => m.WorkingPopover),
  ({ quantity, onClose }) => (
    <PlainOver label={`Working of ${quantity.name}`} onClose={onClose}>
      {quantity.name}: {quantity.working.formula}
    </PlainOver>
  ),
);

/** A number that opens to its working. */
export function QuantityView({
  quantity,
  system,
  big,
}: {
  quantity: Quantity;
  system: UnitSystem;
  big?: boolean;
}) {
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  const close = useCallback(() => setOpen(false), []);
  const text = formatQuantity(quantity, system);
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        className={`num min-h-[44px] px-1 -mx-1 underline decoration-dotted underline-offset-4 ${big ? 'text-2xl font-bold' : 'font-semibold'}`}
        aria-label={`${quantity.name} ${text}: show the working`}
        onClick={() => setOpen(!open)}
      >
        {text}
      </button>
      {open && <Working quantity={quantity} system={system} at={button} onClose={close} />}
    </>
  );
}
