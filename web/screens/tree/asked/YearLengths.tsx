'use client';

import type { Question } from '@undrel/core/questions';
import type { Finding } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { LengthInput, unitOf } from '../../../ui/controls/LengthInput';
import { moveByKeys } from '../../../ui/controls/moveByKeys';

const YEARS = 8;

/** Twig extension by year, newest first, with its bars beside it. */
export function YearLengths(props: {
  question: Question & { kind: 'years' };
  newest: number;
  oldest: number | undefined;
  values: readonly Finding[];
  onChange: (year: number, metres: number | undefined) => void;
  system: UnitSystem;
  disabled?: boolean;
}) {
  const read = props.values.map((f) => f.part!).filter((year) => year < props.newest - YEARS);
  const years = [
    ...Array.from({ length: YEARS }, (_, i) => props.newest - 1 - i),
    ...read.sort((a, b) => b - a),
  ].filter((year, i, all) => all.indexOf(year) === i && (props.oldest === undefined || year >= props.oldest));
  const longest = Math.max(0.001, ...props.values.map((f) => f.number ?? 0));
  return (
    <fieldset className="py-2.5">
      <legend className="float-left w-full font-semibold">
        {props.question.ask}{' '}
        <span className="font-normal text-muted">({unitOf(props.question.field, props.system)})</span>
      </legend>
      <p className="clear-both text-sm text-muted mb-1">{props.question.hint}</p>
      <div onKeyDown={moveByKeys}>
        {years.map((year) => {
          const value = props.values.find((f) => f.part === year)?.number;
          return (
            <div key={year} className="grid grid-cols-[3.5rem_6rem_1fr] items-center gap-2">
              <span className="num">{year}</span>
              <LengthInput
                field={props.question.field}
                label={`${props.question.ask.replace(' by year', '')} ${year}`}
                hideLabel
                cell={`${props.question.key}-${year}`}
                system={props.system}
                value={value}
                onChange={(metres) => props.onChange(year, metres)}
                disabled={props.disabled}
              />
              <span
                className="block h-4 bg-ink"
                style={{ width: `${(100 * (value ?? 0)) / longest}%` }}
                aria-hidden="true"
              />
            </div>
          );
        })}
      </div>
    </fieldset>
  );
}
