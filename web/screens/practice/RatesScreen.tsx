'use client';

import type { OperationKey } from '@undrel/core/vocabulary';
import { useState, useTransition } from 'react';
import {
  chargedBy,
  currencyDigits,
  isCurrency,
  MEASURED_RESOURCES,
  MOST_PRICE,
  priceIn,
  readAmount,
  RESOURCE_KEYS,
  RESOURCES,
  unitWord,
  type Rates,
  type ResourceKey,
} from '@undrel/core/costing';
import type { ClosedSeason } from '@undrel/core/prescription';
import { Notice } from '../../ui/Notice';
import { Said } from '../../ui/Said';
import { useAlive } from '../../ui/controls/Entry';
import { PracticeBar } from './PracticeBar';

/** Rates as they were typed. */
export interface TypedRates {
  currency: string;
  prices: Partial<Record<ResourceKey, string>>;
  measure?: Rates['measure'];
  taxName: string;
  taxPercent: string;
  closed: ClosedSeason[];
}

export type RatesSaved = { version: number } | { problem: string; field?: string };

const CLOSABLE: readonly { key: OperationKey; label: string }[] = [
  { key: 'prune', label: 'root pruning' },
  { key: 'excavate', label: 'excavation' },
  { key: 'trench', label: 'trenches' },
  { key: 'reset', label: 'reset' },
  { key: 'raise', label: 'raising onto a mound' },
  { key: 'openBall', label: 'opening a root ball' },
  { key: 'move', label: 'moving' },
  { key: 'remove', label: 'removal' },
];

