import { readTrees, treesCsv } from '../../work/readers/csv';
import { readPlan, writePlan } from '../../work/readers/geojson';
import { TREE_LETTERS } from '@undrel/core/records';

const point = (label: string, x: number, y: number) => ({
  type: 'Feature',
  properties: { label },
  geometry: { type: 'Point', coordinates: [x, y] },
});
const collection = (features: unknown[], more = {}) =>
  JSON.stringify({ type: 'FeatureCollection', features, ...more });
const good = (source: string) => {
  const read = readPlan(source);
  if (!read.ok) throw new Error(read.problem);
  return read;
};

test('a plan goes out and comes back without loss', () => {
  const page = {
    name: 'P',
    plan: [
      {
        name: 'Path',
        kind: 'path',
        shape: 'line',
        points: [
          [0, 0],
          [10, 3],
        ],
      },
      {
        name: 'House',
        kind: 'building',
        shape: 'area',
        points: [
          [0, 0],
          [5, 0],
          [5, 5],
          [0, 0],
        ],
      },
    ],
    trees: [{ label: 'A', species: 's', x: 1.25, y: -2.5 }],
  } satisfies Parameters<typeof writePlan>[0];
  const read = good(JSON.stringify(writePlan(page)));
  expect(read.outlines).toEqual(page.plan);
  expect(read.trees).toEqual([{ label: 'A', species: 's', x: 1.25, y: -2.5 }]);
  expect(read.notes).toEqual([]);
});

test('degrees are turned into metres, and it is told', () => {
  // One thousandth of a degree of latitude is 111.2 m on a sphere of the mean earth radius (IUGG, 6371.0088 km).
  const read = good(collection([point('A', 10, 50), point('B', 10, 50.001)]));
  expect(read.trees[1]!.y - read.trees[0]!.y).toBeCloseTo((6371008.8 * Math.PI) / 180000, 1);
  expect(read.notes[0]).toContain('degrees');
});

test('metres without a frame are taken as metres, and it is told', () => {
  const read = good(collection([point('A', 0, 0), point('B', 60, 30)]));
  expect(read.trees[1]).toMatchObject({ x: 60, y: 30 });
  expect(read.notes[0]).toContain('local metres');
});

test('rings the other way round are turned, open ones closed, bad features left out by name', () => {
  const ring = [
    [0, 0],
    [0, 50],
    [50, 50],
    [50, 0],
    [0, 0],
  ];
  const area = (coordinates: unknown) => ({
    type: 'Feature',
    properties: { name: 'yard' },
    geometry: { type: 'Polygon', coordinates },
  });
  const read = good(collection([area([ring]), area([ring.slice(0, 4)]), area('nothing'), point('', 1, 1)]));
  expect(read.outlines).toHaveLength(2);
  const [first] = read.outlines;
  const turn = first!.points
    .slice(1)
    .reduce((s, [x, y], i) => s + first!.points[i]![0] * y - x * first!.points[i]![1], 0);
  expect(turn).toBeGreaterThan(0);
  expect(read.notes.join('\n')).toMatch(/clockwise[\s\S]*/);
  expect(read.notes.join('\n')).toContain('closed it');
  expect(read.notes.join('\n')).toMatch(/Feature 3 left out/);
  expect(read.notes.join('\n')).toMatch(/Feature 4 left out: no label/);
});

test('what is no plan says why', () => {
  expect(readPlan(collection([point('A', 0, 0)]).slice(0, 40))).toMatchObject({
    ok: false,
    problem: expect.stringContaining('cut off'),
  });
  expect(readPlan('{"type":"Point"}')).toMatchObject({
    ok: false,
    problem: expect.stringContaining('FeatureCollection'),
  });
});

const bytes = (text: string) => new TextEncoder().encode(text);

test('trees from CSV: units in the head or with the value, bad cells named, the rest kept', () => {
  const read = readTrees(
    bytes(
      'Label,Species,Year planted,Stem diameter (cm),Height\nA,Tilia,2011,31,9 m\nB,Tilia,20x1,3100,9\n,Tilia,2011,30,9 m\n"C, the big one",Tilia,,12,30 ft\n',
    ),
  );
  if (!read.ok) throw new Error(read.problem);
  expect(read.trees).toEqual([
    { label: 'A', species: 'Tilia', plantedYear: 2011, stemDiameter: 0.31, height: 9 },
    { label: 'B', species: 'Tilia' },
    { label: 'C, the big one', species: 'Tilia', stemDiameter: 0.12, height: 30 * 0.3048 },
  ]);
  const notes = read.notes.join('\n');
  expect(notes).toMatch(/Row 3, year planted: “20x1”/);
  expect(notes).toMatch(/Row 3, Stem diameter at the base: 3100 is outside 0.5 cm to 400 cm/);
  expect(notes).toMatch(/Row 3.*no unit/);
  expect(notes).toMatch(/Row 4 left out/);
});

test('bytes that are not UTF-8 and a list without labels are refused with the reason', () => {
  expect(readTrees(new Uint8Array([0x6c, 0xe9]))).toMatchObject({
    ok: false,
    problem: expect.stringContaining('UTF-8'),
  });
  expect(readTrees(bytes('name,kind\na,b\n'))).toMatchObject({
    ok: false,
    problem: expect.stringContaining('“label” is missing'),
  });
});

