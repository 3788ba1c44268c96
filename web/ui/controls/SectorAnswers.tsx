'use client';

import type { KeyboardEvent } from 'react';
import { SECTORS } from '@undrel/core/questions';
import type { Option } from './Choice';
import { Pressed } from './Pressed';

/** The arrow keys go from side to side, round the compass; Enter ticks as space does. */
function alongTheRow(event: KeyboardEvent<HTMLElement>): void {
  const side = event.target as HTMLInputElement;
  if (event.key === 'Enter') {
    event.preventDefault();
    return side.click();
  }
  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
  if (step === undefined) return;
  const row = [...event.currentTarget.querySelectorAll('input')];
  const at = row.indexOf(side);
  event.preventDefault();
  row[(at + step + row.length) % row.length]!.focus();
}

/** One answer for each of eight sides: a row for each answer, a button for each side. */
export function SectorAnswers(props: {
  label: string;
  hint?: string;
  options: readonly Option[];
  /** Answer by sector, from north clockwise. */
  values: readonly (string | undefined)[];
  onChange: (sectors: readonly number[], answer: string | undefined) => void;
  disabled?: boolean;
}) {
  return (
    <fieldset className="py-2.5 border-b border-hair">
      <legend className="float-left w-full mb-1 font-semibold">{props.label}</legend>
      {props.hint && <p className="clear-both text-sm text-muted -mt-0.5 mb-1">{props.hint}</p>}
      <div className="clear-both space-y-1.5">
        {props.options.map((option) => (
          <div key={option.key} className="flex flex-wrap items-center gap-x-2">
            <button
              type="button"
              disabled={props.disabled}
              className="min-h-[44px] w-28 text-left underline decoration-hair underline-offset-4"
              aria-label={`${props.label}: ${option.label} on every side`}
              onClick={() => props.onChange([0, 1, 2, 3, 4, 5, 6, 7], option.key)}
            >
              {option.label}
            </button>
            <div
              role="group"
              aria-label={`${props.label}: ${option.label}`}
              className="grid grid-cols-8 flex-1 max-w-[22.5rem] min-w-[17.5rem]"
              onKeyDown={alongTheRow}
            >
              {SECTORS.map((sector, i) => (
                <Pressed
                  key={sector}
                  type="checkbox"
                  shown={sector}
                  aria-label={`${option.label}, ${sector}`}
                  className="min-w-0 -ml-px text-sm has-checked:font-bold"
                  // One stop of the tab key for a row; the arrows go along it.
                  tabIndex={i === 0 ? 0 : -1}
                  checked={props.values[i] === option.key}
                  disabled={props.disabled}
                  onChange={({ target }) => props.onChange([i], target.checked ? option.key : undefined)}
                />
              ))}
            </div>
          </div>
        ))}
      </div>
    </fieldset>
  );
}
