'use client';

import { DayInput } from '../../../ui/controls/DayInput';
import { headOf, type Visit, type VisitHead } from '@undrel/core/records';
import {
  causesAnswered,
  clashesOf,
  looksFirst,
  plannedOf,
  type Operation,
  type Revision,
} from '@undrel/core/prescription';
import { dayAfter, inARow } from '@undrel/core/vocabulary';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { Entry } from '../../../ui/controls/Entry';
import { Changes } from '../../../ui/Changes';
import type { StationProps } from '../visitEntry';
import type { Assessment } from '@undrel/core/assessment';
import { judgedOf } from './judged';
import { Weighing } from './verdict/Cause';
import { CauseAnswers } from './prescription/CauseAnswers';
import { OperationEntry } from './prescription/OperationEntry';
import type { CaseHand } from '../../../device/useCase';

/** The day to come back that the prescribed operations ask for: the soonest of them. */
export function comeBack(
  operations: readonly Operation[],
  visit: Visit,
): { on: string; why: string } | undefined {
  const soonest = plannedOf(operations, visit)
    .flatMap((o) => (o.lookAgain ? [o.lookAgain] : []))
    .sort((a, b) => a.days - b.days)[0];
  if (!soonest) return undefined;
  return {
    on: dayAfter(visit.date, soonest.days),
    why: soonest.why,
  };
}

export function Prescription(props: StationProps) {
  const judged = judgedOf(props);
  return judged ? (
    <Weighed {...props} assessment={judged} />
  ) : (
    <Entry>
      <h1>Prescription</h1>
      <p className="text-lg my-2" data-testid="prescription-summary">
        {props.glance && summaryOf(props.glance.titles)}
      </p>
      <Weighing />
    </Entry>
  );
}

const summaryOf = (titles: readonly string[]): string =>
  titles.length === 0 ? 'Nothing prescribed.' : `${inARow(titles)}.`;

function Weighed(props: StationProps & { assessment: Assessment }) {
  const { visit, visitId, treeId, control, mayJudge, explanation } = props;
  const { operations, situation } = props.assessment;
  const planned = plannedOf(operations, visit);
  const clashes = clashesOf(planned, situation, props.closed);
  const waiting = explanation && looksFirst(situation, operations, explanation.decisions);
  const back = comeBack(operations, visit);
  const head = headOf(visit);
  return (
    <Entry>
      <h1>Prescription</h1>
      <p className="text-lg my-2" data-testid="prescription-summary">
        {summaryOf(planned.map((o) => o.title))}
      </p>
      <FromThePrescription treeId={treeId} visitId={visitId} />
      {clashes.map((clash) => (
        <p key={clash} role="alert" className="wrong my-2">
          {writeLengths(clash, props.system)}
        </p>
      ))}
      {/* Held back until all of it is there: what can be pressed below would move. */}
      {waiting ? (
        <>
          <div className="border-t-[1.5px] border-ink">
            {operations.map((operation) => (
              <OperationEntry
                key={operation.key}
                operation={operation}
                waitsFor={waiting.find((w) => w.operation === operation.key)}
                {...props}
              />
            ))}
          </div>
          <CauseAnswers
            answers={causesAnswered(situation, operations)}
            say={(text) => writeLengths(text, props.system)}
          />
          <LookAgain
            mayJudge={mayJudge}
            visit={visit}
            back={back}
            control={control}
            visitId={visitId}
            treeId={treeId}
            head={head}
          />
          {props.revision && <WhatChanged revision={props.revision} system={props.system} />}
        </>
      ) : (
        <Weighing />
      )}
    </Entry>
  );
}

function FromThePrescription({ treeId, visitId }: { treeId: string; visitId: string }) {
  return (
    <nav aria-label="From the prescription" className="flex flex-wrap gap-2 mb-3">
      <PageLink className="quiet" href={`/trees/${treeId}/options?visit=${visitId}`}>
        Costs: is it worth it?
      </PageLink>
      <PageLink className="quiet" href={`/trees/${treeId}/order?visit=${visitId}`}>
        Crew order
      </PageLink>
      <PageLink className="quiet" href={`/trees/${treeId}/schools?visit=${visitId}`}>
        Other schools
      </PageLink>
      <a className="quiet" href="#each-cause">
        What is done about each cause
      </a>
    </nav>
  );
}

function LookAgain({
  mayJudge,
  visit,
  back,
  control,
  visitId,
  treeId,
  head,
}: {
  mayJudge: boolean;
  visit: Visit;
  back: { on: string; why: string } | undefined;
  control: CaseHand;
  visitId: string;
  treeId: string;
  head: VisitHead;
}) {
  return (
    <section className="mt-5">
      <h2 className="mb-1">Look again</h2>
      <div className="flex flex-wrap items-end gap-2">
        <DayInput
          label="On"
          disabled={!mayJudge}
          min={visit.date}
          value={visit.lookAgain?.on ?? ''}
          onChange={(on) => {
            const lookAgain = on
              ? { on, why: visit.lookAgain?.why ?? back?.why ?? 'See how it does.' }
              : undefined;
            control.set('visit', visitId, treeId, { ...head, lookAgain });
          }}
        />
        {mayJudge && back && visit.lookAgain?.on !== back.on && (
          <button
            type="button"
            className="quiet"
            onClick={() => control.set('visit', visitId, treeId, { ...head, lookAgain: back })}
          >
            Use {back.on}
          </button>
        )}
      </div>
      <p className="mt-1">{visit.lookAgain?.why ?? back?.why}</p>
    </section>
  );
}

function WhatChanged({
  revision,
  system,
}: {
  revision: { since: string; revision: Revision };
  system: UnitSystem;
}) {
  return (
    <section className="mt-5" aria-label="What changed">
      <h2>Since the visit of {revision.since}</h2>
      {revision.revision.changes.length === 0 ? (
        <p>Prescribed as before.</p>
      ) : (
        <>
          <Changes changes={revision.revision.changes} say={(text) => writeLengths(text, system)} />
          {revision.revision.why.length > 0 && (
            <p className="mt-1 text-muted">
              What was found to differ: {writeLengths(revision.revision.why.join(' '), system)}
            </p>
          )}
        </>
      )}
    </section>
  );
}
