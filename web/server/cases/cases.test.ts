import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { QUESTIONS } from '@undrel/core/assessment';
import { caseOf, type CaseFile, type Finding, type Visit } from '@undrel/core/casefile';
import { readCase } from '@undrel/core/case-schema';
import { EVENT_KINDS } from '@undrel/core/history';
import { LENGTH_LIMITS, type LengthField } from '@undrel/core/units';
import type { Change } from '../../protocol/item';
import type { Viewer } from '../accounts/session';
import { asUser, pool } from '../database/transaction';
import { testFirm } from '../database/testFirm';
import { importCase } from './import';
import { caseFileOf, loadCase } from './load';
import { TREE_RECORD } from './sql';
import { saveChanges } from './write';

let firm: Awaited<ReturnType<typeof testFirm>>;
beforeAll(async () => {
  firm = await testFirm();
});
afterAll(async () => (await pool()).end());

const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const save = (changes: Change[], viewer: Viewer = firm.viewer) =>
  as((db) => saveChanges(db, viewer, changes));

const length = (field: LengthField) =>
  fc.double({ min: LENGTH_LIMITS[field].min, max: LENGTH_LIMITS[field].max, noNaN: true }).map((v) => v + 0);
const text = (maxLength: number) =>
  fc.string({ minLength: 1, maxLength, unit: 'grapheme' }).filter((s) => !s.includes('\0'));
const some = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: undefined });
const reading = (field: LengthField) => fc.record({ distance: length('distance'), depth: length(field) });
const bearing = fc.double({ min: 0, max: 359.9, noNaN: true }).map((v) => Math.round(v * 10) / 10);

const finding = fc.constantFrom(...QUESTIONS).chain((q): fc.Arbitrary<Finding> => {
  if (q.kind === 'grade')
    return fc.record({
      key: fc.constant(q.key),
      answer: fc.constantFrom(...q.answers.map((a) => a.key)),
      note: some(text(40)),
      ...(q.placed && { bearing: some(bearing), height: some(length('woundHeight')) }),
    });
  if (q.kind === 'sectors')
    return fc.record({
      key: fc.constant(q.key),
      part: fc.nat(7),
      answer: fc.constantFrom(...q.answers.map((a) => a.key)),
    });
  if (q.kind === 'percent')
    return fc.record({
      key: fc.constant(q.key),
      number: fc.double({ min: 0, max: 1, noNaN: true }).map((v) => v + 0),
    });
  if (q.kind === 'number')
    return fc.record({
      key: fc.constant(q.key),
      number: fc.double({ min: q.min, max: q.max, noNaN: true }).map((v) => v + 0),
    });
  if (q.kind === 'length') return fc.record({ key: fc.constant(q.key), number: length(q.field) });
  return fc.record({
    key: fc.constant(q.key),
    part: fc.integer({ min: 1990, max: 2026 }),
    number: length(q.field),
  });
});

const dig = fc.record({
  radii: some(fc.array(fc.record({ bearing, radius: length('outlineRadius') }), { maxLength: 4 })),
  diameters: some(
    fc.record({ bearing, along: length('outlineDiameter'), across: length('outlineDiameter') }),
  ),
  decay: some(fc.constant([{ from: 30, to: 80, height: 0.2, depth: 0.03 }])),
  barriers: some(fc.constant([{ kind: 'grate' as const, diameter: 0.9 }])),
  measuredFrom: fc.constantFrom('bark' as const, 'centre' as const),
  north: fc.constantFrom('true' as const, 'magnetic' as const),
  declination: some(fc.constant(-3.5)),
  roots: fc.uniqueArray(
    fc.record({
      label: fc.constantFrom('A', 'B', '3', '12'),
      kind: fc.constantFrom('structural' as const, 'girdling' as const, 'competing' as const),
      start: fc.constantFrom('stem' as const, 'outside' as const),
      points: fc.array(
        fc.record({
          bearing,
          distance: length('rootDistance'),
          depth: length('rootDepth'),
          diameter: length('rootDiameter'),
        }),
        { maxLength: 5 },
      ),
      over: some(fc.constant(['B'])),
      contact: some(fc.constant('embedded' as const)),
      embedded: some(length('embedded')),
      leftPot: some(fc.boolean()),
      rings: some(fc.constant({ count: 9, over: 0.02 })),
      done: some(fc.constant({ on: '2026-06-01', by: 'T', how: 'as planned' as const, diameters: [0.03] })),
    }),
    { maxLength: 3, selector: (r) => r.label },
  ),
});

