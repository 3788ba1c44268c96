'use client';

import type { Barrier, Buttress, DecaySector, DigHead } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Select } from '../../../ui/controls/Select';
import type { Shape } from './useShapes';
import { Declination } from './Declination';

const SHAPES = [
  { key: 'round', label: 'round, as the stem was measured' },
  { key: 'diameters', label: 'two diameters' },
  { key: 'radii', label: 'radii at bearings' },
] as const;
const BARRIERS: readonly { key: Barrier['kind']; label: string }[] = [
  { key: 'root-control ring', label: 'root-control ring' },
  { key: 'grate', label: 'tree grate' },
  { key: 'tie', label: 'tie' },
  { key: 'guard', label: 'guard' },
];
type Outline = (typeof SHAPES)[number]['key'];

const replaced = <T,>(list: readonly T[], index: number, value: T | undefined): T[] =>
  list.flatMap((old, i) => (i === index ? (value === undefined ? [] : [value]) : [old]));

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
  const radii = head.radii ?? [];
  const buttresses = head.buttresses ?? [];
  const decay = head.decay ?? [];
  const barriers = head.barriers ?? [];
  const some = <T,>(list: T[]): T[] | undefined => (list.length > 0 ? list : undefined);
  const remove = (label: string, act: () => void) =>
    !disabled && (
      <button type="button" className="link self-end min-h-[44px]" aria-label={label} onClick={act}>
        ×
      </button>
    );
  return (
    <div className="space-y-3">
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
      {head.diameters && (
        <div className="grid grid-cols-3 gap-2">
          <BearingInput
            north={head.north}
            label="Along"
            value={head.diameters.bearing}
            onChange={(bearing) =>
              bearing !== undefined &&
              set({ diameters: { ...head.diameters!, bearing } }, 'diameters.bearing')
            }
            disabled={disabled}
          />
          <LengthInput
            field="outlineDiameter"
            label="Along it"
            system={system}
            value={head.diameters.along}
            onChange={(along) =>
              along !== undefined && set({ diameters: { ...head.diameters!, along } }, 'diameters.along')
            }
            disabled={disabled}
          />
          <LengthInput
            field="outlineDiameter"
            label="Across it"
            system={system}
            value={head.diameters.across}
            onChange={(across) =>
              across !== undefined && set({ diameters: { ...head.diameters!, across } }, 'diameters.across')
            }
            disabled={disabled}
          />
        </div>
      )}
      {head.radii && (
        <div>
          {radii.map((r, i) => (
            <div key={i} className="grid grid-cols-[1fr_1fr_2rem] gap-2">
              <BearingInput
                north={head.north}
                label={`Radius ${i + 1}, bearing`}
                value={r.bearing}
                onChange={(bearing) =>
                  bearing !== undefined &&
                  set({ radii: replaced(radii, i, { ...r, bearing }) }, `radii.${i}.bearing`)
                }
                disabled={disabled}
              />
              <LengthInput
                field="outlineRadius"
                label={`Radius ${i + 1}`}
                system={system}
                value={r.radius}
                onChange={(radius) =>
                  radius !== undefined &&
                  set({ radii: replaced(radii, i, { ...r, radius }) }, `radii.${i}.radius`)
                }
                disabled={disabled}
              />
              {remove(`Remove radius ${i + 1}`, () => set({ radii: replaced(radii, i, undefined) }, 'radii'))}
            </div>
          ))}
          {!disabled && (
            <button
              type="button"
              className="link"
              onClick={() =>
                set(
                  {
                    radii: [
                      ...radii,
                      {
                        bearing: ((radii[radii.length - 1]?.bearing ?? 0) + 45) % 360,
                        radius: radii[radii.length - 1]?.radius ?? 0.15,
                      },
                    ],
                  },
                  'radii',
                )
              }
            >
              Add a radius
            </button>
          )}
        </div>
      )}
      {buttresses.map((b: Buttress, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_1fr_2rem] gap-2">
          <BearingInput
            north={head.north}
            label="Buttress at"
            value={b.bearing}
            onChange={(bearing) =>
              bearing !== undefined &&
              set({ buttresses: replaced(buttresses, i, { ...b, bearing }) }, `buttresses.${i}`)
            }
            disabled={disabled}
          />
          <LengthInput
            field="buttressReach"
            label="Reach"
            system={system}
            value={b.reach}
            onChange={(reach) =>
              reach !== undefined &&
              set({ buttresses: replaced(buttresses, i, { ...b, reach }) }, `buttresses.${i}`)
            }
            disabled={disabled}
          />
          <LengthInput
            field="buttressWidth"
            label="Width"
            system={system}
            value={b.width}
            onChange={(width) =>
              width !== undefined &&
              set({ buttresses: replaced(buttresses, i, { ...b, width }) }, `buttresses.${i}`)
            }
            disabled={disabled}
          />
          {remove('Remove the buttress', () =>
            set({ buttresses: some(replaced(buttresses, i, undefined)) }, 'buttresses'),
          )}
        </div>
      ))}
      {decay.map((d: DecaySector, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_1fr_1fr_2rem] gap-2">
          <BearingInput
            north={head.north}
            label="Decay from"
            value={d.from}
            onChange={(from) =>
              from !== undefined && set({ decay: replaced(decay, i, { ...d, from }) }, `decay.${i}`)
            }
            disabled={disabled}
          />
          <BearingInput
            north={head.north}
            label="to"
            value={d.to}
            onChange={(to) =>
              to !== undefined && set({ decay: replaced(decay, i, { ...d, to }) }, `decay.${i}`)
            }
            disabled={disabled}
          />
          <LengthInput
            field="decayHeight"
            label="Height"
            system={system}
            value={d.height}
            onChange={(height) =>
              height !== undefined && set({ decay: replaced(decay, i, { ...d, height }) }, `decay.${i}`)
            }
            disabled={disabled}
          />
          <LengthInput
            field="decayDepth"
            label="Depth"
            system={system}
            value={d.depth}
            onChange={(depth) => set({ decay: replaced(decay, i, { ...d, depth }) }, `decay.${i}`)}
            disabled={disabled}
          />
          {remove('Remove the decay', () => set({ decay: some(replaced(decay, i, undefined)) }, 'decay'))}
        </div>
      ))}
      {barriers.map((b, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_2rem] gap-2">
          <Select
            label="Round the stem"
            options={BARRIERS}
            value={b.kind}
            onChange={(kind) =>
              set({ barriers: replaced(barriers, i, { ...b, kind: kind! }) }, `barriers.${i}`)
            }
            disabled={disabled}
          />
          <LengthInput
            field="barrier"
            label="Inside diameter"
            system={system}
            value={b.diameter}
            onChange={(diameter) =>
              diameter !== undefined &&
              set({ barriers: replaced(barriers, i, { ...b, diameter }) }, `barriers.${i}`)
            }
            disabled={disabled}
          />
          {remove('Remove it', () => set({ barriers: some(replaced(barriers, i, undefined)) }, 'barriers'))}
        </div>
      ))}
      {!disabled && (
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
      )}
    </div>
  );
}
