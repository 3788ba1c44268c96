import { BearingInput } from '../../../ui/controls/BearingInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Remove, replaced, type StemPart } from './stemPart';

/** The outline of the stem where it is not round: two diameters, or radii at bearings. */
export function StemOutline({ head, system, disabled, set }: StemPart) {
  const radii = head.radii ?? [];
  return (
    <>
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
      )}
    </>
  );
}
