'use client';

import { HORIZON } from '@undrel/core/growth';
import type { ReactNode } from 'react';
import { Slider } from '../../../ui/controls/Slider';

/** What is being drawn on the plan, over it. */
export function NowDrawn({ children, onDone }: { children: ReactNode; onDone: () => void }) {
  return (
    <p
      role="status"
      className="absolute inset-x-16 top-2 bg-wash border border-ink px-3 py-2 flex items-start gap-3"
    >
      <span>{children}</span>
      <button type="button" className="act ml-auto" onClick={onDone}>
        Done
      </button>
    </p>
  );
}

/** The year in which the plan of a dig is shown. */
export function DigYears(props: {
  from: number;
  year: number;
  share: number;
  onYear: (year: number) => void;
}) {
  const { from, year, share, onYear } = props;
  return (
    <div className="flex items-center gap-3 px-3 min-h-[44px] bg-sheet border-t border-ink">
      <span className="num font-bold w-12">{from + year}</span>
      <Slider
        label="Year"
        says={`${from + year}, ${Math.round(100 * share)}% of the bark compressed`}
        min={0}
        max={HORIZON}
        value={year}
        onChange={onYear}
      />
      <span className="num text-sm w-12 text-right">{from + HORIZON}</span>
    </div>
  );
}
