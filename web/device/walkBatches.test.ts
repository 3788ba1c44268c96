import type { Change, ChangeResult } from '../protocol/item';
import { browserStores, type Stores } from '../tests/browserStores';
import { addUnsent, begunIn, keepUnsent, send, takeUnsent, unsentIn, type Batch } from './walkBatches';

const ROUND = { person: 'p', property: 'grounds' };
const look = (tree: string, answer = 'clear'): Batch => {
  const change: Change = {
    kind: 'finding',
    id: `${tree}-look`,
    parent: `${tree}-visit`,
    base: 0,
    values: { key: 'look.mulch', answer },
  };
  return { tree, label: `Linden ${tree}`, changes: [change] };
};
let stores: Stores;
beforeEach(() => (stores = browserStores()));

const answerWith = (answer: () => Promise<Partial<Response>>) =>
  Object.defineProperty(globalThis, 'fetch', { value: answer, configurable: true, writable: true });
const saved = (results: ChangeResult[]) =>
  answerWith(async () => ({ ok: true, status: 200, json: async () => ({ results }) }));

test('looks wait in order, and one that was sent goes alone, whatever came meanwhile', () => {
  expect(addUnsent(ROUND, look('1'))).toBe(true);
  expect(addUnsent(ROUND, look('2'))).toBe(true);
  expect(addUnsent(ROUND, look('1', 'high'))).toBe(true);
  takeUnsent(ROUND, look('1'));
  expect(unsentIn(ROUND)).toEqual([look('2'), look('1', 'high')]);
  takeUnsent(ROUND, look('9'));
  expect(unsentIn(ROUND)).toHaveLength(2);
  takeUnsent(ROUND, look('2'));
  takeUnsent(ROUND, look('1', 'high'));
  expect(stores.local.size).toBe(0);
});

test('what another person noted, or on other grounds, is theirs', () => {
  addUnsent(ROUND, look('1'));
  expect(unsentIn({ ...ROUND, person: 'q' })).toEqual([]);
  expect(unsentIn({ ...ROUND, property: 'other' })).toEqual([]);
});

test('a full phone says so; the looks stay in the page and go back to the phone when there is room', () => {
  stores.room = 50;
  expect(addUnsent(ROUND, look('1'))).toBe(false);
  expect(addUnsent(ROUND, look('2'))).toBe(false);
  expect(unsentIn(ROUND)).toEqual([look('1'), look('2')]);
  stores.room = 10_000;
  expect(keepUnsent(ROUND, unsentIn(ROUND))).toBe(true);
  expect(JSON.parse([...stores.local.values()][0]!)).toEqual([look('1'), look('2')]);
  expect(keepUnsent(ROUND, [])).toBe(true);
});

test('what cannot be read counts as nothing noted', () => {
  stores.local.set('undrel.walk.p.grounds', '[{"torn');
  expect(unsentIn(ROUND)).toEqual([]);
});

test('sent, out of reach, signed out, refused: each is told apart, and a refusal names the tree', async () => {
  saved([{ id: '1-look', status: 'saved', version: 1 }]);
  expect(await send(look('1'), 'p')).toBe('sent');
  answerWith(async () => {
    throw new TypeError('network');
  });
  expect(await send(look('1'), 'p')).toBe('later');
  answerWith(async () => ({ ok: false, status: 502, json: async () => ({}) }));
  expect(await send(look('1'), 'p')).toBe('later');
  answerWith(async () => ({ ok: false, status: 401, json: async () => ({}) }));
  expect(await send(look('1'), 'p')).toBe('signed out');
  saved([{ id: '1-look', status: 'refused', problem: 'Mulch: “loud”; allowed clear, some, high.' }]);
  expect(await send(look('1', 'loud'), 'p')).toEqual({
    problem: 'Linden 1: Mulch: “loud”; allowed clear, some, high.',
  });
  saved([{ id: '1-look', status: 'stale', theirs: { version: 2, values: null, by: 'C', at: '' } }]);
  expect(await send(look('1'), 'p')).toEqual({
    problem: 'Linden 1: someone else noted it first; theirs stands.',
  });
});

test('what is sent says what it was meant to be, so that an answer lost on the way makes no clash', async () => {
  const bodies: { changes: Change[] }[] = [];
  Object.defineProperty(globalThis, 'fetch', {
    configurable: true,
    writable: true,
    value: async (_: string, init: { body: string; headers: Record<string, string> }) => {
      bodies.push(JSON.parse(init.body) as { changes: Change[] });
      expect(init.headers['x-undrel-person']).toBe('p');
      return { ok: true, status: 200, json: async () => ({ results: [] }) };
    },
  });
  await send(look('1'), 'p');
  const [sent] = bodies[0]!.changes;
  expect(sent!.inDoubt).toEqual([sent!.values]);
});

test('a round that is opened again goes on with the visits that wait, and begins none anew', () => {
  const visit: Change = {
    kind: 'visit',
    id: 'v',
    parent: 'oak',
    base: 0,
    values: { date: '2026-06-01', walk: true },
  };
  const found = (key: string, answer: string, base = 0): Change => ({
    kind: 'finding',
    id: `v.${key}`,
    parent: 'v',
    base,
    values: { key, answer },
  });
  const batches: Batch[] = [
    { tree: 'oak', label: 'Oak 1', changes: [visit, found('base.flare', 'all')] },
    { tree: 'oak', label: 'Oak 1', changes: [found('base.flare', 'some', 1), found('crown.colour', 'good')] },
    { tree: 'ash', label: 'Ash 1', changes: [found('crown.colour', 'pale', 3)] },
  ];
  expect(begunIn(batches)).toEqual({
    oak: {
      visitId: 'v',
      date: '2026-06-01',
      looks: {
        'base.flare': { answer: 'some', version: 2 },
        'crown.colour': { answer: 'good', version: 1 },
      },
    },
  });
});
