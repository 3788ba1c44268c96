import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import type { Outline } from '../../protocol/grounds';
import { addToPlan, propertyHead } from './grounds';

afterAll(closePool);

test('things that several people put on a plan at once are all on it, and one that is there is not doubled', async () => {
  const { viewer, propertyId } = await testFirm();
  const as = <T>(work: Parameters<typeof asUser<T>>[2]) => asUser(viewer.firmId, viewer.userId, work);
  const wall = (i: number): Outline => ({
    name: `Wall ${i}`,
    kind: 'wall',
    shape: 'line',
    points: [
      [i, 0],
      [i, 5],
    ],
  });
  const added = await Promise.all(
    [0, 1, 2, 3, 3].map((i) => as((db) => addToPlan(db, propertyId, [wall(i)]))),
  );
  expect(added).toEqual([true, true, true, true, true]);
  const head = await as((db) => propertyHead(db, propertyId));
  expect(head!.plan.map((o) => o.name).sort()).toEqual(['Wall 0', 'Wall 1', 'Wall 2', 'Wall 3']);
  expect(await as((db) => addToPlan(db, 'none', [wall(9)]))).toBeUndefined();
});
