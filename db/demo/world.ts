import { CASE_FORMAT, CASE_VERSION, type CaseFile } from '@undrel/core/format';
import type { Tree, TreeEvent, TrenchDesign, Visit } from '@undrel/core/records';
import * as digs from './digs';
import { THIRD_SEASON } from './more';
import { PUSHES } from './pushes';
import { CROWN_SPREAD, SOIL_LOGS } from './soilLogs';
import { cm, variation } from './series';
import { REFERENCE_LOOKS, TREATED } from './treated';
import { visitFound, type Found } from './visits';
import type { Outline } from '../../web/protocol/grounds';

/** The demo world: everything in it is invented. */
export const FIRM = {
  id: 'quillrow',
  name: 'Quillrow Tree Advisory',
  units: 'metric' as const,
  prefix: 'QTA',
};

export const PEOPLE = [
  {
    email: 'owner@quillrow.example',
    name: 'Ansel Quillrow',
    role: 'owner' as const,
    password: 'kelpworth-linden',
  },
  {
    email: 'consultant@quillrow.example',
    name: 'Mirela Voss',
    role: 'consultant' as const,
    password: 'kelpworth-linden',
  },
  { email: 'crew@quillrow.example', name: 'Tobin Hale', role: 'crew' as const, password: 'kelpworth-linden' },
  {
    email: 'reader@quillrow.example',
    name: 'Kelpworth Estates Office',
    role: 'reader' as const,
    password: 'kelpworth-linden',
  },
];

const BY = 'Mirela Voss';

export interface DemoProperty {
  id: string;
  name: string;
  client: string;
  note: string;
  plan: Outline[];
  trees: { id: string; caseFile: CaseFile }[];
}

const area = (name: string, kind: string, x: number, y: number, w: number, h: number): Outline => ({
  name,
  kind,
  shape: 'area',
  points: [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
    [x, y],
  ],
});

const caseFile = (tree: Tree, events: TreeEvent[] = [], found: Found[] = []): CaseFile => ({
  format: CASE_FORMAT,
  version: CASE_VERSION,
  tree,
  events,
  visits: found.map(visitFound) as Visit[],
});

