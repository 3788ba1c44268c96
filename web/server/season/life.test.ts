import { jest } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { idOf, type Finding, type Kind, type Values } from '@undrel/core/records';
import { isOpen } from '@undrel/core/schedule';
import { importCase } from '../grounds/importCase';
import { saveChanges } from '../cases/write';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { openDraft } from '../reports/reports';
import { firmRecord, treatedOf, treeTime } from '../../work/tree/treeTime';
import { markTask } from './mark';
import { listTasks } from './tasks';
import { prescribedAt } from '../../work/property/prescribed';

let firm: Awaited<ReturnType<typeof testFirm>>;
let treeId: string;
const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);

/** Sets the day on which the server thinks it is; nothing else of its time. */
const onDay = (day: string) => jest.setSystemTime(new Date(`${day}T09:00:00Z`));
const tasks = async (day: string) => {
  onDay(day);
  return as((db) => listTasks(db, day));
};
const keep = async <K extends Kind>(kind: K, id: string, parent: string, values: Values[K]) => {
  const [saved] = await as((db) => saveChanges(db, firm.viewer, [{ kind, id, parent, base: 0, values }]));
  expect(saved).toMatchObject({ status: 'saved' });
};
const visit = async (day: string, findings: Finding[], walk = false) => {
  onDay(day);
  const id = `${treeId}.${day}`;
  await keep('visit', id, treeId, { date: day, ...(walk && { walk: true as const }) });
  for (const f of findings) await keep('finding', idOf('finding', id, f), id, f);
};
const shoots = (newest: number, values: number[]): Finding[] =>
  values.map((number, i) => ({ key: 'crown.extension', part: newest - i, number }));
const crown = (density: number, dieback: number): Finding[] => [
  { key: 'crown.density', number: density },
  { key: 'crown.dieback', number: dieback },
];

beforeAll(async () => {
  jest.useFakeTimers({
    now: new Date('2024-05-06T09:00:00Z'),
    doNotFake: [
      'hrtime',
      'nextTick',
      'performance',
      'queueMicrotask',
      'setImmediate',
      'clearImmediate',
      'setInterval',
      'clearInterval',
      'setTimeout',
      'clearTimeout',
    ],
  });
  firm = await testFirm();
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-28');
  if (!read.ok) throw new Error('example does not read');
  const { tree, events } = read.caseFile;
  ({ treeId } = await as((db) =>
    importCase(db, firm.viewer, firm.propertyId, {
      ...read.caseFile,
      tree,
      events: events.filter((e) => e.when < '2024'),
      visits: [],
    }),
  ));
});
afterAll(async () => {
  jest.useRealTimers();
  await closePool();
});

test('a tree lives three years: found, dug, examined, late, closed by a walk, the cone back, and recovered', async () => {
  // May 2024: found, prescribed and dug.
  await visit('2024-05-06', [
    ...crown(0.5, 0.2),
    ...shoots(2023, [0.08, 0.09, 0.08, 0.09]),
    ...Array.from({ length: 8 }, (_, part): Finding => ({ key: 'base.entry', part, answer: 'straight' })),
    { key: 'look.mulch', answer: 'high' },
  ]);
  const first = `${treeId}.2024-05-06`;
  for (const step of ['mulch', 'excavate'])
    await keep('work', idOf('work', first, { step }), first, { step, how: 'done', on: '2024-05-06' });
  const said = async (day: string, key: string) => (await tasks(day)).find((t) => t.key === key)?.state;

  // Two weeks on the bark is due, five weeks on it is late and says what is at stake.
  expect(await said('2024-05-19', 'excavate.bark')).toBe('ahead');
  expect(await said('2024-05-20', 'excavate.bark')).toBe('due');
  const late = (await tasks('2024-06-20')).find((t) => t.key === 'excavate.bark')!;
  expect(late).toMatchObject({ state: 'late', stake: expect.stringContaining('Rot') });
  const done = (task: string, on: string) =>
    as((db) => markTask(db, firm.viewer, first, task, { how: 'done', on }));
  expect(await done('excavate.bark', '2024-05-05')).toMatchObject({
    problem: expect.stringContaining('before the work'),
  });
  expect((await done('excavate.bark', '2024-06-21')).problem).toBeUndefined();
  expect(await said('2024-06-22', 'excavate.bark')).toBe('done');

  // May 2025: a walk-round after the contractor's round closes what it looked at, and finds the cone back.
  const spring = (await tasks('2025-05-20')).find((t) => t.key.includes('.spring.2025'))!;
  expect(spring.state).toBe('due');
  await visit('2025-06-02', [{ key: 'look.mulch', answer: 'high' }], true);
  expect(await said('2025-06-03', spring.key)).toBe('done');
  // The look at recovery of that summer was missed, and comes again.
  const recovery = (await tasks('2025-08-01')).find((t) => t.key.includes('.recovery.2025'))!;
  expect(recovery.state).toBe('due');
  expect((await tasks('2026-07-02')).filter(isOpen).map((t) => t.key)).toContain(
    recovery.key.replace('2025', '2026'),
  );

  // August 2026: shoots and density tell that it recovers; the look at it is done by that visit.
  await visit('2026-08-18', [
    ...crown(0.85, 0.05),
    ...shoots(2025, [0.22, 0.14, 0.09, 0.08, 0.09, 0.08]),
    { key: 'look.mulch', answer: 'clear' },
  ]);
  onDay('2026-08-19');
  expect(await said('2026-08-19', recovery.key.replace('2025', '2026'))).toBe('done');
  const draft = (await as((db) => openDraft(db, firm.viewer, treeId, undefined, 'metric')))!;
  const told = treeTime({ source: draft.source, yardstick: undefined, on: '2026-08-19' });
  expect(told.recovery).toMatchObject({ answer: 'answered' });
  expect(told.compared!.rows.find((r) => r.key === 'density')!.judgement).toBe('better');
  expect(told.marks.map((m) => m.kind)).toEqual(expect.arrayContaining(['event', 'visit', 'work']));
  // What was done is off the list, and the firm's record knows the tree.
  const [at] = prescribedAt({
    sources: [{ id: treeId, visitId: draft.visitId, source: draft.source }],
    on: '2026-08-19',
  });
  expect((at?.works ?? []).map((w) => w.key)).not.toContain('excavate');
  const treated = treatedOf({
    trees: [{ id: treeId, source: draft.source, yardstick: undefined }],
    on: '2026-08-19',
  });
  expect(firmRecord(treated).answers.answered).toBe(1);
});
