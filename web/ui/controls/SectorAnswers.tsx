'use client';

import { ToggleGroup } from 'radix-ui';
import { SECTORS } from '@undrel/core/questions';
import type { Option } from './Choice';

/** One answer for each of eight sides: a row for each answer, a button for each side. */
export function SectorAnswers(props: {
  label: string;
  hint?: string;
  options: readonly Option[];
  /** Answer by sector, from north clockwise. */
  values: readonly (string | undefined)[];
  onChange: (sectors: readonly number[], answer: string | undefined) => void;
  disabled?: boolean;
}) {
  return (
    <fieldset className="py-2.5 border-b border-hair">
      <legend className="float-left w-full mb-1 font-semibold">{props.label}</legend>
      {props.hint && <p className="clear-both text-sm text-muted -mt-0.5 mb-1">{props.hint}</p>}
      <div className="clear-both space-y-1.5">
        {props.options.map((option) => (
          <div key={option.key} className="flex flex-wrap items-center gap-x-2">
            <button
              type="button"
              disabled={props.disabled}
              className="min-h-[44px] w-28 text-left underline decoration-hair underline-offset-4"
              aria-label={`${props.label}: ${option.label} on every side`}
              onClick={() => props.onChange([0, 1, 2, 3, 4, 5, 6, 7], option.key)}
            >
              {option.label}
            </button>
            <ToggleGroup.Root
              type="multiple"
              aria-label={`${props.label}: ${option.label}`}
              className="grid grid-cols-8 flex-1 max-w-[22.5rem] min-w-[17.5rem]"
              disabled={props.disabled}
              value={props.values.flatMap((v, i) => (v === option.key ? [String(i)] : []))}
              onValueChange={(next) => {
                const now = new Set(next.map(Number));
                const before = new Set(props.values.flatMap((v, i) => (v === option.key ? [i] : [])));
                const added = [...now].filter((s) => !before.has(s));
                const removed = [...before].filter((s) => !now.has(s));
                if (added.length > 0) props.onChange(added, option.key);
                if (removed.length > 0) props.onChange(removed, undefined);
              }}
            >
              {SECTORS.map((sector, i) => (
                <ToggleGroup.Item
                  key={sector}
                  value={String(i)}
                  aria-label={`${option.label}, ${sector}`}
                  className="min-h-[44px] min-w-0 -ml-px border border-muted bg-sheet text-sm data-[state=on]:bg-ink data-[state=on]:text-sheet data-[state=on]:font-bold"
                >
                  {sector}
                </ToggleGroup.Item>
              ))}
            </ToggleGroup.Root>
          </div>
        ))}
      </div>
    </fieldset>
  );
}