/** Kelpworth Observatory: lindens along a drive, planted 2011; a path contractor raised the grade on the north row in 2018. */
// oxlint-disable-next-line max-lines-per-function -- data: its trees, one after the other
function kelpworth(): DemoProperty {
  const vary = variation(11);
  const raised: TreeEvent[] = [
    { kind: 'planted', when: '2011-11', note: 'balled and burlapped, one contract' },
    {
      kind: 'soil added',
      when: '2018',
      note: 'path contractor regraded the north verge with the spoil of the path',
    },
    { kind: 'drought', when: '2022' },
  ];
  const untouched: TreeEvent[] = [
    { kind: 'planted', when: '2011-11', note: 'balled and burlapped, one contract' },
    { kind: 'drought', when: '2022' },
  ];
  const visits: Record<string, Found[]> = {
    'Linden 3': [
      {
        date: '2024-06-11',
        by: BY,
        seed: 31,
        note: 'Estates office: thin on top for about three years, worse each summer.',
        fill: 0.16,
        collar: { depth: 0.21, spread: 0.02, bearings: 6 },
        straight: [0, 1, 2, 4, 5, 6, 7],
        shoots: [0.07, 0.09, 0.12, 0.2, 0.28, 0.31],
        answers: {
          'crown.colour': 'pale',
          'crown.pattern': 'top',
          'crown.neighbours': 'some',
          'base.push': 'none',
          'base.conks': 'none',
        },
        shares: { 'crown.density': 0.55, 'crown.dieback': 0.15 },
        lengths: { 'probe.topsoil': 0.14, 'probe.refusal': 0.55 },
      },
      {
        date: '2026-05-19',
        by: BY,
        seed: 32,
        note: 'Two dry springs since; client wants a figure for the whole row.',
        fill: 0.16,
        collar: { depth: 0.22, spread: 0.02, bearings: 8 },
        straight: [0, 1, 2, 4, 5, 6, 7],
        dark: [0, 1, 7],
        shoots: [0.05, 0.06, 0.07, 0.09, 0.12, 0.2, 0.28, 0.31],
        answers: {
          'crown.colour': 'pale',
          'crown.leaf': 'small',
          'crown.pattern': 'top',
          'crown.neighbours': 'some',
          'crown.pests': 'light',
          'crown.autumn': 'whole',
          'base.push': 'none',
          'base.conks': 'none',
          'base.sound': 'none',
          'base.girdling': 'none',
          'base.flat': 'none',
          'base.borers': 'none',
          'base.ooze': 'none',
          'probe.moisture': 'wet',
        },
        shares: { 'crown.density': 0.45, 'crown.dieback': 0.25 },
        lengths: { 'probe.topsoil': 0.14, 'probe.refusal': 0.58 },
        lookAgain: {
          on: '2026-12-08',
          why: 'Buried bark has dried: inspect it again, and what was hidden.',
        },
      },
    ],
    'Linden 4': [
      {
        date: '2026-05-19',
        by: BY,
        seed: 41,
        fill: 0.12,
        collar: { depth: 0.17, spread: 0.025, bearings: 6 },
        straight: [0, 1, 6, 7],
        shoots: [0.12, 0.13, 0.17, 0.24, 0.27, 0.3],
        answers: { 'crown.colour': 'pale', 'crown.pattern': 'none', 'base.push': 'none' },
        shares: { 'crown.density': 0.7 },
      },
    ],
    'Linden 17': [
      {
        date: '2026-05-20',
        by: BY,
        seed: 171,
        note: 'Reference of the south row: flare in view, grade never touched.',
        fill: 0,
        collar: { depth: 0.04, spread: 0.01, bearings: 4 },
        straight: [],
        shoots: [0.3, 0.28, 0.33, 0.22, 0.31, 0.34],
        answers: {
          'crown.colour': 'good',
          'crown.leaf': 'normal',
          'crown.pattern': 'none',
          'base.push': 'none',
          'base.conks': 'none',
        },
        shares: { 'crown.density': 0.95 },
      },
      ...REFERENCE_LOOKS,
    ],
    'Linden 21': [
      {
        date: '2023-05-10',
        dig: digs.before(digs.neighbour, 0.01, 0.004),
        by: BY,
        seed: 212,
        note: 'Root of Linden 22 found on the way past; nothing done.',
        fill: 0,
        collar: { depth: 0.05, spread: 0.01, bearings: 4 },
        straight: [],
        shoots: [0.29, 0.21, 0.32, 0.3],
        answers: { 'crown.colour': 'good', 'base.push': 'none' },
        lengths: { 'base.dbh': 0.205 },
      },
      {
        date: '2024-08-02',
        dig: digs.neighbour,
        by: BY,
        seed: 211,
        note: 'Sudden wilt on one limb in June.',
        fill: 0,
        collar: { depth: 0.05, spread: 0.01, bearings: 4 },
        straight: [],
        answers: {
          'crown.colour': 'good',
          'crown.pests': 'cankers',
          'crown.pattern': 'scattered',
          'crown.neighbours': 'healthy',
          'base.ooze': 'fresh',
          'base.push': 'none',
          'base.conks': 'none',
        },
        shares: { 'crown.dieback': 0.2 },
        lengths: { 'base.dbh': 0.214 },
      },
    ],
    'Linden 9': [
      {
        date: '2026-05-20',
        by: BY,
        seed: 91,
        note: 'Dead top, fungal fans on the north side, moves when pushed.',
        fill: 0.19,
        collar: { depth: 0.24, spread: 0.03, bearings: 6 },
        straight: [0, 1, 2, 3, 4, 5, 6, 7],
        soft: [0, 1, 7],
        dark: [2, 6],
        shoots: [0.01, 0.02, 0.03, 0.05, 0.11, 0.2],
        answers: {
          'crown.colour': 'pale',
          'crown.pattern': 'top',
          'base.push': 'rocks',
          'base.conks': 'many',
          'base.sound': 'hollow',
        },
        where: { 'base.conks': { bearing: 225, height: 0.05 }, 'base.sound': { bearing: 200, height: 0.3 } },
        shares: { 'crown.density': 0.15, 'crown.dieback': 0.8 },
      },
    ],
  };
  const trees = Array.from({ length: 28 }, (_, i) => {
    const north = i < 14;
    const label = `Linden ${i + 1}`;
    const tree: Tree = {
      label,
      species: 'Tilia cordata',
      commonName: 'small-leaved linden',
      plantedYear: 2011,
      stock: 'balled-and-burlapped',
      cohort: '2011, balled-and-burlapped',
      stemDiameter: cm(0.24 + (north ? 0 : 0.04) + vary(0.03)),
      height: Number((8.5 + vary(0.8)).toFixed(1)),
      crownRadius: Number((2.6 + vary(0.4)).toFixed(1)),
      position: {
        x: Number(((i % 14) * 9 + vary(0.4)).toFixed(2)),
        y: Number(((north ? 9 : -9) + vary(0.4)).toFixed(2)),
      },
      ...(label === 'Linden 17' ? { reference: true } : {}),
    };
    return {
      id: `kelpworth-${i + 1}`,
      caseFile: caseFile(
        tree,
        north ? raised : untouched,
        visits[label] ?? THIRD_SEASON[label] ?? TREATED[label],
      ),
    };
  });
  return {
    id: 'kelpworth',
    name: 'Kelpworth Observatory',
    client: 'Kelpworth Estates Office',
    note: 'Gate code from the porter. School parties on Tuesdays: no air tool before 15:00.',
    plan: [
      area('Carriage drive', 'paving', -6, -4, 132, 8),
      {
        name: 'New path',
        kind: 'path',
        shape: 'line',
        points: [
          [-6, 14],
          [40, 13],
          [126, 15],
        ],
      },
      area('Observatory', 'building', 128, -12, 22, 24),
      {
        name: 'Gas main',
        kind: 'gas',
        shape: 'line',
        points: [
          [126, 11.2],
          [-6, 10.8],
        ],
      },
    ],
    trees,
  };
}

