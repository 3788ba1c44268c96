'use client';

import { PRACTICE_NOTE, type CauseVerdict } from '@undrel/core/diagnosis';
import { causesAnswered } from '@undrel/core/prescription';
import { writeLengths } from '@undrel/core/units';
import type { Assessment } from '@undrel/core/assessment';
import type { StationProps } from '../visitEntry';
import { judgedOf } from './judged';
import { Cause, Weighing } from './verdict/Cause';
import { FoundBefore, News } from './verdict/FoundBefore';
import { ChangeOfMind, NextChecks } from './verdict/NextChecks';
import { TreatOrLook } from './verdict/TreatOrLook';
import { SinceWhen } from './verdict/SinceWhen';
import { ForTheClient, Opinion } from './verdict/Opinion';

/** Which causes, how sure, what led to what, what to look at next, and what would change it. */
export function Verdict(props: StationProps) {
  const judged = judgedOf(props);
  return judged ? (
    <Weighed {...props} assessment={judged} />
  ) : (
    <div>
      <h1>Verdict</h1>
      <p className="text-xl leading-snug my-3" data-testid="verdict-summary">
        {props.glance?.summary}
      </p>
      <Weighing />
    </div>
  );
}

function Weighed(props: StationProps & { assessment: Assessment }) {
  const { system, goTo, explanation, visit } = props;
  const { verdict, profile, memory, operations, situation } = props.assessment;
  const answers = causesAnswered(situation, operations);
  const told = [...profile.missing, ...profile.problems.map((p) => p.message)];
  const shown = verdict.causes.filter((c) => c.standing !== 'unlikely' && c.standing !== 'unexamined');
  const rest = verdict.causes.filter((c) => !shown.includes(c));
  const line = (cause: CauseVerdict) => (
    <Cause
      key={cause.cause}
      cause={cause}
      reasons={explanation?.causes.find((c) => c.cause === cause.cause)}
      answer={answers.find((a) => a.node === cause.cause)?.text}
      own={visit.opinion?.cause === cause.cause}
      system={system}
      goTo={goTo}
    />
  );
  return (
    <div>
      <h1>Verdict</h1>
      {verdict.danger && (
        <p className="wrong text-xl font-bold leading-snug my-3" data-testid="danger">
          {verdict.danger.text}
        </p>
      )}
      <p className="text-xl leading-snug my-3" data-testid="verdict-summary">
        {verdict.danger ? verdict.summary.slice(verdict.danger.text.length).trim() : verdict.summary}
      </p>
      {told.length > 0 && (
        <div className="wrong my-3">
          {told.map((message) => (
            <p key={message}>{writeLengths(message, system)}</p>
          ))}
        </div>
      )}
      <News memory={memory} />
      <section aria-label="Causes" className="border-t-[1.5px] border-ink">
        {shown.map(line)}
        <details className="border-b-[1.5px] border-ink">
          <summary className="py-2.5 cursor-pointer min-h-[44px]">
            {rest.length} more, unlikely or not examined
          </summary>
          <div className="border-t border-hair">{rest.map(line)}</div>
        </details>
      </section>
      <FoundBefore memory={memory} />
      {verdict.chain.length > 0 && <WhatLedToWhat chain={verdict.chain} />}
      {/* Held back until all of it is there: what can be pressed below would move. */}
      {explanation ? (
        <>
          <section className="mt-5">
            <h2>Check next</h2>
            <NextChecks explanation={explanation} goTo={goTo} />
          </section>
          <section className="mt-5" aria-labelledby="treat-or-look">
            <h2 id="treat-or-look">Treat, or look first?</h2>
            <TreatOrLook decisions={explanation.decisions} goTo={goTo} />
          </section>
          <SinceWhen {...props} />
          <section className="mt-5">
            <h2>What would change my mind</h2>
            <ChangeOfMind explanation={explanation} system={system} />
          </section>
          <section className="mt-5">
            <h2>The consultant’s own judgement</h2>
            <Opinion {...props} />
          </section>
          <section className="mt-5">
            <h2>For the client</h2>
            <ForTheClient {...props} verdict={verdict} />
          </section>
          <AboutTheTable verdict={verdict} />
        </>
      ) : (
        <Weighing />
      )}
    </div>
  );
}

function WhatLedToWhat({ chain }: { chain: Assessment['verdict']['chain'] }) {
  return (
    <section className="mt-5">
      <h2>What led to what</h2>
      <ol>
        {chain.map((step) => (
          <li key={step.mechanism} className="py-1 pl-6 relative">
            <span aria-hidden="true" className="absolute left-0">
              ↳
            </span>
            {step.text}
          </li>
        ))}
      </ol>
    </section>
  );
}

function AboutTheTable({ verdict }: { verdict: Assessment['verdict'] }) {
  return (
    <p className="text-sm text-muted mt-4">
      {PRACTICE_NOTE} The notch on a bar is where it stood before anything was examined; 10 dB (decibans)
      makes the odds ten times as good. Table <span className="num">{verdict.table}</span>, engine{' '}
      <span className="num">{verdict.engine}</span>; <a href="/practice/judgements">the table</a>.
    </p>
  );
}
