import { useState } from 'react';
import type { TrenchDesign } from '@undrel/core/records';
import type { PlannedSpoke, TrenchPlan } from '@undrel/core/trenching';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { without } from './bearings';

/** The spokes by number; the chosen one is locked or taken out here, and one is put in by its bearing. */
export function Spokes(props: {
  plan: TrenchPlan;
  design: TrenchDesign;
  selected: PlannedSpoke | undefined;
  stemRadius: number;
  system: UnitSystem;
  disabled: boolean;
  onSelect: (bearing: number | undefined) => void;
  onLock: (bearing: number) => void;
  onChange: (change: Partial<TrenchDesign>, field: string) => void;
}) {
  const { plan, design, selected, disabled } = props;
  const long = (metres: number) => formatValue(metres, 'long length', props.system);
  const takeOut = (spoke: PlannedSpoke) => {
    props.onChange(
      {
        locked: without(design.locked, spoke.bearing),
        avoid: [...(design.avoid ?? []), Math.round(spoke.bearing) % 360],
      },
      'avoid',
    );
    props.onSelect(undefined);
  };
  return (
    <>
      {plan.spokes.length > 0 && (
        <table className="w-full my-2" aria-label="Radial trenches">
          <thead>
            <tr>
              <th scope="col">trench</th>
              <th scope="col" className="text-right">
                bearing
              </th>
              <th scope="col" className="text-right">
                from bark
              </th>
              <th scope="col" className="text-right">
                run
              </th>
              <th scope="col">ended by</th>
            </tr>
          </thead>
          <tbody>
            {plan.spokes.map((s) => (
              <SpokeRow
                key={s.label}
                spoke={s}
                seasons={plan.seasons}
                chosen={s === selected}
                from={long(s.from - props.stemRadius)}
                run={long(s.length)}
                onSelect={() => props.onSelect(s === selected ? undefined : s.bearing)}
              />
            ))}
          </tbody>
        </table>
      )}
      {selected && !disabled && (
        <SpokeActions
          selected={selected}
          onChange={props.onChange}
          design={design}
          onLock={props.onLock}
          takeOut={takeOut}
        />
      )}
      {!disabled && (
        <AddSpoke
          onAdd={(bearing) => props.onLock(bearing)}
          avoid={design.avoid ?? []}
          onBack={(bearing) => props.onChange({ avoid: without(design.avoid, bearing) }, 'avoid')}
        />
      )}
    </>
  );
}

function SpokeRow(props: {
  spoke: PlannedSpoke;
  seasons: number;
  chosen: boolean;
  from: string;
  run: string;
  onSelect: () => void;
}) {
  const { spoke } = props;
  const notes = [
    spoke.limit,
    ...(spoke.locked ? ['locked'] : []),
    ...(props.seasons > 1 ? [`season ${spoke.season}`] : []),
    ...(spoke.steps > 0 ? [`${spoke.steps} ${spoke.steps === 1 ? 'step' : 'steps'}`] : []),
    ...(spoke.bridges.length > 0 ? [`root ${spoke.bridges.join(', ')} left whole`] : []),
  ];
  return (
    <tr className={props.chosen ? 'bg-wash' : ''}>
      <td>
        <button
          type="button"
          aria-pressed={props.chosen}
          className="link min-h-[44px] min-w-[44px] text-left font-semibold"
          aria-label={`Trench ${spoke.label} in the table`}
          onClick={props.onSelect}
        >
          {spoke.label}
        </button>
      </td>
      <td className="num text-right">{Math.round(spoke.bearing)}°</td>
      <td className="num text-right whitespace-nowrap">{props.from}</td>
      <td className="num text-right whitespace-nowrap pl-2">{props.run}</td>
      <td className="pl-3">{notes.join(', ')}</td>
    </tr>
  );
}

/** A spoke at a bearing of one's own, and those that were taken out. */
function AddSpoke(props: {
  onAdd: (bearing: number) => void;
  avoid: readonly number[];
  onBack: (bearing: number) => void;
}) {
  const [bearing, setBearing] = useState<number | undefined>(undefined);
  return (
    <div className="my-2">
      <div className="flex items-end gap-2">
        <BearingInput label="Trench at" value={bearing} onChange={setBearing} className="w-40" />
        <button
          type="button"
          className="quiet"
          disabled={bearing === undefined}
          onClick={() => {
            props.onAdd(bearing!);
            setBearing(undefined);
          }}
        >
          Add and lock
        </button>
      </div>
      {props.avoid.length > 0 && (
        <p className="text-sm mt-1">
          Taken out:{' '}
          {props.avoid.map((b) => (
            <button key={b} type="button" className="link min-h-[44px] px-1" onClick={() => props.onBack(b)}>
              bring back {Math.round(b)}°
            </button>
          ))}
        </p>
      )}
    </div>
  );
}

function SpokeActions({
  selected,
  onChange,
  design,
  onLock,
  takeOut,
}: {
  selected: PlannedSpoke;
  onChange: (change: Partial<TrenchDesign>, field: string) => void;
  design: TrenchDesign;
  onLock: (bearing: number) => void;
  takeOut: (spoke: PlannedSpoke) => void;
}) {
  return (
    <div className="flex flex-wrap gap-2 my-2" role="group" aria-label={`Trench ${selected.label}`}>
      {selected.locked ? (
        <button
          type="button"
          className="quiet"
          onClick={() => onChange({ locked: without(design.locked, selected.bearing) }, 'locked')}
        >
          Unlock
        </button>
      ) : (
        <button type="button" className="quiet" onClick={() => onLock(selected.bearing)}>
          Lock at {Math.round(selected.bearing)}°
        </button>
      )}
      <button type="button" className="quiet" onClick={() => takeOut(selected)}>
        Take out
      </button>
    </div>
  );
}
