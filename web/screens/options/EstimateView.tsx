'use client';

import { formatMoney, unitWord, type Estimate } from '@undrel/core/costing';

/** An estimate line by line; every sum is the amount shown times the price shown. */
export function EstimateView({ estimate, title }: { estimate: Estimate; title: string }) {
  const { currency } = estimate;
  return (
    <table className="mt-2 max-w-3xl" aria-label={title}>
      <thead>
        <tr>
          <th scope="col">{title}</th>
          <th scope="col" className="text-right">
            amount
          </th>
          <th scope="col" className="text-right hidden sm:table-cell">
            price
          </th>
          <th scope="col" className="text-right">
            sum
          </th>
        </tr>
      </thead>
      <tbody>
        {estimate.lines.map((line, i) => (
          <tr key={i}>
            <td>{line.of}</td>
            <td className="num text-right whitespace-nowrap">
              {line.charged} <span className="text-muted">{unitWord(line.unit, Number(line.charged))}</span>
            </td>
            <td className="num text-right hidden sm:table-cell">{formatMoney(line.price, currency)}</td>
            <td className="num text-right">{formatMoney(line.sum, currency)}</td>
          </tr>
        ))}
        <tr>
          <td>Net</td>
          <td />
          <td className="hidden sm:table-cell" />
          <td className="num text-right">{formatMoney(estimate.net, currency)}</td>
        </tr>
        {estimate.tax && (
          <tr>
            <td>
              {estimate.tax.name}, {estimate.tax.percent}%
            </td>
            <td />
            <td className="hidden sm:table-cell" />
            <td className="num text-right">{formatMoney(estimate.tax.sum, currency)}</td>
          </tr>
        )}
        <tr className="font-bold">
          <td>Total</td>
          <td />
          <td className="hidden sm:table-cell" />
          <td className="num text-right" data-testid="estimate-total">
            {formatMoney(estimate.total, currency)}
          </td>
        </tr>
      </tbody>
    </table>
  );
}
