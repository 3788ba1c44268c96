import { LENGTH_WORDS, LENGTHS, type Length } from '../../protocol/lengths';

/** In which length a report is shown and given out. */
export function LengthChoice({
  length,
  of = 'tree',
  disabled,
  onChange,
}: {
  of?: 'tree' | 'property';
  length: Length;
  disabled: boolean;
  onChange: (length: Length) => void;
}) {
  return (
    <fieldset className={of === 'property' ? 'flex flex-wrap gap-x-6' : undefined}>
      <legend className="font-semibold">Length</legend>
      {LENGTHS.map((key) => (
        <label key={key} className="flex items-start gap-2 min-h-[44px] py-1">
          <input
            type="radio"
            name="length"
            className="mt-1"
            disabled={disabled}
            checked={key === length}
            onChange={() => onChange(key)}
          />
          <span>
            {LENGTH_WORDS[key].label}
            <span className="block text-sm text-muted">{LENGTH_WORDS[key].about[of]}</span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}