/** What the firm charges, and the seasons closed where it works. */
export function RatesScreen(props: {
  firm: string;
  rates: Rates | undefined;
  closed: readonly ClosedSeason[];
  version: number;
  save: ((typed: TypedRates, version: number) => Promise<RatesSaved>) | undefined;
}) {
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
  const alive = useAlive();
  const off = !props.save || !alive;
  const change = (part: Partial<TypedRates>) => {
    setTyped({ ...typed, ...part });
    setAnswer({});
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
        <fieldset className="flex flex-wrap gap-x-6" disabled={off}>
          <legend className="text-sm">Lengths, areas and volumes are charged by</legend>
          {(
            [
              [undefined, 'm, m², m³'],
              ['us', 'ft, ft², yd³'],
            ] as const
          ).map(([measure, label]) => (
            <label key={label} className="flex items-center gap-2 min-h-[44px]">
              <input
                type="radio"
                name="measure"
                checked={typed.measure === measure}
                onChange={() => change({ measure })}
              />
              {label}
            </label>
          ))}
        </fieldset>
        <OtherMeasure
          typed={typed}
          pricedBy={pricedBy}
          convert={(prices) => {
            change({ prices: { ...typed.prices, ...prices } });
            setPricedBy(typed.measure);
          }}
        />
        <div className="grid grid-cols-[1fr_8rem] sm:grid-cols-[1fr_10rem] gap-x-4 border-t-[1.5px] border-ink mt-4">
          {RESOURCE_KEYS.map((key) => (
            <label key={key} className="contents">
              <span className="border-b border-hair py-1 self-stretch flex flex-col justify-center">
                <span>{RESOURCES[key].label}</span>
                <span className="text-sm text-muted">
                  for each {chargedBy(key, typed.measure).unit}
                  {'optional' in RESOURCES[key] && '; empty: the client sees to it'}
                </span>
              </span>
              <span className="border-b border-hair py-1">
                <input
                  {...field(key)}
                  className="w-full text-right num"
                  inputMode="decimal"
                  value={typed.prices[key] ?? ''}
                  onChange={(e) => change({ prices: { ...typed.prices, [key]: e.target.value } })}
                />
              </span>
            </label>
          ))}
        </div>
        <div className="grid sm:grid-cols-3 gap-3 mt-4">
          <label>
            <span className="block text-sm">Currency</span>
            <input
              {...field('currency')}
              className="w-full uppercase"
              maxLength={3}
              value={typed.currency}
              onChange={(e) => change({ currency: e.target.value.toUpperCase() })}
            />
          </label>
          <label>
            <span className="block text-sm">Tax, its name</span>
            <input
              {...field('taxName')}
              className="w-full"
              maxLength={40}
              value={typed.taxName}
              onChange={(e) => change({ taxName: e.target.value })}
            />
          </label>
          <label>
            <span className="block text-sm">Tax, percent of the net sum</span>
            <input
              {...field('tax')}
              className="w-full num"
              inputMode="decimal"
              value={typed.taxPercent}
              onChange={(e) => change({ taxPercent: e.target.value })}
            />
          </label>
        </div>
        <h2 className="mt-8">Closed seasons</h2>
        <p className="my-1 max-w-2xl">
          Nesting, disease vectors, protected trees: what local codes close where you work. Work planned into
          one is refused. None is built in.
        </p>
        {typed.closed.map((season, i) => (
          <fieldset key={i} className="border-t border-ink py-3" disabled={off}>
            <legend className="float-left w-full font-semibold">Closed season {i + 1}</legend>
            <div className="clear-both grid sm:grid-cols-[1fr_1fr_2fr] gap-3">
              <label>
                <span className="block text-sm">First day, month-day</span>
                <input
                  {...field(`closed-${i}`)}
                  className="w-full num"
                  placeholder="03-01"
                  value={season.from}
                  onChange={(e) => setSeason(i, { from: e.target.value })}
                />
              </label>
              <label>
                <span className="block text-sm">Last day, month-day</span>
                <input
                  className="w-full num"
                  placeholder="09-30"
                  value={season.to}
                  onChange={(e) => setSeason(i, { to: e.target.value })}
                />
              </label>
              <label>
                <span className="block text-sm">Genus, where it holds for one alone</span>
                <input
                  className="w-full"
                  maxLength={60}
                  value={season.genus ?? ''}
                  onChange={(e) => setSeason(i, { genus: e.target.value || undefined })}
                />
              </label>
              <label className="sm:col-span-3">
                <span className="block text-sm">What closes it</span>
                <input
                  className="w-full"
                  maxLength={200}
                  value={season.why}
                  onChange={(e) => setSeason(i, { why: e.target.value })}
                />
              </label>
              <div className="sm:col-span-3 flex flex-wrap gap-x-5">
                {CLOSABLE.map(({ key, label }) => (
                  <label key={key} className="flex items-center gap-2 min-h-[44px]">
                    <input
                      type="checkbox"
                      checked={season.operations.includes(key)}
                      onChange={(e) =>
                        setSeason(i, {
                          operations: e.target.checked
                            ? [...season.operations, key]
                            : season.operations.filter((o) => o !== key),
                        })
                      }
                    />
                    {label}
                  </label>
                ))}
                <button
                  type="button"
                  className="quiet ml-auto"
                  onClick={() => change({ closed: typed.closed.filter((_, k) => k !== i) })}
                >
                  Take out closed season {i + 1}
                </button>
              </div>
            </div>
          </fieldset>
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

/** Prices that were typed by another measure than they are now charged by, and what they would be by this one. */
function OtherMeasure(props: {
  typed: TypedRates;
  pricedBy: Rates['measure'];
  convert: (prices: TypedRates['prices']) => void;
}) {
  const { typed, pricedBy } = props;
  const digits = isCurrency(typed.currency) ? currencyDigits(typed.currency) : 2;
  const affected = MEASURED_RESOURCES.flatMap((key) => {
    const read = readAmount(RESOURCES[key].label, typed.prices[key] ?? '', MOST_PRICE, digits);
    return read.ok && read.amount !== undefined ? [{ key, price: read.amount }] : [];
  });
  if (typed.measure === pricedBy || affected.length === 0) return null;
  const converted = affected.map(({ key, price }) => ({
    key,
    price,
    to: priceIn(key, price, pricedBy, typed.measure, digits),
  }));
  return (
    <Notice label="Prices typed by another measure" onClose={() => props.convert({})}>
      <p>
        {affected.length} {unitWord('price', affected.length)} below {affected.length === 1 ? 'was' : 'were'}{' '}
        typed by another measure:{' '}
        {converted
          .map(
            ({ key, price, to }) =>
              `${RESOURCES[key].label} ${price} by the ${chargedBy(key, pricedBy).unit}, ${to} by the ${chargedBy(key, typed.measure).unit}`,
          )
          .join('; ')}
        .
      </p>
      <div className="flex flex-wrap gap-2 mt-2">
        <button
          type="button"
          className="act"
          onClick={() => props.convert(Object.fromEntries(converted.map(({ key, to }) => [key, to])))}
        >
          Convert {affected.length === 1 ? 'it' : 'them'}
        </button>
        <button type="button" className="quiet" onClick={() => props.convert({})}>
          Leave as typed
        </button>
      </div>
    </Notice>
  );
}
