'use client';

import type { CauseVerdict, Reason, Standing } from '@undrel/core/diagnosis';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import type { StationKey, StationProps } from '../visitEntry';
import { judgedOf } from './judged';

const WORDS: Record<Standing, string> = {
  likely: 'likely',
  possible: 'possible',
  open: 'little to go on',
  unlikely: 'unlikely',
  unexamined: 'not examined',
};

const STRENGTH = ['', 'leans', 'speaks strongly', 'settles it'];

function Reasons({
  title,
  reasons,
  system,
}: {
  title: string;
  reasons: readonly Reason[];
  system: UnitSystem;
}) {
  if (reasons.length === 0) return null;
  return (
    <div>
      <h3 className="text-sm font-semibold text-muted mt-2">{title}</h3>
      <ul>
        {reasons.map((r) => (
          <li key={r.fact} className="border-b border-hair py-1">
            {writeLengths(r.text, system)}
            <span className="block text-sm text-muted">
              {STRENGTH[Math.min(3, Math.abs(r.weight))]}: {r.why}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Cause({
  cause,
  open,
  system,
  goTo,
}: {
  cause: CauseVerdict;
  open: boolean;
  system: UnitSystem;
  goTo: (s: StationKey) => void;
}) {
  return (
    <details open={open} className="border-b-[1.5px] border-ink">
      <summary className="flex items-baseline justify-between gap-3 py-2.5 cursor-pointer min-h-[44px]">
        <span className="font-bold text-lg">{cause.label}</span>
        <span
          className={
            cause.standing === 'likely'
              ? 'font-bold text-harm'
              : cause.standing === 'possible'
                ? 'font-semibold'
                : 'text-muted'
          }
        >
          {WORDS[cause.standing]}
        </span>
      </summary>
      <p>{cause.mechanism}</p>
      <Reasons title="For" reasons={cause.for} system={system} />
      <Reasons title="Against" reasons={cause.against} system={system} />
      {cause.unexamined.length > 0 && (
        <div className="pb-3">
          <h3 className="text-sm font-semibold text-muted mt-2">Not examined</h3>
          <ul className="flex flex-wrap gap-x-3">
            {cause.unexamined.map((u) => (
              <li key={u.fact}>
                <button type="button" className="link text-left" onClick={() => goTo(u.station)}>
                  {u.text}
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </details>
  );
}

export function Verdict(props: StationProps) {
  const { system, goTo } = props;
  const { verdict, profile } = judgedOf(props);
  const told = [...profile.missing, ...profile.problems.map((p) => p.message)];
  return (
    <div>
      <h1>Verdict</h1>
      <p className="text-xl leading-snug my-3" data-testid="verdict-summary">
        {verdict.summary}
      </p>
      {told.length > 0 && (
        <div className="wrong my-3">
          {told.map((message) => (
            <p key={message}>{writeLengths(message, system)}</p>
          ))}
        </div>
      )}
      <div className="border-t-[1.5px] border-ink">
        {verdict.causes.map((cause) => (
          <Cause
            key={cause.cause}
            cause={cause}
            open={cause.standing === 'likely'}
            system={system}
            goTo={goTo}
          />
        ))}
      </div>
      <p className="text-sm text-muted mt-3">
        Weighed by a table of practice judgements, not measured frequencies. It supports the consultant’s
        opinion; it is no risk assessment.
      </p>
    </div>
  );
}
