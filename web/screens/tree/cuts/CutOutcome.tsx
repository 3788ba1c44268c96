'use client';

import { type CutDesign } from '@undrel/core/records';
import { type CutAssessment, type Way } from '@undrel/core/pruning';
import { type UnitSystem, percent } from '@undrel/core/units';
import { Clash, PlanShown, Agreed, Proposed } from './CutOutcomeParts';

/** The answer: what the plan frees and takes, stage by stage; or what clashes and the least that would have to give. */
export function Outcome(props: {
  assessment: CutAssessment;
  year: number;
  system: UnitSystem;
  disabled: boolean;
  /** Whether a plan of the last entry is on its way: what this one says is not acted on. */
  stale: boolean;
  onAgree: () => void;
  onLeave: () => void;
  onWithdraw: () => void;
  onEase: (limits: NonNullable<CutDesign['limits']>) => void;
  onLetGo: (labels: readonly string[]) => void;
}) {
  const { assessment, year, disabled, stale } = props;
  const { plan, clash, agreed, interval, limits } = assessment;
  const shown = agreed ?? plan;
  const labels = Object.keys(shown?.stages ?? {});
  return (
    <>
      {clash && (
        <Clash
          clash={clash}
          system={props.system}
          disabled={disabled}
          stale={stale}
          onEase={props.onEase}
          onLetGo={props.onLetGo}
        />
      )}
      {shown && (
        <>
          <PlanShown
            shown={shown}
            assessment={assessment}
            labels={labels}
            year={year}
            interval={interval}
            limits={limits}
          />
        </>
      )}
      {agreed ? (
        <Agreed
          agreed={agreed}
          system={props.system}
          plan={plan}
          disabled={disabled}
          onWithdraw={props.onWithdraw}
        />
      ) : (
        plan && (
          <Proposed
            disabled={disabled}
            stale={stale}
            onAgree={props.onAgree}
            labels={labels}
            onLeave={props.onLeave}
            plan={plan}
            assessment={assessment}
          />
        )
      )}
    </>
  );
}

/** Plans nearly as good that differ in a large root; one is taken as it is. */
export function Alternatives(props: {
  ways: readonly Way[];
  plan: Way;
  disabled: boolean;
  stale: boolean;
  onTake: (way: Way) => void;
}) {
  const { ways, plan } = props;
  const differs = (way: Way) => {
    const cut = Object.keys(way.stages).filter((l) => plan.stages[l] === undefined);
    const left = Object.keys(plan.stages).filter((l) => way.stages[l] === undefined);
    return [
      ...(cut.length > 0 ? [`cuts ${cut.join(', ')} too`] : []),
      ...(left.length > 0 ? [`leaves ${left.join(', ')}`] : []),
    ].join(', ');
  };
  return (
    <section className="my-4" aria-label="Nearly as good">
      <h2>Nearly as good</h2>
      <ul>
        {ways.map((way, i) => (
          <li key={i} className="border-b border-hair py-2 flex gap-3 items-center">
            <p className="flex-1">
              {capital(differs(way))}: frees {percent(way.value.freed)} for{' '}
              {percent(way.value.loss.reduce((a, b) => a + b, 0))}.
            </p>
            {!props.disabled && (
              <button
                type="button"
                className="quiet"
                disabled={props.stale}
                aria-label={`Agree this instead: ${differs(way)}`}
                onClick={() => props.onTake(way)}
              >
                Agree this instead
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
