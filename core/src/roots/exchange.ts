import type { Dig, DugRoot, RootKind } from '../records';
import { LENGTH_LIMITS } from '../units/limits';
import { DIRECTIONS, outlineOf, planPoint } from './outline';
import { placed } from './path';
import type { DigReading } from './reading';
import { readingAt } from './edits';

const KINDS: readonly RootKind[] = [
  'structural',
  'girdling',
  'root on root',
  'circling',
  'adventitious',
  'competing',
];

/** Roots that a dig may hold; a file with more is none of a dig. */
const MOST_ROOTS = 500;
const tooMany = (count: number): string =>
  `The file holds ${count} roots; at most ${MOST_ROOTS} are allowed. Nothing was taken.`;

/** How coordinates in the file are meant; a foreign member beside the features. */
export const FRAME = {
  origin: 'centre of the stem at the level of the collar',
  axes: 'x east, y north of true north, metres',
  depth: 'metres below grade to the top of the root, one for each vertex',
  diameter: 'metres across the root, one for each vertex',
} as const;

const round = (value: number): number => Math.round(value * 10000) / 10000;

/** The dig as GeoJSON in local metres: every root a line through its readings, the stem an area. */
export function digToGeoJson(dig: Dig, reading: DigReading): object {
  return {
    type: 'FeatureCollection',
    frame: FRAME,
    features: [
      {
        type: 'Feature',
        properties: { what: 'stem' },
        geometry: {
          type: 'Polygon',
          coordinates: [
            Array.from({ length: 73 }, (_, i) => {
              const bearing = -((i % 72) * 5);
              const at = (((bearing * DIRECTIONS) / 360) % DIRECTIONS) + (bearing < 0 ? DIRECTIONS : 0);
              return planPoint(bearing, reading.outline.radii[Math.round(at) % DIRECTIONS]!).map(round);
            }),
          ],
        },
      },
      ...reading.roots.map(({ root }) => {
        const points = placed(dig, reading.turn, reading.outline, root);
        const { label, kind, start, from, condition, contact } = root;
        const properties = {
          what: 'root',
          label,
          kind,
          start,
          from,
          condition,
          contact,
          depth: points.map((p) => round(p.depth)),
          diameter: points.map((p) => round(2 * p.radius)),
        };
        const at = points.map((p) => [round(p.x), round(p.y)]);
        return {
          type: 'Feature',
          properties,
          geometry:
            at.length === 1 ? { type: 'Point', coordinates: at[0] } : { type: 'LineString', coordinates: at },
        };
      }),
    ],
  };
}

/** Columns of the table of points, a line for each reading. */
export const CSV_COLUMNS = [
  'root',
  'kind',
  'start',
  'from',
  'condition',
  'contact',
  'bearing (deg)',
  'distance (m)',
  'depth (m)',
  'diameter (m)',
] as const;

export const digToRows = (dig: Dig): (string | number)[][] =>
  dig.roots.flatMap((root) =>
    root.points.map((p) => [
      root.label,
      root.kind,
      root.start,
      root.from ?? '',
      root.condition ?? '',
      root.contact ?? '',
      p.bearing,
      p.distance,
      p.depth,
      p.diameter,
    ]),
  );

export interface BroughtRoots {
  roots: DugRoot[];
  /** The outline of the stem, where the file has one and the dig has none: radii at bearings as the compass of this dig would read them. */
  radii?: NonNullable<Dig['radii']>;
  /** What was wrong, by place, value and what is allowed; the rest is kept. */
  notes: string[];
}

/** A feature as it may come: nothing in it is taken on trust. */
interface Feature {
  properties?: Record<string, unknown> & { depth?: unknown[]; diameter?: unknown[] };
  geometry?: { type?: string; coordinates?: unknown[] };
}

const STARTS = ['stem', 'root', 'outside'] as const;
const CONDITIONS = ['sound', 'cracked', 'decayed', 'dead'] as const;
const CONTACTS = ['clear', 'touching', 'pressing', 'embedded', 'grafted'] as const;
const oneOf = <T extends string>(list: readonly T[], value: unknown): T | undefined =>
  list.find((v) => v === value);

