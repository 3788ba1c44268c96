'use client';

import type { DugRoot } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { NumberInput } from '../../../ui/controls/NumberInput';
import { Select } from '../../../ui/controls/Select';

/** What is seldom noted of a root: rings, the old pot, how far it was followed. */
export function RootMore({
  root,
  system,
  disabled,
  set,
}: {
  root: DugRoot;
  system: UnitSystem;
  disabled: boolean;
  set: (change: Partial<DugRoot>, field: string) => void;
}) {
  return (
    <details className="mt-2">
      <summary className="min-h-[44px] flex items-center cursor-pointer underline">
        Rings, old pot, note
      </summary>
      <NumberInput
        label="Rings counted on a cut"
        unit=""
        min={1}
        max={300}
        value={root.rings?.count}
        disabled={disabled}
        onChange={(count) =>
          set(
            {
              rings:
                count === undefined
                  ? undefined
                  : {
                      count: Math.round(count),
                      over: root.rings?.over ?? (root.points[0]?.diameter ?? 0.02) / 2,
                    },
            },
            'rings',
          )
        }
      />
      <div className="grid grid-cols-2 gap-2">
        {root.rings && (
          <LengthInput
            field="ringsOver"
            label="Over a radius of"
            system={system}
            value={root.rings.over}
            onChange={(over) => over !== undefined && set({ rings: { ...root.rings!, over } }, 'rings.over')}
            disabled={disabled}
          />
        )}
        <Select
          label="Old pot"
          empty="not known"
          options={[
            { key: 'left', label: 'left it' },
            { key: 'never', label: 'never left it' },
          ]}
          value={root.leftPot === undefined ? undefined : root.leftPot ? 'left' : 'never'}
          onChange={(told) => set({ leftPot: told === undefined ? undefined : told === 'left' }, 'leftPot')}
          disabled={disabled}
        />
        <LengthInput
          field="farthest"
          label="Followed to"
          system={system}
          value={root.farthest}
          onChange={(farthest) => set({ farthest }, 'farthest')}
          disabled={disabled}
        />
      </div>
      <RootNote disabled={disabled} root={root} set={set} />
    </details>
  );
}

function RootNote({
  disabled,
  root,
  set,
}: {
  disabled: boolean;
  root: DugRoot;
  set: (change: Partial<DugRoot>, field: string) => void;
}) {
  return (
    <label className="block mt-2">
      <span className="block text-sm">Note</span>
      <textarea
        className="w-full"
        rows={2}
        maxLength={2000}
        disabled={disabled}
        value={root.note ?? ''}
        onChange={(event) => set({ note: event.target.value || undefined }, 'note')}
      />
    </label>
  );
}
