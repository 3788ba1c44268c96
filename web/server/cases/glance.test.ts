import { readFileSync } from 'node:fs';
import { PRACTICE_TABLE, type FirmTable } from '@undrel/core/diagnosis';
import { readCase } from '@undrel/core/format';
import { newestGlance } from '../../work/tree/loadedCase';
import { asUser, closePool } from '../database/transaction';
import { importCase } from '../grounds/importCase';
import { testFirm } from '../testFirm';
import { glanceOf } from './glance';
import { loadCase } from './load';
import { saveChanges } from './write';

let firm: Awaited<ReturnType<typeof testFirm>>;
beforeAll(async () => {
  firm = await testFirm();
});
afterAll(closePool);

const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(firm.viewer.firmId, firm.viewer.userId, work);

test('the figures of a tree follow what is written to it and the tables of its firm, and are worked out once between', async () => {
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('the example does not read');
  const { treeId } = await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile));
  /** The figures as they are kept, which are those that its items give now. */
  const told = async (firmTable?: FirmTable) => {
    const loaded = (await as((db) => loadCase(db, treeId)))!;
    const text = { ...loaded, items: JSON.stringify(loaded.items), firmTable };
    const glance = await glanceOf(text, firm.viewer);
    expect(glance).toEqual(JSON.parse(JSON.stringify(newestGlance(text))));
    expect(await glanceOf(structuredClone(text), firm.viewer)).toBe(glance);
    return glance!;
  };
  const first = await told();
  expect(first.likely).toBeGreaterThan(0);
  const rare = Object.fromEntries(PRACTICE_TABLE.priors.map(({ cause }) => [`prior.${cause}`, 1e-4]));
  expect((await told({ version: 1, words: rare })).likely).toBeLessThan(first.likely);
  expect(await told()).toBe(first);
  await as((db) =>
    saveChanges(db, firm.viewer, [
      { kind: 'visit', id: 'later', parent: treeId, base: 0, values: { date: '2026-11-24' } },
    ]),
  );
  const later = await told();
  expect(later.visitId).toBe('later');
  expect(later).not.toBe(first);
});
