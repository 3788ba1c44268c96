import { SECTORS } from '@undrel/core/questions';
import type { Tree, TrenchDesign } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { Fold } from '../../../ui/Fold';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { NumberInput } from '../../../ui/controls/NumberInput';

interface Measured {
  design: TrenchDesign;
  tree: Tree;
  notes: string;
  system: UnitSystem;
  disabled: boolean;
  onChange: (change: Partial<TrenchDesign>, field: string) => void;
  onTree: (change: Partial<Tree>, field: string) => void;
}

/** What the layout rests on: the edge of the hole, the crown, the fall of the ground. */
export function TrenchMeasured(props: Measured) {
  const { design, tree, system, disabled } = props;
  return (
    <section className="my-3">
      <h2>Measured here</h2>
      <div className="grid grid-cols-2 gap-x-3">
        <LengthInput
          field="holeRadius"
          label="Hole edge from the centre"
          system={system}
          value={design.holeRadius}
          disabled={disabled}
          onChange={(holeRadius) => props.onChange({ holeRadius }, 'holeRadius')}
        />
        <LengthInput
          field="crownRadius"
          label="Crown radius"
          system={system}
          value={tree.crownRadius}
          disabled={disabled}
          onChange={(crownRadius) => props.onTree({ crownRadius }, 'crownRadius')}
        />
      </div>
      <NumberInput
        label="Ground falls"
        unit="%"
        min={0}
        max={100}
        value={design.slope && Number((100 * design.slope.fall).toFixed(1))}
        disabled={disabled}
        onChange={(value) =>
          props.onChange(
            {
              slope:
                value === undefined ? undefined : { fall: value / 100, toward: design.slope?.toward ?? 0 },
            },
            'slope.fall',
          )
        }
      />
      {design.slope && (
        <BearingInput
          label="Falls toward"
          value={design.slope.toward}
          disabled={disabled}
          onChange={(toward) =>
            toward !== undefined && props.onChange({ slope: { ...design.slope!, toward } }, 'slope.toward')
          }
        />
      )}
      <CrownSpread {...props} />
      <p className="text-sm text-muted">{props.notes}.</p>
    </section>
  );
}

/** The drip line at eight bearings, where the crown is not round; what is typed stands before the one radius. */
function CrownSpread({ tree, system, disabled, onTree }: Measured) {
  const spread = tree.crownSpread ?? [];
  return (
    <Fold
      noted={spread.length > 0}
      summaryClass="min-h-[44px] flex items-center cursor-pointer text-todo underline underline-offset-4"
      summary="Crown at eight bearings"
    >
      <div className="grid grid-cols-4 gap-2">
        {SECTORS.map((name, i) => (
          <LengthInput
            key={name}
            field="crownRadius"
            label={name}
            system={system}
            value={spread.find((s) => s.bearing === 45 * i)?.radius}
            disabled={disabled}
            onChange={(radius) => {
              const others = spread.filter((s) => s.bearing !== 45 * i);
              const all = radius === undefined ? others : [...others, { bearing: 45 * i, radius }];
              onTree(
                {
                  crownSpread: all.length > 0 ? all.sort((a, b) => a.bearing - b.bearing) : undefined,
                },
                `crownSpread.${name}`,
              );
            }}
          />
        ))}
      </div>
    </Fold>
  );
}
