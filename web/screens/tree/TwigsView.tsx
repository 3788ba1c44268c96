'use client';

import { useMemo } from 'react';
import type { UnitSystem } from '@undrel/core/units';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { twigDrawing, twigsInWords, type Twig } from '../../drawings/twigs';
import { useMeasured } from '../../ui/useMeasured';

/** The shoots as they were read back, beside those of the reference tree. */
export function TwigsView({ twigs, system }: { twigs: readonly Twig[]; system: UnitSystem }) {
  const [box, size] = useMeasured<HTMLDivElement>({ width: 632, height: 752 });
  const drawing = useMemo(() => twigDrawing(twigs, system, size), [twigs, system, size]);
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden bg-paper" data-testid="twigs">
      {drawing && (
        <DrawingSvg
          drawing={drawing}
          title={`Growth of each year between bud-scale scars. ${twigsInWords(twigs, system)}`}
        />
      )}
    </div>
  );
}
