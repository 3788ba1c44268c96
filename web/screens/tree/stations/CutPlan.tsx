'use client';

import { type CutDesign, type Dig, idOf } from '@undrel/core/records';
import { useMemo, useState, type ReactNode } from 'react';
import { stemRate, type Forecast } from '@undrel/core/growth';
import { withAge } from '@undrel/core/history';
import { isStressed, missingForCuts, type Way, type CutAssessment } from '@undrel/core/pruning';
import { isMapped, readDig } from '@undrel/core/roots';
import { Said } from '../../../ui/Said';
import { DRAWING_PANE, EntryColumn } from '../EntryColumn';
import { Entry } from '../../../ui/controls/Entry';
import { CutLimits, LimitPrices } from '../cuts/CutLimits';
import { CutPlanView } from '../cuts/CutPlanView';
import { momentsOf, scenariosOf } from '../cuts/moments';
import { CutRoots } from '../cuts/CutRoots';
import { useCuts, type CutState } from '../cuts/useCuts';
import { useForecast } from '../dig/useForecast';
import type { StationProps } from '../visitEntry';
import { Alternatives, Outcome } from '../cuts/CutOutcome';
import { WhatItBuys } from '../cuts/WhatItBuys';

const NONE: CutDesign = {};
const EMPTY: Dig = { measuredFrom: 'bark', north: 'true', roots: [] };
/** Which roots go and when: the best plan within the limits, what each limit costs, and what the plan buys. */
export function CutPlan({ foot, ...station }: StationProps & { foot: ReactNode }) {
  const { visit, visits, system, house } = station;
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
  const { assessment, working, problem } = cuts;
  const [at, setAt] = useState(0);
  const shown = assessment?.agreed ?? assessment?.plan;
  const interval = assessment?.interval ?? 1;
  const scenarios = useMemo(() => scenariosOf(shown, interval), [shown, interval]);
  const { forecast } = useForecast(tree, mapped ? dig : undefined, stem, scenarios);
  const moments = useMemo(() => momentsOf(shown, interval, visit.date), [shown, interval, visit.date]);
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
            settled={assessment !== undefined || problem !== undefined || cuts.stopped || missing.length > 0}
            system={system}
          />
        )}
      </div>
      <EntryColumn foot={foot}>
        <Entry>
          <div className="flex gap-x-5">
            <CutsHead problem={problem} cuts={cuts} working={working} assessment={assessment} />
          </div>
          {missing.length > 0 && (
            <div className="told my-2" data-testid="cuts-missing">
              <p>Missing: {missing.join('; ')}.</p>
              <button type="button" className="link min-h-[44px]" onClick={() => station.goTo('dig')}>
                Go to the dig
              </button>
            </div>
          )}
          {assessment && <Planned {...{ station, cuts, assessment, forecast }} />}
        </Entry>
      </EntryColumn>
    </>
  );
}

function CutsHead({
  problem,
  cuts,
  working,
  assessment,
}: {
  problem: string | undefined;
  cuts: CutState;
  working: boolean;
  assessment: CutAssessment | undefined;
}) {
  return (
    <>
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
    </>
  );
}

/** The plan with what it buys, root by root, and the limits it keeps to. */
function Planned({
  station,
  cuts,
  assessment,
  forecast,
}: {
  station: StationProps;
  cuts: ReturnType<typeof useCuts>;
  assessment: CutAssessment;
  forecast: Forecast | undefined;
}) {
  const { control, visitId, visit, system, mayJudge } = station;
  const { stale, working } = cuts;
  const design = visit.cuts ?? NONE;
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
        onLetGo={(labels) => set({ locks: design.locks?.filter((l) => !labels.includes(l.label)) }, 'locks')}
      />
      <WhatItBuys forecast={forecast} visit={visit} />
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
        Cutting or exposing roots can free a tree to fall: have its stability assessed by a qualified person
        first, keep the target area clear, not in high wind or on saturated ground. Local codes and closed
        seasons come first.
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
  );
}
