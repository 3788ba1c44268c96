import { useState } from 'react';

/** A line of text, that may be left empty while it is typed. */
export function Text(props: {
  label: string;
  value: string;
  /** Id of a list of what it may be. */
  list?: string;
  disabled: boolean;
  onChange: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string | undefined>(undefined);
  return (
    <label className="block">
      <span className="block text-sm">{props.label}</span>
      <input
        className="w-full"
        type="text"
        list={props.list}
        disabled={props.disabled}
        value={typed ?? props.value}
        onBlur={() => setTyped(undefined)}
        onChange={(event) => {
          setTyped(event.target.value);
          props.onChange(event.target.value);
        }}
      />
    </label>
  );
}
