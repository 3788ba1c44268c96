'use client';

import { useMemo } from 'react';
import type { Push, SoilLog } from '@undrel/core/records';
import { profileOfPushes, readLogs } from '@undrel/core/soil';
import type { UnitSystem } from '@undrel/core/units';
import { DrawingSvg } from '../../../drawings/DrawingSvg';
import { columnsInWords, soilColumns } from '../../../drawings/soilColumns';
import { useMeasured } from '../../../ui/useMeasured';

/** The soil as a picture: every hole a column, and how hard the ground is beside them. */
export function SoilColumnsView(props: {
  logs: readonly SoilLog[];
  elsewhere: readonly SoilLog[];
  pushes: readonly Push[];
  system: UnitSystem;
}) {
  const { logs, elsewhere, pushes, system } = props;
  const [box, size] = useMeasured<HTMLDivElement>({ width: 632, height: 752 });
  const drawing = useMemo(
    () => soilColumns({ logs, elsewhere, profile: profileOfPushes(pushes), system, ...size }),
    [logs, elsewhere, pushes, system, size],
  );
  const { holes } = readLogs([...logs, ...elsewhere]);
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden bg-paper" data-testid="soil-columns">
      <DrawingSvg drawing={drawing} title={columnsInWords(holes, system)} />
    </div>
  );
}
