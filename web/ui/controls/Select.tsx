'use client';

import type { Option } from './Choice';

/** One of a list; where nothing may be chosen, `empty` says what that means. */
export function Select<K extends string>(props: {
  label: string;
  options: readonly (Option & { key: K })[];
  value: K | undefined;
  onChange: (value: K | undefined) => void;
  empty?: string;
  disabled?: boolean;
}) {
  return (
    <label className="block min-w-0">
      <span className="block text-sm mb-0.5">{props.label}</span>
      <select
        className="w-full"
        value={props.value ?? ''}
        disabled={props.disabled}
        onChange={(event) => props.onChange((event.target.value || undefined) as K | undefined)}
      >
        {props.empty !== undefined && <option value="">{props.empty}</option>}
        {props.options.map((option) => (
          <option key={option.key} value={option.key}>
            {option.label}
          </option>
        ))}
      </select>
    </label>
  );
}
