import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { idOf, type Visit } from '@undrel/core/records';
import { isOpen, tasksOf } from '@undrel/core/schedule';
import { dayAfter } from '@undrel/core/vocabulary';
import { importCase } from '../grounds/importCase';
import { caseFileOf, loadCase } from '../cases/load';
import { saveChanges, today } from '../cases/write';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { propertySources } from '../offers/propertyWork';
import { markTask } from './mark';
import { notePlace } from '../grounds/weather';
import { planDays } from './plan';
import { noteYard, placesOf } from './yard';
import { listTasks } from './tasks';
import { prescribedAt } from '../../work/property/prescribed';

let firm: Awaited<ReturnType<typeof testFirm>>;
let treeId: string;
let visitId: string;
const now = today();
const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const list = () => as((db) => listTasks(db, now));
const mark = (...[task, marking]: [string, Parameters<typeof markTask>[4]]) =>
  as((db) => markTask(db, firm.viewer, visitId, task, marking));
const dug = dayAfter(now, -20);

beforeAll(async () => {
  firm = await testFirm();
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), now);
  if (!read.ok) throw new Error('example does not read');
  const imported = await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile));
  treeId = imported.treeId;
  visitId = (await as((db) => propertySources(db, firm.viewer, firm.propertyId, 'metric')))!.sources[0]!
    .visitId;
  const step = 'excavate';
  const [saved] = await as((db) =>
    saveChanges(db, firm.viewer, [
      {
        kind: 'work',
        id: idOf('work', visitId, { step }),
        parent: visitId,
        base: 0,
        values: { step, how: 'done', on: dug },
      },
    ]),
  );
  expect(saved!.status).toBe('saved');
});
afterAll(closePool);

test('what a calendar lists from a few columns is what follows from the whole visits', async () => {
  const loaded = (await as((db) => loadCase(db, treeId)))!;
  const { tree, visits } = caseFileOf(loaded);
  const whole = tasksOf(tree, visits, loaded.house, now);
  const listed = await list();
  const told = (t: { key: string; from: string; to: string; state: string }) => [
    t.key,
    t.from,
    t.to,
    t.state,
  ];
  expect(listed.filter(isOpen).map(told)).toEqual(
    whole.filter((t) => isOpen(t) && t.from <= dayAfter(now, 400)).map(told),
  );
  expect(listed.find((t) => t.key === 'excavate.bark')).toMatchObject({
    from: dayAfter(dug, 14),
    state: 'due',
    visitId,
    treeId,
  });
});

test('one thing to come back for is enough to be listed: a look, a drainage check, a work; a visit that left nothing is not', async () => {
  const left = {
    look: { lookAgain: { on: dayAfter(now, 40), why: 'the cone may come back' } },
    drain: { drainCheck: dayAfter(now, 1) },
    work: {},
    nothing: {},
  };
  const changes = Object.entries(left).flatMap(([name, values]) => [
    {
      kind: 'tree' as const,
      id: `left-${name}`,
      parent: firm.propertyId,
      base: 0,
      values: { label: name, species: 'Tilia cordata' },
    },
    {
      kind: 'visit' as const,
      id: `left-${name}-visit`,
      parent: `left-${name}`,
      base: 0,
      values: { date: now, ...values },
    },
  ]);
  const step = 'excavate';
  const parent = 'left-work-visit';
  const saved = await as((db) =>
    saveChanges(db, firm.viewer, [
      ...changes,
      {
        kind: 'work',
        id: idOf('work', parent, { step }),
        parent,
        base: 0,
        values: { step, how: 'done', on: now },
      },
    ]),
  );
  expect(saved.map((s) => s.status)).toEqual(saved.map(() => 'saved'));
  const listed = (tasks: Awaited<ReturnType<typeof list>>) =>
    [...new Set(tasks.map((t) => t.treeId))].filter((id) => id.startsWith('left-')).sort();
  const three = ['left-drain', 'left-look', 'left-work'];
  expect(listed(await list())).toEqual(three);
  expect(listed(await as((db) => listTasks(db, now, firm.propertyId)))).toEqual(three);
  expect(await as((db) => listTasks(db, now, 'another'))).toEqual([]);
});

