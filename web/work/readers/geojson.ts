import * as z from 'zod';
import type { Outline } from '../../protocol/grounds';
import { PLAN } from './limits';
import { Notes } from './notes';
import { labelProblem, outlineWords, treeWords } from './words';

/**
 * A property's plan as GeoJSON in local metres.
 *
 * RFC 7946 knows only degrees; the foreign member `undrel:frame` says that the coordinates are metres east (x) and
 * north (y) of the property's own origin. A file without it is looked at and what was assumed is told.
 */
export const FRAME_MEMBER = 'undrel:frame';
export const LOCAL_FRAME = { unit: 'metre', x: 'east', y: 'north' };

/** A plan wider than this is not in degrees: 0.2 degrees is some 20 km. */
const WIDEST_IN_DEGREES = 0.2;
/** Mean earth radius, IUGG, m. */
const EARTH_RADIUS = 6_371_008.8;

type Point = [number, number];

const position = z.tuple([z.number(), z.number()], z.number()).transform(([x, y]): Point => [x, y]);
const geometry = z.discriminatedUnion('type', [
  z.object({ type: z.literal('Point'), coordinates: position }),
  z.object({ type: z.literal('LineString'), coordinates: z.array(position).min(2) }),
  z.object({ type: z.literal('Polygon'), coordinates: z.array(z.array(position).min(4)).min(1) }),
]);
const feature = z.object({
  type: z.literal('Feature'),
  geometry,
  properties: z.record(z.string(), z.unknown()).nullable(),
});
const collection = z.looseObject({
  type: z.literal('FeatureCollection'),
  features: z.array(z.unknown()),
});

export interface PlacedTree {
  label: string;
  species: string;
  x: number;
  y: number;
}

export type ReadPlan =
  | { ok: true; trees: PlacedTree[]; outlines: Outline[]; notes: string[] }
  | { ok: false; problem: string };

const closed = (ring: readonly Point[]) =>
  ring[0]![0] === ring[ring.length - 1]![0] && ring[0]![1] === ring[ring.length - 1]![1];

/** Twice the signed area: positive runs anticlockwise, as RFC 7946 wants an outer ring. */
const turn = (ring: readonly Point[]) =>
  ring.slice(1).reduce((sum, [x, y], i) => sum + ring[i]![0] * y - x * ring[i]![1], 0);

function bounds(points: readonly Point[]): { min: Point; max: Point } {
  const [min, max]: [Point, Point] = [
    [Infinity, Infinity],
    [-Infinity, -Infinity],
  ];
  for (const p of points) {
    for (const k of [0, 1] as const) {
      min[k] = Math.min(min[k], p[k]);
      max[k] = Math.max(max[k], p[k]);
    }
  }
  return { min, max };
}

/** How the coordinates become metres, and what to tell about it. */
function frameOf(
  raw: Record<string, unknown>,
  points: readonly Point[],
): { place: (p: Point) => Point; note?: string } {
  const same = (p: Point) => p;
  if (raw[FRAME_MEMBER] !== undefined || points.length === 0) return { place: same };
  const { min, max } = bounds(points);
  const couldBeDegrees = min[0] >= -180 && max[0] <= 180 && min[1] >= -90 && max[1] <= 90;
  const narrow = max[0] - min[0] <= WIDEST_IN_DEGREES && max[1] - min[1] <= WIDEST_IN_DEGREES;
  if (!couldBeDegrees || !narrow) {
    return {
      place: same,
      note: 'The file names no frame and is too wide for degrees: taken as local metres, x east, y north.',
    };
  }
  const [lon, lat] = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2];
  const perDegree = (EARTH_RADIUS * Math.PI) / 180;
  const east = perDegree * Math.cos((lat * Math.PI) / 180);
  return {
    place: ([x, y]) => [(x - lon) * east, (y - lat) * perDegree],
    note: `The file is in degrees: turned into metres round its middle, ${lat.toFixed(5)}° north, ${lon.toFixed(5)}° east.`,
  };
}

const text = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

/**
 * Reads a plan: points with a label become trees, lines and polygons become outlines.
 *
 * Features that cannot be read are left out and named; rings running the wrong way are turned round; degrees are
 * turned into metres. Each is told in `notes`.
 */
