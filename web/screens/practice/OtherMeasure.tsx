'use client';

import {
  chargedBy,
  currencyDigits,
  isCurrency,
  MEASURED_RESOURCES,
  MOST_PRICE,
  priceIn,
  readAmount,
  RESOURCES,
  unitWord,
  type Rates,
} from '@undrel/core/costing';
import { Notice } from '../../ui/Notice';
import type { TypedRates } from './typedRates';

/** Prices that were typed by another measure than they are now charged by, and what they would be by this one. */
export function OtherMeasure(props: {
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
