import { Helper, type Entity } from 'dxf';
import type { Outline } from '../../protocol/grounds';
import { DRAWING } from './limits';
import { OUTLINE_LETTERS } from './words';
import type { ReadPlan } from './geojson';

/** Metres of a drawing unit by `$INSUNITS`. */
const UNITS: Record<number, [name: string, metres: number]> = {
  1: ['inches', 0.0254],
  2: ['feet', 0.3048],
  4: ['millimetres', 0.001],
  5: ['centimetres', 0.01],
  6: ['metres', 1],
};
const same = (a: readonly number[], b: readonly number[]) => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!) < 1e-9;

/** Something in a drawing is beyond what a plan of a site holds. */
class TooMuch extends Error {}

const beyond = (what: string, count: number, most: number): never => {
  throw new TooMuch(`The drawing holds ${what}: ${count}; at most ${most} are allowed. Nothing was taken.`);
};

/** Turns of an arc that are drawn at most, radians; a file may name any angle. */
const MOST_ANGLE = 100;
const MOST_DEGREE = 10;

/** What a list of entities comes to; `curves` counts the points that curves are read through. */
interface Size {
  entities: number;
  curves: number;
  points: number;
}

/** How many points an entity is drawn with at most; a curve beyond what is allowed ends the reading. */
function pointsOf(e: Entity): Omit<Size, 'entities'> {
  for (const angle of [e.startAngle ?? 0, e.endAngle ?? 0])
    if (!(Math.abs(angle) <= MOST_ANGLE)) beyond('an arc with an angle beyond all turns', angle, MOST_ANGLE);
  if (e.type === 'SPLINE' || e.polyfaceMesh) {
    const points = Math.max(e.controlPoints?.length ?? 0, e.knots?.length ?? 0, e.vertices?.length ?? 0);
    if (points > DRAWING.curve) beyond('a curve with too many points', points, DRAWING.curve);
    if ((e.degree ?? 0) > MOST_DEGREE) beyond('a curve of too high a degree', e.degree!, MOST_DEGREE);
    return { curves: points, points: 25 * points };
  }
  const points = Math.max(2, e.vertices?.length ?? 0, /ARC|CIRCLE|ELLIPSE/.test(e.type) ? 73 : 0);
  return { curves: 0, points };
}

/**
 * Counts what a drawing comes to once its blocks are set in, without setting them in: a block inserted in rows and
 * columns, in a block that is itself inserted so, is a short file and a long drawing.
 *
 * @throws TooMuch
 */
function checkSize({ blocks, entities }: Helper['parsed']): void {
  const byName = new Map(blocks.map((b) => [b.name, b.entities ?? []]));
  // What inserts nothing is left out: the package writes a line about each into the log of the server.
  for (const list of [entities, ...byName.values()])
    list.splice(0, list.length, ...list.filter((e) => e.type !== 'INSERT' || byName.has(e.block ?? '')));
  const known = new Map<string, Size>();
  const sizeOf = (list: readonly Entity[], path: readonly string[]): Size => {
    const sum: Size = { entities: 0, curves: 0, points: 0 };
    for (const e of list) {
      if (e.type !== 'INSERT') {
        sum.entities++;
        const { curves, points } = pointsOf(e);
        sum.curves += curves;
        sum.points += points;
      } else if (e.block !== undefined && byName.has(e.block)) {
        if (path.includes(e.block)) throw new TooMuch(`The block “${e.block}” is inserted in itself.`);
        if (path.length >= DRAWING.depth) beyond('blocks within blocks', path.length + 1, DRAWING.depth);
        const size = known.get(e.block) ?? sizeOf(byName.get(e.block)!, [...path, e.block]);
        known.set(e.block, size);
        const times = Math.abs((e.rowCount ?? 1) * (e.columnCount ?? 1));
        // The array itself is walked through, whatever is in it.
        sum.entities += times * Math.max(1, size.entities);
        sum.curves += times * size.curves;
        sum.points += times * size.points;
      }
      if (!(sum.entities <= DRAWING.entities)) beyond('too many lines', sum.entities, DRAWING.entities);
      if (!(sum.curves <= DRAWING.curves)) beyond('curves with too many points', sum.curves, DRAWING.curves);
      if (!(sum.points <= DRAWING.points)) beyond('too many points', sum.points, DRAWING.points);
    }
    return sum;
  };
  sizeOf(entities, []);
}

/**
 * Reads a plan from a drawing in DXF: lines, polylines, circles and arcs become outlines, named by their layer, which
 * also says what they are (a layer "gas" is a gas line). Blocks are set in; units come from the header.
 */
export function readDxf(source: string): ReadPlan {
  let drawing: Helper;
  let lines: { vertices: [number, number][] }[];
  try {
    drawing = new Helper(source);
    checkSize(drawing.parsed);
    lines = drawing.toPolylines().polylines;
  } catch (error) {
    if (error instanceof TooMuch) return { ok: false, problem: error.message };
    return { ok: false, problem: 'The drawing cannot be read: not an ASCII DXF file, or cut off.' };
  }
  if (lines.length === 0)
    return { ok: false, problem: 'The drawing holds no lines. Allowed is the ASCII form of DXF.' };
  const code = drawing.parsed.header.insUnits ?? 0;
  const [unit, metres] = UNITS[code] ?? ['', 1];
  const notes = [
    unit ? `Drawn in ${unit}.` : 'The drawing names no unit: taken as metres.',
    'Placed by its own origin: x east, y north.',
  ];
  const left = new Map<string, number>();
  const long = new Set<string>();
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
    const given = layer && layer !== '0' ? layer : 'outline';
    if (given.length > OUTLINE_LETTERS) long.add(given);
    const name = given.slice(0, OUTLINE_LETTERS);
    return [{ name, kind: name.toLowerCase(), shape: closed ? 'area' : 'line', points }];
  });
  for (const layer of long)
    notes.push(
      `Layer “${layer.slice(0, 40)}…”: its name has ${layer.length} characters; the first ${OUTLINE_LETTERS} are kept.`,
    );
  for (const [type, count] of left) notes.push(`${count} of ${type} left out: not a line.`);
  return { ok: true, trees: [], outlines, notes };
}
