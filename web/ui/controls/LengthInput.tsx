'use client';

import { useId, useState, type KeyboardEvent } from 'react';
import {
  decimalsFor,
  longUnit,
  METRES_PER,
  readLength,
  shortUnit,
  tidy,
  type LengthField,
  type LengthUnit,
  type UnitSystem,
} from '@undrel/core/units';
import { NotedInput } from './NotedInput';
import { textAgain } from './typedAhead';

const LONG: readonly LengthField[] = ['height', 'crownRadius', 'mulchRoom', 'position', 'siteDistance'];

/** Read from a ruler in every country. */
const IN_MILLIMETRES: readonly LengthField[] = ['ringWidth', 'printedSide'];

/** The unit a field is shown and typed in. */
export const unitOf = (field: LengthField, system: UnitSystem): LengthUnit =>
  IN_MILLIMETRES.includes(field) ? 'mm' : LONG.includes(field) ? longUnit(system) : shortUnit(system);

/** A stored length as it is edited: in the field's unit, to a tenth of what a tape gives. */
export function lengthText(metres: number | undefined, unit: LengthUnit): string {
  if (metres === undefined) return '';
  const value = metres / METRES_PER[unit];
  const places = unit === 'm' || unit === 'ft' ? 2 : 1;
  const text = tidy(value, places);
  return String(Number(text)).length < text.length
    ? String(Number(text))
    : tidy(value, decimalsFor(10 ** -places));
}

interface LengthInputProps {
  field: LengthField;
  label: string;
  system: UnitSystem;
  value: number | undefined;
  onChange: (metres: number | undefined) => void;
  hideLabel?: boolean;
  /** In a table: no box of its own, the cell's line is enough. */
  bare?: boolean;
  cell?: string;
  disabled?: boolean;
  className?: string;
  onKeyDown?: (event: KeyboardEvent<HTMLInputElement>) => void;
}

/** What is typed, how it is read, and what is wrong with it. */
function useTypedLength(props: LengthInputProps) {
  const unit = unitOf(props.field, props.system);
  const stored = lengthText(props.value, unit);
  const [entered, setEntered] = useState<{ text: string; unit: LengthUnit } | undefined>(undefined);
  // In the unit that stood beside it when it was typed, whichever stands there now.
  const typed = entered && textAgain(entered, unit);
  const checked =
    typed !== undefined && typed.trim() !== '' ? readLength(props.field, typed, unit) : undefined;
  const problem = checked && checked.state !== 'ok' ? checked : undefined;
  const confirmed =
    checked?.state === 'ask' && props.value !== undefined && Math.abs(props.value - checked.metres) < 1e-9;
  const wrong = confirmed ? undefined : problem;
  const shown = (entered?.unit === unit || wrong ? typed : undefined) ?? stored;

  const take = (text: string) => {
    setEntered({ text, unit });
    if (text.trim() === '') return props.onChange(undefined);
    const read = readLength(props.field, text, unit);
    if (read.state === 'ok') props.onChange(read.metres);
  };
  const settle = () => {
    if (typed === undefined || wrong) return;
    setEntered(undefined);
  };
  return { unit, typed, shown, wrong, take, settle, forget: () => setEntered(undefined) };
}

/**
 * A length that is computed with while it is typed. A value that cannot be is refused with the field, the value and
 * the range, and what was typed stays; an unusual one is asked about before it counts.
 */
export function LengthInput(props: LengthInputProps) {
  const { unit, typed, shown, wrong, take, settle, forget } = useTypedLength(props);
  const id = useId();
  return (
    <div className={props.className}>
      <label htmlFor={id} className={props.hideLabel ? 'sr-only' : 'block text-sm'}>
        {props.label}
        {!props.hideLabel && <span className="text-muted"> ({unit})</span>}
      </label>
      <NotedInput
        note={
          wrong && (
            <>
              <p>{wrong.message}</p>
              {'suggestion' in wrong && wrong.suggestion && (
                <button
                  type="button"
                  className="quiet mr-2 mt-1"
                  onClick={() => {
                    take(wrong.suggestion!);
                    forget();
                  }}
                >
                  Use {wrong.suggestion}
                </button>
              )}
              {wrong.state === 'ask' && (
                <button type="button" className="quiet mt-1" onClick={() => props.onChange(wrong.metres)}>
                  Keep {typed?.trim()}
                </button>
              )}
            </>
          )
        }
        id={id}
        className={`num boxed w-full text-right ${props.bare ? 'cell' : ''}`}
        inputMode="decimal"
        autoComplete="off"
        data-cell={props.cell}
        disabled={props.disabled}
        value={shown}
        onChange={(event) => take(event.target.value)}
        onBlur={settle}
        data-whole=""
        data-unit={unit}
        onKeyDown={props.onKeyDown}
      />
    </div>
  );
}
