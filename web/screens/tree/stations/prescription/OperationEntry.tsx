'use client';

import { DayInput } from '../../../../ui/controls/DayInput';
import { withTerms } from '@undrel/core/vocabulary';
import { Hinted } from '../../../../ui/Hinted';
import { useState } from 'react';
import { idOf, type Decision, type Visit } from '@undrel/core/records';
import { MATTERS } from '@undrel/core/practice';
import {
  amountsDone,
  dateProblems,
  HOLD_POINTS,
  isTaken,
  nextOpenDay,
  stagesOf,
  type LookFirst,
  type Operation,
  type SchoolUse,
} from '@undrel/core/prescription';
import { tradeLengths, writeLengths, type UnitSystem } from '@undrel/core/units';
import { Said } from '../../../../ui/Said';
import { QuantityList } from '../../../../ui/controls/QuantityList';
import { CHOSEN_BY } from '../../../../ui/chosenBy';
import { ADVICE, Decide } from './Decide';
import type { StationProps } from '../../visitEntry';
import { Select } from '../../../../ui/controls/Select';

export function OperationEntry(props: StationProps & { operation: Operation; waitsFor?: LookFirst }) {
  const { operation, waitsFor, visit, visitId, control, system, mayJudge } = props;
  const taken = isTaken(operation, visit.decisions);
  const decision = visit.decisions.find((d) => d.operation === operation.key);
  const decisionId = idOf('decision', visitId, { operation: operation.key });
  const decide = (change: Partial<Decision>) =>
    control.set('decision', decisionId, visitId, {
      operation: operation.key,
      taken,
      ...(decision?.on && { on: decision.on }),
      wording: decision?.wording,
      ...change,
    });
  const say = (sentence: string) => writeLengths(sentence, system);
  return (
    <article className="border-b-[1.5px] border-ink py-3" aria-label={operation.title}>
      <div className="flex items-start justify-between gap-3">
        <h2>{operation.title}</h2>
        <span className={operation.advice === 'do' ? 'font-bold text-todo' : 'text-muted'}>
          {ADVICE[operation.advice]}
        </span>
      </div>
      <p className="my-1">
        <Hinted pieces={withTerms(say(operation.summary), new Set())} />
      </p>
      {operation.why.length > 0 && <p className="text-muted">Because: {say(operation.why.join('; '))}.</p>}
      {waitsFor && (
        <p className="told my-1">
          <strong>Look first: {waitsFor.look.about}.</strong> {waitsFor.text}{' '}
          <button type="button" className="link" onClick={() => props.goTo(waitsFor.look.station)}>
            Go and look
          </button>
        </p>
      )}
      <WorkOnSite visit={visit} operation={operation} system={system} />
      <Decide
        advice={operation.advice}
        taken={taken}
        decided={decision !== undefined}
        mayJudge={mayJudge}
        decide={decide}
        undecide={() => control.set('decision', decisionId, visitId, null)}
      />
      {operation.against.map((line) => (
        <p key={line} className="wrong my-1">
          Speaks against it: {say(line)}
        </p>
      ))}
      {operation.missing.length > 0 && (
        <p className="wrong my-1">Not measured: {operation.missing.join(', ')}.</p>
      )}
      {taken && (
        <Taken
          operation={operation}
          system={system}
          say={say}
          props={props}
          decision={decision}
          mayJudge={mayJudge}
          decide={decide}
        />
      )}
    </article>
  );
}

/** The day the work is planned for; a closed season or a wrong time of year is said with the next day that is open. */
function PlannedFor(
  props: StationProps & {
    operation: Operation;
    on: string | undefined;
    disabled: boolean;
    onChange: (on: string) => void;
    label?: string;
  },
) {
  const { operation, on, tree, closed, visit, disabled, onChange } = props;
  const problems = on ? dateProblems(operation, tree.species, on, closed) : [];
  const next = problems.length > 0 ? nextOpenDay(operation, tree.species, on!, closed) : undefined;
  return (
    <div className="mt-2 flex items-end gap-3">
      <DayInput
        label={props.label ?? 'Planned for'}
        disabled={disabled}
        min={visit.date}
        value={on ?? ''}
        invalid={problems.length > 0}
        onChange={onChange}
      />
      <Said
        className="flex-1 min-w-[9rem]"
        lines={3}
        problem={
          problems.length > 0 && (
            <>
              {problems.map((problem) => (
                <p key={problem}>{problem}</p>
              ))}
              {next && !disabled && (
                <button type="button" className="link text-left" onClick={() => onChange(next)}>
                  Use {next}, the next day that is open
                </button>
              )}
            </>
          )
        }
      />
    </div>
  );
}

/** The days of the later stages of an agreed cut plan. */
function LaterStages(props: StationProps & { operation: Operation }) {
  const { visit, visitId, control, mayJudge } = props;
  const days = visit.cuts?.days ?? [];
  const set = (stage: number, on: string) => {
    const others = days.filter((d) => d.stage !== stage);
    const next = on ? [...others, { stage, on }].sort((a, b) => a.stage - b.stage) : others;
    control.set('cuts', idOf('cuts', visitId), visitId, {
      ...visit.cuts,
      days: next.length > 0 ? next : undefined,
    });
  };
  return stagesOf(visit)
    .filter(({ stage }) => stage > 1)
    .map(({ stage, year, on }) => (
      <PlannedFor
        key={stage}
        {...props}
        label={`Stage ${stage}, ${on ? on.slice(0, 4) : year}, planned for`}
        on={on}
        disabled={!mayJudge}
        onChange={(day) => set(stage, day)}
      />
    ));
}