const caseFile = fc
  .record({
    tree: fc.record({
      label: text(20),
      species: text(30),
      commonName: some(text(20)),
      plantedYear: some(fc.constant(1700)),
      stock: some(fc.constantFrom('container' as const, 'bare-root' as const)),
      stemDiameter: some(length('stemDiameter')),
      mulchRoom: some(length('mulchRoom')),
      position: some(fc.record({ x: length('position'), y: length('position') })),
      reference: some(fc.constant(true)),
      schools: some(fc.constant({ mulchDepth: 'thin' })),
      worth: some(fc.constant({ currency: 'EUR', asIs: '8000', young: '450.50' })),
      note: some(text(60)),
    }),
    events: fc.array(
      fc.record({
        kind: fc.constantFrom(...EVENT_KINDS),
        when: fc.constantFrom('2012', '2015-04', '2018-11-30'),
        note: some(text(30)),
      }),
      { maxLength: 3 },
    ),
    visits: fc.array(
      fc.record({
        date: fc.constantFrom('2024-05-01', '2025-06-02', '2026-02-28'),
        by: some(text(20)),
        lookAgain: some(fc.constant({ on: '2026-12-01', why: 'dry' })),
        labOrder: some(fc.constant({ label: 'L1', sent: '2026-02-01', ready: '2026-02-06' })),
        findings: fc.uniqueArray(finding, { maxLength: 8, selector: (f) => `${f.key}.${f.part}` }),
        profiles: fc.uniqueArray(
          fc.record({
            bearing,
            mulch: fc.array(reading('mulchDepth'), { maxLength: 4 }),
            mulchEnds: some(length('mulchEnds')),
            fill: fc.array(reading('fillDepth'), { maxLength: 2 }),
          }),
          { maxLength: 4, selector: (p) => p.bearing },
        ),
        probes: fc.uniqueArray(
          fc.record({
            bearing,
            distance: length('distance'),
            depth: length('probeDepth'),
            found: fc.constantFrom('root' as const, 'nothing' as const),
            from: fc.constantFrom('grade' as const, 'mulch' as const),
          }),
          { maxLength: 5, selector: (p) => p.bearing },
        ),
        dig: some(dig),
        trenches: some(
          fc.record({
            holeRadius: some(length('holeRadius')),
            slope: some(fc.record({ fall: fc.constantFrom(0, 0.06, 1), toward: bearing })),
            locked: some(fc.array(bearing, { maxLength: 3 })),
            avoid: some(fc.array(bearing, { maxLength: 3 })),
            marked: some(fc.constant('2026-02-01')),
            choice: some(fc.constant({ remedy: 'air', why: 'the lawn' })),
          }),
        ),
        pushes: some(
          fc.uniqueArray(
            fc.record({
              bearing,
              distance: length('distance'),
              readings: fc
                .uniqueArray(fc.integer({ min: 1, max: 150 }), { maxLength: 6 })
                .map((deep) =>
                  deep.sort((a, b) => a - b).map((d) => ({ depth: d / 100, pressure: d * 1e4 })),
                ),
              stopped: some(fc.constant(0.31)),
              moisture: some(fc.constantFrom('dry' as const, 'wet' as const)),
            }),
            { minLength: 1, maxLength: 3, selector: (p) => p.bearing },
          ),
        ),
        cuts: some(
          fc.record({
            stages: some(fc.integer({ min: 1, max: 5 })),
            interval: some(fc.integer({ min: 1, max: 10 })),
            limits: some(fc.constant({ stageLoss: 0.15, largest: 0.08, together: 0.06 })),
            windward: some(bearing),
            target: some(bearing),
            sensitive: some(fc.constant(true as const)),
            locks: some(fc.constant([{ label: 'A', hold: 'cut' as const, stage: 2 }])),
            agreed: some(fc.constant([{ label: 'A', stage: 2 }])),
            days: some(fc.constant([{ stage: 2, on: '2029-01-15' }])),
          }),
        ),
        soilLogs: some(
          fc.uniqueArray(
            fc.record({
              place: fc.constantFrom('ring' as const, 'reference' as const),
              bearing,
              distance: length('siteDistance'),
              layers: fc
                .uniqueArray(fc.integer({ min: 1, max: 200 }), { maxLength: 4 })
                .map((deep) =>
                  deep
                    .sort((a, b) => a - b)
                    .map((d) => ({ to: d / 100, colour: 'mottled' as const, texture: 'silt loam' })),
                ),
              refusal: some(fc.constant(0.4)),
              oldGrade: some(fc.constant(0.12)),
            }),
            { minLength: 1, maxLength: 3, selector: (l) => l.bearing },
          ),
        ),
        work: some(
          fc.constantFrom('hold-utilities', 'prune-2').map((step) => [
            {
              step,
              how: 'changed' as const,
              on: '2025-06-01',
              by: 'crew',
              amounts: [{ name: 'Crew hours', amount: 1.5 }],
            },
          ]),
        ),
        decisions: fc
          .record({ taken: fc.boolean(), on: some(fc.constant('2025-07-01')) })
          .map((d) => [{ operation: 'mulch', ...d }]),
      }),
      { maxLength: 2 },
    ),
  })
  .map((c) => caseOf(c.tree, c.events, c.visits as Visit[]));

