'use client';

import { useMemo } from 'react';
import type { Push, TrenchDesign } from '@undrel/core/records';
import { along, soilMap, type PlannedSpoke, type TrenchPlan } from '@undrel/core/trenching';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { DrawingSvg } from '../../../drawings/DrawingSvg';
import { spokeSection } from '../../../drawings/spokeSection';
import { useMeasured } from '../../../ui/useMeasured';

/** The chosen spoke, along its run and across it. */
export function SpokeSection(props: {
  plan: TrenchPlan;
  spoke: PlannedSpoke;
  slope: TrenchDesign['slope'];
  stemRadius: number;
  compost: number;
  pushes: readonly Push[] | undefined;
  system: UnitSystem;
}) {
  const { plan, spoke, slope, stemRadius, compost, pushes, system } = props;
  const [box, size] = useMeasured<HTMLElement>({ width: 432, height: 330 });
  const map = useMemo(() => soilMap(pushes ?? [], stemRadius), [pushes, stemRadius]);
  const drawing = useMemo(() => {
    const [ux, uy] = along(spoke.bearing);
    return spokeSection({
      plan,
      spoke,
      slope,
      stemRadius,
      stopsAt: map && ((r) => map.at(r * ux, r * uy)?.value),
      compost,
      system,
      width: size.width,
    });
  }, [plan, spoke, slope, stemRadius, map, compost, system, size.width]);
  return (
    <figure ref={box} className="my-2">
      <DrawingSvg
        drawing={drawing}
        title={`Trench ${spoke.label} along and across: ${formatValue(spoke.length, 'long length', system)} long, ${formatValue(plan.rules.width, 'short length', system)} wide, ${formatValue(plan.rules.depth, 'short length', system)} deep`}
        className="w-full h-auto"
      />
    </figure>
  );
}
