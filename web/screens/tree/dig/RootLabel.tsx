import { useState } from 'react';
import { NotedInput } from '../../../ui/controls/NotedInput';

/** The label of a root; one that is taken or too long is told and not kept. */
export function RootLabel({
  value,
  taken,
  disabled,
  onChange,
}: {
  value: string;
  /** Labels of the other roots. */
  taken: readonly string[];
  disabled: boolean;
  onChange: (label: string) => void;
}) {
  const [label, setLabel] = useState(value);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const rename = (text: string) => {
    setLabel(text);
    const clean = text.trim();
    if (clean === '' || clean.length > 12)
      return setProblem(`Label: “${clean}”; 1 to 12 characters are allowed.`);
    if (taken.includes(clean)) return setProblem(`Label: ${clean} is taken by another root.`);
    setProblem(undefined);
    onChange(clean);
  };
  return (
    <div>
      <label htmlFor="root-label" className="block text-sm">
        Label
      </label>
      <NotedInput
        note={problem}
        id="root-label"
        className="w-full font-semibold"
        value={label}
        disabled={disabled}
        onChange={(event) => rename(event.target.value)}
        onBlur={() => {
          setLabel(value);
          setProblem(undefined);
        }}
      />
    </div>
  );
}
