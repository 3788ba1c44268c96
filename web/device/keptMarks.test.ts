import { idOf } from '@undrel/core/records';
import { markingOf, markOf, type Marking } from '../protocol/season';
import { browserStores, type Stores } from '../tests/browserStores';
import { keepMark, marksIn } from './keptMarks';
import { keptChanges, waitingOf } from './pending';

const TASK = { treeId: 't', visitId: 'v', key: 'excavate.bark' };
const WHO = { name: 'Mirela Voss', person: 'p' };
const TODAY = '2026-11-29';
const MARKINGS: Marking[] = [
  { how: 'done', on: '2026-11-28' },
  { how: 'moved', on: '2026-12-09', why: 'frost' },
  { how: 'dropped', why: 'the client declined' },
  { how: 'open' },
];
let stores: Stores;
beforeEach(() => (stores = browserStores()));

const waiting = async () => marksIn(await waitingOf('p'));
const changes = async () => (await waitingOf('p')).flatMap((w) => w.changes);

test('what is said of a task is the same when it is read again', () => {
  for (const marking of MARKINGS)
    expect(markingOf(markOf(marking, TASK.key, WHO.name, TODAY))).toEqual(marking);
});

test('the last word on a task waits, by its visit and task, until it is sent; others wait beside it', async () => {
  for (const marking of MARKINGS) {
    expect(keepMark(TASK, marking, 3, undefined, WHO, TODAY)).toBe(true);
    expect(await waiting()).toEqual(new Map([['v excavate.bark', marking]]));
  }
  expect((await changes())[0]).toMatchObject({
    kind: 'followUp',
    id: idOf('followUp', 'v', { task: 'excavate.bark' }),
    parent: 'v',
    base: 3,
    values: null,
  });
  keepMark({ ...TASK, key: 'mulch.spring.2027' }, MARKINGS[0]!, 0, undefined, WHO, TODAY);
  keepMark({ ...TASK, treeId: 't2', visitId: 'v2' }, MARKINGS[1]!, 0, undefined, WHO, TODAY);
  expect([...(await waiting()).keys()].sort()).toEqual([
    'v excavate.bark',
    'v mulch.spring.2027',
    'v2 excavate.bark',
  ]);
});

test('what was tried is in doubt: an answer that was lost does not make a strife of one’s own word', async () => {
  for (const marking of [MARKINGS[0]!, { how: 'open' as const }])
    keepMark(TASK, marking, 0, undefined, WHO, TODAY);
  expect(await changes()).toMatchObject([
    { values: null, base: 0, inDoubt: [markOf(MARKINGS[0]!, TASK.key, WHO.name, TODAY), null] },
  ]);
});

test('a word that the tree’s page took over is changed where it is now: the last one stands', async () => {
  const whose = { person: 'p', treeId: 't' };
  keepMark(TASK, MARKINGS[0]!, 3, undefined, WHO, TODAY);
  expect(await keptChanges(whose)).toHaveLength(1);
  keepMark(TASK, MARKINGS[1]!, 3, undefined, WHO, TODAY);
  expect((await keptChanges(whose)).map((c) => markingOf(c.values as never))).toEqual([MARKINGS[1]]);
  expect(await waiting()).toEqual(new Map([['v excavate.bark', MARKINGS[1]]]));
});

test('a device that keeps nothing says so', () => {
  stores.room = 0;
  expect(keepMark(TASK, MARKINGS[0]!, 0, undefined, WHO, TODAY)).toBe(false);
});
