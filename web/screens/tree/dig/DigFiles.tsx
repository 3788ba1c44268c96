'use client';

import Papa from 'papaparse';
import { useState } from 'react';
import type { Dig, DugRoot } from '@undrel/core/records';
import {
  CSV_COLUMNS,
  digToGeoJson,
  digToRows,
  rootsFromGeoJson,
  rootsFromRows,
  type DigReading,
} from '@undrel/core/roots';
import { FileNotice } from '../../../ui/Notice';
import type { Drawing } from '../../../drawings/shapes';
import { drawingToSvg, svgToPng } from '../../../drawings/svgText';
import { FilePick } from '../../../ui/FilePick';
import { keepFile } from '../../../ui/keepFile';

/** The plan and the roots out as files, and roots in. What comes in can be undone. */
export function DigFiles(props: {
  name: string;
  dig: Dig;
  reading: DigReading;
  drawing: () => Drawing;
  disabled: boolean;
  onRoots: (roots: DugRoot[], radii?: Dig['radii']) => void;
}) {
  const { name, dig, reading } = props;
  const [told, setTold] = useState<string[]>([]);
  const out: Record<string, () => void> = {
    SVG: () => keepFile(drawingToSvg(props.drawing(), name), `${name}.svg`, 'image/svg+xml'),
    PNG: () => {
      const drawing = props.drawing();
      svgToPng(drawingToSvg(drawing, name), drawing.width, drawing.height).then(
        (blob) => keepFile(blob, `${name}.png`),
        (error: Error) => setTold([error.message]),
      );
    },
    GeoJSON: () =>
      keepFile(
        `${JSON.stringify(digToGeoJson(dig, reading), null, 1)}\n`,
        `${name}.geojson`,
        'application/geo+json',
      ),
    CSV: () =>
      keepFile(
        Papa.unparse([[...CSV_COLUMNS], ...digToRows(dig)], { escapeFormulae: true }),
        `${name}.csv`,
        'text/csv',
      ),
  };
  const bring = async (file: File) => {
    let source: string;
    try {
      source = new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer());
    } catch {
      return setTold([`${file.name}: not UTF-8 text; save it as UTF-8 and try again.`]);
    }
    const brought = /\.csv$/i.test(file.name)
      ? rootsFromRows(Papa.parse<Record<string, string>>(source, { header: true, skipEmptyLines: true }).data)
      : rootsFromGeoJson(source, dig, reading);
    const { roots, radii } = brought;
    if (roots.length > 0 || radii) props.onRoots(roots, radii);
    setTold([
      `${radii ? 'The outline of the stem and ' : ''}${roots.length} ${roots.length === 1 ? 'root' : 'roots'} imported.`,
      ...brought.notes,
    ]);
  };
  return (
    <div className="mt-3">
      <div className="flex flex-wrap gap-2">
        {Object.entries(out).map(([format, act]) => (
          <button key={format} type="button" className="quiet" onClick={act}>
            {format}
          </button>
        ))}
        {!props.disabled && (
          <FilePick
            about="Roots to import: GeoJSON or CSV"
            label="Bring roots in"
            accept=".geojson,.json,.csv"
            onFile={(file) => void bring(file)}
          />
        )}
      </div>
      <FileNotice lines={told} onClose={() => setTold([])} />
    </div>
  );
}
