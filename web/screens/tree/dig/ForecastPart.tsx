'use client';

import dynamic from 'next/dynamic';
import { useSyncExternalStore } from 'react';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import type { DigWork } from './useDig';
import type { Progress } from './useForecast';

const ForecastChart = dynamic(() => import('./ForecastChart').then((m) => m.ForecastChart), {
  ssr: false,
});

function ProgressBar({ of }: { of: Progress }) {
  const share = useSyncExternalStore(of.subscribe, of.get, () => 0);
  return <progress className="flex-1" value={share} max={1} aria-label="Forecast being made" />;
}

/** The forecast: its chart, what is set side by side, and how sure it is. */
export function ForecastPart({
  system,
  work,
  from,
  year,
  onYear,
  scenario,
  onScenario,
}: {
  system: UnitSystem;
  work: DigWork;
  from: number;
  year: number;
  onYear: (year: number) => void;
  scenario: number;
  onScenario: (index: number) => void;
}) {
  const { forecast, working, problem } = work;
  return (
    <section className="my-3 min-h-[33rem] lg:min-h-[25.5rem]" aria-label="Forecast">
      <h2>When it gets worse</h2>
      {working && (
        <p role="status" className="flex items-center gap-3">
          <ProgressBar of={work.progress} />
          <button type="button" className="link" onClick={work.cancel}>
            Cancel
          </button>
        </p>
      )}
      {problem && <p className="wrong">The forecast could not be made: {problem}</p>}
      {!working && !forecast && (
        <button type="button" className="link" onClick={work.again}>
          Make the forecast
        </button>
      )}
      {forecast && (
        <>
          <div className="h-44">
            <ForecastChart scenarios={forecast.scenarios} from={from} year={year} onYear={onYear} />
          </div>
          <div role="group" aria-label="On the plan" className="flex flex-wrap gap-1.5 my-1">
            {work.scenarios.map((s, i) => (
              <button
                key={s.name}
                type="button"
                aria-pressed={i === scenario}
                className={`min-h-[44px] px-3 border border-muted ${i === scenario ? 'bg-ink text-sheet' : 'bg-sheet'}`}
                onClick={() => onScenario(i)}
              >
                {s.name}
              </button>
            ))}
          </div>
          <p className="text-sm text-muted">
            Middle and 10 to 90% of {forecast.draws} draws. Stem{' '}
            {formatValue(forecast.stem.perYear * 2, 'short length', system, 0.001)} of diameter a year (
            {forecast.stem.from}); a judgement, not a measurement of the future.
          </p>
        </>
      )}
    </section>
  );
}
