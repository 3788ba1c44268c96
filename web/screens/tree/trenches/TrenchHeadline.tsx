'use client';

import { type TrenchDesign } from '@undrel/core/records';
import { openedShare, type TrenchPlan } from '@undrel/core/trenching';
import { formatValue, percent, type UnitSystem } from '@undrel/core/units';
import { without } from './bearings';

/** What the plan opens, and what stands in its way. */
export function TrenchHeadline({
  working,
  plan,
  system,
  disabled,
  set,
  design,
  notes,
}: {
  working: boolean;
  plan: TrenchPlan;
  system: UnitSystem;
  disabled: boolean;
  set: (change: Partial<TrenchDesign>, field: string) => void;
  design: TrenchDesign;
  notes: string;
}) {
  return (
    <>
      <div className="flex items-baseline gap-4 my-2" aria-busy={working}>
        <p className="num text-5xl font-bold whitespace-nowrap" data-testid="opened">
          {percent(openedShare(plan))}
        </p>
        <p>
          of the compacted soil lies within {formatValue(plan.zone.opened, 'short length', system)} of a
          trench: {plan.spokes.length} radial trenches,{' '}
          {formatValue(plan.layout.length, 'long length', system)} in all, {percent(plan.disturbed)} of the
          root zone dug
          {plan.seasons > 1 ? ` in ${plan.seasons} seasons` : ''}.
        </p>
      </div>
      {plan.blocked && (
        <p role="alert" className="wrong my-2">
          {plan.blocked} Compare the other ways below.
        </p>
      )}
      {plan.layout.refused.map((r) => (
        <p key={r.bearing} role="alert" className="wrong my-2">
          Locked trench at {Math.round(r.bearing)}°: {r.why}.{' '}
          {!disabled && (
            <button
              type="button"
              className="link"
              onClick={() => set({ locked: without(design.locked, r.bearing) }, 'locked')}
            >
              Unlock it
            </button>
          )}
        </p>
      ))}
      {plan.missing.length > 0 && (
        <p className="told my-2">
          Not known: {plan.missing.join(', ')}. {notes}.
        </p>
      )}
    </>
  );
}
