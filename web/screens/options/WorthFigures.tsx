'use client';

import { moneyTens } from './OptionsTable';
import type { Leaves, Swing } from '@undrel/core/worth';

/** What each option leaves, at the worst, in the middle and at the best. */
export function LeavesTable({
  ranked,
  title,
  currency,
}: {
  ranked: Leaves[];
  title: (key: string) => string;
  currency: string;
}) {
  return (
    <table className="mt-2 max-w-2xl" aria-label="What each option leaves">
      <thead>
        <tr>
          <th scope="col">Worth less cost, over ten years</th>
          <th scope="col" className="text-right">
            at the worst
          </th>
          <th scope="col" className="text-right">
            middle
          </th>
          <th scope="col" className="text-right">
            at the best
          </th>
        </tr>
      </thead>
      <tbody>
        {ranked.map((l) => (
          <tr key={l.key}>
            <th scope="row" className="font-normal">
              {title(l.key)}
            </th>
            {[l.from, l.mid, l.to].map((v, i) => (
              <td key={i} className="num text-right">
                {moneyTens(v, currency)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** How far the lead moves as each judgement goes from end to end. */
export function Swings({
  title,
  ranked,
  swings,
  currency,
}: {
  title: (key: string) => string;
  ranked: Leaves[];
  swings: Swing[];
  currency: string;
}) {
  const ends = swings.flatMap((s) => [s.from, s.to]);
  const [low, high] = [Math.min(0, ...ends), Math.max(0, ...ends)];
  const at = (v: number) => (high > low ? (100 * (v - low)) / (high - low) : 0);
  return (
    <figure className="mt-4 max-w-3xl">
      <figcaption className="font-semibold">
        Lead of “{title(ranked[0]!.key).toLowerCase()}” as one judgement goes from its low to its high end
      </figcaption>
      {swings.slice(0, 7).map((s) => (
        <div
          key={s.name}
          className="grid grid-cols-1 sm:grid-cols-[16rem_1fr] gap-x-3 items-center py-1 border-b border-hair"
        >
          <span className="text-sm">
            {s.name}
            {s.turns && <strong className="text-harm"> turns the choice</strong>}
          </span>
          <span className="flex items-center gap-2">
            <span className="num text-sm w-24 text-right shrink-0">
              {moneyTens(Math.min(s.from, s.to), currency)}
            </span>
            <svg viewBox="0 0 100 10" className="flex-1 h-3" preserveAspectRatio="none" aria-hidden="true">
              <rect
                x={at(Math.min(s.from, s.to))}
                width={Math.max(0.6, Math.abs(at(s.to) - at(s.from)))}
                y="1"
                height="8"
                fill={s.turns ? 'var(--harm)' : 'var(--todo)'}
              />
              <line
                x1={at(0)}
                x2={at(0)}
                y1="0"
                y2="10"
                stroke="var(--ink)"
                strokeWidth="2"
                vectorEffect="non-scaling-stroke"
              />
            </svg>
            <span className="num text-sm w-24 shrink-0">{moneyTens(Math.max(s.from, s.to), currency)}</span>
          </span>
        </div>
      ))}
      <p className="text-sm text-muted mt-1">
        The upright line is no lead: left of it another option leaves more.
      </p>
    </figure>
  );
}
