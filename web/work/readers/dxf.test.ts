import { trenchesToDxf, type TrenchPlan } from '@undrel/core/trenching';
import { arrayOf, curve, nested } from '../../../scripts/fuzz/files';
import { readDxf } from './dxf';

const pair = (code: number, value: string | number) => `${code}\n${value}`;
const file = (units: number | undefined, entities: string[], blocks: string[] = []) =>
  [
    ...(units === undefined
      ? []
      : [pair(0, 'SECTION'), pair(2, 'HEADER'), pair(9, '$INSUNITS'), pair(70, units), pair(0, 'ENDSEC')]),
    ...(blocks.length > 0 ? [pair(0, 'SECTION'), pair(2, 'BLOCKS'), ...blocks, pair(0, 'ENDSEC')] : []),
    pair(0, 'SECTION'),
    pair(2, 'ENTITIES'),
    ...entities,
    pair(0, 'ENDSEC'),
    pair(0, 'EOF'),
  ].join('\n');
const line = (layer: string, ...[ax, ay, bx, by]: number[]) =>
  [pair(0, 'LINE'), pair(8, layer), pair(10, ax!), pair(20, ay!), pair(11, bx!), pair(21, by!)].join('\n');
const ring = [
  pair(0, 'LWPOLYLINE'),
  pair(8, 'Paving'),
  pair(90, 4),
  pair(70, 1),
  ...[
    [0, 0],
    [10, 0],
    [10, 10],
    [0, 10],
  ].flatMap(([x, y]) => [pair(10, x!), pair(20, y!)]),
].join('\n');

test('a drawing in inches comes in as metres, lines and areas by their layers', () => {
  const read = readDxf(file(1, [line('GAS', 0, 0, 39.37007874, 0), ring]));
  if (!read.ok) throw new Error(read.problem);
  expect(read.outlines.map((o) => [o.kind, o.shape])).toEqual([
    ['gas', 'line'],
    ['paving', 'area'],
  ]);
  expect(read.outlines[0]!.points[1]![0]).toBeCloseTo(1, 6);
  expect(read.notes[0]).toContain('inches');
});

test('blocks are set in where they are inserted, at their scale', () => {
  const block = [
    [pair(0, 'BLOCK'), pair(8, '0'), pair(2, 'KIOSK'), pair(10, 0), pair(20, 0)].join('\n'),
    line('building', 0, 0, 2, 0),
    pair(0, 'ENDBLK'),
  ];
  const insert = [
    pair(0, 'INSERT'),
    pair(8, 'building'),
    pair(2, 'KIOSK'),
    pair(10, 5),
    pair(20, 7),
    pair(41, 2),
    pair(42, 2),
  ];
  const read = readDxf(file(6, [insert.join('\n')], block));
  expect(read.ok && read.outlines[0]!.points).toEqual([
    [5, 7],
    [9, 7],
  ]);
});

test('what is no drawing is refused in words; a drawing without units is told', () => {
  expect(readDxf('hello')).toMatchObject({ ok: false });
  expect(readDxf(file(6, []))).toMatchObject({ ok: false });
  const read = readDxf(file(undefined, [line('kerb', 0, 0, 1, 1)]));
  expect(read.ok && read.notes[0]).toContain('no unit');
});

test('trenches that went out come in again', () => {
  const out = trenchesToDxf({
    spokes: [{ label: '1', bearing: 90, from: 1, to: 3 }] as TrenchPlan['spokes'],
    obstacles: [],
  });
  const read = readDxf(out);
  expect(read.ok && read.outlines[0]!.points).toEqual([
    [1, 0],
    [3, 0],
  ]);
});

test('a short file that is a long drawing is refused before any of it is drawn', () => {
  for (const [file, word] of [
    [arrayOf(250, 250), /62500; at most 5000/],
    [arrayOf(700, 700), /490000; at most/],
    [arrayOf(-700, 700), /490000; at most/],
    [nested(9, 5), /blocks within blocks/],
    [nested(7, 6), /too many lines/],
    [curve(2_000), /too many points: 2004; at most 300/],
  ] as const)
    expect(readDxf(file)).toMatchObject({ ok: false, problem: expect.stringMatching(word) });
  const own = readDxf(nested(1, 1).replace('B0\n10', 'B1\n10'));
  expect(own.ok).toBe(false);
});

test('arrays and nested blocks within the limits are drawn whole', () => {
  const array = readDxf(arrayOf(10, 12));
  expect(array.ok && array.outlines).toHaveLength(120);
  const blocks = readDxf(nested(3, 4));
  expect(blocks.ok && blocks.outlines).toHaveLength(64);
  expect(readDxf(curve(30)).ok).toBe(true);
});

test('a name of a layer that is longer than the plan takes is cut, and it is told once', () => {
  const long = 'g'.repeat(130);
  const source = [
    ...[pair(0, 'SECTION'), pair(2, 'ENTITIES'), line(long, 0, 0, 1, 1), line(long, 2, 2, 3, 3)],
    ...[pair(0, 'ENDSEC'), pair(0, 'EOF')],
  ].join('\n');
  const read = readDxf(source);
  if (!read.ok) throw new Error(read.problem);
  expect(read.outlines.map((o) => o.name)).toEqual([long.slice(0, 120), long.slice(0, 120)]);
  expect(read.notes.filter((n) => n.includes('130 characters'))).toHaveLength(1);
});
