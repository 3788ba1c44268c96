'use client';

import { useState } from 'react';
import { NotedInput } from '../../../ui/controls/NotedInput';

/** Whole numbers of degrees with a sign, as a declination is given. */
export function Declination(props: {
  value: number | undefined;
  onChange: (v: number | undefined) => void;
  disabled: boolean;
}) {
  const [typed, setTyped] = useState<string | undefined>(undefined);
  const read =
    typed === undefined || typed.trim() === '' ? undefined : Number(typed.replace(',', '.').replace('°', ''));
  const wrong = read !== undefined && !(read >= -60 && read <= 60);
  return (
    <label className="block">
      <span className="block text-sm">Declination (° east)</span>
      <NotedInput
        note={wrong && `Declination: “${typed}”; allowed are -60 to 60 degrees.`}
        className="num w-full text-right"
        inputMode="decimal"
        disabled={props.disabled}
        value={typed ?? (props.value === undefined ? '' : String(props.value))}
        onChange={(event) => {
          const text = event.target.value;
          setTyped(text);
          const value = Number(text.replace(',', '.').replace('°', ''));
          if (text.trim() === '') props.onChange(undefined);
          else if (value >= -60 && value <= 60) props.onChange(value);
        }}
        onBlur={() => !wrong && setTyped(undefined)}
      />
    </label>
  );
}
