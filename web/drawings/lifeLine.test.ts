import fc from 'fast-check';
import { beforeAfter } from '@undrel/core/recovery';
import { lifeLine, type LifeLineGiven, type LifeMark } from './lifeLine';
import { mulchNotice } from './mulchNotice';
import type { Drawing } from './shapes';

/** How wide a word is at most, as a share of its size for each letter. */
const WIDE = 0.62;

/** Words that run off their sheet. */
const runOff = ({ shapes, width, height }: Drawing): string[] =>
  shapes.flatMap((s) => {
    if (s.as !== 'text') return [];
    const long = s.text.length * s.size * WIDE * (s.figures ? 1 : 0.82);
    const left = s.at[0] - { start: 0, middle: long / 2, end: long }[s.anchor];
    const fits = left >= -2 && left + long <= width + 2 && s.at[1] >= 8 && s.at[1] <= height;
    return fits ? [] : [`${s.text} at ${s.at.join(', ')} of ${width} x ${height}`];
  });

const reading = beforeAfter([-1, -1.1, -0.9], [-0.5, -0.3], { deviation: 0.2, seasons: 6 });
const MARKS: LifeMark[] = [
  { on: '2011-11', what: 'planted', kind: 'event' },
  { on: '2018', what: 'soil added', kind: 'event' },
  { on: '2023-05-30', what: 'root collar excavated', kind: 'work' },
  { on: '2026-08-19', what: 'visit', kind: 'visit' },
];
const given = (width: number, more: Partial<LifeLineGiven> = {}): LifeLineGiven => ({
  years: [2018, 2019, 2020, 2021, 2022, 2023, 2024, 2025].map((year, i) => ({
    year,
    tree: 0.1 + 0.02 * i,
    beside: 0.3,
  })),
  after: { from: 2024, last: 2022, reading },
  beside: 'Linden 17',
  marks: MARKS,
  planted: 2011,
  until: '2026-11-28',
  system: 'metric',
  width,
  ...more,
});

test.each([340, 390, 760, 1136])('at %i wide no word runs off the sheet, in either units', (width) => {
  expect(runOff(lifeLine(given(width)))).toEqual([]);
  expect(runOff(lifeLine(given(width, { system: 'us' })))).toEqual([]);
});

test('the tree, the tree beside it, the work and what would be without it are all there and named', () => {
  const texts = lifeLine(given(900)).shapes.flatMap((s) => (s.as === 'text' ? [s.text] : []));
  for (const words of [
    'this tree',
    'Linden 17',
    'as it would be without the work',
    '2023-05-30 root collar excavated',
  ])
    expect(texts).toContain(words);
});

test('dry growing seasons stand under the shoots of their year, and nowhere where there were none', () => {
  const strips = (dry: number[]) =>
    lifeLine(given(900, { dry })).shapes.flatMap((s) =>
      s.as === 'area' && s.tone === 'harm' ? [s.points] : [],
    );
  expect(strips([])).toEqual([]);
  // A year before the axis begins has no place on it.
  expect(strips([2022, 1950])).toHaveLength(1);
  const [[left], [right]] = [strips([2022])[0]!, strips([2023])[0]!];
  expect(left![0]).toBeLessThan(right![0]);
  expect(strips([2022])[0]![1]![0]).toBeCloseTo(right![0], 9);
});

test('whatever was read, and whenever things happened: every shape is a finite one, each mark has its line', () => {
  const year = fc.integer({ min: 1990, max: 2026 });
  const shoot = fc.option(fc.double({ min: 0.01, max: 1.5, noNaN: true }), { nil: undefined });
  const marks = fc.array(
    fc.record({
      on: fc.oneof(
        year.map(String),
        year.map((y) => `${y}-06-15`),
      ),
      what: fc.constantFrom('planted', 'visit', 'mulch pulled back'),
      kind: fc.constantFrom<LifeMark['kind']>('event', 'visit', 'work'),
    }),
    { maxLength: 12 },
  );
  const years = fc.uniqueArray(fc.record({ year, tree: shoot, beside: shoot }), {
    maxLength: 15,
    selector: (y) => y.year,
  });
  fc.assert(
    fc.property(
      years,
      marks,
      fc.integer({ min: 340, max: 1400 }),
      fc.boolean(),
      (all, list, width, treated) => {
        const sorted = [...all].sort((a, b) => a.year - b.year);
        const drawing = lifeLine(
          given(width, {
            years: sorted,
            marks: list,
            ...(treated ? {} : { after: undefined }),
          }),
        );
        expect(JSON.stringify(drawing)).not.toMatch(/null/);
        for (const { on, what } of list)
          expect(drawing.shapes.some((s) => s.as === 'text' && s.text === `${on} ${what}`)).toBe(true);
        // No mark hangs on a line that runs through words drawn before it.
        const words = drawing.shapes.findIndex((s) => s.as === 'text');
        const lines = drawing.shapes.map((s) => s.as === 'line' && s.tone === 'hair');
        expect(lines.filter(Boolean)).toHaveLength(list.length);
        expect(lines.lastIndexOf(true)).toBeLessThan(words);
      },
    ),
  );
});

test('the notice is drawn for every school of mulching, its words on the sheet', () => {
  for (const [depth, clearance] of [
    [0.06, 0.075],
    [0.05, 0.045],
    [0.05, 0.06],
  ] as const)
    for (const system of ['metric', 'us'] as const)
      expect(runOff(mulchNotice(depth, clearance, system))).toEqual([]);
});
