'use client';

import Papa from 'papaparse';
import { trenchesToDxf, trenchesToGeoJson, trenchesToRows, type TrenchPlan } from '@undrel/core/trenching';
import type { UnitSystem } from '@undrel/core/units';
import { drawingToSvg } from '../../../drawings/svgText';
import { trenchDrawing } from '../../../drawings/trenchPlan';
import { keepFile } from '../../../ui/keepFile';

/** The plan and the spokes as files. */
export function TrenchFiles(props: {
  name: string;
  plan: TrenchPlan;
  kinds: ReadonlyMap<string, string>;
  stemRadius: number | undefined;
  system: UnitSystem;
}) {
  const { name, plan, kinds, stemRadius, system } = props;
  const out: Record<string, () => void> = {
    SVG: () =>
      keepFile(
        drawingToSvg(
          trenchDrawing({
            plan,
            kinds,
            stemRadius,
            system,
            selected: undefined,
            width: 900,
            height: 900,
          }),
          name,
        ),
        `${name}.svg`,
        'image/svg+xml',
      ),
    GeoJSON: () =>
      keepFile(
        `${JSON.stringify(trenchesToGeoJson(plan), null, 1)}\n`,
        `${name}.geojson`,
        'application/geo+json',
      ),
    DXF: () => keepFile(trenchesToDxf(plan), `${name}.dxf`, 'image/vnd.dxf'),
    CSV: () =>
      keepFile(Papa.unparse(trenchesToRows(plan), { escapeFormulae: true }), `${name}.csv`, 'text/csv'),
  };
  return (
    <div className="flex flex-wrap gap-2 mt-3">
      {Object.entries(out).map(([format, act]) => (
        <button key={format} type="button" className="quiet" onClick={act}>
          {format}
        </button>
      ))}
    </div>
  );
}