/** Lanternfield Tram Terminus: zelkovas and sweetgums in a paved square, 2014; four in root-control rings. */
// oxlint-disable-next-line max-lines-per-function -- data: its trees, one after the other
function lanternfield(): DemoProperty {
  const vary = variation(14);
  const visits: Record<string, Found[]> = {
    'Zelkova 2': [
      {
        date: '2025-07-08',
        by: BY,
        seed: 22,
        note: 'Gratings lift; stem lopsided at the ground.',
        dig: digs.anchorCut,
        collar: { depth: 0.09, spread: 0.02, bearings: 4 },
        straight: [4, 5],
        shoots: [0.1, 0.12, 0.14, 0.19, 0.26],
        answers: {
          'crown.colour': 'good',
          'crown.autumn': 'part',
          'crown.pattern': 'side',
          'base.girdling': 'pressing',
          'base.flat': 'marked',
          'base.push': 'none',
          'base.ties': 'tight',
        },
        where: { 'base.girdling': { bearing: 135, height: 0 }, 'base.ties': { bearing: 0, height: 1.2 } },
        shares: { 'crown.density': 0.65, 'crown.dieback': 0.1 },
        lookAgain: { on: '2026-11-02', why: 'Stage two of the root pruning: measure before cutting.' },
      },
      {
        date: '2026-07-14',
        by: BY,
        seed: 24,
        note: 'Opened again a year on; nothing was cut yet. X sits deeper in D2.',
        dig: digs.anchorCutLater,
        collar: { depth: 0.09, spread: 0.02, bearings: 4 },
        shoots: [0.09, 0.1, 0.12, 0.14, 0.19, 0.26],
        answers: {
          'crown.colour': 'good',
          'crown.pattern': 'side',
          'base.girdling': 'embedded',
          'base.push': 'none',
        },
        shares: { 'crown.density': 0.6, 'crown.dieback': 0.12 },
      },
    ],
    'Zelkova 5': [
      {
        date: '2024-06-18',
        by: BY,
        seed: 26,
        note: 'Grating lifted for the tram works; the ring is full.',
        dig: digs.before(digs.inRing, 0.006, 0.003, ['E']),
        answers: { 'crown.colour': 'good' },
      },
      {
        date: '2025-07-09',
        by: BY,
        seed: 25,
        note: 'Noted in the rain, one side only; the signs do not agree. Go back.',
        dig: digs.inRing,
        straight: [0, 1],
        pushes: [
          { bearing: 0, distance: 0.1, depth: -0.03, found: 'root', from: 'grade' },
          { bearing: 90, distance: 0.1, depth: 0.12, found: 'root', from: 'grade' },
          { bearing: 90, distance: 0.12, depth: 0.3, found: 'nothing', from: 'grade' },
          { bearing: 180, distance: 0.2, depth: 0.19, found: 'root', from: 'mulch' },
        ],
        answers: { 'crown.colour': 'pale' },
      },
    ],
    'Sweetgum 3': [
      {
        date: '2025-07-08',
        by: BY,
        seed: 23,
        note: 'Whole square scorched in July; hydrant off since May.',
        collar: { depth: 0.05, spread: 0.01, bearings: 4 },
        straight: [],
        shoots: [0.16, 0.3, 0.31, 0.28, 0.33],
        answers: {
          'crown.colour': 'scorched',
          'crown.neighbours': 'all',
          'crown.pattern': 'none',
          'base.push': 'none',
          'base.conks': 'none',
          'probe.moisture': 'dry',
        },
        shares: { 'crown.density': 0.8 },
      },
    ],
  };
  const trees = Array.from({ length: 12 }, (_, i) => {
    const zelkova = i < 6;
    const label = `${zelkova ? 'Zelkova' : 'Sweetgum'} ${(i % 6) + 1}`;
    const ring = [0, 1, 6, 7].includes(i);
    const tree: Tree = {
      label,
      species: zelkova ? 'Zelkova serrata' : 'Liquidambar styraciflua',
      commonName: zelkova ? 'zelkova' : 'sweetgum',
      plantedYear: 2014,
      stock: 'container',
      stemDiameter: cm(0.17 + vary(0.03)),
      height: Number((7 + vary(1)).toFixed(1)),
      mulchRoom: 0.75,
      position: { x: (i % 6) * 8, y: zelkova ? 6 : -6 },
    };
    const events: TreeEvent[] = [
      { kind: 'planted', when: '2014-03' },
      { kind: 'paving', when: '2014-05', note: 'base compacted up to the pits' },
      ...(ring
        ? [{ kind: 'planting ring' as const, when: '2014-03', note: 'root-control ring, 60 cm' }]
        : []),
      { kind: 'drought', when: '2025' },
    ];
    return {
      id: `lanternfield-${i + 1}`,
      caseFile: caseFile(tree, events, visits[label] ?? THIRD_SEASON[label] ?? TREATED[label]),
    };
  });
  return {
    id: 'lanternfield',
    name: 'Lanternfield Tram Terminus',
    client: 'Lanternfield Transit',
    note: 'Overhead line on the south side. Night work only on the tram edge.',
    plan: [
      area('Square', 'paving', -6, -14, 56, 28),
      {
        name: 'Tram edge',
        kind: 'kerb',
        shape: 'line',
        points: [
          [-6, -14],
          [50, -14],
        ],
      },
      area('Kiosk', 'building', 18, -2.5, 6, 5),
    ],
    trees,
  };
}

