import { caseOf } from '@undrel/core/format';
import type { Finding, SoilLog, Tree, Visit } from '@undrel/core/records';
import { closePool } from '../database/transaction';
import { addProperty, readPlaces } from '../grounds/grounds';
import { importCase } from '../grounds/importCase';
import { asMember, testFirm } from '../testFirm';
import { treePage } from '../treePage';
import { referenceGround, referenceShoots } from './reference';

afterAll(closePool);

/** A shoot read back by year, m. */
const shoot = (...metres: number[]): Finding[] =>
  metres.map((number, i) => ({ key: 'crown.extension', part: 2020 + i, number }));
const hole: SoilLog = {
  place: 'reference',
  bearing: 90,
  distance: 1.5,
  layers: [{ to: 0.2, colour: 'dark' }, { to: 0.6 }],
  oldGrade: 0.05,
};
const visit = (findings: Finding[], soilLogs?: SoilLog[]): Visit => ({
  date: '2024-05-01',
  findings,
  profiles: [],
  probes: [],
  decisions: [],
  ...(soilLogs && { soilLogs }),
});
const FIX = { latitude: 52.1, longitude: 5.2, accuracy: 6 };

test('what stands beside a tree is read at once as it is read one by one, and is of its own property and genus', async () => {
  const firm = await testFirm();
  const as = asMember(firm);
  const elsewhere = await as((db) => addProperty(db, { name: 'Elsewhere', client: '', note: '' }));
  const grow = (property: string, tree: Partial<Tree> & { label: string }, ...visits: Visit[]) =>
    as(async (db) => {
      const whole = { species: 'Tilia cordata', plantedYear: 2010, stemDiameter: 0.3, ...tree };
      return (await importCase(db, firm.viewer, property, caseOf(whole, [], visits))).treeId;
    });
  const looked = await grow(firm.propertyId, { label: 'A', position: { x: 0, y: 0 }, fix: FIX });
  const oak = await grow(firm.propertyId, { label: 'Oak', species: 'Quercus robur' });
  // Of two, the one with more years; ground is set beside trees of any genus.
  const short = visit(shoot(0.2, 0.3), [hole]);
  await grow(firm.propertyId, { label: 'B short', reference: true }, short);
  await grow(firm.propertyId, { label: 'C long', reference: true }, visit(shoot(0.4, 0.5, 0.6)));
  const alone = await grow(elsewhere, { label: 'Alone' });

  const about: Record<string, unknown> = {};
  for (const id of [looked, oak, alone]) {
    const page = (await as((db) => treePage(db, id)))!;
    const places = await as((db) => readPlaces(db, page.about.property.id));
    const reference = (await as((db) => referenceShoots(db, [id]))).get(id);
    const ground = (await as((db) => referenceGround(db, [id]))).get(id);
    expect(page.about).toMatchObject({ places });
    expect([page.about.reference, page.about.referenceGround]).toEqual([reference, ground]);
    about[id] = [page.about.places!.ties.length, reference?.label, ground];
  }
  const { place, bearing, distance, layers, oldGrade } = hole;
  const ground = { label: 'B short', logs: [{ place, bearing, distance, layers, oldGrade }] };
  expect(about).toEqual({
    [looked]: [1, 'C long', ground],
    [oak]: [1, undefined, ground],
    [alone]: [0, undefined, undefined],
  });
  expect(await as((db) => treePage(db, 'no such tree'))).toBeUndefined();
  const stranger = asMember(await testFirm());
  expect(await stranger((db) => treePage(db, looked))).toBeUndefined();
});
