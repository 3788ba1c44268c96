'use client';

import { type Finding, idOf } from '@undrel/core/records';
import { memo } from 'react';
import { answersTo, answerTo, type Question } from '@undrel/core/questions';
import { enteredIn } from '@undrel/core/units';
import { Fold } from '../../../ui/Fold';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { Choice } from '../../../ui/controls/Choice';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { SectorAnswers } from '../../../ui/controls/SectorAnswers';
import type { StationProps } from '../visitEntry';
import { NumberInput } from '../../../ui/controls/NumberInput';
import { YearLengths } from './YearLengths';

/** As it is edited: in percent, to a tenth. */
const shareInPercent = (share: number | undefined) =>
  share === undefined ? undefined : Math.round(share * 1000) / 10;

/** The questions of a station, each in the way it is answered; what is met at few trees is folded away below. */
export function Questions({ questions, ...station }: StationProps & { questions: readonly Question[] }) {
  const seldom = questions.filter((q) => q.seldom);
  const answered = seldom.filter((q) => answersTo(station.visit.findings, q.key).length > 0).length;
  const entry = (question: Question) => <QuestionEntry key={question.key} question={question} {...station} />;
  return (
    <>
      {questions.filter((q) => !q.seldom).map(entry)}
      {seldom.length > 0 && (
        <Fold
          noted={answered > 0}
          summaryClass="min-h-[44px] flex items-center cursor-pointer font-semibold border-b border-hair"
          summary={`More, seldom met${answered > 0 ? ` (${answered} noted)` : ''}`}
        >
          {(open) => open && seldom.map(entry)}
        </Fold>
      )}
    </>
  );
}

type EntryProps = StationProps & { question: Question };

/** Whether a question looks and does the same: an edit elsewhere in the visit does not concern it. */
function asItWas(was: EntryProps, now: EntryProps): boolean {
  const { key } = now.question;
  const [before, after] = [answersTo(was.visit.findings, key), answersTo(now.visit.findings, key)];
  return (
    was.question === now.question &&
    was.visitId === now.visitId &&
    was.visit.date === now.visit.date &&
    was.tree.plantedYear === now.tree.plantedYear &&
    was.system === now.system &&
    was.mayMeasure === now.mayMeasure &&
    was.control.set === now.control.set &&
    was.control.setAll === now.control.setAll &&
    before.length === after.length &&
    before.every((finding, i) => finding === after[i])
  );
}

const QuestionEntry = memo(function QuestionEntry({
  question,
  control,
  visitId,
  visit,
  system,
  mayMeasure,
  tree,
}: EntryProps) {
  const write = (finding: Omit<Finding, 'key'>, part?: number) => {
    const id = idOf('finding', visitId, { key: question.key, part });
    const empty = finding.answer === undefined && finding.number === undefined;
    const note = answerTo(visit.findings, question.key, part)?.note;
    control.set('finding', id, visitId, empty ? null : { key: question.key, part, note, ...finding });
  };
  const disabled = !mayMeasure;
  const { key, ask } = question;
  const number = answerTo(visit.findings, key)?.number;
  switch (question.kind) {
    case 'grade':
      return <GradeEntry {...{ question, visit, system, disabled, write }} />;
    case 'sectors':
      return <SectorsEntry {...{ question, visit, visitId, control, disabled }} />;
    case 'percent':
      return (
        <NumberInput
          label={ask}
          unit="%"
          min={0}
          max={100}
          value={shareInPercent(number)}
          onChange={(percent) => write({ number: percent === undefined ? undefined : percent / 100 })}
          disabled={disabled}
        />
      );
    case 'number': {
      const { unit, min, max, kept, entered } = enteredIn(question, system);
      return (
        <NumberInput
          label={ask}
          unit={unit}
          min={min}
          max={max}
          value={number === undefined ? undefined : entered(number)}
          onChange={(next) => write({ number: next === undefined ? undefined : kept(next) })}
          disabled={disabled}
        />
      );
    }
    case 'length':
      return (
        <LengthInput
          className="py-2.5 border-b border-hair max-w-[16rem]"
          field={question.field}
          label={ask}
          system={system}
          value={number}
          onChange={(next) => write({ number: next })}
          disabled={disabled}
        />
      );
    case 'years':
      return (
        <YearLengths
          question={question}
          newest={Number(visit.date.slice(0, 4))}
          oldest={tree.plantedYear}
          values={answersTo(visit.findings, key)}
          onChange={(year, length) => write({ number: length }, year)}
          system={system}
          disabled={disabled}
        />
      );
  }
}, asItWas);

/** A grade of several, with where it was seen, and whether it is sure. */
function GradeEntry({
  question,
  visit,
  system,
  disabled,
  write,
}: Pick<EntryProps, 'visit' | 'system'> & {
  question: Extract<Question, { kind: 'grade' }>;
  disabled: boolean;
  write: (finding: Omit<Finding, 'key'>) => void;
}) {
  const { answer, bearing, height, unsure } = answerTo(visit.findings, question.key) ?? {};
  const seen = question.placed && answer !== undefined && answer !== 'none';
  return (
    <Choice
      label={question.ask}
      hint={question.hint}
      options={question.answers}
      value={answer}
      onChange={(next) => write(next === 'none' ? { answer: next } : { answer: next, bearing, height })}
      disabled={disabled}
      unsure={answer === undefined ? undefined : unsure === true}
      onUnsure={(next) => write({ answer, bearing, height, unsure: next || undefined })}
    >
      {seen && (
        <div className="flex gap-4 mt-2">
          <BearingInput
            className="w-36"
            label="Side"
            value={bearing}
            onChange={(side) => write({ answer, bearing: side, height, unsure })}
            disabled={disabled}
          />
          <LengthInput
            className="w-44"
            field="woundHeight"
            label="Height above grade"
            system={system}
            value={height}
            onChange={(metres) => write({ answer, bearing, height: metres, unsure })}
            disabled={disabled}
          />
        </div>
      )}
    </Choice>
  );
}

/** An answer for each eighth of the crown. */
function SectorsEntry({
  question,
  visit,
  visitId,
  control,
  disabled,
}: Pick<EntryProps, 'visit' | 'visitId' | 'control'> & {
  question: Extract<Question, { kind: 'sectors' }>;
  disabled: boolean;
}) {
  const given = answersTo(visit.findings, question.key);
  return (
    <SectorAnswers
      label={question.ask}
      hint={question.hint}
      options={question.answers}
      values={Array.from({ length: 8 }, (_, part) => given.find((f) => f.part === part)?.answer)}
      disabled={disabled}
      onChange={(sectors, answer) =>
        control.setAll(
          sectors.map((part) => ({
            kind: 'finding',
            id: idOf('finding', visitId, { key: question.key, part }),
            parent: visitId,
            values: answer === undefined ? null : { key: question.key, part, answer },
          })),
        )
      }
    />
  );
}
