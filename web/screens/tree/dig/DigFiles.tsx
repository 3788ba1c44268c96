'use client';

import Papa from 'papaparse';
import { useRef, useState } from 'react';
import type { Dig, DugRoot } from '@undrel/core/casefile';
import {
  CSV_COLUMNS,
  digToGeoJson,
  digToRows,
  rootsFromGeoJson,
  rootsFromRows,
  type DigReading,
} from '@undrel/core/roots';
import type { Drawing } from '../../../ui/drawing/shapes';
import { drawingToSvg, svgToPng } from '../../../ui/drawing/svgText';

function keep(content: Blob, name: string): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

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
  const input = useRef<HTMLInputElement>(null);
  const [told, setTold] = useState<string[]>([]);
  const text = (content: string, type: string) => new Blob([content], { type });
  const out: Record<string, () => void> = {
    SVG: () => keep(text(drawingToSvg(props.drawing(), name), 'image/svg+xml'), `${name}.svg`),
    PNG: () => {
      const drawing = props.drawing();
      svgToPng(drawingToSvg(drawing, name), drawing.width, drawing.height).then(
        (blob) => keep(blob, `${name}.png`),
        (error: Error) => setTold([error.message]),
      );
    },
    GeoJSON: () =>
      keep(
        text(`${JSON.stringify(digToGeoJson(dig, reading), null, 1)}\n`, 'application/geo+json'),
        `${name}.geojson`,
      ),
    CSV: () => keep(text(Papa.unparse([[...CSV_COLUMNS], ...digToRows(dig)]), 'text/csv'), `${name}.csv`),
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
      `${radii ? 'The outline of the stem and ' : ''}${roots.length} ${roots.length === 1 ? 'root' : 'roots'} brought in.`,
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
          <>
            <input
              ref={input}
              type="file"
              className="sr-only"
              tabIndex={-1}
              aria-label="Roots to bring in: GeoJSON or CSV"
              accept=".geojson,.json,.csv"
              onChange={(event) => {
                const file = event.target.files?.[0];
                if (file) void bring(file);
                event.target.value = '';
              }}
            />
            <button type="button" className="quiet" onClick={() => input.current?.click()}>
              Bring roots in
            </button>
          </>
        )}
      </div>
      {told.length > 0 && (
        <ul role="alert" className="told my-2 max-h-40 overflow-auto">
          {told.map((line, i) => (
            <li key={i}>{line}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
