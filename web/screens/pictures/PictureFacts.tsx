'use client';

import { SHOWN, type Picture } from '@undrel/core/records';
import { RING } from '@undrel/core/vocabulary';
import { isInGround, SHOWN_WORDS, sideOf } from '../../protocol/pictureWords';
import { Select } from '../../ui/controls/Select';
/** Where a picture stands in reports. */
const IN_REPORTS = [
  { key: 'first', label: 'First in reports' },
  { key: undefined, label: 'In turn' },
  { key: 'leftOut', label: 'Leave out' },
] as const;
/** What it shows, where from, and its place in reports. */
export function PictureFacts({
  disabled,
  picture,
  set,
  onChange,
}: {
  disabled: boolean;
  picture: Picture;
  set: <K extends keyof Picture>(key: K, value: Picture[K] | undefined) => void;
  onChange: (picture: Picture, field: string) => void;
}) {
  return (
    <>
      <label className="block">
        <span className="block text-sm">Caption</span>
        <input
          className="w-full"
          maxLength={300}
          disabled={disabled}
          value={picture.caption ?? ''}
          onChange={({ target }) => set('caption', target.value || undefined)}
        />
      </label>
      <div className="grid grid-cols-2 gap-3">
        <Select
          label="Shows"
          disabled={disabled}
          options={SHOWN.map((key) => ({ key, label: SHOWN_WORDS[key] }))}
          empty="not said"
          value={picture.shows}
          onChange={(shows) => set('shows', shows)}
        />
        <Select
          label={isInGround(picture.shows) ? 'Lies at' : 'Taken from'}
          disabled={disabled}
          options={[...new Set([...RING, ...(picture.bearing === undefined ? [] : [picture.bearing])])].map(
            (bearing) => ({ key: String(bearing), label: sideOf(bearing) }),
          )}
          empty="not said"
          value={picture.bearing === undefined ? undefined : String(picture.bearing)}
          onChange={(bearing) => set('bearing', bearing === undefined ? undefined : Number(bearing))}
        />
      </div>
      {picture.step && (
        <p className="flex flex-wrap items-center gap-x-3">
          <span>Proves a step of the order.</span>
          <button
            type="button"
            className="link min-h-[44px]"
            disabled={disabled}
            onClick={() => set('step', undefined)}
          >
            Not of a step
          </button>
        </p>
      )}
      <div role="radiogroup" aria-label="In reports" className="flex flex-wrap gap-x-4">
        {IN_REPORTS.map(({ key, label }) => (
          <label key={label} className="flex items-center gap-2 min-h-[44px]">
            <input
              type="radio"
              name="in-reports"
              disabled={disabled}
              checked={key === (picture.leftOut ? 'leftOut' : picture.first && 'first')}
              onChange={() => {
                const { leftOut: _, first: __, ...rest } = picture;
                onChange({ ...rest, ...(key && { [key]: true }) }, key ?? 'leftOut');
              }}
            />
            {label}
          </label>
        ))}
      </div>
    </>
  );
}
