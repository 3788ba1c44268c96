'use client';

import { useState } from 'react';
import { pivotTold, type Check, type Explanation } from '@undrel/core/diagnosis';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import type { StationKey } from '../../visitEntry';
import { chanceFigure } from '@undrel/core/units';

/** Checks shown before the rest is asked for. */
const FIRST_CHECKS = 5;
function CheckLine({ check, goTo }: { check: Check; goTo: (s: StationKey) => void }) {
  return (
    <li className="border-b border-hair py-1.5 flex gap-3 items-baseline">
      <span className="num w-16 shrink-0 text-right whitespace-nowrap">{check.minutes} min</span>
      <span className="flex-1">
        <button
          type="button"
          className="link text-left font-semibold min-h-[32px]"
          onClick={() => goTo(check.station)}
        >
          {check.about.charAt(0).toUpperCase() + check.about.slice(1)}
        </button>
        <span className="block text-sm text-muted">
          {[check.tools, check.season].filter(Boolean).map((t) => `${t}. `)}
          {check.couldChange.length > 0
            ? `May decide: ${check.couldChange.join(', ')}.`
            : 'Would make it surer; decides nothing by itself.'}
        </span>
      </span>
    </li>
  );
}

/** What is worth looking at, most worth for the minute first. */
export function NextChecks({
  explanation,
  goTo,
}: {
  explanation: Explanation;
  goTo: (s: StationKey) => void;
}) {
  const [all, setAll] = useState(false);
  const worth = explanation.checks.filter((c) => c.gain > 0.005);
  if (explanation.enough)
    return (
      <p className="told my-2">
        <strong>Enough.</strong> Nothing left to check would change the prescription.
      </p>
    );
  return (
    <>
      <ul>
        {(all ? worth : worth.slice(0, FIRST_CHECKS)).map((check) => (
          <CheckLine key={check.finding} check={check} goTo={goTo} />
        ))}
      </ul>
      {worth.length > FIRST_CHECKS && (
        <button type="button" className="link min-h-[44px]" onClick={() => setAll(!all)}>
          {all ? 'Only the first five' : `${worth.length - FIRST_CHECKS} more, worth less for the minute`}
        </button>
      )}
    </>
  );
}

/** What does not fit, what the first cause hangs on, and what the unsure answers may change. */
export function ChangeOfMind({ explanation, system }: { explanation: Explanation; system: UnitSystem }) {
  const { pivotal, flips, contradictions } = explanation;
  const say = (text: string) => writeLengths(text, system);
  return (
    <ul>
      {contradictions.map((c) => (
        <li key={c.text} className="wrong my-2">
          {say(c.text)}
        </li>
      ))}
      {pivotal && <li className="border-b border-hair py-1.5">{pivotTold(pivotal, say(pivotal.text))}</li>}
      {flips.map((f) => (
        <li key={`${f.finding}.${f.otherwise}`} className="border-b border-hair py-1.5">
          Unsure: {say(f.text)}. If “{say(f.otherwise)}”:{' '}
          {f.changes
            .map((c) => `${c.label.toLowerCase()} ${chanceFigure(c.from)} to ${chanceFigure(c.to)}`)
            .join(', ')}
          .
        </li>
      ))}
      {!pivotal && flips.length === 0 && contradictions.length === 0 && (
        <li className="text-muted py-1.5">
          No single finding: the first cause stands without any one of them.
        </li>
      )}
    </ul>
  );
}
