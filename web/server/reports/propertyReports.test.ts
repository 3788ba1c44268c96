import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { idOf } from '@undrel/core/records';
import type { IssueProgress } from '../../protocol/propertyWork';
import { beside } from '../beside';
import { propertyRows } from '../grounds/grounds';
import { importCase } from '../grounds/importCase';
import { saveChanges } from '../cases/write';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { propertySources } from '../offers/propertyWork';
import { asRead } from '../../work/reports/edition';
import {
  issuedOfProperty,
  issuePropertyReport,
  propertyFigures,
  propertyReportIn,
  storedPropertyPdf,
} from './propertyReports';
import { issuedHere, issueReport } from './reports';

let firm: Awaited<ReturnType<typeof testFirm>>;
let treeId: string;
const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);
const inFirm = <T>(
  work: (db: Parameters<Parameters<typeof asUser<T>>[2]>[0], viewer: typeof firm.viewer) => Promise<T>,
) => as((db) => work(db, firm.viewer));
beforeAll(async () => {
  firm = await testFirm();
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('example does not read');
  treeId = (await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile))).treeId;
});
afterAll(closePool);

async function issue(signal?: AbortSignal): Promise<IssueProgress> {
  const rows = (await as((db) => propertyRows(db, firm.propertyId)))!;
  const { sources, large } = (await as((db) => propertySources(db, firm.viewer, firm.propertyId, 'metric')))!;
  const asker = { ...firm.viewer, ...(signal && { signal }) };
  const page = await beside('property', rows, firm.viewer);
  const grounds = {
    page,
    firm: firm.viewer.firmName,
    made: '2026-11-28',
    rates: sources[0]!.source.rates,
    system: 'metric' as const,
    large,
  };
  let last: IssueProgress | undefined;
  for await (const line of issuePropertyReport(inFirm, grounds, sources, asker)) last = line;
  return last!;
}
const issuedOf = (line: IssueProgress) => {
  if (!('issued' in line)) throw new Error(JSON.stringify(line));
  return line.issued;
};
const YEAR = new Date().getUTCFullYear();

test('a property report is numbered in one row with those of trees, hashed, found by its hash, and fixed', async () => {
  const wanted = { treeId, visitId: undefined, draftId: undefined, system: 'metric' as const };
  await issueReport(inFirm, firm.viewer, wanted);
  const first = issuedOf(await issue());
  expect(first.number).toBe(`T-${YEAR}-0002`);
  // Nothing has changed: it is the same report, also where it is pressed twice at once.
  const again = await Promise.all([issue(), issue()]);
  for (const line of again) expect(issuedOf(line)).toEqual(first);

  const [head, ...others] = await as((db) => issuedOfProperty(db, firm.propertyId));
  expect(others).toEqual([]);
  const pdf = (await as((db) => storedPropertyPdf(db, first.id)))!.pdf;
  expect(createHash('sha256').update(pdf).digest('hex')).toBe(head!.sha256);
  expect(await issuedHere(head!.sha256)).toEqual({
    number: first.number,
    firm: firm.viewer.firmName,
    on: head!.issued_at,
  });
  for (const length of ['letter', 'report', 'record'] as const) {
    const { document } = (await as((db) => propertyReportIn(db, first.id, length)))!;
    expect(asRead(document, 'en').stamp).toMatch(
      new RegExp(`^Report ${first.number}, issued \\d+ \\w+ ${YEAR}$`),
    );
    expect(document.sections.length).toBeGreaterThan(1);
  }
  expect((await as((db) => propertyFigures(db, first.id)))!.figures).toMatchObject({
    trees: [{ id: treeId }],
  });
  await expect(
    as((db) => db.rows(`update property_reports set figures = '{}' where id = $1`, [first.id])),
  ).rejects.toThrow(/permission denied/);

  // What has changed since is another report.
  await as((db) => db.rows(`update trees set label = 'Renamed' where id = $1`, [treeId]));
  const second = issuedOf(await issue());
  expect(second.number).toBe(`T-${YEAR}-0003`);
});

test('stopped on the way, no number is taken', async () => {
  await as((db) => db.rows(`update trees set label = 'Stopped' where id = $1`, [treeId]));
  await expect(issue(AbortSignal.abort())).rejects.toThrow(/Stopped before/);
  expect(await as((db) => issuedOfProperty(db, firm.propertyId))).toHaveLength(2);
  expect(issuedOf(await issue()).number).toBe(`T-${YEAR}-0004`);
});

test('the letter of an issued report in German carries the same number and the day in German', async () => {
  const [newest] = await as((db) => issuedOfProperty(db, firm.propertyId));
  const { document } = (await as((db) => propertyReportIn(db, newest!.id, 'letter')))!;
  expect(asRead(document, 'de').stamp).toMatch(
    new RegExp(`^Bericht ${newest!.number}, ausgestellt am \\d+\\. \\S+ ${YEAR}$`),
  );
});

test('what a consultant wrote stays as it is in German, though the product says the same', async () => {
  const [visit] = await as((db) =>
    db.rows<{ id: string }>('select id from visits where tree_id = $1', [treeId]),
  );
  const values = { operation: 'mulch', taken: true, wording: 'Do nothing' };
  const written = await as((db) =>
    saveChanges(db, firm.viewer, [
      {
        kind: 'decision',
        id: idOf('decision', visit!.id, { operation: 'mulch' }),
        parent: visit!.id,
        base: 0,
        values,
      },
    ]),
  );
  expect(written).toMatchObject([{ status: 'saved' }]);
  const { id } = issuedOf(await issue());
  const { document } = (await as((db) => propertyReportIn(db, id, 'record')))!;
  const { own, ...german } = asRead(document, 'de');
  expect(own).toBeUndefined();
  expect(JSON.stringify(german)).toContain('Do nothing');
  expect(JSON.stringify(asRead({ ...document, own: [] }, 'de'))).not.toContain('Do nothing');
});
