import type { Visit } from '@undrel/core/records';
import type { Found } from './visits';

const BY = 'Mirela Voss';
const CREW = 'Tobin Hale';
const ALL = [0, 1, 2, 3, 4, 5, 6, 7];

const done = (on: string, ...steps: string[]): Visit['work'] =>
  steps.map((step) => ({ step, how: 'done' as const, on, by: CREW }));

const marked = (...marks: [task: string, on: string][]): Visit['followUps'] =>
  marks.map(([task, on]) => ({ task, how: 'done' as const, on, by: CREW }));

/** Shoots grown before the collar was laid open, newest first: the fall after the grade was raised in 2018. */
const BEFORE = [0.1, 0.11, 0.14, 0.2, 0.27, 0.3];

/** A linden of the north row that was dug out in May 2023, before the work. */
const buried = (seed: number, density: number, dieback: number): Found => ({
  date: '2023-05-16',
  by: BY,
  seed,
  note: 'First of the north row that the estates office had us dig out.',
  fill: 0.15,
  collar: { depth: 0.2, spread: 0.02, bearings: 6 },
  straight: ALL,
  shoots: BEFORE,
  answers: { 'crown.colour': 'pale', 'crown.leaf': 'small', 'base.push': 'none', 'base.conks': 'none' },
  shares: { 'crown.density': density, 'crown.dieback': dieback },
  lengths: { 'base.dbh': 0.195, 'crown.leafLength': 0.046 },
  work: done('2023-05-30', 'excavate'),
});

/** The same tree looked at again: shoots since the work before those of then. */
const later = (
  year: number,
  seed: number,
  since: number[],
  [density, dieback, leaf]: [number, number, number],
  note: string,
): Found => ({
  date: `${year}-08-19`,
  by: BY,
  seed,
  note,
  fill: 0,
  collar: { depth: 0.01, spread: 0.01, bearings: 4 },
  straight: [],
  soft: [],
  shoots: [...since, ...BEFORE].slice(0, 8),
  answers: {
    'crown.colour': density > 0.7 ? 'good' : 'pale',
    'crown.leaf': density > 0.7 ? 'normal' : 'small',
    'base.push': 'none',
    'base.conks': 'none',
  },
  shares: { 'crown.density': density, 'crown.dieback': dieback },
  lengths: { 'base.dbh': 0.195 + 0.006 * (year - 2023), 'crown.leafLength': leaf },
});

