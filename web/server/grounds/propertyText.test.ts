import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { propertyPageOf } from '../../work/property/page';
import { saveChanges } from '../cases/write';
import { asUser, closePool } from '../database/transaction';
import { testFirm } from '../testFirm';
import { propertyRows } from './grounds';
import { importCase } from './importCase';
import { propertyText } from './propertyText';

let firm: Awaited<ReturnType<typeof testFirm>>;
beforeAll(async () => {
  firm = await testFirm();
});
afterAll(closePool);

const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);

test('the page of a property follows whatever is written to it, to its trees and visits, the practice and the day', async () => {
  const seen = new Set<string>();
  /** The page as it is kept, which is the one that its rows give now. */
  const told = async (on = '2026-11-24') => {
    const rows = (await as((db) => propertyRows(db, firm.propertyId, on)))!;
    const text = await propertyText(rows, firm.viewer);
    expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(propertyPageOf(rows))));
    expect(await propertyText(structuredClone(rows), firm.viewer)).toBe(text);
    seen.add(text);
    return JSON.parse(text) as ReturnType<typeof propertyPageOf>;
  };
  expect((await told()).trees).toEqual([]);
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('the example does not read');
  const { treeId } = await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile));
  const [tree] = (await told()).trees;
  expect(tree).toMatchObject({
    label: read.caseFile.tree.label,
    lastVisit: read.caseFile.visits.at(-1)!.date,
  });
  await as((db) =>
    saveChanges(db, firm.viewer, [
      {
        kind: 'tree',
        id: treeId,
        parent: firm.propertyId,
        base: tree!.version,
        values: { ...read.caseFile.tree, label: 'Renamed' },
      },
      { kind: 'visit', id: 'later', parent: treeId, base: 0, values: { date: '2026-11-24' } },
    ]),
  );
  const later = (await told()).trees[0]!;
  expect(later).toMatchObject({ label: 'Renamed', lastVisit: '2026-11-24' });
  // What was noted today stands for today alone.
  expect(later.today).toBeDefined();
  expect((await told('2026-11-25')).trees[0]!.today).toBeUndefined();
  await as((db) => db.rows(`update properties set name = 'Another name' where id = $1`, [firm.propertyId]));
  expect((await told()).name).toBe('Another name');
  expect(seen.size).toBe(5);
});
