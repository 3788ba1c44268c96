'use client';

import { useState, useTransition } from 'react';
import type { Worth } from '@undrel/core/records';
import { readAmount, type ReadAmount } from '@undrel/core/costing';
import { choiceFor, leavesOf, sensitivity, type WorthOption } from '@undrel/core/worth';
import { Said } from '../../ui/Said';
import { useAlive } from '../../ui/controls/Entry';
import { LeavesTable, Swings } from './WorthFigures';

const MOST_VALUE = 10_000_000;

interface WorthPartProps {
  options: readonly WorthOption[];
  currency: string;
  /** What the owner said before, where it was kept in this currency. */
  kept: Worth | undefined;
  keep: ((worth: Worth | undefined) => Promise<{ problem?: string }>) | undefined;
}

/** What the tree is worth to its owner, and what follows: the order of the options, and what hangs on what. */
export function WorthPart({ options, currency, kept, keep }: WorthPartProps) {
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
  const worth =
    value.ok && value.amount !== undefined
      ? {
          currency,
          asIs: value.amount,
          ...(other.ok && other.amount !== undefined && { young: other.amount }),
        }
      : undefined;
  return (
    <section className="mt-8" aria-label="What hangs on it">
      <h2>What it hangs on</h2>
      <p className="max-w-2xl">
        Enter what the tree is worth to its owner beyond a young one: shade, screen, setting, the price of the
        house. It is theirs to say.
      </p>
      <div className="flex flex-wrap gap-3 mt-2">
        <WorthTyped
          currency={currency}
          typed={typed}
          value={value}
          setTyped={setTyped}
          setTold={setTold}
          young={young}
          other={other}
          setYoung={setYoung}
        />
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
          <LeavesTable ranked={ranked} title={title} currency={currency} />
          {swings.length > 0 && <Swings title={title} ranked={ranked} swings={swings} currency={currency} />}
        </>
      )}
    </section>
  );
}

function WorthTyped({
  currency,
  typed,
  value,
  setTyped,
  setTold,
  young,
  other,
  setYoung,
}: {
  currency: string;
  typed: string;
  value: ReadAmount;
  setTyped: (next: string) => void;
  setTold: (next: { problem?: string; done?: string } | undefined) => void;
  young: string;
  other: ReadAmount;
  setYoung: (next: string) => void;
}) {
  const field = (label: string, text: string, read: ReadAmount, set: (next: string) => void) => (
    <label>
      <span className="block text-sm">
        {label}, {currency}
      </span>
      <input
        className="num w-44"
        inputMode="decimal"
        value={text}
        aria-invalid={!read.ok || undefined}
        onChange={(e) => {
          set(e.target.value);
          setTold(undefined);
        }}
      />
    </label>
  );
  return (
    <>
      {field('Worth of this tree', typed, value, setTyped)}
      {field('Worth of a young one in its place', young, other, setYoung)}
    </>
  );
}