/** Trees that were treated in earlier seasons, and what came of it: recovered, no answer, worse, awaited, back, dead. Invented. */
export const TREATED: Record<string, Found[]> = {
  'Linden 8': [
    buried(81, 0.55, 0.15),
    later(2024, 82, [0.11], [0.6, 0.12, 0.051], 'Bark dry and sound; buds fuller.'),
    later(2025, 83, [0.19, 0.11], [0.75, 0.08, 0.058], 'Longer internodes all round.'),
    later(2026, 84, [0.26, 0.19, 0.11], [0.9, 0.04, 0.062], 'Looks like the south row.'),
  ],
  'Linden 13': [
    buried(131, 0.6, 0.1),
    later(2024, 132, [0.12], [0.62, 0.1, 0.05], 'Nothing to see yet.'),
    later(2026, 133, [0.24, 0.2, 0.12], [0.85, 0.05, 0.06], 'Closed again on the road side.'),
  ],
  'Linden 1': [
    buried(11, 0.6, 0.12),
    later(2025, 12, [0.2, 0.12], [0.78, 0.06, 0.058], 'Second season: shoots first.'),
    later(2026, 13, [0.23, 0.2, 0.12], [0.84, 0.05, 0.06], 'Density follows.'),
  ],
  'Linden 12': [
    { ...buried(121, 0.55, 0.12), date: '2022-05-17', work: done('2022-05-31', 'excavate') },
    later(2024, 122, [0.1, 0.1], [0.52, 0.14, 0.046], 'No change.'),
    later(
      2026,
      123,
      [0.09, 0.1, 0.1, 0.1],
      [0.52, 0.14, 0.045],
      'Collar open and dry, and it does not answer.',
    ),
  ],
  'Linden 5': [
    buried(51, 0.5, 0.2),
    later(2025, 52, [0.06, 0.09], [0.3, 0.4, 0.04], 'Half of the crown is thin; browns at the top.'),
  ],
  'Linden 7': [
    {
      ...buried(71, 0.6, 0.1),
      date: '2025-09-16',
      shoots: [0.1, 0.1, ...BEFORE],
      work: done('2025-10-07', 'excavate', 'trench'),
      followUps: marked(
        ['excavate.notice', '2025-10-20'],
        ['excavate.bark', '2025-10-28'],
        ['excavate.rain', '2025-11-12'],
        ['excavate.spring.2026', '2026-05-26'],
        ['excavate.recovery.2026', '2026-08-20'],
      ),
    },
  ],
  'Katsura 2': [
    {
      date: '2023-04-18',
      by: BY,
      seed: 2201,
      note: 'Cone from the spring round; shown to the contractor.',
      mulch: { height: 0.2, ends: 1 },
      fill: 0,
      collar: { depth: 0.06, spread: 0.01, bearings: 4 },
      straight: [],
      answers: { 'crown.colour': 'good', 'mulch.renewed': 'yearly' },
      shares: { 'crown.density': 0.8 },
      work: done('2023-04-25', 'mulch'),
    },
    {
      date: '2024-06-12',
      by: BY,
      seed: 2202,
      note: 'The cone is back after the spring round; pulled off again.',
      mulch: { height: 0.17, ends: 1 },
      fill: 0,
      collar: { depth: 0.06, spread: 0.01, bearings: 4 },
      straight: [],
      answers: { 'crown.colour': 'good', 'mulch.renewed': 'yearly' },
      shares: { 'crown.density': 0.8 },
      work: done('2024-06-12', 'mulch'),
    },
    {
      date: '2026-06-09',
      by: BY,
      seed: 2203,
      note: 'Back once more.',
      mulch: { height: 0.15, ends: 0.9 },
      fill: 0,
      collar: { depth: 0.06, spread: 0.01, bearings: 4 },
      straight: [],
      answers: { 'crown.colour': 'good', 'mulch.renewed': 'yearly' },
      shares: { 'crown.density': 0.78 },
    },
  ],
  'Katsura 12': [
    {
      date: '2025-07-22',
      by: BY,
      seed: 2212,
      note: 'Did not leaf out; the residents want it gone before the winter.',
      mulch: { height: 0.3, ends: 1.2 },
      fill: 0,
      collar: { depth: 0.18, spread: 0.02, bearings: 4 },
      straight: ALL,
      answers: { 'crown.scratch': 'dry', 'crown.buds': 'dry', 'base.conks': 'none' },
      shares: { 'crown.dieback': 1 },
      work: done('2025-09-02', 'remove'),
      followUps: marked(['remove.stump', '2025-09-09']),
    },
  ],
};

/** Later looks at the reference tree of the south row, in the seasons of the treated ones. */
export const REFERENCE_LOOKS: Found[] = (
  [
    ['2023-05-17', 0.95, 0.068],
    ['2024-08-20', 0.95, 0.069],
    ['2025-08-20', 0.94, 0.067],
    ['2026-08-20', 0.95, 0.068],
  ] as const
).map(([date, density, leaf], i): Found => ({
  date,
  by: BY,
  seed: 1710 + i,
  note: 'Yardstick of the row: crown read beside the treated trees.',
  fill: 0,
  collar: { depth: 0.04, spread: 0.01, bearings: 4 },
  straight: [],
  shoots: date.startsWith('2026') ? [0.3, 0.28, 0.33, 0.22, 0.31, 0.34, 0.32, 0.33] : undefined,
  answers: { 'crown.colour': 'good', 'crown.leaf': 'normal', 'base.push': 'none', 'base.conks': 'none' },
  shares: { 'crown.density': density, 'crown.dieback': 0.02 },
  lengths: { 'crown.leafLength': leaf },
}));
