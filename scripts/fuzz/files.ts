import { readFileSync } from 'node:fs';

const pair = (code: number, value: string | number) => `${code}\n${value}`;
const drawing = (entities: string[], blocks: string[] = []) =>
  [
    ...(blocks.length > 0 ? [pair(0, 'SECTION'), pair(2, 'BLOCKS'), ...blocks, pair(0, 'ENDSEC')] : []),
    pair(0, 'SECTION'),
    pair(2, 'ENTITIES'),
    ...entities,
    pair(0, 'ENDSEC'),
    pair(0, 'EOF'),
  ].join('\n');
const LINE = [pair(0, 'LINE'), pair(8, 'gas'), pair(10, 0), pair(20, 0), pair(11, 1), pair(21, 1)].join('\n');
const block = (name: string, inside: string) =>
  [pair(0, 'BLOCK'), pair(8, '0'), pair(2, name), pair(10, 0), pair(20, 0), inside, pair(0, 'ENDBLK')].join(
    '\n',
  );
const insert = (name: string, rows = 1, columns = 1) =>
  [
    ...[pair(0, 'INSERT'), pair(8, 'b'), pair(2, name), pair(10, 0), pair(20, 0)],
    ...[pair(70, columns), pair(71, rows), pair(44, 1), pair(45, 1)],
  ].join('\n');
const spline = (points: number) =>
  [
    ...[pair(0, 'SPLINE'), pair(8, 's'), pair(71, 3), pair(72, points + 4), pair(73, points)],
    ...Array.from({ length: points + 4 }, (_, i) => pair(40, i)),
    ...Array.from({ length: points }, (_, i) => `${pair(10, i)}\n${pair(20, i % 7)}`),
  ].join('\n');

/** A rectangular array of a block: a short file that is a drawing without end. */
export const arrayOf = (rows: number, columns: number): string =>
  drawing([insert('A', rows, columns)], [block('A', LINE)]);

/** Blocks within blocks, each `times` in the next. */
export const nested = (depth: number, times: number): string =>
  drawing(
    [insert(`B${depth}`)],
    [
      block('B0', LINE),
      ...Array.from({ length: depth }, (_, i) =>
        block(`B${i + 1}`, Array.from({ length: times }, () => insert(`B${i}`)).join('\n')),
      ),
    ],
  );

export const curve = (points: number): string => drawing([spline(points)]);

/** What an importer may be sent, by the importer. */
export type Importer =
  | 'trees'
  | 'weather'
  | 'plan'
  | 'dxf'
  | 'case'
  | 'rootTable'
  | 'rootMap'
  | 'walk'
  | 'pushes'
  | 'picture';

/** Small pictures, a byte a letter: JPEG, PNG, WebP, and a PNG whose head says 3,600 million pixels. */
const PICTURES = [
  '/9j/2wBDAAYEBQYFBAYGBQYHBwYIChAKCgkJChQODwwQFxQYGBcUFhYaHSUfGhsjHBYWICwgIyYnKSopGR8tMC0oMCUoKSj/2wBDAQcHBwoIChMKChMoGhYaKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCj/wAARCAAGAAgDASIAAhEBAxEB/8QAFQABAQAAAAAAAAAAAAAAAAAAAAb/xAAUEAEAAAAAAAAAAAAAAAAAAAAA/8QAFQEBAQAAAAAAAAAAAAAAAAAABAX/xAAUEQEAAAAAAAAAAAAAAAAAAAAA/9oADAMBAAIRAxEAPwCfAQhH/9k=',
  'iVBORw0KGgoAAAANSUhEUgAAAAgAAAAGCAIAAABxZ0isAAAACXBIWXMAAAPoAAAD6AG1e1JrAAAAEUlEQVQImWOIqrDBihgGUgIA2+gyoe05YRsAAAAASUVORK5CYII=',
  'UklGRjIAAABXRUJQVlA4ICYAAABwAQCdASoIAAYAAUAmJZACdAF1AAD+7HDf4t+0f3tlBScQUdAAAA==',
  'iVBORw0KGgoAAAANSUhEUgAA6mAAAOpgCAIAAABxZ0isAAAACXBIWXMAAAPoAAAD6AG1e1JrAAAAEUlEQVQImWOIqrDBihgGUgIA2+gyoe05YRsAAAAASUVORK5CYII=',
].map((base64) => Buffer.from(base64, 'base64').toString('latin1'));