const within = (field: 'rootDistance' | 'rootDepth' | 'rootDiameter', value: unknown): string | undefined => {
  const { name, min, max } = LENGTH_LIMITS[field];
  return typeof value === 'number' && value >= min && value <= max
    ? undefined
    : `${name}: ${JSON.stringify(value) ?? 'absent'}; allowed ${min} to ${max} m`;
};

/** What a root is, from the values of a file; an unknown kind is named and taken as girdling, to be looked at. */
function headOf(given: Record<string, unknown>, place: string, notes: string[]): Omit<DugRoot, 'points'> {
  const kind = oneOf(KINDS, given.kind);
  if (!kind)
    notes.push(
      `${place}: kind ${JSON.stringify(given.kind) ?? 'absent'} is not known; allowed ${KINDS.join(', ')}. Taken as girdling.`,
    );
  const text = (value: unknown, most: number) =>
    typeof value === 'string' && value !== '' ? value.slice(0, most) : undefined;
  const label = typeof given.label === 'number' ? String(given.label) : text(given.label, 12);
  return {
    label: label ?? '?',
    kind: kind ?? 'girdling',
    start: oneOf(STARTS, given.start) ?? 'outside',
    from: text(given.from, 80),
    condition: oneOf(CONDITIONS, given.condition),
    contact: oneOf(CONTACTS, given.contact),
  };
}

/**
 * Roots from GeoJSON in local metres, as {@link digToGeoJson} writes it.
 *
 * @param source JSON text
 * @returns the roots and notes; a text that is no GeoJSON gives no roots and says so
 */
export function rootsFromGeoJson(source: string, dig: Dig, reading: DigReading): BroughtRoots {
  let file: { features?: unknown };
  try {
    file = JSON.parse(source) as typeof file;
  } catch {
    return {
      roots: [],
      notes: [
        /[}\]]\s*$/.test(source) ? 'The file is not JSON.' : 'The file is cut off: it does not end in }.',
      ],
    };
  }
  if (!Array.isArray(file.features)) return { roots: [], notes: ['The file has no features.'] };
  if (file.features.length > MOST_ROOTS + 1) return { roots: [], notes: [tooMany(file.features.length)] };
  const notes: string[] = [];
  const features = file.features as Feature[];
  const stem = features.findIndex((f) => f?.properties?.what === 'stem');
  let radii =
    stem < 0 ? undefined : radiiFrom(features[stem]!.geometry, reading.turn, `Feature ${stem + 1}`, notes);
  if (radii && ((dig.radii?.length ?? 0) > 0 || dig.diameters !== undefined)) {
    notes.push('The outline of the stem in the file was left out: this dig has one.');
    radii = undefined;
  }
  const frame = radii
    ? { dig, turn: reading.turn, outline: outlineOf({ ...dig, radii }, reading.turn, undefined) }
    : { dig, turn: reading.turn, outline: reading.outline };
  const roots = features.flatMap((feature, i): DugRoot[] => {
    if (feature?.properties?.what === 'stem') return [];
    const place = `Feature ${i + 1}`;
    const { geometry, properties = {} } = feature ?? {};
    if (geometry?.type !== 'LineString' && geometry?.type !== 'Point') {
      notes.push(`${place}: ${String(geometry?.type)} is no root; allowed LineString, Point. Left out.`);
      return [];
    }
    const at = geometry.type === 'Point' ? [geometry.coordinates] : (geometry.coordinates ?? []);
    const points = at.flatMap((pair, k) => {
      const [x, y] = pair as [number, number];
      if (!Number.isFinite(x) || !Number.isFinite(y) || Math.hypot(x, y) > LENGTH_LIMITS.rootDistance.max) {
        notes.push(
          `${place}, point ${k + 1}: ${JSON.stringify(pair)} is not within 8 m of the stem. Left out.`,
        );
        return [];
      }
      const depth: unknown = properties.depth?.[k] ?? 0.1;
      const diameter: unknown = properties.diameter?.[k] ?? 0.02;
      const wrong = within('rootDepth', depth) ?? within('rootDiameter', diameter);
      if (wrong) {
        notes.push(`${place}, point ${k + 1}: ${wrong}. Left out.`);
        return [];
      }
      return [{ ...readingAt(frame, x, y), depth: depth as number, diameter: diameter as number }];
    });
    return points.length > 0 ? [{ ...headOf(properties, place, notes), points }] : [];
  });
  return { roots, ...(radii && { radii }), notes };
}

