'use client';

import { type CutDesign, type Dig, idOf } from '@undrel/core/records';
import dynamic from 'next/dynamic';
import { useMemo, useState, type ReactNode } from 'react';
import { stemRate, type Scenario } from '@undrel/core/growth';
import { withAge } from '@undrel/core/history';
import { isStressed, missingForCuts, type CutAssessment, type Way } from '@undrel/core/pruning';
import { isMapped, readDig } from '@undrel/core/roots';
import { writeLengths, type UnitSystem, percent } from '@undrel/core/units';
import { Said } from '../../../ui/Said';
import { DRAWING_PANE, EntryColumn } from '../EntryColumn';
import { Entry } from '../../../ui/controls/Entry';
import { CutLimits, LimitPrices } from '../cuts/CutLimits';
import { CutPlanView, type Moment } from '../cuts/CutPlanView';
import { CutRoots } from '../cuts/CutRoots';
import { useCuts } from '../cuts/useCuts';
import { useForecast } from '../dig/useForecast';
import type { StationProps } from '../visitEntry';

const ForecastChart = dynamic(() => import('../dig/ForecastChart').then((m) => m.ForecastChart), {
  ssr: false,
});

const NONE: CutDesign = {};
const EMPTY: Dig = { measuredFrom: 'bark', north: 'true', roots: [] };
/** Years on at which the plan is looked at with and without it. */
const LATER = 10;
/** Years from now of each cut. */
const yearsOf = (way: Way | undefined, interval: number): Record<string, number> =>
  Object.fromEntries(
    Object.entries(way?.stages ?? {}).map(([label, stage]) => [label, (stage - 1) * interval]),
  );

