'use client';

import { useState, useTransition } from 'react';
import { type Rates } from '@undrel/core/costing';
import type { ClosedSeason } from '@undrel/core/prescription';
import { Said } from '../../ui/Said';
import { useAlive } from '../../ui/controls/Entry';
import { OtherMeasure } from './OtherMeasure';
import { PracticeBar } from './PracticeBar';
import type { RatesSaved, TypedRates } from './typedRates';
import { MeasureChoice, Prices, CurrencyAndTax } from './RateFields';
import { ClosedSeasonFields } from './ClosedSeasonFields';

interface RatesProps {
  firm: string;
  rates: Rates | undefined;
  closed: readonly ClosedSeason[];
  version: number;
  save: ((typed: TypedRates, version: number) => Promise<RatesSaved>) | undefined;
}

/** What the firm charges, and the seasons closed where it works. */
export function RatesScreen(props: RatesProps) {
  const alive = useAlive();
  const { typed, pricedBy, answer, busy, change, convert, save } = useRates(props);
  const off = !props.save || !alive;
  const field = (key: string) => ({
    id: `rate-${key}`,
    disabled: off,
    'aria-invalid': answer.field === key || undefined,
    'aria-describedby': answer.field === key ? 'rates-problem' : undefined,
  });
  const setSeason = (i: number, part: Partial<ClosedSeason>) =>
    change({ closed: typed.closed.map((c, k) => (k === i ? { ...c, ...part } : c)) });
  return (
    <div className="min-h-dvh">
      <PracticeBar part="Rates" />
      <main className="p-4 lg:p-8 max-w-4xl">
        <h1>Rates and closed seasons</h1>
        <p className="my-2 max-w-2xl">
          What {props.firm} charges. Every estimate multiplies these by the amounts it shows, to the smallest
          coin. A price left empty is named on the estimate as missing; 0 is free of charge.
        </p>
        <MeasureChoice off={off} typed={typed} change={change} />
        <OtherMeasure typed={typed} pricedBy={pricedBy} convert={convert} />
        <Prices typed={typed} field={field} change={change} />
        <CurrencyAndTax field={field} typed={typed} change={change} />
        <h2 className="mt-8">Closed seasons</h2>
        <p className="my-1 max-w-2xl">
          Nesting, disease vectors, protected trees: what local codes close where you work. Work planned into
          one is refused. None is built in.
        </p>
        {typed.closed.map((season, i) => (
          <ClosedSeasonFields
            key={i}
            number={i + 1}
            season={season}
            disabled={off}
            first={field(`closed-${i}`)}
            onChange={(part) => setSeason(i, part)}
            onRemove={() => change({ closed: typed.closed.filter((_, k) => k !== i) })}
          />
        ))}
        {props.save && (
          <button
            type="button"
            className="quiet mt-2"
            disabled={off}
            onClick={() =>
              change({ closed: [...typed.closed, { why: '', from: '', to: '', operations: ['prune'] }] })
            }
          >
            Add a closed season
          </button>
        )}
        {props.save ? (
          <div className="sticky bottom-0 bg-wash border-t-2 border-ink -mx-4 px-4 py-2.5 mt-6 flex items-center gap-3">
            <button type="button" className="act" disabled={off || busy} onClick={save}>
              {busy ? 'Saving…' : 'Save'}
            </button>
            <Said id="rates-problem" problem={answer.problem} told={answer.told} className="flex-1" />
          </div>
        ) : (
          <p className="told mt-6">Owners and consultants set the rates.</p>
        )}
      </main>
    </div>
  );
}

/** Rates as they are typed, saved on the version that they were loaded with. */
function useRates(props: Pick<RatesProps, 'rates' | 'closed' | 'version' | 'save'>) {
  const [typed, setTyped] = useState<TypedRates>({
    currency: props.rates?.currency ?? 'EUR',
    prices: props.rates?.prices ?? {},
    measure: props.rates?.measure,
    taxName: props.rates?.tax?.name ?? '',
    taxPercent: props.rates?.tax?.percent ?? '',
    closed: [...props.closed],
  });
  const [pricedBy, setPricedBy] = useState(typed.measure);
  const [version, setVersion] = useState(props.version);
  const [answer, setAnswer] = useState<{ told?: string; problem?: string; field?: string }>({});
  const [busy, startSaving] = useTransition();
  const change = (part: Partial<TypedRates>) => {
    setTyped({ ...typed, ...part });
    setAnswer({});
  };
  const convert = (prices: TypedRates['prices']) => {
    change({ prices: { ...typed.prices, ...prices } });
    setPricedBy(typed.measure);
  };
  const save = () =>
    startSaving(async () => {
      try {
        const saved = await props.save!(typed, version);
        if ('version' in saved) {
          setVersion(saved.version);
          setAnswer({
            told: 'Saved. Estimates made from now on follow them; what was sent stays as it was.',
          });
        } else {
          setAnswer(saved);
          if (saved.field) document.getElementById(`rate-${saved.field}`)?.focus();
        }
      } catch {
        setAnswer({ problem: 'The server could not be reached; what you typed is still here. Try again.' });
      }
    });
  return { typed, pricedBy, answer, busy, change, convert, save };
}
