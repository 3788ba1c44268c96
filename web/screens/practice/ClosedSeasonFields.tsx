'use client';

import type { OperationKey } from '@undrel/core/vocabulary';
import type { ClosedSeason } from '@undrel/core/prescription';
import type { RateField } from './typedRates';

const CLOSABLE: readonly { key: OperationKey; label: string }[] = [
  { key: 'prune', label: 'root pruning' },
  { key: 'excavate', label: 'excavation' },
  { key: 'trench', label: 'trenches' },
  { key: 'reset', label: 'reset' },
  { key: 'raise', label: 'raising onto a mound' },
  { key: 'openBall', label: 'opening a root ball' },
  { key: 'move', label: 'moving' },
  { key: 'remove', label: 'removal' },
];

/** One closed season: from when to when, for what, and why. */
export function ClosedSeasonFields({
  number,
  season,
  disabled,
  first,
  onChange,
  onRemove,
}: {
  number: number;
  season: ClosedSeason;
  disabled: boolean;
  /** Of its first field, which is shown when the season is refused. */
  first: RateField;
  onChange: (part: Partial<ClosedSeason>) => void;
  onRemove: () => void;
}) {
  return (
    <fieldset className="border-t border-ink py-3" disabled={disabled}>
      <legend className="float-left w-full font-semibold">Closed season {number}</legend>
      <div className="clear-both grid sm:grid-cols-[1fr_1fr_2fr] gap-3">
        <label>
          <span className="block text-sm">First day, month-day</span>
          <input
            {...first}
            className="w-full num"
            placeholder="03-01"
            value={season.from}
            onChange={(e) => onChange({ from: e.target.value })}
          />
        </label>
        <label>
          <span className="block text-sm">Last day, month-day</span>
          <input
            className="w-full num"
            placeholder="09-30"
            value={season.to}
            onChange={(e) => onChange({ to: e.target.value })}
          />
        </label>
        <label>
          <span className="block text-sm">Genus, where it holds for one alone</span>
          <input
            className="w-full"
            maxLength={60}
            value={season.genus ?? ''}
            onChange={(e) => onChange({ genus: e.target.value || undefined })}
          />
        </label>
        <label className="sm:col-span-3">
          <span className="block text-sm">What closes it</span>
          <input
            className="w-full"
            maxLength={200}
            value={season.why}
            onChange={(e) => onChange({ why: e.target.value })}
          />
        </label>
        <div className="sm:col-span-3 flex flex-wrap gap-x-5">
          <WorkClosed season={season} onChange={onChange} />
          <button type="button" className="quiet ml-auto" onClick={onRemove}>
            Take out closed season {number}
          </button>
        </div>
      </div>
    </fieldset>
  );
}

/** Which work the season closes. */
function WorkClosed({
  season,
  onChange,
}: {
  season: ClosedSeason;
  onChange: (part: Partial<ClosedSeason>) => void;
}) {
  return (
    <>
      {CLOSABLE.map(({ key, label }) => (
        <label key={key} className="flex items-center gap-2 min-h-[44px]">
          <input
            type="checkbox"
            checked={season.operations.includes(key)}
            onChange={(e) =>
              onChange({
                operations: e.target.checked
                  ? [...season.operations, key]
                  : season.operations.filter((o) => o !== key),
              })
            }
          />
          {label}
        </label>
      ))}
    </>
  );
}