const geojson = JSON.stringify({
  type: 'FeatureCollection',
  'undrel:frame': { unit: 'metre' },
  features: [
    {
      type: 'Feature',
      properties: { name: 'Path', kind: 'path' },
      geometry: {
        type: 'LineString',
        coordinates: [
          [0, 0],
          [5, 3],
        ],
      },
    },
    {
      type: 'Feature',
      properties: { label: 'Ash 1', species: 'Fraxinus excelsior' },
      geometry: { type: 'Point', coordinates: [1, 2] },
    },
  ],
});
const roots = JSON.stringify({
  type: 'FeatureCollection',
  features: [
    {
      type: 'Feature',
      properties: {
        what: 'root',
        label: 'A',
        kind: 'girdling',
        start: 'stem',
        depth: [0.1, 0.1],
        diameter: [0.03, 0.02],
      },
      geometry: {
        type: 'LineString',
        coordinates: [
          [0.2, 0],
          [0.3, 0.2],
        ],
      },
    },
  ],
});

/** Files that are read well, and those that once held a server for seconds or for good. */
export const SEEDS: Record<Importer, string[]> = {
  trees: [
    'label,species,stem diameter (cm),height (m),year planted,x (m),y (m)\nAsh 1,Fraxinus,32,12,2011,1,2\n“=1+1”,Tilia,4,3,2020,,\n',
    `label,${' '.repeat(20_000)}x\nA,b\n`,
    `label,species\n${','.repeat(50_000)}`,
  ],
  weather: ['month,rain (mm)\n2019-04,30\n2019-05,40\n2019-06,20\n2019-07,10\n2019-08,5\n2019-09,60\n'],
  plan: [geojson, '['.repeat(5_000), `{"type":"FeatureCollection","features":[${'{},'.repeat(2_000)}{}]}`],
  dxf: [
    drawing([LINE], []),
    arrayOf(250, 250),
    arrayOf(700, 700),
    arrayOf(-3, 1e9),
    nested(9, 5),
    nested(4, 4),
    curve(2_000),
    curve(30),
    drawing([insert('A')], [block('A', insert('A'))]),
    drawing([
      [
        pair(0, 'ELLIPSE'),
        pair(8, 'e'),
        pair(10, 0),
        pair(20, 0),
        pair(11, 1),
        pair(21, 0),
        pair(40, 0.5),
        pair(41, 0),
        pair(42, 1e12),
      ].join('\n'),
    ]),
  ],
  case: [readFileSync('docs/example-case.json', 'utf8'), '{"format":"undrel-case","version":99}'],
  rootTable: [
    'root,kind,start,from,condition,contact,bearing (deg),distance (m),depth (m),diameter (m)\nA,girdling,stem,,sound,pressing,10,0.02,0.1,0.03\nA,girdling,stem,,sound,pressing,40,0.05,0.1,0.02\n',
  ],
  rootMap: [roots],
  walk: [
    'label,species,date,flare,mulch\nAsh 1,Fraxinus,2026-05-01,flared,clear\n',
    `label,species,date\n${'x,y,2026-05-01\n'.repeat(3)}`,
  ],
  pushes: [
    'bearing,distance (m),depth (cm),cone index (MPa)\n0,1,5,0.8\n0,1,10,1.2\n',
    `bearing${' '.repeat(20_000)},distance (m\n0,1\n`,
  ],
  picture: [...PICTURES, '%PDF-1.7 called .jpg', ''],
};

const NASTY = [
  '\u0000',
  '\ud800',
  '\ufeff',
  '1e309',
  '-1e309',
  'NaN',
  '99999999999999999999',
  '"',
  "'",
  '{',
  '[',
  ']',
  '}',
  ',',
  '\n0\nINSERT\n',
  '\n70\n99999\n',
  '\n71\n99999\n',
  '__proto__',
  'constructor',
  '=cmd()',
  ' '.repeat(500),
  '0000-00-00',
  'null',
  '-0',
  '٣',
  '🌳',
];

/** A file made from a seed by cutting, doubling, swapping and planting what no file should hold. */
export function spoilt(source: string, random: () => number): string {
  let text = source;
  const at = () => Math.floor(random() * (text.length + 1));
  const times = 1 + Math.floor(random() * 6);
  for (let i = 0; i < times; i++) {
    const [a, b] = [at(), at()].sort((x, y) => x - y) as [number, number];
    switch (Math.floor(random() * 6)) {
      case 0:
        text = text.slice(0, a) + text.slice(Math.min(b, a + 200));
        break;
      case 1:
        text = text.slice(0, b) + text.slice(a, Math.min(b, a + 2_000)) + text.slice(b);
        break;
      case 2:
        text = text.slice(0, a) + NASTY[Math.floor(random() * NASTY.length)]! + text.slice(a);
        break;
      case 3:
        text = text.slice(0, a);
        break;
      case 4:
        text = text.replace(/\d+/g, (n) => (random() < 0.05 ? n + '0'.repeat(Math.floor(random() * 8)) : n));
        break;
      default:
        text = text.slice(0, a) + String.fromCharCode(Math.floor(random() * 256)) + text.slice(a + 1);
    }
    if (text.length > 300_000) text = text.slice(0, 300_000);
  }
  return text;
}
