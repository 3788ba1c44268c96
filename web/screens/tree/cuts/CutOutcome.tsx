'use client';

import { type CutDesign } from '@undrel/core/records';
import { type CutAssessment, type Way } from '@undrel/core/pruning';
import { writeLengths, type UnitSystem, percent } from '@undrel/core/units';

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
        <div role="alert" className="wrong my-2" data-testid="clash">
          <p className="font-bold">No plan meets all of these limits.</p>
          {clash.says.map((sentence) => (
            <p key={sentence}>{writeLengths(sentence, props.system)}</p>
          ))}
          {!disabled && (
            <div className="flex flex-wrap gap-2 mt-1">
              {Object.keys(clash.ease).length > 0 && (
                <button
                  type="button"
                  className="quiet"
                  disabled={stale}
                  onClick={() => props.onEase(clash.ease)}
                >
                  Ease the limits just enough
                </button>
              )}
              {clash.letGo.length > 0 && (
                <button
                  type="button"
                  className="quiet"
                  disabled={stale}
                  onClick={() => props.onLetGo(clash.letGo)}
                >
                  Let go of {clash.letGo.join(', ')}
                </button>
              )}
            </div>
          )}
        </div>
      )}
      {shown && (
        <>
          <div className="flex items-baseline gap-4 my-2">
            <p className="num text-5xl font-bold whitespace-nowrap" data-testid="frees">
              {percent(shown.value.freed)}
            </p>
            <p>
              of the bark freed over twenty years, of {percent(shown.value.threatened)} that would be
              compressed; today {percent(shown.freesToday)} of {percent(assessment.squeezed)}; for{' '}
              {percent(shown.value.loss.reduce((a, b) => a + b, 0))} of the root cross-section
              {labels.length === 0 && ': no root is cut'}.
            </p>
          </div>
          {labels.length > 0 && (
            <table className="w-full my-2" aria-label="Stages">
              <thead>
                <tr>
                  <th scope="col">stage</th>
                  <th scope="col">roots</th>
                  <th scope="col" className="text-right">
                    takes
                  </th>
                </tr>
              </thead>
              <tbody>
                {shown.value.loss.map((loss, s) => (
                  <tr key={s}>
                    <td className="py-1.5 whitespace-nowrap">
                      <strong>{s + 1}</strong>, {year + s * interval}
                    </td>
                    <td>{labels.filter((l) => shown.stages[l] === s + 1).join(', ') || 'none'}</td>
                    <td className="num text-right whitespace-nowrap">
                      {percent(loss)} of {percent(limits.stageLoss)}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </>
      )}
      {agreed ? (
        <div className="told my-2" data-testid="agreed">
          <p>
            <strong>Agreed.</strong> The crew sheet and the report follow this plan.
          </p>
          {agreed.broken.length > 0 && (
            <p className="text-harm">
              It breaks the present limits: {writeLengths(agreed.broken.join('; '), props.system)}.
            </p>
          )}
          {plan && plan.value.objective > agreed.value.objective + 1e-6 && (
            <p>
              The best plan of today frees {percent(plan.value.freed)} for{' '}
              {percent(plan.value.loss.reduce((a, b) => a + b, 0))}:{' '}
              {Object.keys(plan.stages).join(', ') || 'nothing is cut'}.
            </p>
          )}
          {!disabled && (
            <button type="button" className="link min-h-[44px]" onClick={props.onWithdraw}>
              Withdraw the agreement
            </button>
          )}
        </div>
      ) : (
        plan && (
          <div className="flex flex-wrap items-center gap-3 my-2">
            {!disabled && (
              <button type="button" className="act" disabled={stale} onClick={props.onAgree}>
                Agree this plan
              </button>
            )}
            {!disabled && labels.length > 0 && (
              <button type="button" className="quiet" onClick={props.onLeave}>
                Leave them all
              </button>
            )}
            <p className="text-sm text-muted basis-full" data-testid="proved">
              {plan.proved
                ? 'Proved: no other choice of roots and stages within these limits is better.'
                : `Time was up: at most ${Number.isFinite(plan.gap) ? percent(plan.gap) : 'an unknown share'} from the best.`}
              {assessment.better.length > 0 &&
                ` Better than what the dig proposes of ${assessment.better.join(', ')}: agree to it, and dig, crew sheet and report follow.`}
            </p>
          </div>
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
