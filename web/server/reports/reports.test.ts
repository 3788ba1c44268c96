import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { asUser, closePool } from '../database/transaction';
import { testFirm } from '../testFirm';
import { importCase } from '../grounds/importCase';
import {
  issuedHere,
  issuedReport,
  issueReport,
  openDraft,
  saveWording,
  storedPdf,
  weighedNow,
} from './reports';

let firm: Awaited<ReturnType<typeof testFirm>>;
let treeId: string;
beforeAll(async () => {
  firm = await testFirm();
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('example does not read');
  treeId = (await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile))).treeId;
});
afterAll(closePool);

const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const issue = async (draftId?: string) => {
  const done = await issueReport((work) => as((db) => work(db, firm.viewer)), firm.viewer, {
    treeId,
    visitId: undefined,
    draftId,
    system: 'metric',
  });
  if ('problem' in done) throw new Error(done.problem);
  return done;
};

test('an issued report is numbered, hashed and fixed', async () => {
  const first = await issue();
  const draft = (await as((db) => openDraft(db, firm.viewer, treeId, undefined, 'metric')))!;
  const worded = await as((db) =>
    saveWording(db, draft.visitId, undefined, 0, { closing: 'A second opinion.' }),
  );
  const second = await issue(worded.ok ? worded.id : undefined);
  const year = new Date().getUTCFullYear();
  expect([first.number, second.number]).toEqual([`T-${year}-0001`, `T-${year}-0002`]);
  const stored = (await as((db) => storedPdf(db, first.id)))!;
  const report = (await as((db) => issuedReport(db, first.id)))!;
  expect(createHash('sha256').update(stored.pdf).digest('hex')).toBe(report.sha256);
  expect(report.content.measured.find((m) => m.name === 'Collar depth')!.text).toMatch(
    /^\d+\.\d ± \d+\.\d cm$/,
  );
  // Whoever has the file learns which report it is; without its whole hash nobody learns anything.
  expect(await issuedHere(report.sha256!)).toEqual({
    number: first.number,
    firm: firm.viewer.firmName,
    on: report.issued_at,
  });
  for (const other of ['0'.repeat(64), report.sha256!.slice(0, 63), '%'])
    expect(await issuedHere(other)).toBeUndefined();
  for (const change of [
    `update reports set wording = '{}' where id = $1`,
    `update reports set pdf = '' where id = $1`,
  ]) {
    await expect(as((db) => db.rows(change, [first.id]))).rejects.toThrow(/issued and cannot be changed/);
  }
  await expect(as((db) => db.rows('delete from reports where id = $1', [first.id]))).rejects.toThrow(
    /permission denied/,
  );
  const kept = await as((db) =>
    db.rows<{ verdict_engine: string }>('select verdict_engine from assessments'),
  );
  expect(kept).toHaveLength(2);

  const issued = (await as((db) => issuedReport(db, first.id)))!;
  expect(weighedNow(issued)).toMatchObject({ then: 'practice-6', now: 'practice-6', same: true });
  const words = { 'prior.gradeRaised': 'never', 'prior.mulchCone': 'never' } as const;
  expect(weighedNow({ ...issued, judgements: { version: 4, words } })).toMatchObject({
    now: 'practice-6+firm-4',
    same: false,
  });
});

test('pressed again and again, at once and later, a report is issued once, without a hole in the numbers', async () => {
  const draft = (await as((db) => openDraft(db, firm.viewer, treeId, undefined, 'metric')))!;
  const made = await as((db) => saveWording(db, draft.visitId, undefined, 0, { closing: 'Once.' }));
  if (!made.ok) throw new Error('not saved');
  const six = await Promise.all(Array.from({ length: 6 }, () => issue(made.id)));
  expect(new Set(six.map((r) => r.number)).size).toBe(1);
  expect((await issue(made.id)).number).toBe(six[0]!.number);
  const numbers = await as((db) =>
    db.rows<{ number: string }>('select number from reports where number is not null order by number'),
  );
  const last = Number(six[0]!.number.slice(-4));
  expect(numbers.map((n) => Number(n.number.slice(-4)))).toEqual(
    Array.from({ length: last }, (_, i) => i + 1),
  );
  // A page without a draft of its own, pressed twice.
  const [one, two] = [await issue(), await issue()];
  expect(two).toEqual(one);
});

test('what fails to be set takes no number', async () => {
  const count = async () =>
    (await as((db) => db.rows('select number from reports where number is not null'))).length;
  const before = await count();
  const gone = { ...firm.viewer, signal: AbortSignal.abort() };
  const wanted = { treeId, visitId: undefined, draftId: undefined, system: 'us' as const };
  await expect(issueReport((work) => as((db) => work(db, firm.viewer)), gone, wanted)).rejects.toThrow(
    'Stopped before',
  );
  expect(await count()).toBe(before);
});

test('stale words are refused with what stands', async () => {
  const draft = (await as((db) => openDraft(db, firm.viewer, treeId, undefined, 'metric')))!;
  const { id, version = 0 } = draft.head ?? {};
  const made = await as((db) => saveWording(db, draft.visitId, id, version, { opening: 'one' }));
  if (!made.ok) throw new Error('not saved');
  await as((db) => saveWording(db, draft.visitId, made.id, made.version, { opening: 'two' }));
  const late = await as((db) => saveWording(db, draft.visitId, made.id, made.version, { opening: 'three' }));
  expect(late).toMatchObject({ ok: false, theirs: { wording: { opening: 'two' } } });
});
