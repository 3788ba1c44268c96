import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { type CaseFile, caseOf, readCase } from '@undrel/core/format';
import { anyCase, share } from '../../../core/tests/anyCase';
import type { Change } from '../../protocol/item';
import type { Viewer } from '../accounts/session';
import { asUser, closePool } from '../database/transaction';
import { testFirm } from '../testFirm';
import { bringTrees } from '../grounds/bring';
import { importCase } from '../grounds/importCase';
import { caseFileOf, loadCase } from './load';
import { TREE_RECORD } from './sql';
import { saveChanges } from './write';

let firm: Awaited<ReturnType<typeof testFirm>>;
beforeAll(async () => {
  firm = await testFirm();
});
afterAll(closePool);

const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const save = (changes: Change[], viewer: Viewer = firm.viewer) =>
  as((db) => saveChanges(db, viewer, changes));

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
    fc.asyncProperty(anyCase, async (original) => {
      const once = await through(original);
      expect(settled(once)).toBe(settled(original));
      const again = readCase(JSON.stringify(once), '2026-11-24');
      expect(again.ok && settled(await through(again.caseFile))).toBe(settled(original));
    }),
    { numRuns: share(40) },
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

const treeOf = async (): Promise<string> => {
  const id = randomUUID();
  await save([
    { kind: 'tree', id, parent: firm.propertyId, base: 0, values: { label: id.slice(0, 8), species: 'x' } },
  ]);
  return id;
};

test('crew measures, and writes nothing that only a consultant judges, by whichever way', async () => {
  const crew: Viewer = { ...firm.viewer, role: 'crew' };
  const tree = await treeOf();
  const visit = randomUUID();
  const values = { date: '2026-05-01' };
  expect((await save([{ kind: 'visit', id: visit, parent: tree, base: 0, values }], crew))[0]!.status).toBe(
    'saved',
  );
  const opinion = { cause: 'drought', why: 'x' };
  for (const more of [{ opinion }, { clientWords: 'all is well' }]) {
    const given = { ...values, ...more };
    expect(
      (await save([{ kind: 'visit', id: visit, parent: tree, base: 1, values: given }], crew))[0],
    ).toMatchObject({
      status: 'refused',
      problem: expect.stringMatching(/may not change this: .*consultant/),
    });
  }
  // What a consultant wrote stays when crew changes the rest, and cannot be taken away.
  const judged = { ...values, opinion };
  await save([{ kind: 'visit', id: visit, parent: tree, base: 1, values: judged }]);
  const [kept, gone] = [
    { ...judged, note: 'wet' },
    { ...values, note: 'wet' },
  ];
  expect(
    (await save([{ kind: 'visit', id: visit, parent: tree, base: 2, values: gone }], crew))[0]!.status,
  ).toBe('refused');
  expect(
    (await save([{ kind: 'visit', id: visit, parent: tree, base: 2, values: kept }], crew))[0]!.status,
  ).toBe('saved');
  for (const more of [{ worth: { amount: '5', currency: 'EUR' } }, { schools: { staking: 'none' } }])
    expect(
      (
        await save(
          [
            {
              kind: 'tree',
              id: tree,
              parent: firm.propertyId,
              base: 1,
              values: { label: 'T', species: 'x', ...more },
            },
          ],
          crew,
        )
      )[0]!.status,
    ).toBe('refused');
});

