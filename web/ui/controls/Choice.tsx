'use client';

import type { ReactNode } from 'react';
import { ToggleGroup } from 'radix-ui';

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
  return (
    <fieldset className="py-2.5 border-b border-hair">
      <legend className="float-left w-full mb-1 font-semibold">{props.label}</legend>
      {props.hint && <p className="clear-both text-sm text-muted -mt-0.5 mb-1">{props.hint}</p>}
      <ToggleGroup.Root
        type="single"
        aria-label={props.label}
        className="clear-both flex flex-wrap gap-x-1.5 gap-y-1.5"
        value={props.value ?? ''}
        disabled={props.disabled}
        onValueChange={(value) => props.onChange(value || undefined)}
      >
        {props.options.map((option) => (
          <ToggleGroup.Item
            key={option.key}
            value={option.key}
            className="min-h-[44px] px-3 border border-muted bg-sheet data-[state=on]:bg-ink data-[state=on]:text-sheet data-[state=on]:border-ink"
          >
            {option.label}
          </ToggleGroup.Item>
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
      </ToggleGroup.Root>
      {props.children}
    </fieldset>
  );
}
