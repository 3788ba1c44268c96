'use client';

import { useState, type ReactNode } from 'react';
import { ChevronDown } from 'lucide-react';
import { useAlive } from './controls/Entry';

/** What stands open on a wide screen; on a phone it is folded away until it is asked for, so that it hides no answer below it. */
export function FoldOnPhone({ summary, children }: { summary: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const alive = useAlive();
  return (
    <>
      <button
        type="button"
        className="lg:hidden w-full min-h-[48px] flex items-center justify-between gap-3 font-semibold text-left"
        aria-expanded={open}
        disabled={!alive}
        onClick={() => setOpen(!open)}
      >
        {summary}
        <ChevronDown aria-hidden className={`size-5 shrink-0 ${open ? 'rotate-180' : ''}`} />
      </button>
      <div className={open ? '' : 'max-lg:hidden'}>{children}</div>
    </>
  );
}
