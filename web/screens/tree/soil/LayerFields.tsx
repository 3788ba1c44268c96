'use client';

import type { SoilLayer } from '@undrel/core/records';
import { TEXTURES } from '@undrel/core/vocabulary';
import { COLOURS, MOISTURES, ROOTS, SMELLS } from '@undrel/core/soil';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Select } from '../../../ui/controls/Select';
import { ByFeel } from './ByFeel';

interface LayerProps {
  number: number;
  /** Where it begins, m below grade. */
  from: number;
  layer: SoilLayer;
  system: UnitSystem;
  disabled: boolean;
  onChange: (changed: Partial<SoilLayer>) => void;
  onRemove: () => void;
}

/** One layer of a hole: how far down it goes, what is seen of it, and its texture by feel. */
export function LayerFields({ number, from, onRemove, ...rest }: LayerProps) {
  const { layer, system, disabled, onChange } = rest;
  const colour = COLOURS.find((c) => c.key === layer.colour);
  return (
    <fieldset className="border-b border-hair pb-2">
      <legend className="font-semibold">
        Layer {number}, from {formatValue(from, 'short length', system)}
      </legend>
      <div className="grid grid-cols-2 gap-2">
        <LayerFacts {...rest} />
      </div>
      {colour && (
        <p className="text-sm text-muted mt-1">
          {colour.label}: {colour.means}.
        </p>
      )}
      {!disabled && (
        <div className="flex gap-4">
          <ByFeel layer={number} onTexture={(texture) => onChange({ texture })} />
          <button type="button" className="link min-h-[44px]" onClick={onRemove}>
            Remove layer {number}
          </button>
        </div>
      )}
    </fieldset>
  );
}

/** What is seen of a layer. */
function LayerFacts({
  layer: l,
  system,
  disabled,
  onChange,
}: Omit<LayerProps, 'number' | 'from' | 'onRemove'>) {
  return (
    <>
      <LengthInput
        field="layer"
        label="Down to"
        system={system}
        value={l.to}
        disabled={disabled}
        onChange={(to) => to !== undefined && onChange({ to })}
      />
      <Select
        label="Colour"
        options={COLOURS}
        value={l.colour}
        disabled={disabled}
        onChange={(colour) => onChange({ colour })}
        empty="not noted"
      />
      <Select
        label="Texture"
        options={TEXTURES.map((key) => ({ key, label: key }))}
        value={l.texture as (typeof TEXTURES)[number] | undefined}
        disabled={disabled}
        onChange={(texture) => onChange({ texture })}
        empty="not noted"
      />
      <Select
        label="Moisture"
        options={MOISTURES}
        value={l.moisture}
        disabled={disabled}
        onChange={(moisture) => onChange({ moisture })}
        empty="not noted"
      />
      <Select
        label="Smell"
        options={SMELLS}
        value={l.smell}
        disabled={disabled}
        onChange={(smell) => onChange({ smell })}
        empty="not noted"
      />
      <Select
        label="Roots"
        options={ROOTS}
        value={l.roots}
        disabled={disabled}
        onChange={(roots) => onChange({ roots })}
        empty="not noted"
      />
    </>
  );
}
