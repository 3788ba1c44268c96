'use client';

import { chargedBy, RESOURCE_KEYS, RESOURCES } from '@undrel/core/costing';
import type { RateField, TypedRates } from './typedRates';

/** By which measure is charged. */
export function MeasureChoice({
  off,
  typed,
  change,
}: {
  off: boolean;
  typed: TypedRates;
  change: (part: Partial<TypedRates>) => void;
}) {
  return (
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
  );
}

/** A price for each thing that is charged. */
export function Prices({
  typed,
  field,
  change,
}: {
  typed: TypedRates;
  field: (key: string) => RateField;
  change: (part: Partial<TypedRates>) => void;
}) {
  return (
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
  );
}

/** In which currency, and what tax comes on top. */
export function CurrencyAndTax({
  field,
  typed,
  change,
}: {
  field: (key: string) => RateField;
  typed: TypedRates;
  change: (part: Partial<TypedRates>) => void;
}) {
  return (
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
  );
}
