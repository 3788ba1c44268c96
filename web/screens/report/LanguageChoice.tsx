import type { Length } from '../../protocol/lengths';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '../../language/languages';

/** In which language a client is written to. */
export const LanguageChoice = ({
  of = 'letter',
  language,
  disabled,
  onChange,
}: {
  of?: Length | 'page';
  language: Language;
  disabled: boolean;
  onChange: (language: Language) => void;
}) => (
  <fieldset className="flex flex-wrap items-center gap-x-4">
    <legend className="font-semibold">Language of the {of}</legend>
    {LANGUAGES.map((key) => (
      <label key={key} className="flex items-center gap-2 min-h-[44px]">
        <input
          type="radio"
          name="language"
          disabled={disabled}
          checked={key === language}
          onChange={() => onChange(key)}
        />
        <span lang={key}>{LANGUAGE_NAMES[key]}</span>
      </label>
    ))}
  </fieldset>
);
