import { useState } from 'react';
import { FEELS, RIBBONS, textureByFeel, type Feel, type Ribbon } from '@undrel/core/soil';
import type { TEXTURES } from '@undrel/core/vocabulary';
import { Select } from '../../../ui/controls/Select';

/** Texture by hand: a ball, a ribbon, a wet pinch. */
export function ByFeel(props: { layer: number; onTexture: (texture: (typeof TEXTURES)[number]) => void }) {
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
