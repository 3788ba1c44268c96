import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { idOf } from '@undrel/core/records';
import { saveChanges } from '../cases/write';
import { propertyRows } from '../grounds/grounds';
import { importCase } from '../grounds/importCase';
import { testFirm } from '../testFirm';
import { asUser, closePool, type Db } from '../database/transaction';
import { openDraft } from '../reports/reports';
import { isLargeDig, USUAL_READINGS } from '../../protocol/heavy';
import { propertyPageOf } from '../../work/property/page';
import { propertySources, propertyWork } from './propertyWork';

let firm: Awaited<ReturnType<typeof testFirm>>;
beforeAll(async () => {
  firm = await testFirm();
});
afterAll(closePool);

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

test('a tree with a dig of more readings than lists work out is named and not read; one reading fewer, and it is read', async () => {
  const grounds = firm.propertyId;
  const withReadings = async (label: string, readings: number, answer = 'none') => {
    const { tree, ...given } = caseNamed(label);
    const [first] = given.visits.flatMap((v) => v.dig?.roots ?? []);
    const point = first!.points[0]!;
    // Many roots, so that it is their sum that counts.
    const roots = Array.from({ length: Math.ceil(readings / 50) }, (_, i) => ({
      ...first!,
      label: `R${i}`,
      points: Array.from({ length: Math.min(50, readings - 50 * i) }, (_, k) => ({
        ...point,
        distance: 0.2 + k * 0.001,
      })),
    }));
    const push = { key: 'base.push', answer };
    const visits = given.visits.map((v) => ({
      ...v,
      findings: [...v.findings.filter((f) => f.key !== push.key), push],
      ...(v.dig && { dig: { ...v.dig, roots } }),
    }));
    return as((db) => importCase(db, firm.viewer, grounds, { ...given, tree, visits }));
  };
  await withReadings('Most', USUAL_READINGS);
  await withReadings('More', USUAL_READINGS + 1);
  const read = (await as((db) => propertySources(db, firm.viewer, grounds, 'metric')))!;
  expect(read.large.map((t) => t.label)).toEqual(['More']);
  const labels = read.sources.map((s) => s.source.tree.label);
  expect(labels).toContain('Most');
  expect(labels).not.toContain('More');
  // Lists and the page of a tree draw the line at the same number.
  for (const { source } of read.sources)
    expect(source.visits.some((v) => v.dig && isLargeDig(v.dig.roots))).toBe(false);
  const alone = await as((db) => openDraft(db, firm.viewer, read.large[0]!.id, undefined, 'metric'));
  expect(alone!.source.visits.some((v) => v.dig && isLargeDig(v.dig.roots))).toBe(true);
  // The page of the property has the dig without its roots.
  const rows = (await as((db) => propertyRows(db, grounds)))!;
  const page = propertyPageOf(rows);
  expect(page.trees.find((t) => t.label === 'More')!.lastVisit).toBeDefined();
  expect(rows.visits.split('"R0"').length - 1).toBe(1);
  const { work } = await propertyWork(read, firm.viewer);
  expect(work.large).toEqual(read.large);
  expect(work.unvisited).toBe(0);

  // What says that it may fall is known without its dig, until it is assessed.
  expect(read.large[0]!.mayFall).toBeUndefined();
  const { treeId } = await withReadings('Rocks', USUAL_READINGS + 1, 'rocks');
  const large = async () =>
    (await as((db) => propertySources(db, firm.viewer, grounds, 'metric')))!.large.map((t) => [
      t.label,
      t.mayFall,
    ]);
  const newest = caseNamed('Rocks').visits.at(-1)!.date;
  expect(await large()).toEqual([
    ['More', undefined],
    ['Rocks', newest],
  ]);
  const { visitId } = (await as((db) => openDraft(db, firm.viewer, treeId, undefined, 'metric')))!;
  const values = { step: 'stability', how: 'done' as const, on: newest };
  const id = idOf('work', visitId, values);
  await as((db) => saveChanges(db, firm.viewer, [{ kind: 'work', id, parent: visitId, base: 0, values }]));
  expect((await large())[1]).toEqual(['Rocks', undefined]);
});