/** Bearings at which the outline of a file is read, degrees apart. */
const OUTLINE_STEP = 10;

/** Radii of an area round the origin: where the ray of each bearing leaves it last. */
function radiiFrom(
  geometry: Feature['geometry'],
  turn: number,
  place: string,
  notes: string[],
): BroughtRoots['radii'] {
  const ring = (geometry?.type === 'Polygon' ? geometry.coordinates?.[0] : undefined) as
    | [number, number][]
    | undefined;
  const isPoint = (p: unknown) => Array.isArray(p) && Number.isFinite(p[0]) && Number.isFinite(p[1]);
  if (!Array.isArray(ring) || ring.length < 4 || !ring.every(isPoint)) {
    notes.push(`${place}: the stem is no area of three corners or more. Left out.`);
    return undefined;
  }
  const { min, max } = LENGTH_LIMITS.outlineRadius;
  const radii: { bearing: number; radius: number }[] = [];
  for (let bearing = 0; bearing < 360; bearing += OUTLINE_STEP) {
    const [dx, dy] = planPoint(bearing + turn, 1);
    let radius = 0;
    for (let k = 0; k + 1 < ring.length; k++) {
      const [[ax, ay], [bx, by]] = [ring[k]!, ring[k + 1]!];
      const [ex, ey] = [bx - ax, by - ay];
      const det = ex * dy - ey * dx;
      if (Math.abs(det) < 1e-15) continue;
      const along = (ex * ay - ey * ax) / det;
      const share = (dx * ay - dy * ax) / det;
      if (share >= -1e-12 && share <= 1 + 1e-12 && along > radius) radius = along;
    }
    if (radius < min || radius > max) {
      notes.push(
        `${place}: the stem reaches ${round(radius)} m at ${bearing}°; allowed ${min} to ${max} m. Left out.`,
      );
      return undefined;
    }
    radii.push({ bearing, radius: round(radius) });
  }
  return radii;
}

/** Roots from the rows of a table with {@link CSV_COLUMNS}; rows of one root follow each other. */
export function rootsFromRows(rows: readonly Record<string, string>[]): BroughtRoots {
  const notes: string[] = [];
  const labels = new Set(rows.map((row) => row.root));
  if (labels.size > MOST_ROOTS) return { roots: [], notes: [tooMany(labels.size)] };
  const byLabel = new Map<string | undefined, DugRoot>();
  rows.forEach((row, i) => {
    const place = `Row ${i + 2}`;
    const number = (column: string) => Number((row[column] ?? '').replace(',', '.') || NaN);
    const [bearing, distance, depth, diameter] = CSV_COLUMNS.slice(6).map(number) as [
      number,
      number,
      number,
      number,
    ];
    const wrong =
      (bearing >= 0 && bearing <= 360
        ? undefined
        : `Bearing: ${row['bearing (deg)'] ?? 'absent'}; allowed 0 to 360`) ??
      within('rootDistance', distance) ??
      within('rootDepth', depth) ??
      within('rootDiameter', diameter);
    if (wrong) {
      notes.push(`${place}: ${wrong}. Left out.`);
      return;
    }
    let root = byLabel.get(row.root);
    if (!root) {
      root = { ...headOf({ ...row, label: row.root }, place, notes), points: [] };
      byLabel.set(row.root, root);
    }
    root.points.push({ bearing: bearing % 360, distance, depth, diameter });
  });
  return { roots: [...byLabel.values()], notes };
}
