import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/case-schema';
import { asUser, pool } from '../database/transaction';
import { testFirm } from '../database/testFirm';
import { importCase } from '../cases/import';
import { issuedReport, issueReport, openDraft, saveWording, storedPdf, weighedNow } from './reports';

let firm: Awaited<ReturnType<typeof testFirm>>;
let treeId: string;
beforeAll(async () => {
  firm = await testFirm();
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('example does not read');
  treeId = (await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile))).treeId;
});
afterAll(async () => (await pool()).end());

const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const issue = () =>
  as(async (db) => issueReport(db, (await openDraft(db, firm.viewer, treeId, undefined, 'metric'))!));

test('an issued report is numbered, hashed and fixed', async () => {
  const first = await issue();
  const second = await issue();
  const year = new Date().getUTCFullYear();
  expect([first.number, second.number]).toEqual([`T-${year}-0001`, `T-${year}-0002`]);
  const stored = (await as((db) => storedPdf(db, first.id)))!;
  const report = (await as((db) => issuedReport(db, first.id)))!;
  expect(createHash('sha256').update(stored.pdf).digest('hex')).toBe(report.sha256);
  expect(report.content.measured.find((m) => m.name === 'Collar depth')!.text).toMatch(
    /^\d+\.\d ± \d+\.\d cm$/,
  );
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
  expect(weighedNow(issued)).toMatchObject({ then: 'practice-2', now: 'practice-2', same: true });
  const words = { 'prior.gradeRaised': 'never', 'prior.mulchCone': 'never' } as const;
  expect(weighedNow({ ...issued, judgements: { version: 4, words } })).toMatchObject({
    now: 'practice-2+firm-4',
    same: false,
  });
});

test('stale words are refused with what stands', async () => {
  const draft = (await as((db) => openDraft(db, firm.viewer, treeId, undefined, 'metric')))!;
  const made = await as((db) => saveWording(db, draft.visitId, undefined, 0, { opening: 'one' }));
  if (!made.ok) throw new Error('not saved');
  await as((db) => saveWording(db, draft.visitId, made.id, made.version, { opening: 'two' }));
  const late = await as((db) => saveWording(db, draft.visitId, made.id, made.version, { opening: 'three' }));
  expect(late).toMatchObject({ ok: false, theirs: { wording: { opening: 'two' } } });
});