test('done, taken back, moved and dropped; each is kept with who said it', async () => {
  const bark = async () => (await list()).find((t) => t.key === 'excavate.bark');
  const first = await mark('excavate.bark', { how: 'done', on: now });
  expect(first.version).toBe((await bark())!.version);
  expect(await bark()).toMatchObject({ state: 'done', told: `done ${now} by Test owner` });
  expect(await mark('excavate.bark', { how: 'open' })).toEqual({ version: 0 });
  expect((await bark())!.version).toBe(0);
  expect((await bark())!.state).toBe('due');
  expect(
    (await mark('excavate.bark', { how: 'moved', on: dayAfter(now, 9), why: 'frost' })).problem,
  ).toBeUndefined();
  expect(await bark()).toMatchObject({ state: 'ahead', from: dayAfter(now, 9) });
  expect(
    (await mark('excavate.bark', { how: 'dropped', why: 'the client declined' })).problem,
  ).toBeUndefined();
  expect(await bark()).toMatchObject({ state: 'dropped', told: `dropped ${now}: the client declined` });
  await mark('excavate.bark', { how: 'open' });
  // A repeated word changes nothing and is no fault.
  expect(await mark('excavate.bark', { how: 'open' })).toEqual({});
});

test('a day before the work, one to come, a reason left out, a work that was not done: each is named', async () => {
  const said = async (...given: Parameters<typeof mark>) => (await mark(...given)).problem;
  expect(await said('excavate.bark', { how: 'done', on: dayAfter(dug, -1) })).toBe(
    `Day: ${dayAfter(dug, -1)} lies before the work that it follows, ${dug}.`,
  );
  expect(await said('excavate.bark', { how: 'done', on: dayAfter(now, 2) })).toMatch(
    /still to come; today is/,
  );
  // The clock of a device elsewhere may be a day ahead.
  expect(await said('excavate.bark', { how: 'done', on: dayAfter(now, 1) })).toBeUndefined();
  await mark('excavate.bark', { how: 'open' });
  expect(await said('excavate.bark', { how: 'done', on: '2026-02-30' })).toMatch(/“2026-02-30” is not a day/);
  expect(await said('excavate.bark', { how: 'moved', on: dayAfter(now, -1), why: 'x' })).toMatch(
    /can be moved to/,
  );
  expect(await said('excavate.bark', { how: 'moved', on: dayAfter(now, 5), why: ' ' })).toMatch(
    /^Reason: 1 char/,
  );
  expect(await said('excavate.bark', { how: 'dropped', why: 'x'.repeat(401) })).toMatch(/^Reason: 401/);
  expect(await said('prune.cuts', { how: 'done', on: now })).toMatch(/prune is not recorded as done/);
  expect(await said('excavate.no such', { how: 'done', on: now })).toMatch(/task/);
});

test('what is prescribed and done is off the list, the rest is on it with its hours', async () => {
  const { sources } = (await as((db) => propertySources(db, firm.viewer, firm.propertyId, 'metric')))!;
  const [at] = prescribedAt({ sources, on: now });
  expect(at!.works.map((w) => w.key)).not.toContain('excavate');
  expect(at!.works.length).toBeGreaterThan(0);
  expect(at!.works.some((w) => w.hours > 0)).toBe(true);
});

test('days of a crew go into the decisions of the visit; the same again changes nothing, a day that is over is named', async () => {
  const { sources } = (await as((db) => propertySources(db, firm.viewer, firm.propertyId, 'metric')))!;
  const { operation } = prescribedAt({ sources, on: now })[0]!.works[0]!;
  const plan = (on: string) => as((db) => planDays(db, firm.viewer, [{ visitId, operation, part: 1, on }]));
  expect(await plan(dayAfter(now, 7))).toEqual({ planned: 1 });
  expect(await plan(dayAfter(now, 7))).toEqual({ planned: 1 });
  const again = (await as((db) => propertySources(db, firm.viewer, firm.propertyId, 'metric')))!.sources;
  const work = prescribedAt({ sources: again, on: now })[0]!.works.find((w) => w.operation === operation)!;
  expect(work).toMatchObject({ from: dayAfter(now, 7), to: dayAfter(now, 7), state: 'ahead' });
  expect((await plan(dayAfter(now, -1))).problem).toMatch(/days from .* on are allowed/);
});

