'use client';

import { withUnit } from '@undrel/core/units';
import { useId, useState } from 'react';
import { NotedInput } from './NotedInput';

const read = (text: string, unit: string): number => Number(text.replace(unit, '').replace(',', '.'));

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
  const [typed, setTyped] = useState<string | undefined>(undefined);
  const fits = (value: number) => value >= min && value <= max;
  const wrong = typed !== undefined && typed.trim() !== '' && !fits(read(typed, unit));
  return (
    <div className="py-2.5 border-b border-hair">
      <div className="flex items-center gap-3">
        <label htmlFor={id} className="font-semibold flex-1">
          {label}
        </label>
        <NotedInput
          note={wrong && `${label}: ${typed} is outside ${min} to ${withUnit(max, unit)}.`}
          id={id}
          className="num w-24 text-right"
          inputMode="decimal"
          data-unit={unit}
          disabled={props.disabled}
          value={typed ?? (props.value === undefined ? '' : String(props.value))}
          onBlur={() => !wrong && setTyped(undefined)}
          onChange={(event) => {
            const text = event.target.value;
            setTyped(text);
            const value = read(text, unit);
            if (text.trim() === '') props.onChange(undefined);
            else if (fits(value)) props.onChange(value);
          }}
        />
        <span aria-hidden="true" className="w-12">
          {unit}
        </span>
      </div>
    </div>
  );
}
