'use client';

import dynamic from 'next/dynamic';
import { percent } from '@undrel/core/units';
import type { Forecast } from '@undrel/core/growth';
import type { Visit } from '@undrel/core/records';
import { LATER } from './moments';

const band = ({ p10, p50, p90 }: { p10: number[]; p50: number[]; p90: number[] }, year: number) =>
  `${percent(p50[year]!)} (${percent(p10[year]!)} to ${percent(p90[year]!)})`;

const ForecastChart = dynamic(() => import('../dig/ForecastChart').then((m) => m.ForecastChart), {
  ssr: false,
});

/** The year that is looked at is not chosen here. */
const STAYS = () => undefined;

/** The bark over the years to come, with the plan and without. */
export function WhatItBuys({ forecast, visit }: { forecast: Forecast | undefined; visit: Visit }) {
  return (
    <section className="my-4 min-h-[20rem] lg:min-h-[17rem]" aria-label="What it buys">
      <h2>What it buys</h2>
      {forecast ? (
        <>
          <div className="h-44">
            <ForecastChart
              scenarios={forecast.scenarios}
              from={Number(visit.date.slice(0, 4))}
              year={LATER}
              onYear={STAYS}
            />
          </div>
          <p>
            In ten years {band(forecast.scenarios[0]!, LATER)} of the bark is compressed if nothing is done
            {forecast.scenarios[1] && `, ${band(forecast.scenarios[1], LATER)} with the plan`}; middle and 10
            to 90% of {forecast.draws} draws.
          </p>
        </>
      ) : (
        <p className="text-muted">Working out the forecast…</p>
      )}
    </section>
  );
}
