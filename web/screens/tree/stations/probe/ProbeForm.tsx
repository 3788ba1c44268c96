'use client';

import type { FormEvent, RefObject } from 'react';
import { NotedInput } from '../../../../ui/controls/NotedInput';
import { FOUND, type Draft, type DraftProblem } from './draft';
import type { LengthUnit } from '@undrel/core/units';

/** One push of the rod as it is typed. */
export function ProbeForm({
  save,
  editing,
  problems,
  depthInput,
  unit,
  draft,
  setDraft,
}: {
  save: (event: FormEvent) => void;
  editing: string | undefined;
  problems: readonly DraftProblem[];
  depthInput: RefObject<HTMLInputElement | null>;
  unit: LengthUnit;
  draft: Draft;
  setDraft: (next: Draft) => void;
}) {
  const field = { draft, setDraft, problems, unit, input: depthInput };
  return (
    <form
      onSubmit={save}
      className="bg-wash border-y-2 border-ink py-3 px-3 -mx-3"
      aria-label={editing ? 'Correct a push' : 'A push of the rod'}
    >
      <div className="grid grid-cols-3 gap-2 items-end">
        <ProbeField {...field} name="bearing" label="Bearing" hint="N" />
        <ProbeField {...field} name="distance" label={`From the bark (${unit})`} hint="10" />
        <ProbeField {...field} name="depth" label={`Depth (${unit})`} hint="" />
      </div>
      <div className="flex flex-wrap items-center gap-2 mt-2">
        <div role="group" aria-label="Found" className="flex">
          {FOUND.map((option) => (
            <button
              key={option.key}
              type="button"
              aria-pressed={draft.found === option.key}
              className={`min-h-[44px] px-3 border border-muted -ml-px ${draft.found === option.key ? 'bg-ink text-sheet' : 'bg-sheet'}`}
              onClick={() => setDraft({ ...draft, found: option.key })}
            >
              {option.label}
            </button>
          ))}
        </div>
        <label className="flex items-center gap-2 min-h-[44px]">
          <input
            type="checkbox"
            checked={draft.from === 'mulch'}
            onChange={(event) => setDraft({ ...draft, from: event.target.checked ? 'mulch' : 'grade' })}
          />
          read from the mulch
        </label>
        <button className="act ml-auto">{editing ? 'Save correction' : 'Next'}</button>
      </div>
    </form>
  );
}

function ProbeField({
  name,
  label,
  hint,
  draft,
  setDraft,
  problems,
  unit,
  input,
}: {
  name: 'bearing' | 'distance' | 'depth';
  label: string;
  hint: string;
  draft: Draft;
  setDraft: (next: Draft) => void;
  problems: readonly DraftProblem[];
  unit: LengthUnit;
  /** Of the depth, which is typed next. */
  input: RefObject<HTMLInputElement | null>;
}) {
  const wrong = problems.find((p) => p.field === name)?.message;
  return (
    <div>
      <label htmlFor={`probe-${name}`} className="block text-sm">
        {label}
      </label>
      <NotedInput
        note={wrong}
        id={`probe-${name}`}
        ref={name === 'depth' ? input : undefined}
        className="num w-full text-right"
        inputMode={name === 'bearing' ? 'text' : 'decimal'}
        autoComplete="off"
        placeholder={hint}
        value={draft[name]}
        data-whole=""
        data-unit={name === 'bearing' ? undefined : unit}
        onChange={(event) => setDraft({ ...draft, [name]: event.target.value })}
      />
    </div>
  );
}
