import { LEAVABLE, type Length } from '../../protocol/lengths';

/** Which parts a letter or a report has; what is wrong and what to do about it always stay. */
export const PartsChoice = ({
  length,
  left,
  disabled,
  onChange,
}: {
  length: Length;
  left: readonly string[];
  disabled: boolean;
  onChange: (left: string[]) => void;
}) => (
  <fieldset>
    <legend className="font-semibold">Parts</legend>
    <div className="grid grid-cols-2 gap-x-4">
      {LEAVABLE[length].map(({ key, label }) => (
        <label key={key} className="flex items-center gap-2 min-h-[44px]">
          <input
            type="checkbox"
            disabled={disabled}
            checked={!left.includes(key)}
            onChange={({ target }) =>
              onChange(target.checked ? left.filter((k) => k !== key) : [...left, key])
            }
          />
          {label}
        </label>
      ))}
    </div>
  </fieldset>
);
