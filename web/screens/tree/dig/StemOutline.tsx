import { BearingInput } from '../../../ui/controls/BearingInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Remove, replaced, type StemPart } from './stemPart';
import type { DigHead } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';

/** The outline of the stem where it is not round: two diameters, or radii at bearings. */
export function StemOutline({ head, system, disabled, set }: StemPart) {
  const radii = head.radii ?? [];
  return (
    <>
      {head.diameters && (
        <Diameters
          diameters={head.diameters}
          north={head.north}
          set={set}
          disabled={disabled}
          system={system}
        />
      )}
      {head.radii && <Radii radii={radii} head={head} set={set} disabled={disabled} system={system} />}
    </>
  );
}

function Diameters({
  diameters,
  north,
  set,
  disabled,
  system,
}: {
  diameters: NonNullable<DigHead['diameters']>;
  north: DigHead['north'];
  set: (change: Partial<DigHead>, field: string) => void;
  disabled: boolean;
  system: UnitSystem;
}) {
  return (
    <div className="grid grid-cols-3 gap-2">
      <BearingInput
        north={north}
        label="Along"
        value={diameters.bearing}
        onChange={(bearing) =>
          bearing !== undefined && set({ diameters: { ...diameters, bearing } }, 'diameters.bearing')
        }
        disabled={disabled}
      />
      <LengthInput
        field="outlineDiameter"
        label="Along it"
        system={system}
        value={diameters.along}
        onChange={(along) =>
          along !== undefined && set({ diameters: { ...diameters, along } }, 'diameters.along')
        }
        disabled={disabled}
      />
      <LengthInput
        field="outlineDiameter"
        label="Across it"
        system={system}
        value={diameters.across}
        onChange={(across) =>
          across !== undefined && set({ diameters: { ...diameters, across } }, 'diameters.across')
        }
        disabled={disabled}
      />
    </div>
  );
}

function Radii({
  radii,
  head,
  set,
  disabled,
  system,
}: {
  radii: { bearing: number; radius: number }[];
  head: DigHead;
  set: (change: Partial<DigHead>, field: string) => void;
  disabled: boolean;
  system: UnitSystem;
}) {
  return (
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
          {!disabled && (
            <Remove
              label={`Remove radius ${i + 1}`}
              act={() => set({ radii: replaced(radii, i, undefined) }, 'radii')}
            />
          )}
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
  );
}
