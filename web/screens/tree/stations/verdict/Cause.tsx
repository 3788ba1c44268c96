'use client';

import type { CauseReasons, CauseVerdict, Reason } from '@undrel/core/diagnosis';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import { withTerms } from '@undrel/core/vocabulary';
import { Hinted } from '../../../../ui/Hinted';
import type { StationKey } from '../../visitEntry';
import { chanceFigure } from '@undrel/core/units';

/** Evidence beyond this fills its bar, decibans. */
const FULL_BAR = 15;

/** A chance as a bar, with a notch where it stood before anything was looked at. */
function ChanceBar({ cause }: { cause: CauseVerdict }) {
  return (
    <span
      className="block relative h-2.5 border border-ink bg-sheet"
      role="img"
      aria-label={`${chanceFigure(cause.probability)}; ${chanceFigure(cause.prior)} before anything was examined`}
    >
      <span className="block h-full bg-ink" style={{ width: `${100 * cause.probability}%` }} />
      <span className="absolute -top-1 -bottom-1 w-[2px] bg-todo" style={{ left: `${100 * cause.prior}%` }} />
    </span>
  );
}

/** What a finding weighs: to the right for, to the left against. */
function WeightBar({ decibans }: { decibans: number }) {
  const width = `${(50 * Math.min(FULL_BAR, Math.abs(decibans))) / FULL_BAR}%`;
  return (
    <span className="relative block h-2 my-1 w-24 shrink-0" aria-hidden="true">
      <span className="absolute inset-y-0 left-1/2 w-px -my-1 bg-ink" />
      {decibans > 0 ? (
        <span className="absolute inset-y-0 left-1/2 bg-ink" style={{ width }} />
      ) : (
        <span className="absolute inset-y-0 right-1/2 border border-ink" style={{ width }} />
      )}
    </span>
  );
}

function Reasons(props: { reasons: CauseReasons; system: UnitSystem; goTo: (s: StationKey) => void }) {
  const all = [...props.reasons.for, ...props.reasons.against];
  if (all.length === 0) return <p className="text-muted">Nothing examined so far changes it.</p>;
  return (
    <ul>
      {all.map((r) => (
        <ReasonLine key={r.finding} reason={r} {...props} />
      ))}
    </ul>
  );
}

function ReasonLine(props: { reason: Reason; system: UnitSystem; goTo: (s: StationKey) => void }) {
  const { reason, system, goTo } = props;
  return (
    <li className="border-b border-hair py-1.5">
      <span className="flex gap-3 items-center">
        <WeightBar decibans={reason.decibans} />
        <button type="button" className="link text-left flex-1" onClick={() => goTo(reason.station)}>
          {writeLengths(reason.text, system)}
        </button>
      </span>
      <span className="block text-sm text-muted">
        {reason.words} {reason.decibans > 0 ? 'for' : 'against'}{' '}
        <span className="num">({Math.abs(reason.decibans).toFixed(1)} dB)</span>
        {reason.unsure && ', noted as unsure'}: {reason.why}
      </span>
    </li>
  );
}

/** One cause: how sure, and what speaks for and against it. */
export function Cause(props: {
  cause: CauseVerdict;
  reasons: CauseReasons | undefined;
  /** What is done about it, where it is possible or likely. */
  answer: string | undefined;
  own: boolean;
  system: UnitSystem;
  goTo: (s: StationKey) => void;
}) {
  const { cause, reasons } = props;
  return (
    <details className="border-b-[1.5px] border-ink">
      <summary className="block py-2.5 cursor-pointer min-h-[44px]">
        <span className="flex items-baseline justify-between gap-3">
          <span className="font-bold text-lg">{cause.label}</span>
          <span
            className={
              cause.standing === 'likely'
                ? 'whitespace-nowrap font-bold text-harm'
                : 'whitespace-nowrap font-semibold'
            }
          >
            {cause.certainty}{' '}
            <span className="num font-normal text-ink">{chanceFigure(cause.probability)}</span>
          </span>
        </span>
        <ChanceBar cause={cause} />
        <span className="mt-1 text-sm text-muted line-clamp-2 h-[2.6rem]">
          {reasons &&
            [...reasons.for.slice(0, 2), ...reasons.against.slice(0, 1)]
              .map((r) => `${r.decibans > 0 ? '+' : '−'} ${writeLengths(r.text, props.system)}`)
              .join('; ')}
        </span>
        {props.own && <span className="block mt-1.5 text-sm font-semibold">Put first by the consultant</span>}
      </summary>
      <p className="mb-1">
        <Hinted pieces={withTerms(cause.mechanism, new Set())} />
      </p>
      {props.answer && (
        <p className="mb-1">
          <strong>Done about it:</strong> {writeLengths(props.answer, props.system)}
        </p>
      )}
      {reasons ? <Reasons {...props} reasons={reasons} /> : <Weighing />}
      {cause.unexamined.length > 0 && (
        <details className="my-1">
          <summary className="link inline-flex items-center min-h-[44px] cursor-pointer">
            Not examined: {cause.unexamined.length}
          </summary>
          <ul className="pb-2">
            {cause.unexamined.map((u) => (
              <li key={u.finding}>
                <button
                  type="button"
                  className="link text-left min-h-[32px]"
                  onClick={() => props.goTo(u.station)}
                >
                  {u.text}
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </details>
  );
}

export const Weighing = () => (
  <p className="text-muted" role="status">
    Computing what each finding adds…
  </p>
);
