'use client';

import { useState } from 'react';
import { bearingName } from '@undrel/core/questions';
import type { LogPlace, SoilLog } from '@undrel/core/records';
import { fromTheTree, PLACES, readLogs, type LogReading } from '@undrel/core/soil';
import { formatValue, writeLengths, type UnitSystem } from '@undrel/core/units';
import { itemsBelow } from '../../../protocol/item';
import { layersSeen } from '../../../protocol/pictures';
import type { ReferenceGround } from '../../../protocol/reference';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { newId } from '../newId';
import type { StationProps } from '../visitEntry';
import { Select } from '../../../ui/controls/Select';
import { Hole } from './Hole';
import type { CaseHand } from '../../../device/useCase';

/** Holes of the soil probe: layer by layer, about the tree and elsewhere, and how they compare. */
export function SoilLogs(props: StationProps & { elsewhere: ReferenceGround | undefined }) {
  const { control, visitId, visit, system, mayMeasure, elsewhere } = props;
  const items = itemsBelow(control.items, 'soilLog', visitId).sort((a, b) => fromTheTree(a.values, b.values));
  const { holes, compared } = readLogs(visit.soilLogs ?? [], elsewhere?.logs);
  const faces = itemsBelow(control.items, 'picture', visitId).flatMap(({ values }) => {
    const ends = layersSeen(values);
    return ends ? [{ picture: values, ends }] : [];
  });
  const [open, setOpen] = useState<string | undefined>(undefined);
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const add = (where: Pick<SoilLog, 'place' | 'bearing' | 'distance'>) => {
    const id = newId();
    control.set('soilLog', id, visitId, { ...where, layers: [] });
    setOpen(id);
  };
  return (
    <section className="my-4" aria-label="Soil probe">
      <h2>Soil probe, layer by layer</h2>
      {compared.length > 0 && (
        <ul className="my-1" data-testid="compared">
          {compared.map((sentence) => (
            <li key={sentence}>{writeLengths(sentence, system)}</li>
          ))}
        </ul>
      )}
      {elsewhere && holes.length > 0 && (
        <p className="text-sm text-muted">
          Reference tree: {elsewhere.label}, {elsewhere.logs.length}{' '}
          {elsewhere.logs.length === 1 ? 'hole' : 'holes'}.
        </p>
      )}
      {items.length === 0 && (
        <p className="told my-1">
          No hole yet. One in the mulch ring, one outside it and one in open ground say most.
        </p>
      )}
      <ul>
        {items.map(({ id, values }) => {
          const hole = holes.find((h) => h.log === values);
          const name = `${bearingName(values.bearing)}, ${short(values.distance)} out`;
          return (
            <HoleEntry
              key={id}
              id={id}
              open={open}
              setOpen={setOpen}
              name={name}
              values={values}
              hole={hole}
              short={short}
              faces={faces}
              system={system}
              mayMeasure={mayMeasure}
              control={control}
              visitId={visitId}
            />
          );
        })}
      </ul>
      {mayMeasure && <NewHole system={system} onAdd={add} />}
    </section>
  );
}

function HoleEntry({
  id,
  open,
  setOpen,
  name,
  values,
  hole,
  short,
  faces,
  system,
  mayMeasure,
  control,
  visitId,
}: {
  id: string;
  open: string | undefined;
  setOpen: (next: string | undefined) => void;
  name: string;
  values: SoilLog;
  hole: LogReading | undefined;
  short: (metres: number) => string;
  faces: Parameters<typeof Hole>[0]['faces'];
  system: UnitSystem;
  mayMeasure: boolean;
  control: CaseHand;
  visitId: string;
}) {
  return (
    <li className="border-b border-hair">
      <button
        type="button"
        aria-expanded={open === id}
        className="w-full min-h-[44px] text-left flex items-baseline gap-3"
        onClick={() => setOpen(open === id ? undefined : id)}
      >
        <span className="num w-32 shrink-0">{name}</span>
        <span className="flex-1">
          {PLACES.find((p) => p.key === values.place)!.label}
          {hole?.topsoil !== undefined && `, topsoil ${short(hole.topsoil)}`}
          {hole?.wetFrom !== undefined && `, long wet from ${short(hole.wetFrom)}`}
          {hole?.oldGrade !== undefined && `, original grade at ${short(hole.oldGrade)}`}
        </span>
      </button>
      {open === id && (
        <Hole
          log={values}
          name={name}
          faces={faces}
          system={system}
          disabled={!mayMeasure}
          onChange={(log, field) => control.set('soilLog', id, visitId, log, field)}
          onRemove={() => control.set('soilLog', id, visitId, null)}
        />
      )}
    </li>
  );
}

/** Where the next hole is, and its beginning. */
function NewHole({
  system,
  onAdd,
}: {
  system: UnitSystem;
  onAdd: (where: Pick<SoilLog, 'place' | 'bearing' | 'distance'>) => void;
}) {
  const [place, setPlace] = useState<LogPlace>('ring');
  const [bearing, setBearing] = useState<number | undefined>(undefined);
  const [distance, setDistance] = useState<number | undefined>(undefined);
  const add = () => {
    onAdd({ place, bearing: bearing!, distance: distance! });
    setBearing(undefined);
    setDistance(undefined);
  };
  return (
    <div className="grid grid-cols-2 gap-2 items-end my-2">
      <Select
        label="Place of the hole"
        options={PLACES}
        value={place}
        onChange={(key) => setPlace(key ?? 'ring')}
      />
      <BearingInput label="Hole at" value={bearing} onChange={setBearing} />
      <LengthInput
        field="siteDistance"
        label="From the bark"
        system={system}
        value={distance}
        onChange={setDistance}
      />
      <button
        type="button"
        className="act"
        disabled={bearing === undefined || distance === undefined}
        onClick={add}
      >
        Add a hole
      </button>
    </div>
  );
}
