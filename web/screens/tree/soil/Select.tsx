import type { Option } from '../../../ui/controls/Choice';

/** One of several words, or none of them yet. */
export function Select<K extends string>(props: {
  label: string;
  options: readonly (Option & { key: K })[];
  value: K | undefined;
  /** There is always one. */
  needed?: boolean;
  disabled?: boolean;
  onChange: (value: K | undefined) => void;
}) {
  return (
    <label className="block">
      <span className="block text-sm">{props.label}</span>
      <select
        className="w-full"
        aria-label={props.label}
        value={props.value ?? ''}
        disabled={props.disabled}
        onChange={(event) => props.onChange((event.target.value || undefined) as K | undefined)}
      >
        {!props.needed && <option value="">not noted</option>}
        {props.options.map(({ key, label }) => (
          <option key={key} value={key}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}
