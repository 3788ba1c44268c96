import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { schoolFor } from '@undrel/core/practice';
import { SPECIES } from '@undrel/core/species';
import { loadFirm, saveSpecies } from '../accounts/firm';
import { importCase } from './importCase';
import { loadCase } from '../cases/load';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { chooseOn, practiceOn, saveSchoolsOn } from './practice';

let firm: Awaited<ReturnType<typeof testFirm>>;
beforeAll(async () => {
  firm = await testFirm();
});
afterAll(closePool);

const as = <T>(work: Parameters<typeof asUser<T>>[2], who = firm) =>
  asUser(who.viewer.firmId, who.viewer.userId, work);

test('a school chosen for a property holds for its trees, above the firm’s, and for nobody else', async () => {
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('example does not read');
  const { treeId } = await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile));
  const inForce = async (matter: string) => {
    const loaded = (await as((db) => loadCase(db, treeId)))!;
    return schoolFor(matter, loaded.house);
  };
  expect((await inForce('mulchDepth')).chosenBy).toBe('default');
  expect(await as((db) => chooseOn(db, firm.propertyId, 'mulchDepth', 'thin'))).toBe(true);
  expect(await as((db) => chooseOn(db, firm.propertyId, 'bark', 'bare'))).toBe(true);
  expect(await inForce('mulchDepth')).toMatchObject({ key: 'thin', chosenBy: 'property' });
  expect(await inForce('bark')).toMatchObject({ key: 'bare', chosenBy: 'property' });
  expect(await as((db) => chooseOn(db, firm.propertyId, 'mulchDepth', undefined))).toBe(true);
  expect((await inForce('mulchDepth')).chosenBy).toBe('default');
  expect((await inForce('bark')).chosenBy).toBe('property');

  const other = await testFirm();
  expect(await as((db) => chooseOn(db, firm.propertyId, 'bark', 'mulch'), other)).toBe(false);
  expect(await as((db) => practiceOn(db, firm.propertyId), other)).toBeUndefined();
});

test('two who choose at once do not overwrite one another unseen', async () => {
  const { version } = (await as((db) => practiceOn(db, firm.propertyId)))!;
  const next = await as((db) => saveSchoolsOn(db, firm.propertyId, { bark: 'mulch' }, version));
  expect(next).toBeGreaterThan(version);
  expect(await as((db) => saveSchoolsOn(db, firm.propertyId, { bark: 'bare' }, version))).toBeUndefined();
  expect((await as((db) => practiceOn(db, firm.propertyId)))!.house.property).toEqual({ bark: 'mulch' });
});

test('a firm’s own species comes with its cases, and an older page does not overwrite it', async () => {
  const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
  if (!read.ok) throw new Error('example does not read');
  const { treeId } = await as((db) => importCase(db, firm.viewer, firm.propertyId, read.caseFile));
  const house = async () => (await as((db) => loadCase(db, treeId)))!.house;
  expect((await house()).species).toBeUndefined();
  const own = [{ ...SPECIES[0]!, name: 'Xylotherium maximum', growth: 'fast' as const }];
  const { version } = await as(loadFirm);
  expect(await as((db) => saveSpecies(db, own, version))).toBeGreaterThan(version);
  expect((await house()).species).toEqual(own);
  expect(await as((db) => saveSpecies(db, [], version))).toBeUndefined();
  expect((await as((db) => practiceOn(db, firm.propertyId)))!.house.species).toEqual(own);
});