function List({ title, lines, harm }: { title: string; lines: readonly string[]; harm?: boolean }) {
  return (
    <div className={harm ? 'wrong mt-2' : 'mt-2'}>
      <h3 className="font-semibold">{title}</h3>
      <ul className="list-disc pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </div>
  );
}

function Wording(props: { value: string; disabled: boolean; onChange: (text: string) => void }) {
  const [typed, setTyped] = useState<string | undefined>(undefined);
  return (
    <label className="block mt-2">
      <span className="text-sm">In your words, for the report</span>
      <textarea
        className="w-full"
        rows={2}
        disabled={props.disabled}
        value={typed ?? props.value}
        onBlur={() => setTyped(undefined)}
        onChange={(event) => {
          setTyped(event.target.value);
          props.onChange(event.target.value);
        }}
      />
    </label>
  );
}

/** Schools of practice the operation follows; one may be chosen for this tree alone. */
function Schools({
  operation,
  tree,
  treeItem,
  treeId,
  control,
  mayJudge,
  system,
}: StationProps & { operation: Operation; system: UnitSystem }) {
  const choose = (use: SchoolUse, school: string) => {
    const schools = { ...tree.schools };
    if (school === '') delete schools[use.matter];
    else schools[use.matter] = school;
    control.set('tree', treeId, treeItem.parent, {
      ...tree,
      schools: Object.keys(schools).length > 0 ? schools : undefined,
    });
  };
  if (operation.schools.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="min-h-[44px] flex items-center cursor-pointer text-todo underline underline-offset-4">
        Schools of practice followed ({operation.schools.length})
      </summary>
      {operation.schools.map((use) => (
        <div key={use.matter} className="py-1">
          <Select
            label={
              <>
                {use.matterLabel} <span className="text-muted">({CHOSEN_BY[use.chosenBy]})</span>
              </>
            }
            disabled={!mayJudge}
            options={(MATTERS.find((m) => m.key === use.matter)?.schools ?? []).map(({ key, label }) => ({
              key,
              label: tradeLengths(label, system),
            }))}
            empty={
              use.chosenBy === 'tree'
                ? 'none of its own'
                : `none of its own: ${tradeLengths(use.label, system)}`
            }
            value={tree.schools?.[use.matter]}
            onChange={(school) => choose(use, school ?? '')}
          />
          {use.warning && <p className="wrong text-sm mt-1">{use.warning}</p>}
        </div>
      ))}
    </details>
  );
}

function WorkOnSite({
  visit,
  operation,
  system,
}: {
  visit: Visit;
  operation: Operation;
  system: UnitSystem;
}) {
  return (
    <>
      {(visit.work ?? [])
        .filter((w) => w.step.replace(/-[2-5]$/, '') === operation.key)
        .map((w) => (
          <p key={w.step} className="told my-1">
            <strong>
              On site: {w.how}
              {w.step === operation.key ? '' : `, stage ${w.step.slice(-1)}`}
            </strong>
            , {w.on}
            {w.by && ` by ${w.by}`}
            {w.amounts && `: ${amountsDone(w, operation, system)}`}
            {w.note && `. ${w.note}`}
          </p>
        ))}
    </>
  );
}

function Taken({
  operation,
  system,
  say,
  props,
  decision,
  mayJudge,
  decide,
}: {
  operation: Operation;
  system: UnitSystem;
  say: (sentence: string) => string;
  props: StationProps & { operation: Operation; waitsFor?: LookFirst };
  decision: Decision | undefined;
  mayJudge: boolean;
  decide: (change: Partial<Decision>) => void;
}) {
  return (
    <>
      {operation.quantities.length > 0 && (
        <div className="my-1">
          <QuantityList quantities={operation.quantities} system={system} ruled />
        </div>
      )}
      <List title="Cautions" lines={operation.cautions.map(say)} harm />
      <List title="Method" lines={operation.method.map(say)} />
      <List title="Done properly when" lines={operation.acceptance.map(say)} />
      {operation.first.length > 0 && (
        <List title="Before it" lines={operation.first.map((hold) => HOLD_POINTS[hold])} />
      )}
      <p className="mt-2">
        <strong>When:</strong> {operation.season}
      </p>
      <PlannedFor
        {...props}
        on={decision?.on}
        disabled={!mayJudge}
        onChange={(on) => decide({ on: on || undefined })}
      />
      {operation.key === 'prune' && <LaterStages {...props} />}
      <p className="mt-2">
        <strong>Risks:</strong> {operation.risks.join(' ')}
      </p>
      <p className="mt-1">
        <strong>Afterwards:</strong> {operation.followUp}
      </p>
      <Schools {...props} />
      <Wording
        value={decision?.wording ?? ''}
        disabled={!mayJudge}
        onChange={(wording) => decide({ wording: wording || undefined })}
      />
    </>
  );
}
