'use client';

import { useId, useState } from 'react';

/** A share of the crown in percent, 0 to 100. */
export function PercentInput(props: {
  label: string;
  value: number | undefined;
  onChange: (share: number | undefined) => void;
  disabled?: boolean;
}) {
  const id = useId();
  const [typed, setTyped] = useState<string | undefined>(undefined);
  const stored = props.value === undefined ? '' : String(Math.round(props.value * 100));
  const number =
    typed === undefined || typed.trim() === '' ? undefined : Number(typed.replace('%', '').replace(',', '.'));
  const wrong = number !== undefined && !(number >= 0 && number <= 100);
  return (
    <div className="py-2.5 border-b border-hair">
      <div className="flex items-center gap-3">
        <label htmlFor={id} className="font-semibold flex-1">
          {props.label}
        </label>
        <input
          id={id}
          className="num w-24 text-right"
          inputMode="numeric"
          disabled={props.disabled}
          value={typed ?? stored}
          aria-invalid={wrong || undefined}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
          onBlur={() => !wrong && setTyped(undefined)}
          onChange={(event) => {
            const text = event.target.value;
            setTyped(text);
            const share = Number(text.replace('%', '').replace(',', '.')) / 100;
            if (text.trim() === '') props.onChange(undefined);
            else if (share >= 0 && share <= 1) props.onChange(share);
          }}
        />
        <span aria-hidden="true">%</span>
      </div>
      {wrong && (
        <p id={`${id}-wrong`} role="alert" className="wrong text-sm mt-1">
          {props.label}: {typed} is outside 0 to 100 %.
        </p>
      )}
    </div>
  );
}
