'use client';

import { useState, useTransition } from 'react';
import type { Worth } from '@undrel/core/records';
import { readAmount } from '@undrel/core/costing';
import { choiceFor, leavesOf, sensitivity, type WorthOption } from '@undrel/core/worth';
import { Said } from '../../ui/Said';
import { useAlive } from '../../ui/controls/Entry';
import { moneyTens } from './OptionsTable';

const MOST_VALUE = 10_000_000;

/** What the tree is worth to its owner, and what follows: the order of the options, and what hangs on what. */
export function WorthPart({
  options,
  currency,
  kept,
  keep,
}: {
  options: readonly WorthOption[];
  currency: string;
  /** What the owner said before, where it was kept in this currency. */
  kept: Worth | undefined;
  keep: ((worth: Worth | undefined) => Promise<{ problem?: string }>) | undefined;
}) {
  const [typed, setTyped] = useState(kept?.asIs ?? '');
  const [young, setYoung] = useState(kept?.young ?? '');
  const [told, setTold] = useState<{ problem?: string; done?: string } | undefined>(undefined);
  const [busy, start] = useTransition();
  const alive = useAlive();
  const value = readAmount('Worth of this tree', typed, MOST_VALUE, 2);
  const other = readAmount('Worth of a young tree', young, MOST_VALUE, 2);
  const problem = !value.ok ? value.problem : !other.ok ? other.problem : undefined;
  const amount = value.ok && value.amount !== undefined ? Number(value.amount) : undefined;
  const youngAmount = other.ok ? Number(other.amount ?? 0) : 0;
  const ranked = amount === undefined ? [] : leavesOf(options, amount, youngAmount);
  const swings = amount === undefined ? [] : sensitivity(options, amount, youngAmount);
  const title = (key: string) => options.find((o) => o.key === key)!.title;
  const ends = swings.flatMap((s) => [s.from, s.to]);
  const [low, high] = [Math.min(0, ...ends), Math.max(0, ...ends)];
  const at = (v: number) => (high > low ? (100 * (v - low)) / (high - low) : 0);
  return (
    <section className="mt-8" aria-label="What hangs on it">
      <h2>What it hangs on</h2>
      <p className="max-w-2xl">
        Enter what the tree is worth to its owner beyond a young one: shade, screen, setting, the price of the
        house. It is theirs to say.
      </p>
      <div className="flex flex-wrap gap-3 mt-2">
        <label>
          <span className="block text-sm">Worth of this tree, {currency}</span>
          <input
            className="num w-44"
            inputMode="decimal"
            value={typed}
            aria-invalid={!value.ok || undefined}
            onChange={(e) => {
              setTyped(e.target.value);
              setTold(undefined);
            }}
          />
        </label>
        <label>
          <span className="block text-sm">Worth of a young one in its place, {currency}</span>
          <input
            className="num w-44"
            inputMode="decimal"
            value={young}
            aria-invalid={!other.ok || undefined}
            onChange={(e) => {
              setYoung(e.target.value);
              setTold(undefined);
            }}
          />
        </label>
      </div>
      {keep && (
        <button
          type="button"
          className="quiet mt-2"
          disabled={
            !alive ||
            busy ||
            problem !== undefined ||
            (typed === (kept?.asIs ?? '') && young === (kept?.young ?? ''))
          }
          onClick={() =>
            start(async () => {
              const worth =
                value.ok && value.amount !== undefined
                  ? {
                      currency,
                      asIs: value.amount,
                      ...(other.ok && other.amount !== undefined && { young: other.amount }),
                    }
                  : undefined;
              const { problem: refused } = await keep(worth).catch(() => ({
                problem: 'The server could not be reached; nothing was kept. Try again.',
              }));
              setTold(refused ? { problem: refused } : { done: 'Kept with the tree.' });
            })
          }
        >
          Keep with the tree
        </button>
      )}
      <Said problem={problem ?? told?.problem} told={told?.done} className="mt-2" />
      {amount !== undefined && !problem && (
        <>
          <p className="text-lg mt-3 max-w-3xl" role="status">
            {choiceFor(options, amount, youngAmount, currency)}
          </p>
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
          {swings.length > 0 && (
            <figure className="mt-4 max-w-3xl">
              <figcaption className="font-semibold">
                Lead of “{title(ranked[0]!.key).toLowerCase()}” as one judgement goes from its low to its high
                end
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
                    <svg
                      viewBox="0 0 100 10"
                      className="flex-1 h-3"
                      preserveAspectRatio="none"
                      aria-hidden="true"
                    >
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
                    <span className="num text-sm w-24 shrink-0">
                      {moneyTens(Math.max(s.from, s.to), currency)}
                    </span>
                  </span>
                </div>
              ))}
              <p className="text-sm text-muted mt-1">
                The upright line is no lead: left of it another option leaves more.
              </p>
            </figure>
          )}
        </>
      )}
    </section>
  );
}
