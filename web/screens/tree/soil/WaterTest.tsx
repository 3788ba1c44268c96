'use client';

import { useEffect, useState } from 'react';
import { infiltrationClass, percolationWords, steadyRate, type Fall } from '@undrel/core/soil';
import { formatValue, type UnitSystem, type Quantity } from '@undrel/core/units';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Said } from '../../../ui/Said';
import { QuantityView } from '../../../ui/controls/QuantityView';

interface Run {
  /** Epoch, ms: time goes on while the phone is locked or the page is away. */
  startedAt: number;
  readings: Fall[];
}

const clock = (seconds: number): string => {
  const whole = Math.max(0, Math.floor(seconds));
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  return `${h > 0 ? `${h}:` : ''}${String(m).padStart(2, '0')}:${String(s).padStart(2, '0')}`;
};

const WORDS = { infiltration: infiltrationClass, percolation: percolationWords } as const;

/** Water going into a ring or a hole, timed by the clock: what was begun is kept on the device until it is taken or ended. */
export function WaterTest(props: {
  what: 'infiltration' | 'percolation';
  title: string;
  hint: string;
  visitId: string;
  system: UnitSystem;
  disabled: boolean;
  /** Takes a rate, m/s, or says why it cannot be. */
  onRate: (rate: number) => string | undefined;
}) {
  const { what, title, visitId, system } = props;
  const key = `undrel.water.${visitId}.${what}`;
  const [run, setRun] = useState<Run | undefined>(undefined);
  const [now, setNow] = useState(0);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const [fallen, setFallen] = useState<number | undefined>(undefined);
  useEffect(() => {
    const kept = localStorage.getItem(key);
    if (kept) setRun(JSON.parse(kept) as Run);
  }, [key]);
  useEffect(() => {
    if (!run) return;
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [run]);
  const keep = (next: Run | undefined) => {
    setProblem(undefined);
    setRun(next);
    if (next) localStorage.setItem(key, JSON.stringify(next));
    else localStorage.removeItem(key);
  };
  const rate = run && steadyRate(run.readings, what);
  return (
    <div className="py-2 border-b border-hair" role="group" aria-label={title}>
      <div className="flex items-center gap-3">
        <h3 className="flex-1 font-semibold">{title}</h3>
        {run && (
          <span className="num text-2xl font-bold" role="timer">
            {clock((now - run.startedAt) / 1000)}
          </span>
        )}
        {!run && !props.disabled && (
          <button
            type="button"
            className="quiet"
            onClick={() => keep({ startedAt: Date.now(), readings: [{ after: 0, fallen: 0 }] })}
          >
            Start: it is filled
          </button>
        )}
      </div>
      <p className="text-sm text-muted">{props.hint}</p>
      {run && (
        <>
          <ReadNow system={system} fallen={fallen} setFallen={setFallen} keep={keep} run={run} />
          <div className="min-h-[3.1rem]">
            {rate && (
              <>
                <QuantityView quantity={rate} system={system} /> {WORDS[what](rate.value)}
              </>
            )}
          </div>
          <RateActions rate={rate} onRate={props.onRate} setProblem={setProblem} keep={keep} run={run} />
          <Said problem={problem} />
          <ol className="text-sm">
            {run.readings.slice(1).map((r, i) => (
              <li key={i} className="num">
                {clock(r.after)}: {formatValue(r.fallen, 'short length', system, 0.001)}
              </li>
            ))}
          </ol>
        </>
      )}
    </div>
  );
}

function RateActions({
  rate,
  onRate,
  setProblem,
  keep,
  run,
}: {
  rate: Quantity | undefined;
  onRate: (rate: number) => string | undefined;
  setProblem: (next: string | undefined) => void;
  keep: (next: Run | undefined) => void;
  run: Run;
}) {
  return (
    <div className="flex flex-wrap gap-2 mt-1">
      <button
        type="button"
        className="quiet"
        disabled={!rate}
        onClick={() => {
          const refused = onRate(rate!.value);
          setProblem(refused);
          if (!refused) keep(undefined);
        }}
      >
        Take this rate
      </button>
      <button
        type="button"
        className="quiet"
        onClick={() =>
          keep({
            ...run,
            readings: [...run.readings, { after: (Date.now() - run.startedAt) / 1000, fallen: 0 }],
          })
        }
      >
        Filled up again
      </button>
      <button type="button" className="link min-h-[44px]" onClick={() => keep(undefined)}>
        End without a rate
      </button>
    </div>
  );
}

function ReadNow({
  system,
  fallen,
  setFallen,
  keep,
  run,
}: {
  system: UnitSystem;
  fallen: number | undefined;
  setFallen: (next: number | undefined) => void;
  keep: (next: Run | undefined) => void;
  run: Run;
}) {
  return (
    <div className="grid grid-cols-[1fr_auto] gap-2 items-end my-1">
      <LengthInput
        field="waterFall"
        label="Fallen since it was filled"
        system={system}
        value={fallen}
        onChange={setFallen}
      />
      <button
        type="button"
        className="act"
        disabled={fallen === undefined}
        onClick={() => {
          keep({
            ...run,
            readings: [...run.readings, { after: (Date.now() - run.startedAt) / 1000, fallen: fallen! }],
          });
          setFallen(undefined);
        }}
      >
        Read now
      </button>
    </div>
  );
}
