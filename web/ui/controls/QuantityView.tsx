'use client';

import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';
import { formatQuantity, type Quantity, type UnitSystem } from '@undrel/core/units';

const Working = dynamic(() => import('./WorkingPopover').then((m) => m.WorkingPopover), { ssr: false });

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
      {open && <Working quantity={quantity} system={system} anchor={button} onClose={() => setOpen(false)} />}
    </>
  );
}
