'use client';

import { useId, useState } from 'react';
import { bearingName, readBearing } from '@undrel/core/questions';
import { NotedInput } from './NotedInput';

/** A side of the stem as N, NE … or degrees; what cannot be read is refused and stays. */
export function BearingInput(props: {
  label: string;
  value: number | undefined;
  onChange: (bearing: number | undefined) => void;
  disabled?: boolean;
  hideLabel?: boolean;
  bare?: boolean;
  cell?: string;
  className?: string;
  /** Which north the bearing is from: a compass is read so. */
  north?: 'true' | 'magnetic';
}) {
  const [typed, setTyped] = useState<string | undefined>(undefined);
  const id = useId();
  const wrong = typed !== undefined && typed.trim() !== '' && readBearing(typed) === undefined;
  const take = (text: string) => {
    setTyped(text);
    const bearing = readBearing(text);
    if (text.trim() === '' || bearing !== undefined) props.onChange(bearing);
  };
  return (
    <div className={props.className}>
      <label htmlFor={id} className={props.hideLabel ? 'sr-only' : 'block text-sm'}>
        {props.label}
        {!props.hideLabel && <span className="text-muted"> (N, NE or °)</span>}
      </label>
      <NotedInput
        note={wrong && `${props.label}: “${typed}” is not one; allowed are N, NE, … or 0 to 360.`}
        id={id}
        className={`num w-full text-right ${props.bare ? 'cell' : ''}`}
        autoComplete="off"
        inputMode="decimal"
        data-cell={props.cell}
        data-bearing={props.north ?? 'true'}
        disabled={props.disabled}
        value={typed ?? (props.value === undefined ? '' : bearingName(props.value))}
        onChange={(event) => take(event.target.value)}
        onBlur={() => !wrong && setTyped(undefined)}
        data-whole=""
      />
    </div>
  );
}
