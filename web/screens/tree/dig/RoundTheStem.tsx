import type { Barrier } from '@undrel/core/records';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Select } from '../../../ui/controls/Select';
import { Remove, replaced, some, type StemPart } from './stemPart';

const BARRIERS: readonly { key: Barrier['kind']; label: string }[] = [
  { key: 'root-control ring', label: 'root-control ring' },
  { key: 'grate', label: 'tree grate' },
  { key: 'tie', label: 'tie' },
  { key: 'guard', label: 'guard' },
];

/** Buttresses of the stem. */
export function Buttresses({ head, system, disabled, set }: StemPart) {
  const buttresses = head.buttresses ?? [];
  return (
    <>
      {buttresses.map((b, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_1fr_2rem] items-end gap-2">
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
          {!disabled && (
            <Remove
              label="Remove the buttress"
              act={() => set({ buttresses: some(replaced(buttresses, i, undefined)) }, 'buttresses')}
            />
          )}
        </div>
      ))}
    </>
  );
}

/** Decay at the base, from one bearing to another. */
export function Decay({ head, system, disabled, set }: StemPart) {
  const decay = head.decay ?? [];
  return (
    <>
      {decay.map((d, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_1fr_1fr_2rem] items-end gap-2">
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
          {!disabled && (
            <Remove
              label="Remove the decay"
              act={() => set({ decay: some(replaced(decay, i, undefined)) }, 'decay')}
            />
          )}
        </div>
      ))}
    </>
  );
}

/** What was put round the stem. */
export function Barriers({ head, system, disabled, set }: StemPart) {
  const barriers = head.barriers ?? [];
  return (
    <>
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
          {!disabled && (
            <Remove
              label="Remove it"
              act={() => set({ barriers: some(replaced(barriers, i, undefined)) }, 'barriers')}
            />
          )}
        </div>
      ))}
    </>
  );
}