test('the day of a later stage goes into its cut plan and leaves the other stages alone; without a plan it is refused', async () => {
  const stage = (part: number, on: string, id = visitId) =>
    as((db) => planDays(db, firm.viewer, [{ visitId: id, operation: 'prune', part, on }]));
  const cuts = async () =>
    (
      await as((db) =>
        db.row<{ days: unknown }>('select stage_days as days from cut_designs where visit_id = $1', [
          visitId,
        ]),
      )
    )?.days;
  expect((await stage(2, dayAfter(now, 9))).problem).toMatch(/0 of 1 planned; then the cut plan .* is gone/);
  await as((db) =>
    saveChanges(db, firm.viewer, [
      {
        kind: 'cuts',
        id: idOf('cuts', visitId),
        parent: visitId,
        base: 0,
        values: {
          agreed: [
            { label: 'A', stage: 1 },
            { label: 'B', stage: 2 },
          ],
          days: [{ stage: 3, on: dayAfter(now, 90) }],
        },
      },
    ]),
  );
  expect(await stage(2, dayAfter(now, 9))).toEqual({ planned: 1 });
  expect(await stage(2, dayAfter(now, 9))).toEqual({ planned: 1 });
  expect(await cuts()).toEqual([
    { stage: 2, on: dayAfter(now, 9) },
    { stage: 3, on: dayAfter(now, 90) },
  ]);
  expect((await stage(6, dayAfter(now, 9))).problem).toMatch(/Part 6 of prune/);
  const trench = [{ visitId, operation: 'trench' as const, part: 2, on: dayAfter(now, 9) }];
  expect((await as((db) => planDays(db, firm.viewer, trench))).problem).toMatch(/Part 2 of trench/);
});

test('where crews start from is noted, changed and taken away, and named by field where it is wrong', async () => {
  const note = (latitude: string, longitude: string) => as((db) => noteYard(db, { latitude, longitude }));
  expect(await note('51,3', '6.9')).toEqual({ yard: { latitude: 51.3, longitude: 6.9 } });
  expect(await note('51,3', '181')).toEqual({
    problem: 'Longitude: “181” is not -180 to 180 degrees; west is below zero.',
  });
  expect(await note('', '6')).toMatchObject({ problem: expect.stringContaining('Latitude: “”') });
  expect((await as((db) => placesOf(db))).yard).toEqual({ latitude: 51.3, longitude: 6.9 });
  // Grounds count once both of their coordinates are known.
  const grounds = async () => (await as((db) => placesOf(db))).grounds;
  await as((db) => notePlace(db, firm.propertyId, { latitude: 51 }));
  expect(await grounds()).toEqual([]);
  await as((db) => notePlace(db, firm.propertyId, { latitude: 51, longitude: 7 }));
  expect(await grounds()).toEqual([{ id: firm.propertyId, latitude: 51, longitude: 7 }]);
  expect(await note(' ', '')).toEqual({ yard: undefined });
  expect(await as((db) => placesOf(db))).not.toHaveProperty('yard');
});

test('work of a day to come is refused, by tomorrow it is taken: the clock of a device may be ahead', async () => {
  const step = 'mulch';
  const write = (on: string) =>
    as((db) =>
      saveChanges(db, firm.viewer, [
        {
          kind: 'work',
          id: idOf('work', visitId, { step }),
          parent: visitId,
          base: 0,
          values: { step, how: 'done', on },
        },
      ]),
    );
  expect(await write(dayAfter(now, 2))).toMatchObject([
    { status: 'refused', problem: `on: ${dayAfter(now, 2)}: still to come; today is ${now}` },
  ]);
  expect(await write(dayAfter(now, 1))).toMatchObject([{ status: 'saved' }]);
});

test('marks travel with the case, and nobody else sees them', async () => {
  await mark('excavate.bark', { how: 'dropped', why: 'bark was dry at once' });
  const { visits } = caseFileOf((await as((db) => loadCase(db, treeId)))!);
  const marks = visits.flatMap((v: Visit) => v.followUps ?? []);
  expect(marks).toEqual([
    { task: 'excavate.bark', how: 'dropped', on: now, by: 'Test owner', why: 'bark was dry at once' },
  ]);
  const other = await testFirm();
  const seen = await asUser(other.viewer.firmId, other.viewer.userId, (db) => listTasks(db, now));
  expect(seen).toEqual([]);
  expect(
    await asUser(other.viewer.firmId, other.viewer.userId, (db) =>
      markTask(db, other.viewer, visitId, 'excavate.bark', { how: 'done', on: now }),
    ),
  ).toEqual({ problem: 'The visit no longer exists; load the page again.' });
});
