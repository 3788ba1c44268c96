'use client';

import { useId, type KeyboardEvent, type ReactNode } from 'react';
import { Pressed } from './Pressed';

export interface Option {
  key: string;
  label: string;
}

/** One answer of a few, as buttons side by side; pressing the chosen one takes the answer back. */
export function Choice(props: {
  label: string;
  hint?: string;
  options: readonly Option[];
  value: string | undefined;
  onChange: (value: string | undefined) => void;
  disabled?: boolean;
  /** Whether the answer was noted as unsure; not offered while undefined. */
  unsure?: boolean;
  onUnsure?: (unsure: boolean) => void;
  /** What is asked further once there is an answer. */
  children?: ReactNode;
}) {
  const name = useId();
  return (
    <fieldset className="py-2.5 border-b border-hair">
      <legend className="float-left w-full mb-1 font-semibold">{props.label}</legend>
      {props.hint && <p className="clear-both text-sm text-muted -mt-0.5 mb-1">{props.hint}</p>}
      <div
        role="radiogroup"
        aria-label={props.label}
        className="clear-both flex flex-wrap gap-x-1.5 gap-y-1.5"
      >
        {props.options.map((option) => (
          <OptionButton
            key={option.key}
            answer={option.key}
            label={option.label}
            name={name}
            chosen={props.value === option.key}
            disabled={props.disabled}
            onChange={props.onChange}
          />
        ))}
        {props.unsure !== undefined && (
          <label className="flex items-center gap-1.5 min-h-[44px] px-2 text-sm">
            <input
              type="checkbox"
              checked={props.unsure}
              disabled={props.disabled}
              onChange={(event) => props.onUnsure?.(event.target.checked)}
            />
            not sure
          </label>
        )}
      </div>
      {props.children}
    </fieldset>
  );
}

/** Keys that take a chosen answer back. The browser itself has none. */
const BACK = [' ', 'Enter', 'Backspace', 'Delete'];

function OptionButton(props: {
  answer: string;
  label: string;
  name: string;
  chosen: boolean;
  disabled: boolean | undefined;
  onChange: (value: string | undefined) => void;
}) {
  const { chosen, onChange } = props;
  const key = (event: KeyboardEvent<HTMLInputElement>) => {
    if (!(chosen ? BACK.includes(event.key) : event.key === 'Enter')) return;
    event.preventDefault();
    onChange(chosen ? undefined : props.answer);
  };
  return (
    <Pressed
      type="radio"
      shown={props.label}
      className="px-3 has-checked:border-ink"
      name={props.name}
      value={props.answer}
      checked={chosen}
      disabled={props.disabled}
      onChange={() => onChange(props.answer)}
      onClick={() => chosen && onChange(undefined)}
      onKeyDown={key}
    />
  );
}