/** Events and visits that share a date come back in no particular order. */
const settled = (c: CaseFile) =>
  JSON.stringify([
    c.tree,
    c.events.map((e) => JSON.stringify(e)).sort(),
    c.visits.map((v) => JSON.stringify(v)).sort(),
  ]);

async function through(original: CaseFile): Promise<CaseFile> {
  return as(async (db) => {
    const { treeId, leftOut } = await importCase(db, firm.viewer, firm.propertyId, original);
    expect(leftOut).toEqual([]);
    return caseFileOf((await loadCase(db, treeId))!);
  });
}

test('the example goes through the database without loss', async () => {
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('example does not read');
  expect(settled(await through(read.caseFile))).toBe(
    settled(caseOf(read.caseFile.tree, read.caseFile.events, read.caseFile.visits)),
  );
});

test('any case goes file -> database -> file -> database -> file without loss', async () => {
  await fc.assert(
    fc.asyncProperty(caseFile, async (original) => {
      const once = await through(original);
      expect(settled(once)).toBe(settled(original));
      const again = readCase(JSON.stringify(once), '2026-11-24');
      expect(again.ok && settled(await through(again.caseFile))).toBe(settled(original));
    }),
    { numRuns: 40 },
  );
});

async function aTree(): Promise<string> {
  const id = randomUUID();
  const [made] = await save([
    {
      kind: 'tree',
      id,
      parent: firm.propertyId,
      base: 0,
      values: { label: 'T', species: 'x', plantedYear: 2015 },
    },
  ]);
  expect(made).toMatchObject({ status: 'saved', version: 1 });
  return id;
}

test('a stale write is refused with what is stored, and either side can be taken', async () => {
  const id = await aTree();
  const write = (base: number, label: string): Change => ({
    kind: 'tree',
    id,
    parent: firm.propertyId,
    base,
    values: { label, species: 'x' },
  });
  expect((await save([write(1, 'mine')]))[0]).toMatchObject({ status: 'saved', version: 2 });
  const [late] = await save([write(1, 'late')]);
  expect(late).toMatchObject({
    status: 'stale',
    theirs: { version: 2, values: { label: 'mine' }, by: 'Test owner' },
  });
  expect((await save([write(2, 'late')]))[0]).toMatchObject({ status: 'saved', version: 3 });
});

test('the same write sent twice is one write', async () => {
  const id = await aTree();
  const change: Change = {
    kind: 'tree',
    id,
    parent: firm.propertyId,
    base: 1,
    values: { label: 'again', species: 'x' },
  };
  await save([change]);
  expect((await save([change]))[0]).toMatchObject({ status: 'saved', version: 2 });
  // Its answer was lost, and typing went on.
  const further = { ...change, values: { label: 'further', species: 'x' } };
  expect((await save([{ ...further, inDoubt: [change.values] }]))[0]).toMatchObject({
    status: 'saved',
    version: 3,
  });
  expect((await save([{ ...change, values: null, inDoubt: [change.values] }]))[0]).toMatchObject({
    status: 'stale',
    theirs: { values: { label: 'further' } },
  });
});

test('taking back what was sent without an answer: gone if it had arrived, no fault if it had not', async () => {
  const treeId = await aTree();
  const made = (id: string, values: Change['values']): Change => ({
    kind: 'event',
    id,
    parent: treeId,
    base: 0,
    values,
  });
  const event = { kind: 'flood', when: '2020' };
  const [there, never] = [randomUUID(), randomUUID()];
  await save([made(there, event)]);
  const back = await save([there, never].map((id) => ({ ...made(id, null), inDoubt: [event] })));
  expect(back.map((r) => r.status)).toEqual(['saved', 'saved']);
  const loaded = await as((db) => loadCase(db, treeId));
  expect(loaded!.items.filter((i) => i.kind === 'event')).toEqual([]);
});

