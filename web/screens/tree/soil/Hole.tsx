'use client';

import { useState } from 'react';
import type { PlaneLength } from '@undrel/core/photogrammetry';
import type { Picture, SoilLayer, SoilLog } from '@undrel/core/records';
import { byHand, endsAt, layersTo } from '@undrel/core/soil';
import { formatValue, toMillimetre, type UnitSystem } from '@undrel/core/units';
import { Said } from '../../../ui/Said';
import { lengthTold } from '../../../protocol/pictures';
import { pictureWords } from '../../../protocol/pictureWords';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { LayerFields } from './LayerFields';

/** What cannot be right about the depths of the layers, with what is allowed. */
function problemOf(layers: readonly SoilLayer[], system: UnitSystem): string | undefined {
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const at = layers.findIndex((l, i) => i > 0 && l.to <= layers[i - 1]!.to);
  return at < 0
    ? undefined
    : `Layer ${at + 1}: it ends at ${short(layers[at]!.to)}; allowed is deeper than ${short(layers[at - 1]!.to)}, where layer ${at} ends.`;
}

interface HoleProps {
  log: SoilLog;
  name: string;
  /** Pictures of faces on which layers were touched. */
  faces: readonly { picture: Picture; ends: readonly PlaneLength[] }[];
  system: UnitSystem;
  disabled: boolean;
  onChange: (log: SoilLog, field: string) => void;
  onRemove: () => void;
}

/** One hole with its layers. What cannot be right stays on the screen and is not kept until it is mended. */
export function Hole(props: HoleProps) {
  const { system, disabled } = props;
  const [unfit, setUnfit] = useState<SoilLog | undefined>(undefined);
  const log = unfit ?? props.log;
  const problem = problemOf(log.layers, system);
  const change = (changed: SoilLog, field: string) => {
    if (problemOf(changed.layers, system)) return setUnfit(changed);
    setUnfit(undefined);
    props.onChange(changed, field);
  };
  const layer = (i: number, changed: Partial<SoilLayer>) =>
    change(
      {
        ...('to' in changed ? byHand(log) : log),
        layers: log.layers.map((l, k) => (k === i ? { ...l, ...changed } : l)),
      },
      `layers.${i}.${Object.keys(changed)[0]}`,
    );
  return (
    <div className="bg-wash p-3 mb-2 space-y-3" role="group" aria-label={`Hole at ${props.name}`}>
      {log.layers.map((l, i) => (
        <LayerFields
          key={i}
          number={i + 1}
          from={log.layers[i - 1]?.to ?? 0}
          layer={l}
          system={system}
          disabled={disabled}
          onChange={(changed) => layer(i, changed)}
          onRemove={() => change({ ...byHand(log), layers: log.layers.filter((_, k) => k !== i) }, 'layers')}
        />
      ))}
      {!disabled && (
        <NextLayer
          number={log.layers.length + 1}
          system={system}
          disabled={problem !== undefined}
          onAdd={(to) => change({ ...log, layers: [...log.layers, { to }] }, 'layers')}
        />
      )}
      <Said problem={problem} />
      {props.faces.map((face) => (
        <FaceDepths
          key={face.picture.hash}
          face={face}
          log={log}
          system={system}
          disabled={disabled}
          onTake={(taken) => change(taken, 'layers')}
        />
      ))}
      <div className="grid grid-cols-2 gap-2">
        <LengthInput
          field="layer"
          label="Probe stops at"
          system={system}
          value={log.refusal}
          disabled={disabled}
          onChange={(refusal) => change({ ...log, refusal }, 'refusal')}
        />
        <LengthInput
          field="layer"
          label="Original grade at"
          system={system}
          value={log.oldGrade}
          disabled={disabled}
          onChange={(oldGrade) => change({ ...log, oldGrade }, 'oldGrade')}
        />
      </div>
      {!disabled && (
        <button type="button" className="link min-h-[44px]" onClick={props.onRemove}>
          Remove this hole
        </button>
      )}
    </div>
  );
}

function NextLayer({
  number,
  system,
  disabled,
  onAdd,
}: {
  number: number;
  system: UnitSystem;
  disabled: boolean;
  onAdd: (to: number) => void;
}) {
  const [next, setNext] = useState<number | undefined>(undefined);
  return (
    <div className="grid grid-cols-[1fr_auto] gap-2 items-end">
      <LengthInput
        field="layer"
        label={`Layer ${number} ends at`}
        system={system}
        value={next}
        onChange={setNext}
      />
      <button
        type="button"
        className="quiet"
        disabled={next === undefined || disabled}
        onClick={() => {
          onAdd(next!);
          setNext(undefined);
        }}
      >
        Add the layer
      </button>
    </div>
  );
}

/** Depths of the layers as they were touched on a picture of the face. */
function FaceDepths({
  face: { picture, ends },
  log,
  system,
  disabled,
  onTake,
}: {
  face: HoleProps['faces'][number];
  log: SoilLog;
  system: UnitSystem;
  disabled: boolean;
  onTake: (log: SoilLog) => void;
}) {
  const depths = ends.map((end) => toMillimetre(end.value));
  const taken = log.traced === picture.hash && endsAt(log.layers, depths);
  return (
    <p className="flex flex-wrap items-center gap-x-3">
      <span className="flex-1 min-w-[12rem]">
        {pictureWords(picture)}: {ends.map((end) => lengthTold(end, system)).join(', ')}
      </span>
      <button
        type="button"
        className="quiet"
        aria-pressed={taken}
        disabled={disabled}
        onClick={() => onTake({ ...log, layers: layersTo(log.layers, depths), traced: picture.hash })}
      >
        {taken ? 'Depths are from this picture' : 'Take these depths'}
      </button>
    </p>
  );
}