/** Sable Row Ropeworks: a housing court, container trees of 2016, mulch cones renewed every spring. */
// oxlint-disable-next-line max-lines-per-function -- data: its trees, one after the other
function sableRow(): DemoProperty {
  const vary = variation(16);
  const events: TreeEvent[] = [
    { kind: 'planted', when: '2016-04', note: 'from containers' },
    { kind: 'mulch contract', when: '2017-03', note: 'renewed every spring by the maintenance crew' },
  ];
  const visits: Record<string, Found[]> = {
    'Katsura 14': [
      {
        date: '2024-05-07',
        by: BY,
        seed: 141,
        note: 'Residents: leaves small and early yellow since 2022.',
        mulch: { height: 0.2, ends: 0.9 },
        fill: 0.05,
        collar: { depth: 0.15, spread: 0.02, bearings: 4 },
        straight: [0, 1, 2, 5, 6, 7],
        shoots: [0.14, 0.19, 0.27, 0.3, 0.33],
        answers: { 'crown.colour': 'pale', 'mulch.renewed': 'yearly' },
        shares: { 'crown.density': 0.75 },
      },
      {
        date: '2025-05-13',
        by: BY,
        seed: 142,
        note: 'Mulch pushed back up in March although asked not to.',
        dig: digs.before(digs.adventitiousMat, 0.005, 0.004, ['B']),
        mulch: { height: 0.24, ends: 0.95 },
        fill: 0.05,
        collar: { depth: 0.16, spread: 0.02, bearings: 4 },
        straight: [0, 1, 2, 5, 6, 7],
        shoots: [0.11, 0.14, 0.19, 0.27, 0.3, 0.33],
        answers: { 'crown.colour': 'pale', 'mulch.renewed': 'yearly', 'mulch.roots': 'few' },
        shares: { 'crown.density': 0.65 },
      },
      {
        date: '2026-05-06',
        by: BY,
        seed: 143,
        note: 'Third visit. Collar laid open all round. Decide this season.',
        dig: digs.adventitiousMat,
        mulch: { height: 0.25, ends: 0.98 },
        fill: 0.14,
        collar: { depth: 0.18, spread: 0.02, bearings: 6 },
        straight: [0, 1, 2, 5, 6, 7],
        dark: [0, 1, 5, 6, 7],
        shoots: [0.09, 0.11, 0.14, 0.19, 0.27, 0.3, 0.33],
        answers: {
          'crown.colour': 'pale',
          'crown.leaf': 'small',
          'crown.pattern': 'top',
          'crown.pests': 'light',
          'crown.neighbours': 'some',
          'base.push': 'none',
          'base.girdling': 'none',
          'base.conks': 'none',
          'base.ooze': 'none',
          'base.sound': 'none',
          'mulch.material': 'fresh',
          'mulch.roots': 'mat',
          'mulch.renewed': 'yearly',
          'probe.moisture': 'moist',
        },
        shares: { 'crown.density': 0.5, 'crown.dieback': 0.1 },
        lengths: { 'probe.topsoil': 0.11, 'probe.refusal': 0.52 },
        lookAgain: { on: '2026-11-18', why: 'See whether the maintenance round pushed the mulch back up.' },
      },
    ],
    'Hornbeam 2': [
      {
        date: '2025-05-14',
        by: BY,
        seed: 201,
        note: 'First spring. Dug to the pot’s wall on one side only; the rest as on the delivery note.',
        dig: digs.before(digs.potBound, 0.004, 0.002, ['P5']),
        answers: { 'crown.colour': 'good', 'base.push': 'slight' },
      },
      {
        date: '2026-05-06',
        by: BY,
        seed: 200,
        note: 'Planted last autumn but one; still at the pot’s soil line.',
        dig: digs.potBound,
        collar: { depth: 0.14, spread: 0.02, bearings: 4 },
        straight: [0, 1, 2, 3, 4, 5, 6, 7],
        fill: 0,
        answers: { 'crown.colour': 'good', 'base.push': 'slight' },
        shares: { 'crown.density': 0.9 },
      },
    ],
    'Hornbeam 3': [
      {
        date: '2026-05-07',
        by: BY,
        seed: 203,
        note: 'Four thick roots across the stem, each of them one that feeds it: more than may go at once.',
        dig: digs.manyThick,
        collar: { depth: 0.09, spread: 0.02, bearings: 6 },
        straight: [1, 2, 4, 5],
        fill: 0,
        answers: { 'crown.colour': 'good', 'base.push': 'none', 'base.flat': 'marked' },
        shares: { 'crown.density': 0.85 },
      },
    ],
    'Tulip tree 1': [
      {
        date: '2025-05-13',
        by: BY,
        seed: 301,
        note: 'Opened as a comparison for the katsuras; mulch raked off and put back by others.',
        dig: digs.before(digs.soundCollar, 0.012, 0.006),
        mulch: { height: 0.18, ends: 1 },
        fill: 0,
        collar: { depth: 0.05, spread: 0.01, bearings: 4 },
        straight: [],
        work: [{ step: 'mulch', how: 'done', on: '2025-06-03', by: 'Tobin Hale' }],
        answers: { 'crown.colour': 'good', 'base.push': 'none', 'mulch.renewed': 'yearly' },
      },
      {
        date: '2026-05-07',
        by: BY,
        seed: 300,
        note: 'Obvious cone; yet the collar is where it belongs. Trimmer wounds all round.',
        dig: digs.soundCollar,
        mulch: { height: 0.22, ends: 1.1 },
        fill: 0,
        collar: { depth: 0.05, spread: 0.01, bearings: 6 },
        straight: [],
        answers: {
          'crown.colour': 'good',
          'base.wounds': 'repeated',
          'base.push': 'none',
          'mulch.renewed': 'yearly',
          'mulch.roots': 'none',
        },
        shares: { 'crown.density': 0.9 },
      },
    ],
  };
  const kinds: [string, string, string, number][] = [
    ['Katsura', 'Cercidiphyllum japonicum', 'katsura', 15],
    ['Hornbeam', 'Carpinus betulus', 'hornbeam', 8],
    ['Tulip tree', 'Liriodendron tulipifera', 'tulip tree', 1],
  ];
  let i = 0;
  const trees = kinds.flatMap(([kind, species, commonName, count]) =>
    Array.from({ length: count }, (_, k) => {
      const label = `${kind} ${k + 1}`;
      const young = label === 'Hornbeam 2';
      const tree: Tree = {
        label,
        species,
        commonName,
        plantedYear: young ? 2024 : 2016,
        stock: 'container',
        stemDiameter: label === 'Katsura 14' ? 0.31 : young ? 0.06 : cm(0.2 + vary(0.06)),
        height: Number((young ? 3.2 : 6.5 + vary(1.2)).toFixed(1)),
        position: {
          x: Number(((i % 8) * 6 + vary(0.5)).toFixed(2)),
          y: Number((Math.floor(i / 8) * 9 + vary(0.5)).toFixed(2)),
        },
      };
      i++;
      const own = young ? [{ kind: 'planted' as const, when: '2024-10' }] : events;
      return {
        id: `sable-${kind.toLowerCase().replace(' ', '-')}-${k + 1}`,
        caseFile: caseFile(tree, own, visits[label] ?? THIRD_SEASON[label] ?? TREATED[label]),
      };
    }),
  );
  return {
    id: 'sable-row',
    name: 'Sable Row Ropeworks',
    client: 'Sable Row Residents',
    note: 'Water from the bin store. Ask before parking in the court.',
    plan: [
      area('East range', 'building', 47, -4, 8, 26),
      area('West range', 'building', -13, -4, 8, 26),
      {
        name: 'Court path',
        kind: 'path',
        shape: 'line',
        points: [
          [-5, 4.5],
          [47, 4.5],
        ],
      },
    ],
    trees,
  };
}

