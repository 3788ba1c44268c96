import { readTrees, treesCsv } from '../../work/readers/csv';
import { readPlan, writePlan } from '../../work/readers/geojson';

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
  expect(read.notes.join('\n')).toMatch(/Feature 4 left out: a point without a label/);
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
