import { chanceWords } from '@undrel/core/units';
import type { ReactNode } from 'react';
import { HORIZON, type Forecast } from '@undrel/core/growth';

/** The answer first: how much is squeezed, and when it is half. */
export function DigHeadline({
  quantityShare,
  forecast,
  from,
}: {
  quantityShare: ReactNode;
  forecast: Forecast | undefined;
  from: number;
}) {
  const nothing = forecast?.scenarios[0];
  const half = nothing?.reach.find((r) => r.threshold === 0.5);
  const at = (y: number | undefined) => (y === undefined ? 'after 30 years' : String(Math.round(from + y)));
  return (
    <div className="my-2">
      <p className="flex flex-wrap items-baseline gap-x-2">
        {quantityShare} <strong>of the bark is compressed</strong>
      </p>
      {/* Comes late, from the forecast: its place is there before it. */}
      <p className="h-[4.6rem] lg:h-[3.1rem] overflow-y-auto">
        {half &&
          (nothing!.p50[0]! >= 0.5
            ? 'Half of it or more already.'
            : half.year.p50 === undefined
              ? `Half of it is not reached within ${HORIZON} years if nothing is done.`
              : `Half of it in about ${at(half.year.p50)} if nothing is done (${at(half.year.p10)} to ${at(half.year.p90)}); within five years ${chanceWords(half.within5)}, within ten ${chanceWords(half.within10)} likely.`)}
      </p>
    </div>
  );
}
