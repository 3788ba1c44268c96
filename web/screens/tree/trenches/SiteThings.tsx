'use client';

import { useState } from 'react';
import { OBSTACLE_KINDS, obstacleKind } from '@undrel/core/practice';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { Said } from '../../../ui/Said';
import { BearingInput } from '../../../ui/controls/BearingInput';
import type { Drawn } from './TrenchPlanView';
import { LengthInput } from '../../../ui/controls/LengthInput';
import type { Site } from '@undrel/core/records';
import { ServerButton } from '../../../ui/FromServer';
import { Select } from '../../../ui/controls/Select';
import { useNewThing, type Place } from './useNewThing';

const HOW = [
  { key: 'tape', label: 'By bearing and tape' },
  { key: 'line', label: 'Draw a line' },
  { key: 'area', label: 'Draw an area' },
] as const;

/** What lies about the tree with its clearance, and one more put in: drawn on the plan, or by bearings and tape from the stem. */
export function SiteThings(props: {
  site: Site;
  propertyId: string;
  position: { x: number; y: number } | undefined;
  /** What is being drawn on the plan, m from the stem; undefined when nothing is. */
  drawn: readonly Drawn[] | undefined;
  onDraw: (points: readonly Drawn[] | undefined) => void;
  system: UnitSystem;
  disabled: boolean;
}) {
  const { site, position, system, onDraw } = props;
  const [adding, setAdding] = useState(false);
  const thing = useNewThing(props, () => setAdding(false));
  return (
    <section className="my-3">
      <h2>What to keep clear of</h2>
      {site.things.length === 0 && site.others.length === 0 ? (
        <p className="told my-1">
          Nothing is on the plan near this tree: paving, walls, buried lines? Draw them in below, or import a
          plan on the page of the property (GeoJSON, DXF).
        </p>
      ) : (
        <ThingsNear site={site} system={system} />
      )}
      {!props.disabled && position && !adding && (
        <button type="button" className="link min-h-[44px]" onClick={() => setAdding(true)}>
          Add something in the way
        </button>
      )}
      {adding && (
        <NewThing
          thing={thing}
          system={system}
          onLeave={() => {
            setAdding(false);
            onDraw(undefined);
          }}
        />
      )}
    </section>
  );
}

/** What stands in the way is named, and put in by two tapes or drawn on the plan. */
function NewThing({
  thing,
  system,
  onLeave,
}: {
  thing: ReturnType<typeof useNewThing>;
  system: UnitSystem;
  onLeave: () => void;
}) {
  const { typed, set, drawn, onDraw } = thing;
  return (
    <form className="bg-wash p-3 my-2 grid grid-cols-2 gap-2" onSubmit={(event) => void thing.add(event)}>
      <Select
        label="What it is"
        options={OBSTACLE_KINDS}
        value={typed.kind}
        onChange={(to) => to && set({ kind: to })}
      />
      <label className="block">
        <span className="block text-sm">Name</span>
        <input
          className="w-full"
          maxLength={80}
          value={typed.name}
          onChange={(event) => set({ name: event.target.value })}
        />
      </label>
      <HowPutIn drawn={drawn} shape={typed.shape} onDraw={onDraw} setShape={(shape) => set({ shape })} />
      {drawn ? (
        <DrawnSoFar drawn={drawn} onDraw={onDraw} />
      ) : (
        <>
          <PlaceByTape
            label="One end"
            system={system}
            place={typed.from}
            onChange={(from) => set({ from })}
          />
          <PlaceByTape label="Other end" system={system} place={typed.to} onChange={(to) => set({ to })} />
        </>
      )}
      <div className="col-span-2 flex gap-2">
        <ServerButton type="submit" className="act" disabled={thing.busy}>
          Put it on the plan
        </ServerButton>
        <button type="button" className="quiet" onClick={onLeave}>
          Leave it
        </button>
      </div>
      <Said problem={thing.problem} className="col-span-2" />
    </form>
  );
}

/** One end of it, by bearing and distance from the stem. */
function PlaceByTape({
  label,
  system,
  place,
  onChange,
}: {
  label: string;
  system: UnitSystem;
  place: Place;
  onChange: (place: Place) => void;
}) {
  return (
    <>
      <BearingInput
        label={`${label}, bearing`}
        value={place.bearing}
        onChange={(bearing) => onChange({ ...place, bearing })}
      />
      <LengthInput
        field="siteDistance"
        label={`${label}, from the stem`}
        system={system}
        value={place.distance}
        onChange={(distance) => onChange({ ...place, distance })}
      />
    </>
  );
}

function ThingsNear({ site, system }: { site: Site; system: UnitSystem }) {
  return (
    <ul>
      {site.things.map((t, i) => {
        const known = obstacleKind(t.kind);
        return (
          <li key={i} className="flex gap-3 border-b border-hair py-1">
            <span className="flex-1">
              {t.name}
              {t.name.toLowerCase() !== known.label && <span className="text-muted">, {known.label}</span>}
            </span>
            <span className="num">{formatValue(known.clearance, 'short length', system)} clear</span>
          </li>
        );
      })}
    </ul>
  );
}

function HowPutIn({
  drawn,
  shape,
  onDraw,
  setShape,
}: {
  drawn: readonly Drawn[] | undefined;
  shape: 'area' | 'line';
  onDraw: (points: readonly Drawn[] | undefined) => void;
  setShape: (next: 'area' | 'line') => void;
}) {
  return (
    <div className="col-span-2 flex flex-wrap gap-1.5" role="group" aria-label="How it is put in">
      {HOW.map((how) => {
        const on = how.key === 'tape' ? !drawn : drawn !== undefined && shape === how.key;
        return (
          <button
            key={how.key}
            type="button"
            aria-pressed={on}
            className={`min-h-[44px] px-3 border border-muted ${on ? 'bg-ink text-sheet' : 'bg-sheet'}`}
            onClick={() => {
              if (how.key === 'tape') return onDraw(undefined);
              setShape(how.key);
              onDraw(drawn ?? []);
            }}
          >
            {how.label}
          </button>
        );
      })}
    </div>
  );
}

function DrawnSoFar({
  drawn,
  onDraw,
}: {
  drawn: readonly Drawn[];
  onDraw: (points: readonly Drawn[] | undefined) => void;
}) {
  return (
    <div className="col-span-2">
      <p>
        Press on the plan at each corner: {drawn.length} {drawn.length === 1 ? 'point' : 'points'} so far.
      </p>
      {drawn.length > 0 && (
        <button type="button" className="link min-h-[44px]" onClick={() => onDraw(drawn.slice(0, -1))}>
          Remove the last point
        </button>
      )}
    </div>
  );
}
