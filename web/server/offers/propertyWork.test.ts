import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { importCase } from '../grounds/importCase';
import { testFirm } from '../testFirm';
import { asUser, pool, type Db } from '../database/transaction';
import { openDraft } from '../reports/reports';
import { propertySources } from './propertyWork';

let firm: Awaited<ReturnType<typeof testFirm>>;
beforeAll(async () => {
  firm = await testFirm();
});
afterAll(async () => (await pool()).end());

const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);

/** What stands in a file, as another tree of its own. */
const caseNamed = (label: string) => {
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('example does not read');
  return { ...read.caseFile, tree: { ...read.caseFile.tree, label, reference: label === 'T 9' } };
};

test('a property of many trees is read in as many queries as one of few, and each tree as if it were alone', async () => {
  const sources = () =>
    as(async (db) => {
      let queries = 0;
      const counted: Db = {
        rows: (sql, values) => (queries++, db.rows(sql, values)),
        row: (sql, values) => (queries++, db.row(sql, values)),
      };
      const read = await propertySources(counted, firm.viewer, firm.propertyId, 'metric');
      return { queries, sources: read!.sources };
    });
  const add = (label: string) => as((db) => importCase(db, firm.viewer, firm.propertyId, caseNamed(label)));
  await add('T 10');
  const few = await sources();
  expect(few.sources).toHaveLength(1);
  for (const label of ['T 9', 'T 2', 'T 11']) await add(label);
  const many = await sources();
  expect(many.queries).toBe(few.queries);
  expect(many.sources.map((s) => s.source.tree.label)).toEqual(['T 2', 'T 9', 'T 10', 'T 11']);
  for (const { id, visitId, source } of many.sources) {
    const alone = await as((db) => openDraft(db, firm.viewer, id, undefined, 'metric'));
    expect({ visitId: alone!.visitId, source: alone!.source }).toEqual({ visitId, source });
    // Beside the reference tree of its genus; the reference tree itself stands beside none.
    expect(source.beside?.shoots !== undefined).toBe(source.tree.label !== 'T 9');
  }
});