export function readPlan(source: string): ReadPlan {
  let raw: unknown;
  try {
    raw = JSON.parse(source.replace(/^\uFEFF/, ''));
  } catch {
    const cut = !/\}\s*$/.test(source);
    return {
      ok: false,
      problem: cut ? 'The file is cut off: it does not end in }.' : 'The file is not JSON.',
    };
  }
  const read = collection.safeParse(raw);
  if (!read.success)
    return {
      ok: false,
      problem: 'Not a GeoJSON FeatureCollection; allowed: {"type": "FeatureCollection", "features": […]}.',
    };
  if (read.data.features.length > PLAN.features)
    return {
      ok: false,
      problem: `The file holds ${read.data.features.length} features; at most ${PLAN.features} are allowed. Nothing was taken.`,
    };
  const notes = new Notes(PLAN.notes);
  const features = read.data.features.flatMap((candidate, i) => {
    const one = feature.safeParse(candidate);
    if (one.success) return [{ ...one.data, i }];
    const path = one.error.issues[0]!.path.join('.');
    notes.push(`Feature ${i + 1} left out: ${path || 'feature'}: ${one.error.issues[0]!.message}.`);
    return [];
  });
  const points = features.flatMap(({ geometry: g }) =>
    g.type === 'Point' ? [g.coordinates] : g.type === 'LineString' ? g.coordinates : g.coordinates.flat(),
  );
  if (points.length > PLAN.points)
    return {
      ok: false,
      problem: `The file holds ${points.length} points; at most ${PLAN.points} are allowed. Nothing was taken.`,
    };
  const { place, note } = frameOf(read.data, points);
  const first = note ? [note] : [];

  const trees: PlacedTree[] = [];
  const outlines: Outline[] = [];
  let turned = 0;
  for (const { geometry: g, properties, i } of features) {
    const where = `Feature ${i + 1}`;
    const given = text(properties?.name ?? properties?.label);
    if (g.type === 'Point') {
      const problem = labelProblem(given);
      if (problem) {
        notes.push(`${where} left out: ${problem}.`);
        continue;
      }
      const [x, y] = place(g.coordinates);
      trees.push({
        label: given,
        species: treeWords(text(properties?.species), `${where}, species`, notes),
        x,
        y,
      });
      continue;
    }
    const name = outlineWords(given, `${where}, name`, notes);
    const ring = g.type === 'LineString' ? g.coordinates : g.coordinates[0]!;
    if (g.type === 'Polygon' && !closed(ring)) {
      notes.push(`${where} (${name || 'no name'}): its ring was not closed; closed it.`);
      ring.push(ring[0]!);
    }
    const backwards = g.type === 'Polygon' && turn(ring) < 0;
    if (backwards) turned++;
    const placed = (backwards ? [...ring].reverse() : ring).map(place);
    outlines.push({
      name,
      kind: outlineWords(text(properties?.kind), `${where}, kind`, notes) || 'outline',
      shape: g.type === 'Polygon' ? 'area' : 'line',
      points: placed,
    });
  }
  if (turned > 0) notes.push(`${turned} outer ring(s) ran clockwise; turned round.`);
  return { ok: true, trees, outlines, notes: [...first, ...notes.told()] };
}

/** The plan with its trees, ready to be read back without loss. */
export function writePlan(property: {
  name: string;
  plan: readonly Outline[] | null;
  trees: readonly PlacedTree[];
}): unknown {
  return {
    type: 'FeatureCollection',
    [FRAME_MEMBER]: LOCAL_FRAME,
    name: property.name,
    features: [
      ...(property.plan ?? []).map((o) => ({
        type: 'Feature',
        properties: { name: o.name, kind: o.kind },
        geometry:
          o.shape === 'area'
            ? { type: 'Polygon', coordinates: [o.points] }
            : { type: 'LineString', coordinates: o.points },
      })),
      ...property.trees.map((t) => ({
        type: 'Feature',
        properties: { label: t.label, species: t.species, kind: 'tree' },
        geometry: { type: 'Point', coordinates: [t.x, t.y] },
      })),
    ],
  };
}
