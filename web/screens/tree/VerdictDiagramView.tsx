'use client';

import { useMemo } from 'react';
import { tableFor, verdictMap, type FirmTable, type Verdict } from '@undrel/core/diagnosis';
import type { UnitSystem } from '@undrel/core/units';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { mapInWords, verdictDiagram } from '../../drawings/verdictDiagram';
import { useMeasured } from '../../ui/useMeasured';

/** The verdict as a picture: what led to what. */
export function VerdictDiagramView(props: {
  verdict: Verdict;
  firmTable: FirmTable | undefined;
  system: UnitSystem;
}) {
  const { verdict, firmTable, system } = props;
  const [box, size] = useMeasured<HTMLDivElement>({ width: 632, height: 752 });
  const map = useMemo(() => verdictMap(verdict, tableFor(firmTable)), [verdict, firmTable]);
  const drawing = useMemo(() => verdictDiagram(map, system, size), [map, system, size]);
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden bg-paper" data-testid="verdict-diagram">
      <DrawingSvg drawing={drawing} title={`What led to what. ${mapInWords(map)}`} />
    </div>
  );
}
