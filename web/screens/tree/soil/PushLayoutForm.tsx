'use client';

import { useState } from 'react';
import { CONES, isForce, type Cone, type PushLayout } from '@undrel/core/soil';
import { asOptions, Select } from '../../../ui/controls/Select';

/** A file whose heads do not say all: what is known of its layout, and its rows. */
export interface Unclear {
  heads: string[];
  rows: Record<string, string>[];
  layout: Partial<PushLayout>;
}

/** Whether all of a layout is said. */
export const whole = (layout: Partial<PushLayout>): layout is PushLayout =>
  layout.bearing !== undefined && !!layout.distance && !!layout.depth && !!layout.load;

const UNITS = {
  distance: ['m', 'cm', 'ft', 'in'],
  depth: ['cm', 'm', 'mm', 'in'],
  load: ['MPa', 'kPa', 'psi', 'bar', 'N', 'kN', 'lbf', 'kgf'],
} as const;

/** Which column of a file is which; said once, it is remembered for files with the same heads. */
export function Layout(props: {
  unclear: Unclear;
  cone: Cone | undefined;
  onCone: (cone: Cone | undefined) => void;
  onTake: (layout: PushLayout) => void;
  onLeave: () => void;
}) {
  const { heads, layout: guess } = props.unclear;
  const [layout, setLayout] = useState<Partial<PushLayout>>(guess);
  const column = (label: string, value: string | undefined, onChange: (head: string | undefined) => void) => (
    <Select label={label} options={asOptions(heads)} empty="choose" value={value} onChange={onChange} />
  );
  const measured = (key: 'distance' | 'depth' | 'load', label: string) => {
    const chosen = layout[key];
    const unit = chosen?.unit ?? UNITS[key][0];
    return (
      <div className="grid grid-cols-[1fr_6rem] gap-2">
        {column(label, chosen?.column, (head) =>
          setLayout({ ...layout, [key]: head ? { column: head, unit } : undefined }),
        )}
        <Select
          label={
            <>
              <span className="sr-only">{label}, </span>unit
            </>
          }
          options={asOptions(UNITS[key])}
          value={UNITS[key].find((u) => u.toLowerCase() === unit.toLowerCase()) ?? UNITS[key][0]}
          disabled={!chosen}
          onChange={(to) => to && setLayout({ ...layout, [key]: { column: chosen!.column, unit: to } })}
        />
      </div>
    );
  };
  const force = layout.load !== undefined && isForce(layout.load.unit);
  return (
    <div className="bg-wash p-3 my-2 space-y-2" role="group" aria-label="Columns of the file">
      {column('Bearing, °', layout.bearing, (head) => setLayout({ ...layout, bearing: head }))}
      {measured('distance', 'Distance from the bark')}
      {measured('depth', 'Depth')}
      {measured('load', 'Pressure or force')}
      {force && (
        <Select
          label="Cone"
          options={(Object.keys(CONES) as Cone[]).map((key) => ({ key, label: CONES[key].label }))}
          empty="choose"
          value={props.cone}
          onChange={props.onCone}
        />
      )}
      <div className="flex gap-2">
        <button
          type="button"
          className="act"
          disabled={!whole(layout) || (force && !props.cone)}
          onClick={() => whole(layout) && props.onTake(layout)}
        >
          Import
        </button>
        <button type="button" className="quiet" onClick={props.onLeave}>
          Leave it
        </button>
      </div>
    </div>
  );
}
