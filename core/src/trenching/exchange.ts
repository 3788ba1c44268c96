import { along } from './clear';
import type { PlannedSpoke, TrenchPlan } from './plan';

const mm = (metres: number): number => Number(metres.toFixed(3));

/** Ends of a spoke in metres from the centre of the stem: x east, y north. */
export const endsOf = ({ bearing, from, to }: Pick<PlannedSpoke, 'bearing' | 'from' | 'to'>) => {
  const [ux, uy] = along(bearing);
  return [from, to].map((r): [number, number] => [mm(r * ux), mm(r * uy)]);
};

/** Spokes as GeoJSON in local metres from the centre of the stem; the foreign member says so. */
export const trenchesToGeoJson = ({ spokes, rules }: Pick<TrenchPlan, 'spokes' | 'rules'>): unknown => ({
  type: 'FeatureCollection',
  'undrel:frame': { unit: 'metre', x: 'east', y: 'north', origin: 'centre of the stem' },
  features: spokes.map((s) => ({
    type: 'Feature',
    geometry: { type: 'LineString', coordinates: endsOf(s) },
    properties: {
      what: 'trench',
      label: s.label,
      bearing: Number(s.bearing.toFixed(1)),
      width: rules.width,
      depth: rules.depth,
      season: s.season,
      limit: s.limit,
    },
  })),
});

/** Heads and rows of a table of spokes, m and degrees. */
export const trenchesToRows = ({
  spokes,
  rules,
}: Pick<TrenchPlan, 'spokes' | 'rules'>): (string | number)[][] => [
  [
    'spoke',
    'bearing (°)',
    'from stem centre (m)',
    'to (m)',
    'run (m)',
    'width (m)',
    'depth (m)',
    'season',
    'steps',
    'ended by',
    'roots left whole',
  ],
  ...spokes.map((s) => [
    s.label,
    Number(s.bearing.toFixed(1)),
    mm(s.from),
    mm(s.to),
    mm(s.length),
    rules.width,
    rules.depth,
    s.season,
    s.steps,
    s.limit,
    s.bridges.join(' '),
  ]),
];

/**
 * Spokes and what they keep clear of as a drawing in DXF (the ASCII form, lines of release 12), in metres from the
 * centre of the stem, y north.
 */
export function trenchesToDxf({ spokes, obstacles }: Pick<TrenchPlan, 'spokes' | 'obstacles'>): string {
  const pair = (code: number, value: string | number) => `${code}\n${value}`;
  const line = (layer: string, [ax, ay]: readonly number[], [bx, by]: readonly number[]) =>
    [
      pair(0, 'LINE'),
      pair(8, layer),
      pair(10, mm(ax!)),
      pair(20, mm(ay!)),
      pair(11, mm(bx!)),
      pair(21, mm(by!)),
    ].join('\n');
  const edges = obstacles.flatMap(({ points, shape }) =>
    points.flatMap((p, i) => {
      const next = points[i + 1] ?? (shape === 'area' ? points[0] : undefined);
      return next ? [line('SITE', p, next)] : [];
    }),
  );
  return [
    pair(0, 'SECTION'),
    pair(2, 'HEADER'),
    // 6: metres.
    pair(9, '$INSUNITS'),
    pair(70, 6),
    pair(0, 'ENDSEC'),
    pair(0, 'SECTION'),
    pair(2, 'ENTITIES'),
    ...spokes.map((s) => {
      const [a, b] = endsOf(s);
      return line('TRENCHES', a!, b!);
    }),
    ...edges,
    pair(0, 'ENDSEC'),
    pair(0, 'EOF'),
    '',
  ].join('\n');
}