/** Trenches thought of already, on the last visit: on a slope, and in a hole in clay. */
const TRENCHES: Record<string, TrenchDesign> = {
  'kelpworth-4': { slope: { fall: 0.06, toward: 200 }, locked: [135] },
  'sable-katsura-14': { holeRadius: 0.5 },
};

/** Whoever looks notes where the tree stands and how far its crown reaches. */
const standing = (site: string, property: DemoProperty): DemoProperty => ({
  ...property,
  trees: property.trees.map(({ id, caseFile }) => ({
    id,
    caseFile: {
      ...caseFile,
      tree: {
        ...caseFile.tree,
        crownRadius:
          caseFile.tree.crownRadius ??
          (caseFile.tree.height && Number((0.35 * caseFile.tree.height).toFixed(1))),
        ...(CROWN_SPREAD[id] && { crownSpread: CROWN_SPREAD[id] }),
      },
      visits: caseFile.visits.map((v, i) => ({
        ...v,
        ...(!v.walk && { findings: [...v.findings, { key: 'history.site', answer: site }] }),
        ...(i === caseFile.visits.length - 1 && TRENCHES[id] && { trenches: TRENCHES[id] }),
        ...(i === caseFile.visits.length - 1 && PUSHES[id] && { pushes: PUSHES[id] }),
        ...(i === caseFile.visits.length - 1 && SOIL_LOGS[id] && { soilLogs: SOIL_LOGS[id] }),
      })),
    },
  })),
});

export const PROPERTIES = (): DemoProperty[] => [
  standing('garden', kelpworth()),
  standing('paved', lanternfield()),
  standing('garden', sableRow()),
];
