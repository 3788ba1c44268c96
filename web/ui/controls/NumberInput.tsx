'use client';

import { withUnit } from '@undrel/core/units';
import { useId, useState } from 'react';
import { NotedInput } from './NotedInput';

const read = (text: string, unit: string): number => Number(text.replace(unit, '').replace(',', '.'));

interface Typed {
  text: string;
  /** The unit that was asked for. */
  unit: string;
  /** The range that it is outside of. */
  wrong: string | undefined;
}

/** A plain number in its unit; one out of range is refused with field, value and range, and what was typed stays. */
export function NumberInput(props: {
  label: string;
  unit: string;
  min: number;
  max: number;
  value: number | undefined;
  onChange: (value: number | undefined) => void;
  disabled?: boolean;
}) {
  const { label, unit, min, max } = props;
  const id = useId();
  const [last, setLast] = useState<Typed | undefined>(undefined);
  // What was taken is shown in the unit that is in use by now; what was refused stays as it was typed.
  const typed = last?.unit === unit || last?.wrong ? last : undefined;
  return (
    <div className="py-2.5 border-b border-hair">
      <div className="flex items-center gap-3">
        <label htmlFor={id} className="font-semibold flex-1">
          {label}
        </label>
        <NotedInput
          note={typed?.wrong && `${label}: ${typed.text} is outside ${typed.wrong}.`}
          id={id}
          className="num boxed w-24 text-right"
          inputMode="decimal"
          data-unit={unit}
          disabled={props.disabled}
          value={typed?.text ?? (props.value === undefined ? '' : String(props.value))}
          onBlur={() => !typed?.wrong && setLast(undefined)}
          onChange={(event) => {
            const text = event.target.value;
            const value = text.trim() === '' ? undefined : read(text, unit);
            const taken = value === undefined || (value >= min && value <= max);
            setLast({ text, unit, wrong: taken ? undefined : `${min} to ${withUnit(max, unit)}` });
            if (taken) props.onChange(value);
          }}
        />
        <span aria-hidden="true" className="w-12">
          {unit}
        </span>
      </div>
    </div>
  );
}
