'use client';

import { formatMoney } from '@undrel/core/costing';
import type { Range, WorthOption } from '@undrel/core/worth';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import { RangeBar } from './RangeBar';

const percent = (share: number): string => `${Math.round(100 * share)}`;
export const moneyTens = (amount: number, currency: string): string =>
  formatMoney(Math.round(amount / 10) * 10, currency, true);

function Working({ label, lines }: { label: string; lines: readonly string[] }) {
  return (
    <details className="text-sm">
      <summary className="min-h-[44px] inline-flex items-center cursor-pointer text-todo underline underline-offset-4">
        {label}
      </summary>
      <ul className="list-disc pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </details>
  );
}

const chanceLines = (option: WorthOption): string[] =>
  option.chance!.steps.map(
    (s) =>
      `${s.name}: ${percent(s.from)} to ${percent(s.to)}%${s.power < 1 ? `, counted to the power of ${s.power}` : ''}. ${s.why}`,
  );

/** The options side by side, one block each; no figure without its range. */
export function OptionsTable(props: {
  options: readonly WorthOption[];
  currency: string | undefined;
  system: UnitSystem;
}) {
  const { options, currency, system } = props;
  const open = options.filter((o) => o.barred.length === 0);
  const barred = options.filter((o) => o.barred.length > 0);
  const most = Math.max(1, ...open.map((o) => o.cost?.years.to ?? 0));
  const money = (range: Range) => `${moneyTens(range.from, currency!)} – ${moneyTens(range.to, currency!)}`;
  return (
    <>
      <div className="border-t-[1.5px] border-ink">
        {open.map((o) => (
          <section
            key={o.key}
            aria-label={o.title}
            className="border-b border-ink py-3 grid gap-x-6 gap-y-2 md:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)]"
          >
            <div>
              <h2 className={o.key === 'treat' ? 'text-todo' : ''}>{o.title}</h2>
              <p className="text-muted">{writeLengths(o.what, system)}</p>
              <p className="text-sm mt-1">
                <strong>Lost:</strong> {o.lost}
              </p>
              <p className="text-sm">
                <strong>Decide:</strong> {o.decide}
              </p>
            </div>
            <div>
              <p className="text-sm text-muted">Cost over 10 years{currency ? ', tax included' : ''}</p>
              {o.cost ? (
                <>
                  <p className="num text-lg">{money(o.cost.years)}</p>
                  <RangeBar {...o.cost.years} most={most} kind="ink" />
                  <p className="text-sm mt-1">
                    Work now <span className="num">{formatMoney(o.cost.now.total, currency!)}</span>
                  </p>
                  <Working label="How the cost came about" lines={o.cost.working} />
                </>
              ) : (
                <p>not priced: no rates</p>
              )}
            </div>
            <div>
              <p className="text-sm text-muted">
                {o.key === 'replace'
                  ? 'Chance that the young tree establishes'
                  : 'Chance of a tree worth keeping in 10 years'}
              </p>
              {o.chance ? (
                <>
                  <p className="num text-lg">
                    {percent(o.chance.from)} – {percent(o.chance.to)}%
                  </p>
                  <RangeBar {...o.chance} most={1} kind="todo" />
                  <Working label="How the chance came about" lines={chanceLines(o)} />
                </>
              ) : (
                <p className="text-lg">none: it is gone</p>
              )}
            </div>
          </section>
        ))}
      </div>
      {barred.map((o) => (
        <p key={o.key} className="mt-2 text-muted">
          <strong>{o.title}:</strong> not open. {writeLengths(o.barred.join('; '), system)}.
        </p>
      ))}
    </>
  );
}
