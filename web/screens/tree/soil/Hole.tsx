'use client';

import { useState } from 'react';
import type { PlaneLength } from '@undrel/core/photogrammetry';
import type { Picture, SoilLayer, SoilLog } from '@undrel/core/records';
import { TEXTURES } from '@undrel/core/vocabulary';
import {
  byHand,
  COLOURS,
  endsAt,
  FEELS,
  layersTo,
  MOISTURES,
  RIBBONS,
  ROOTS,
  SMELLS,
  textureByFeel,
  type Feel,
  type Ribbon,
} from '@undrel/core/soil';
import { formatValue, toMillimetre, type UnitSystem } from '@undrel/core/units';
import { Said } from '../../../ui/Said';
import { lengthTold } from '../../../protocol/pictures';
import { pictureWords } from '../../../protocol/pictureWords';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Select } from '../../../ui/controls/Select';

/** What cannot be right about the depths of the layers, with what is allowed. */
function problemOf(layers: readonly SoilLayer[], system: UnitSystem): string | undefined {
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const at = layers.findIndex((l, i) => i > 0 && l.to <= layers[i - 1]!.to);
  return at < 0
    ? undefined
    : `Layer ${at + 1}: it ends at ${short(layers[at]!.to)}; allowed is deeper than ${short(layers[at - 1]!.to)}, where layer ${at} ends.`;
}

/** One hole with its layers. What cannot be right stays on the screen and is not kept until it is mended. */
export function Hole(props: {
  log: SoilLog;
  name: string;
  /** Pictures of faces on which layers were touched. */
  faces: readonly { picture: Picture; ends: readonly PlaneLength[] }[];
  system: UnitSystem;
  disabled: boolean;
  onChange: (log: SoilLog, field: string) => void;
  onRemove: () => void;
}) {
  const { system, disabled } = props;
  const [unfit, setUnfit] = useState<SoilLog | undefined>(undefined);
  const [next, setNext] = useState<number | undefined>(undefined);
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
  const top = (i: number) => log.layers[i - 1]?.to ?? 0;
  const short = (metres: number) => formatValue(metres, 'short length', system);
  return (
    <div className="bg-wash p-3 mb-2 space-y-3" role="group" aria-label={`Hole at ${props.name}`}>
      {log.layers.map((l, i) => (
        <fieldset key={i} className="border-b border-hair pb-2">
          <legend className="font-semibold">
            Layer {i + 1}, from {short(top(i))}
          </legend>
          <div className="grid grid-cols-2 gap-2">
            <LengthInput
              field="layer"
              label="Down to"
              system={system}
              value={l.to}
              disabled={disabled}
              onChange={(to) => to !== undefined && layer(i, { to })}
            />
            <Select
              label="Colour"
              options={COLOURS}
              value={l.colour}
              disabled={disabled}
              onChange={(colour) => layer(i, { colour })}
              empty="not noted"
            />
            <Select
              label="Texture"
              options={TEXTURES.map((key) => ({ key, label: key }))}
              value={l.texture as (typeof TEXTURES)[number] | undefined}
              disabled={disabled}
              onChange={(texture) => layer(i, { texture })}
              empty="not noted"
            />
            <Select
              label="Moisture"
              options={MOISTURES}
              value={l.moisture}
              disabled={disabled}
              onChange={(moisture) => layer(i, { moisture })}
              empty="not noted"
            />
            <Select
              label="Smell"
              options={SMELLS}
              value={l.smell}
              disabled={disabled}
              onChange={(smell) => layer(i, { smell })}
              empty="not noted"
            />
            <Select
              label="Roots"
              options={ROOTS}
              value={l.roots}
              disabled={disabled}
              onChange={(roots) => layer(i, { roots })}
              empty="not noted"
            />
          </div>
          {l.colour && (
            <p className="text-sm text-muted mt-1">
              {COLOURS.find((c) => c.key === l.colour)!.label}:{' '}
              {COLOURS.find((c) => c.key === l.colour)!.means}.
            </p>
          )}
          {!disabled && (
            <div className="flex gap-4">
              <ByFeel layer={i + 1} onTexture={(texture) => layer(i, { texture })} />
              <button
                type="button"
                className="link min-h-[44px]"
                onClick={() =>
                  change({ ...byHand(log), layers: log.layers.filter((_, k) => k !== i) }, 'layers')
                }
              >
                Remove layer {i + 1}
              </button>
            </div>
          )}
        </fieldset>
      ))}
      {!disabled && (
        <div className="grid grid-cols-[1fr_auto] gap-2 items-end">
          <LengthInput
            field="layer"
            label={`Layer ${log.layers.length + 1} ends at`}
            system={system}
            value={next}
            onChange={setNext}
          />
          <button
            type="button"
            className="quiet"
            disabled={next === undefined || problem !== undefined}
            onClick={() => {
              change({ ...log, layers: [...log.layers, { to: next! }] }, 'layers');
              setNext(undefined);
            }}
          >
            Add the layer
          </button>
        </div>
      )}
      <Said problem={problem} />
      {props.faces.map(({ picture, ends }) => {
        const depths = ends.map((end) => toMillimetre(end.value));
        const taken = log.traced === picture.hash && endsAt(log.layers, depths);
        return (
          <p key={picture.hash} className="flex flex-wrap items-center gap-x-3">
            <span className="flex-1 min-w-[12rem]">
              {pictureWords(picture)}: {ends.map((end) => lengthTold(end, system)).join(', ')}
            </span>
            <button
              type="button"
              className="quiet"
              aria-pressed={taken}
              disabled={disabled}
              onClick={() =>
                change({ ...log, layers: layersTo(log.layers, depths), traced: picture.hash }, 'layers')
              }
            >
              {taken ? 'Depths are from this picture' : 'Take these depths'}
            </button>
          </p>
        );
      })}
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

/** Texture by hand: a ball, a ribbon, a wet pinch. */
function ByFeel(props: { layer: number; onTexture: (texture: (typeof TEXTURES)[number]) => void }) {
  const [ribbon, setRibbon] = useState<Ribbon | undefined>(undefined);
  const [feel, setFeel] = useState<Feel | undefined>(undefined);
  const texture = ribbon && feel && textureByFeel(ribbon, feel);
  return (
    <details className="flex-1">
      <summary className="link min-h-[44px] flex items-center cursor-pointer">
        Texture by feel<span className="sr-only">, layer {props.layer}</span>
      </summary>
      <div className="space-y-2">
        <Select
          label="Moist, pressed into a ribbon"
          options={RIBBONS}
          value={ribbon}
          onChange={setRibbon}
          empty="not noted"
        />
        <Select
          label="A very wet pinch feels"
          options={FEELS}
          value={feel}
          onChange={setFeel}
          empty="not noted"
        />
        {texture && (
          <button type="button" className="quiet" onClick={() => props.onTexture(texture)}>
            Take {texture}
          </button>
        )}
        <p className="text-sm text-muted">
          After Thien 1979, J. Agron. Educ. 8:54. Silt cannot be told from silt loam by hand.
        </p>
      </div>
    </details>
  );
}
