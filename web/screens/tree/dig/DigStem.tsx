'use client';

import type { Barrier, Buttress, DecaySector, DigHead } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Select } from '../../../ui/controls/Select';
import type { Shape } from './useShapes';
import { Declination } from './Declination';
import { Barriers, Buttresses, Decay } from './RoundTheStem';
import { StemOutline } from './StemOutline';

const SHAPES = [
  { key: 'round', label: 'round, as the stem was measured' },
  { key: 'diameters', label: 'two diameters' },
  { key: 'radii', label: 'radii at bearings' },
] as const;
type Outline = (typeof SHAPES)[number]['key'];

/** The stem at the level of the collar, and how the dig is measured. */
export function DigStem({
  head,
  system,
  disabled,
  onChange,
  onDraw,
}: {
  head: DigHead;
  system: UnitSystem;
  disabled: boolean;
  onChange: (head: DigHead, field: string) => void;
  /** Begins to draw the bark or the old pot on the plan. */
  onDraw: (shape: Shape) => void;
}) {
  const set = (change: Partial<DigHead>, field: string) => onChange({ ...head, ...change }, field);
  const shape: Outline = head.radii ? 'radii' : head.diameters ? 'diameters' : 'round';
  const buttresses = head.buttresses ?? [];
  const decay = head.decay ?? [];
  const barriers = head.barriers ?? [];
  const part = { head, system, disabled, set };
  return (
    <div className="space-y-3">
      <StemFacts shape={shape} disabled={disabled} set={set} head={head} system={system} />
      {!disabled && (
        <p className="flex flex-wrap gap-2">
          <button type="button" className="quiet" onClick={() => onDraw('bark')}>
            Draw the bark on the plan
          </button>
          <button type="button" className="quiet" onClick={() => onDraw('pot')}>
            Draw the old pot on the plan
          </button>
          {head.pot && (
            <button type="button" className="link" onClick={() => set({ pot: undefined }, 'pot')}>
              Take the drawn pot off
            </button>
          )}
        </p>
      )}
      <StemOutline {...part} />
      <Buttresses {...part} />
      <Decay {...part} />
      <Barriers {...part} />
      {!disabled && <AddParts set={set} buttresses={buttresses} decay={decay} barriers={barriers} />}
    </div>
  );
}

function StemFacts({
  shape,
  disabled,
  set,
  head,
  system,
}: {
  shape: Outline;
  disabled: boolean;
  set: (change: Partial<DigHead>, field: string) => void;
  head: DigHead;
  system: UnitSystem;
}) {
  return (
    <div className="grid grid-cols-2 gap-2">
      <Select
        label="Outline of the stem"
        options={SHAPES}
        value={shape}
        disabled={disabled}
        onChange={(next) =>
          set(
            {
              radii:
                next === 'radii'
                  ? [0, 90, 180, 270].map((bearing) => ({ bearing, radius: 0.15 }))
                  : undefined,
              diameters: next === 'diameters' ? { bearing: 0, along: 0.3, across: 0.3 } : undefined,
            },
            'shape',
          )
        }
      />
      <Select
        label="Tape starts at"
        options={[
          { key: 'bark', label: 'the bark' },
          { key: 'centre', label: 'the centre of the stem' },
        ]}
        value={head.measuredFrom}
        disabled={disabled}
        onChange={(from) => set({ measuredFrom: from! }, 'measuredFrom')}
      />
      <Select
        label="Bearings from"
        options={[
          { key: 'true', label: 'true north' },
          { key: 'magnetic', label: 'magnetic north' },
        ]}
        value={head.north}
        disabled={disabled}
        onChange={(north) => set({ north: north! }, 'north')}
      />
      {head.north === 'magnetic' && (
        <Declination
          value={head.declination}
          onChange={(declination) => set({ declination }, 'declination')}
          disabled={disabled}
        />
      )}
      <LengthInput
        field="pitRadius"
        label="Radius of the pit"
        system={system}
        value={head.pitRadius}
        onChange={(pitRadius) => set({ pitRadius }, 'pitRadius')}
        disabled={disabled}
      />
    </div>
  );
}

function AddParts({
  set,
  buttresses,
  decay,
  barriers,
}: {
  set: (change: Partial<DigHead>, field: string) => void;
  buttresses: Buttress[];
  decay: DecaySector[];
  barriers: Barrier[];
}) {
  return (
    <p className="flex flex-wrap gap-x-4">
      <button
        type="button"
        className="link"
        onClick={() =>
          set({ buttresses: [...buttresses, { bearing: 0, reach: 0.04, width: 0.15 }] }, 'buttresses')
        }
      >
        Add a buttress
      </button>
      <button
        type="button"
        className="link"
        onClick={() => set({ decay: [...decay, { from: 0, to: 45, height: 0.1 }] }, 'decay')}
      >
        Add decay
      </button>
      <button
        type="button"
        className="link"
        onClick={() =>
          set({ barriers: [...barriers, { kind: 'root-control ring', diameter: 0.6 }] }, 'barriers')
        }
      >
        Add a ring, grate, tie or guard
      </button>
    </p>
  );
}