/** Which roots go and when: the best plan within the limits, what each limit costs, and what the plan buys. */
export function CutPlan({ foot, ...station }: StationProps & { foot: ReactNode }) {
  const { control, visitId, visit, visits, system, house, mayJudge } = station;
  const tree = useMemo(() => withAge(station.tree, visit), [station.tree, visit]);
  const design = visit.cuts ?? NONE;
  const dig = visit.dig ?? EMPTY;
  const missing = missingForCuts(tree, visit.dig);
  const mapped = isMapped(dig);
  const stem = useMemo(() => stemRate(tree, visits, house.species), [tree, visits, house]);
  const stressed = useMemo(() => isStressed(visit), [visit]);
  const reading = useMemo(() => readDig(tree, dig), [tree, dig]);
  const cuts = useCuts(
    mapped ? { tree, date: visit.date, dig, stem, design, firm: house, stressed } : undefined,
  );
  const { assessment, stale, working, problem } = cuts;
  const [at, setAt] = useState(0);
  const shown = assessment?.agreed ?? assessment?.plan;
  const interval = assessment?.interval ?? 1;
  const scenarios = useMemo<Scenario[]>(() => {
    const years = yearsOf(shown, interval);
    return [
      { name: 'nothing done', cuts: {} },
      ...(Object.keys(years).length > 0 ? [{ name: 'with the plan', cuts: years }] : []),
    ];
  }, [shown, interval]);
  const { forecast } = useForecast(tree, mapped ? dig : undefined, stem, scenarios);
  const moments = useMemo<Moment[]>(() => {
    const years = yearsOf(shown, interval);
    const stages = [...new Set(Object.values(shown?.stages ?? {}))].sort((a, b) => a - b);
    const first = Number(visit.date.slice(0, 4));
    return [
      ...(stages.length === 0 ? [{ label: 'today', years: 0, cuts: {} }] : []),
      // Roots that go in a stage are still there when it is looked at, with their cuts numbered.
      ...stages.map((stage) => ({
        label: `stage ${stage}, ${first + (stage - 1) * interval}`,
        years: (stage - 1) * interval,
        cuts: Object.fromEntries(Object.entries(years).filter(([l]) => shown!.stages[l]! < stage)),
        stage,
      })),
      { label: `${first + LATER}, with the plan`, years: LATER, cuts: years },
      { label: `${first + LATER}, left as it is`, years: LATER, cuts: {} },
    ];
  }, [shown, interval, visit.date]);
  const set = (change: Partial<CutDesign>, field: string) =>
    control.set('cuts', idOf('cuts', visitId), visitId, { ...design, ...change }, field);
  const agree = (way: Way | undefined) =>
    set(
      {
        agreed: way && Object.entries(way.stages).map(([label, stage]) => ({ label, stage })),
      },
      'agreed',
    );
  return (
    <>
      <div className={`${DRAWING_PANE} bg-paper`}>
        {!mapped && (
          <p className="p-8 text-muted">
            The roots that are mapped at the dig are drawn here with their cuts.
          </p>
        )}
        {mapped && (
          <CutPlanView
            dig={dig}
            reading={reading}
            stem={stem}
            tree={tree}
            roots={assessment?.roots ?? []}
            moments={moments}
            at={Math.min(at, moments.length - 1)}
            onAt={setAt}
            system={system}
          />
        )}
      </div>
      <EntryColumn foot={foot}>
        <Entry>
          <div className="flex gap-x-5">
            <h1>Cut plan</h1>
            <Said
              className="flex-1"
              problem={
                problem && (
                  <>
                    The cut plan could not be made: {problem}{' '}
                    <button type="button" className="link" onClick={cuts.again}>
                      Try again
                    </button>
                  </>
                )
              }
              told={
                working ? (
                  <span className="flex gap-3 items-center">
                    Comparing every choice of roots…
                    <button type="button" className="link min-h-[44px]" onClick={cuts.cancel}>
                      Cancel
                    </button>
                  </span>
                ) : (
                  cuts.stopped && (
                    <>
                      {assessment ? 'Stopped: the plan below is from before the last entry. ' : 'Stopped. '}
                      <button type="button" className="link min-h-[44px]" onClick={cuts.again}>
                        Make the plan
                      </button>
                    </>
                  )
                )
              }
            />
          </div>
          {missing.length > 0 && (
            <div className="told my-2" data-testid="cuts-missing">
              <p>Missing: {missing.join('; ')}.</p>
              <button type="button" className="link min-h-[44px]" onClick={() => station.goTo('dig')}>
                Go to the dig
              </button>
            </div>
          )}
          {assessment && (
            <div aria-busy={working}>
              <Outcome
                assessment={assessment}
                year={Number(visit.date.slice(0, 4))}
                system={system}
                disabled={!mayJudge}
                stale={stale}
                onAgree={() => agree(assessment.plan)}
                onLeave={() => set({ agreed: [] }, 'agreed')}
                onWithdraw={() => agree(undefined)}
                onEase={(limits) => set({ limits: { ...design.limits, ...limits } }, 'limits')}
                onLetGo={(labels) =>
                  set({ locks: design.locks?.filter((l) => !labels.includes(l.label)) }, 'locks')
                }
              />
              <section className="my-4 min-h-[20rem] lg:min-h-[17rem]" aria-label="What it buys">
                <h2>What it buys</h2>
                {forecast ? (
                  <>
                    <div className="h-44">
                      <ForecastChart
                        scenarios={forecast.scenarios}
                        from={Number(visit.date.slice(0, 4))}
                        year={LATER}
                        onYear={() => undefined}
                      />
                    </div>
                    <p>
                      In ten years {band(forecast.scenarios[0]!, LATER)} of the bark is compressed if nothing
                      is done
                      {forecast.scenarios[1] && `, ${band(forecast.scenarios[1], LATER)} with the plan`};
                      middle and 10 to 90% of {forecast.draws} draws.
                    </p>
                  </>
                ) : (
                  <p className="text-muted">Working out the forecast…</p>
                )}
              </section>
              <CutRoots
                assessment={assessment}
                design={design}
                system={system}
                disabled={!mayJudge}
                onHold={(label, lock) => {
                  const others = (design.locks ?? []).filter((l) => l.label !== label);
                  const locks = lock ? [...others, lock] : others;
                  set({ locks: locks.length > 0 ? locks : undefined }, `locks.${label}`);
                }}
              />
              <CutLimits
                design={design}
                assessment={assessment}
                system={system}
                disabled={!mayJudge}
                onChange={set}
              />
              <p className="text-sm text-muted my-3">
                Cutting or exposing roots can free a tree to fall: have its stability assessed by a qualified
                person first, keep the target area clear, not in high wind or on saturated ground. Local codes
                and closed seasons come first.
              </p>
              {cuts.alternatives.length > 0 && (
                <Alternatives
                  ways={cuts.alternatives}
                  plan={assessment.plan!}
                  disabled={!mayJudge}
                  stale={stale}
                  onTake={agree}
                />
              )}
              {assessment.plan && <LimitPrices prices={cuts.prices} pricing={cuts.pricing} system={system} />}
            </div>
          )}
        </Entry>
      </EntryColumn>
    </>
  );
}

const band = ({ p10, p50, p90 }: { p10: number[]; p50: number[]; p90: number[] }, year: number) =>
  `${percent(p50[year]!)} (${percent(p10[year]!)} to ${percent(p90[year]!)})`;

/** The answer: what the plan frees and takes, stage by stage; or what clashes and the least that would have to give. */
function Outcome(props: {
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
function Alternatives(props: {
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