test('crew takes away what it measured, not what a consultant judged or decided', async () => {
  const crew: Viewer = { ...firm.viewer, role: 'crew' };
  const remove = async (kind: 'visit' | 'tree', id: string, parent: string, base: number, who?: Viewer) =>
    (await save([{ kind, id, parent, base, values: null }], who))[0]!.status;
  const head = { date: '2026-05-01' };
  const judgements: ((visit: string) => Change)[] = [
    (visit) => ({
      kind: 'visit',
      id: visit,
      parent: '',
      base: 1,
      values: { ...head, opinion: { cause: 'drought', why: 'x' } },
    }),
    (visit) => ({ kind: 'visit', id: visit, parent: '', base: 1, values: { ...head, clientWords: 'Wait.' } }),
    (visit) => ({
      kind: 'decision',
      id: `${visit}.mulch`,
      parent: visit,
      base: 0,
      values: { operation: 'mulch', taken: true },
    }),
    (visit) => ({ kind: 'cuts', id: `${visit}.cuts`, parent: visit, base: 0, values: { stages: 2 } }),
  ];
  for (const judge of judgements) {
    const [tree, visit] = [await treeOf(), randomUUID()];
    await save([{ kind: 'visit', id: visit, parent: tree, base: 0, values: head }], crew);
    const change = judge(visit);
    const judged = { ...change, parent: change.kind === 'visit' ? tree : visit };
    expect((await save([judged]))[0]).toMatchObject({ status: 'saved' });
    const base = change.kind === 'visit' ? 2 : 1;
    expect([change.kind, await remove('visit', visit, tree, base, crew)]).toEqual([change.kind, 'refused']);
    expect([change.kind, await remove('tree', tree, firm.propertyId, 1, crew)]).toEqual([
      change.kind,
      'refused',
    ]);
    expect(await remove('visit', visit, tree, base)).toBe('saved');
    expect(await remove('tree', tree, firm.propertyId, 1, crew)).toBe('saved');
  }
  const [tree, visit] = [await treeOf(), randomUUID()];
  await save([{ kind: 'visit', id: visit, parent: tree, base: 0, values: head }], crew);
  expect(await remove('visit', visit, tree, 1, crew)).toBe('saved');
});

test('what belongs to a removed visit is refused, and comes in again once the visit is back', async () => {
  const tree = await treeOf();
  const visit = randomUUID();
  const head = { date: '2026-05-01' };
  const finding: Change = {
    kind: 'finding',
    id: `${visit}.base.push`,
    parent: visit,
    base: 0,
    values: { key: 'base.push', answer: 'none' },
  };
  await save([{ kind: 'visit', id: visit, parent: tree, base: 0, values: head }]);
  await save([{ kind: 'visit', id: visit, parent: tree, base: 1, values: null }]);
  expect((await save([finding]))[0]).toMatchObject({ status: 'refused', problem: /removed/ });
  await save([{ kind: 'visit', id: visit, parent: tree, base: 0, values: head }]);
  expect((await save([finding]))[0]!.status).toBe('saved');
});

test('many people writing the same rows in any order wait for each other and all come through', async () => {
  const tree = await treeOf();
  const visit = randomUUID();
  await save([{ kind: 'visit', id: visit, parent: tree, base: 0, values: { date: '2026-05-01' } }]);
  const keys = ['base.push', 'base.sound', 'base.conks', 'base.ooze', 'base.borers', 'base.lean'];
  const batch = (answer: string): Change[] =>
    keys.map((key) => ({
      kind: 'finding',
      id: `${visit}.${key}`,
      parent: visit,
      base: 0,
      values: { key, answer },
    }));
  const results = await Promise.all(
    Array.from({ length: 30 }, (_, i) => save(i % 2 ? batch('none') : batch('none').reverse())),
  );
  expect(results.flat().map((r) => r.status)).toEqual(Array(30 * keys.length).fill('saved'));
});

test('the same table of trees sent three times at once makes each tree once', async () => {
  const trees = Array.from({ length: 20 }, (_, i) => ({ label: `Once ${i}`, species: 'x' }));
  const done = await Promise.all(
    [0, 1, 2].map(() => as((db) => bringTrees(db, firm.viewer, firm.propertyId, trees))),
  );
  expect(done.map((d) => d.added).sort((a, b) => a - b)).toEqual([0, 0, 20]);
  const rows = await as((db) =>
    db.rows(`select id from trees where label like 'Once %' and deleted_at is null`),
  );
  expect(rows).toHaveLength(20);
  // Of several with one label the first is taken, and it is said.
  const twice = [...trees.slice(0, 1), { label: 'Twice', species: 'a' }, { label: 'Twice', species: 'b' }];
  const brought = await as((db) => bringTrees(db, firm.viewer, firm.propertyId, twice));
  expect(brought).toEqual({
    added: 1,
    changed: 1,
    notes: ['Twice: stands more than once in the file; the first was taken.'],
  });
  const stands = await as((db) => db.rows(`select species from trees where label = 'Twice'`));
  expect(stands).toEqual([{ species: 'a' }]);
});