test('the table as CSV is safe in a spreadsheet and reads back', () => {
  const csv = treesCsv([
    {
      id: '1',
      version: 1,
      label: '=1+1',
      species: 'T, "x"',
      reference: false,
      triage: { urgency: 'unseen', loss: 0, action: '', why: '' },
      stemDiameter: 0.31,
      x: 1,
      y: 2,
    },
  ]);
  expect(csv).toContain("'=1+1");
  const read = readTrees(bytes(csv));
  expect(read.ok && read.trees[0]).toMatchObject({
    species: 'T, "x"',
    stemDiameter: 0.31,
    position: { x: 1, y: 2 },
  });
});

test('what is longer than its record takes is never cut without a word', () => {
  const csv = (text: string) => {
    const read = readTrees(new TextEncoder().encode(text));
    if (!read.ok) throw new Error(read.problem);
    return read;
  };
  const [L, W] = [TREE_LETTERS.label, TREE_LETTERS.words];
  const [label, species] = ['l'.repeat(L), 's'.repeat(W)];
  const fits = csv(`label,species,common name\n${label},${species},${species}\n`);
  expect(fits).toMatchObject({ trees: [{ label, species, commonName: species }], notes: [] });
  const long = csv(`label,species,planted by\n${label}x,a,b\nA,${species}x,b\nB,,${'y'.repeat(5000)}\n`);
  expect(long.trees).toEqual([
    { label: 'A', species: '', planter: 'b' },
    { label: 'B', species: '' },
  ]);
  expect(long.notes).toEqual([
    'Row 4, planted by: 5000 characters; at most 4000 are allowed; left empty.',
    `Row 2 left out: label: ${L + 1} characters; at most ${L} are allowed.`,
    `Row 3, species: ${W + 1} characters; at most ${W} are allowed; left empty.`,
  ]);
  // A head is no other head because its beginning is.
  expect(() => csv(`label${' '.repeat(100)}x,species\nA,b\n`)).toThrow('The column “label” is missing');
  const line = (properties: object) => ({
    type: 'Feature',
    properties,
    geometry: {
      type: 'LineString',
      coordinates: [
        [0, 0],
        [500, 900],
      ],
    },
  });
  const placed = good(
    collection([
      { ...point(label, 1, 5000), properties: { label, species: `${species}x` } },
      point(`${label}x`, 2, 5000),
      line({ name: `${species}x`, kind: 'gas' }),
    ]),
  );
  expect(placed.trees).toMatchObject([{ label, species: '' }]);
  expect(placed.outlines).toMatchObject([{ name: species, kind: 'gas' }]);
  expect(placed.notes.slice(1)).toEqual([
    `Feature 1, species: ${W + 1} characters; at most ${W} are allowed; left empty.`,
    `Feature 2 left out: label: ${L + 1} characters; at most ${L} are allowed.`,
    `Feature 3, name: ${W + 1} characters; the first ${W} are kept.`,
  ]);
});

test('a file of labels alone is no fault; rows of another form are told in our words', () => {
  const csv = (text: string) => readTrees(new TextEncoder().encode(text));
  expect(csv('label\nA 1\nA 2\n')).toMatchObject({ trees: [{ label: 'A 1' }, { label: 'A 2' }], notes: [] });
  expect(csv('label,species\nA 1\nA 2,b,c\n')).toMatchObject({
    trees: [{ label: 'A 1' }, { label: 'A 2', species: 'b' }],
    notes: [
      'Row 2: fewer cells than columns; the others are empty.',
      'Row 3: more cells than columns; what is over was left out.',
    ],
  });
  expect(csv('label,species,species,,\nA 1,b,c,,\n')).toEqual({
    ok: true,
    trees: [{ label: 'A 1', species: 'b' }],
    notes: ['The column “species” stands more than once; the first is read.'],
  });
  expect(csv('label,species\n"A 1,b\n')).toMatchObject({
    notes: expect.arrayContaining(['Row 2: a quotation mark is opened and never closed.']) as unknown,
  });
});

test('rows, heads and cells of a CSV are bounded, and what was written out comes in as it was', () => {
  const bytes = (text: string) => new TextEncoder().encode(text);
  const rows = (n: number) => `label,species\n${Array.from({ length: n }, (_, i) => `T${i},x`).join('\n')}`;
  expect(readTrees(bytes(rows(2_001)))).toMatchObject({ ok: false, problem: /more than 2000 rows/ });
  const most = readTrees(bytes(rows(2_000)));
  expect(most.ok && most.trees).toHaveLength(2_000);
  expect(readTrees(bytes(`label,${' '.repeat(20_000)}x\nA,b\n`)).ok).toBe(true);
  expect(readTrees(bytes(`label${',x'.repeat(200)}\nA\n`))).toMatchObject({ ok: false, problem: /columns/ });
  const odd = ['=1+1', '+49', '@home', '-x'];
  const out = treesCsv(
    odd
      .map((label) => ({ label, species: label }) as never)
      .map((t: object) => ({ ...t, triage: {} }) as never),
  );
  const back = readTrees(bytes(out));
  expect(back.ok && back.trees.map((t) => [t.label, t.species])).toEqual(odd.map((o) => [o, o]));
});
