import { conesFoundAgain } from '@undrel/core/memory';
import type { Tree, Visit } from '@undrel/core/records';
import { idOf } from '@undrel/core/records';
import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { dayAfter } from '@undrel/core/vocabulary';
import { importCase } from '../grounds/importCase';
import { saveChanges, today } from '../cases/write';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { logWater } from '../grounds/logWater';
import { propertySources } from '../offers/propertyWork';
import { listTasks } from '../season/tasks';
import { noticeOf, relapsesByYear } from '../../work/property/notice';
import { makeNotice, noticeShown, noticesOf, receiveNotice, revokeNotice } from './notices';

let firm: Awaited<ReturnType<typeof testFirm>>;
let visitId: string;
const now = today();
const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const sources = async () =>
  (await as((db) => propertySources(db, firm.viewer, firm.propertyId, 'metric')))!.sources;
const contentNow = async () =>
  noticeOf({ sources: await sources(), firm: 'F', property: 'P', client: '', on: now });
const make = async (to: string) => {
  const { content } = await contentNow();
  const made = await as((db) => makeNotice(db, firm.propertyId, to, content));
  if ('problem' in made) throw new Error(made.problem);
  return made.token;
};

beforeAll(async () => {
  firm = await testFirm();
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), now);
  if (!read.ok) throw new Error('example does not read');
  await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile));
  visitId = (await sources())[0]!.visitId;
  for (const step of ['mulch', 'excavate'])
    await as((db) =>
      saveChanges(db, firm.viewer, [
        {
          kind: 'work',
          id: idOf('work', visitId, { step }),
          parent: visitId,
          base: 0,
          values: { step, how: 'done', on: dayAfter(now, -30) },
        },
      ]),
    );
});
afterAll(closePool);

test('it names the treated trees, how long they are not fed, the limits of the school and the next check', async () => {
  const { content } = await contentNow();
  expect(content).toMatchObject({ depth: 0.06, clearance: 0.075 });
  expect(content.trees).toHaveLength(1);
  expect(content.trees[0]!.noFoodUntil!.slice(0, 4)).toBe(String(Number(dayAfter(now, -30).slice(0, 4)) + 1));
  expect(content.nextCheck! >= now).toBe(true);
});

test('received once, by exactly what was shown; that closes the task of the calendar', async () => {
  const notice = async () => (await as((db) => listTasks(db, now))).find((t) => t.key.endsWith('.notice'))!;
  expect((await notice()).state).toBe('late');
  const token = await make('Verge & Lawn');
  const shown = await noticeShown(token);
  if (!('content' in shown)) throw new Error('nothing shown');
  expect(shown).toMatchObject({ state: 'open', to: 'Verge & Lawn' });
  expect(await receiveNotice(token, { sha256: shown.sha256, name: 'X' })).toBe(
    'Your name: 1 characters; 2 to 120 are needed.',
  );
  expect(await receiveNotice(token, { sha256: 'no', name: 'Ada Fenn' })).toMatch(/not what this link shows/);
  expect(await receiveNotice(token, { sha256: shown.sha256, name: ' Ada Fenn ' })).toBeUndefined();
  expect(await receiveNotice(token, { sha256: shown.sha256, name: 'Ada Fenn' })).toMatch(/received already/);
  expect(await noticeShown(token)).toMatchObject({
    state: 'received',
    received: { name: 'Ada Fenn', on: now },
  });
  expect(await notice()).toMatchObject({ state: 'done', told: `received on ${now}` });
});

test('taken back it shows nothing; a link that there is not, and one of no name', async () => {
  const token = await make('Somebody');
  const [head] = await as((db) => noticesOf(db, firm.propertyId));
  expect(await as((db) => revokeNotice(db, head!.id))).toBe(true);
  expect(await noticeShown(token)).toEqual({ state: 'revoked' });
  expect(await receiveNotice(token, { sha256: 'x', name: 'Ada Fenn' })).toMatch(/withdrawn this notice/);
  expect(await noticeShown('nothing')).toEqual({ state: 'unknown' });
  const { content } = await contentNow();
  expect(await as((db) => makeNotice(db, firm.propertyId, '  ', content))).toEqual({
    problem: 'For: 0 characters; 1 to 120 are allowed.',
  });
  const other = await testFirm();
  expect(
    await asUser(other.viewer.firmId, other.viewer.userId, (db) => noticesOf(db, firm.propertyId)),
  ).toEqual([]);
});

test('cones that came back are counted by year, with whoever had the notice by then', () => {
  const tree: Tree = { label: 'K 2', species: 'Cercidiphyllum japonicum', stemDiameter: 0.2 };
  const visit = (date: string, cone: boolean, work?: Visit['work']) =>
    ({
      date,
      findings: [{ key: 'look.mulch', answer: cone ? 'high' : 'clear' }],
      profiles: [],
      probes: [],
      decisions: [],
      ...(work && { work }),
    }) as Visit;
  const done = (on: string): Visit['work'] => [{ step: 'mulch', how: 'done', on }];
  const visits = [
    visit('2023-04-18', true, done('2023-04-25')),
    visit('2024-06-12', true, done('2024-06-12')),
    visit('2025-06-10', false),
    visit('2026-06-09', true),
  ];
  // The first was there before anything was done about it.
  expect(conesFoundAgain(tree, visits)).toEqual(['2024-06-12', '2026-06-09']);
  const again = conesFoundAgain(tree, visits).map((on) => ({ on, tree: tree.label }));
  const notice = { id: 'n', to: 'Verge & Lawn', made: '2025-01-01', by: 'Ada', state: 'received' as const };
  expect(relapsesByYear(again, [{ ...notice, received: '2025-01-03' }])).toEqual([
    { year: 2026, trees: ['K 2'], contractors: ['Verge & Lawn'] },
    { year: 2024, trees: ['K 2'], contractors: [] },
  ]);
});

test('a round is logged at the visit, changed and taken back; neither water nor probe is refused', async () => {
  const log = (entry: Parameters<typeof logWater>[3]) =>
    as((db) => logWater(db, firm.viewer, visitId, entry));
  const kept = async () => (await sources())[0]!.source.visit.waterings;
  expect(await log({ litres: 80 })).toEqual({});
  expect(await kept()).toEqual([{ on: now, litres: 80, by: 'Test owner' }]);
  expect(await log({ probe: 'moist' })).toEqual({});
  expect(await kept()).toEqual([{ on: now, probe: 'moist', by: 'Test owner' }]);
  expect((await log({})).problem).toMatch(/one of the two is needed/);
  expect((await log({ litres: 90_000 })).problem).toMatch(/20000|20,000/);
  expect(await log(null)).toEqual({});
  expect(await log(null)).toEqual({});
  expect((await kept()) ?? []).toEqual([]);
});