test('two people answering the same question meet', async () => {
  const treeId = await aTree();
  const visit = randomUUID();
  await save([{ kind: 'visit', id: visit, parent: treeId, base: 0, values: { date: '2026-05-01' } }]);
  const answer = (a: string): Change => ({
    kind: 'finding',
    id: `${visit}.base.push`,
    parent: visit,
    base: 0,
    values: { key: 'base.push', answer: a },
  });
  await save([answer('none')]);
  expect((await save([answer('rocks')]))[0]).toMatchObject({
    status: 'stale',
    theirs: { values: { answer: 'none' } },
  });
});

test('a removed answer can be given again, and everything is on record', async () => {
  const treeId = await aTree();
  const visit = randomUUID();
  const id = `${visit}.base.push`;
  const give = (base: number, answer: string | null): Change => ({
    kind: 'finding',
    id,
    parent: visit,
    base,
    values: answer === null ? null : { key: 'base.push', answer },
  });
  await save([{ kind: 'visit', id: visit, parent: treeId, base: 0, values: { date: '2026-05-01' } }]);
  for (const change of [give(0, 'none'), give(1, 'slight'), give(2, null), give(0, 'rocks')]) {
    expect((await save([change]))[0]!.status).toBe('saved');
  }
  const record = await as((db) =>
    db.rows<{ subject: string; before: any; after: any; by: string }>(TREE_RECORD, [treeId]),
  );
  const kept = record
    .filter((r) => r.subject === 'findings')
    .map((r) => [r.before?.answer, r.after.answer, r.after.deleted_at !== null]);
  expect(kept.reverse()).toEqual([
    [undefined, 'none', false],
    ['none', 'slight', false],
    ['slight', 'slight', true],
    ['slight', 'rocks', false],
  ]);
  expect(record.every((r) => r.by === 'Test owner')).toBe(true);
});

test('one bad change names itself and the others are saved', async () => {
  const treeId = await aTree();
  const visit = randomUUID();
  const results = await save([
    { kind: 'visit', id: visit, parent: treeId, base: 0, values: { date: '2026-05-01' } },
    {
      kind: 'probe',
      id: randomUUID(),
      parent: visit,
      base: 0,
      values: { bearing: 0, distance: 0.1, depth: 30, found: 'root', from: 'grade' },
    },
    {
      kind: 'probe',
      id: randomUUID(),
      parent: 'nowhere',
      base: 0,
      values: { bearing: 0, distance: 0.1, depth: 0.3, found: 'root', from: 'grade' },
    },
    { kind: 'event', id: randomUUID(), parent: treeId, base: 0, values: { kind: 'paving', when: '2010' } },
    { kind: 'event', id: randomUUID(), parent: treeId, base: 0, values: { kind: 'paving', when: '2999' } },
    { kind: 'event', id: randomUUID(), parent: treeId, base: 0, values: { kind: 'paving', when: '2016' } },
  ]);
  expect(results.map((r) => r.status)).toEqual([
    'saved',
    'refused',
    'refused',
    'refused',
    'refused',
    'saved',
  ]);
  const said = results.map((r) => (r.status === 'refused' ? r.problem : ''));
  expect(said[1]).toMatch(/depth: 30: .*1\.5/);
  expect(said[3]).toContain('before planting (2015)');
  expect(said[4]).toContain('future');
});

test('crew measure, but do not judge; readers only read', async () => {
  const treeId = await aTree();
  const visit = randomUUID();
  const changes: Change[] = [
    { kind: 'visit', id: visit, parent: treeId, base: 0, values: { date: '2026-05-01' } },
    {
      kind: 'decision',
      id: `${visit}.mulch`,
      parent: visit,
      base: 0,
      values: { operation: 'mulch', taken: true },
    },
  ];
  expect((await save(changes, { ...firm.viewer, role: 'reader' })).map((r) => r.status)).toEqual([
    'refused',
    'refused',
  ]);
  expect((await save(changes, { ...firm.viewer, role: 'crew' })).map((r) => r.status)).toEqual([
    'saved',
    'refused',
  ]);
});
