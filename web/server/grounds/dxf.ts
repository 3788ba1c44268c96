import { Helper } from 'dxf';
import type { Outline } from '../../protocol/grounds';
import type { ReadPlan } from './geojson';

/** Metres of a drawing unit by `$INSUNITS`. */
const UNITS: Record<number, [name: string, metres: number]> = {
  1: ['inches', 0.0254],
  2: ['feet', 0.3048],
  4: ['millimetres', 0.001],
  5: ['centimetres', 0.01],
  6: ['metres', 1],
};
/** A drawing with more entities is no plan of a site. */
const MOST = 20_000;

const same = (a: readonly number[], b: readonly number[]) => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!) < 1e-9;

/**
 * Reads a plan from a drawing in DXF: lines, polylines, circles and arcs become outlines, named by their layer, which
 * also says what they are (a layer "gas" is a gas line). Blocks are set in; units come from the header.
 */
export function readDxf(source: string): ReadPlan {
  let drawing: Helper;
  let lines: { vertices: [number, number][] }[];
  try {
    drawing = new Helper(source);
    lines = drawing.toPolylines().polylines;
  } catch {
    return { ok: false, problem: 'The drawing cannot be read: not an ASCII DXF file, or cut off.' };
  }
  if (lines.length === 0)
    return { ok: false, problem: 'The drawing holds no lines. Allowed is the ASCII form of DXF.' };
  if (lines.length > MOST)
    return { ok: false, problem: `The drawing holds ${lines.length} lines; at most ${MOST} are allowed.` };
  const code = drawing.parsed.header.insUnits ?? 0;
  const [unit, metres] = UNITS[code] ?? ['', 1];
  const notes = [
    unit ? `Drawn in ${unit}.` : 'The drawing names no unit: taken as metres.',
    'Placed by its own origin: x east, y north.',
  ];
  const left = new Map<string, number>();
  const outlines = lines.flatMap(({ vertices }, i): Outline[] => {
    const { type, layer } = drawing.denormalised[i]!;
    const points = vertices
      .filter((v, k) => k === 0 || !same(v, vertices[k - 1]!))
      .map(([x, y]): [number, number] => [x * metres, y * metres]);
    if (points.length < 2 || points.some((p) => !p.every(Number.isFinite))) {
      left.set(type, (left.get(type) ?? 0) + 1);
      return [];
    }
    const closed = points.length > 3 && same(points[0]!, points.at(-1)!);
    const name = layer && layer !== '0' ? layer : 'outline';
    return [{ name, kind: name.toLowerCase(), shape: closed ? 'area' : 'line', points }];
  });
  for (const [type, count] of left) notes.push(`${count} of ${type} left out: not a line.`);
  return { ok: true, trees: [], outlines, notes };
}
