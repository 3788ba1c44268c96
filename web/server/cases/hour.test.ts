import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { idOf } from '@undrel/core/records';
import { changesIn, editOf, reduceCase, startWith, type CaseState } from '../../device/store';
import type { Change, Item } from '../../protocol/item';
import { asMember, testFirm } from '../testFirm';
import { closePool, type Db } from '../database/transaction';
import { loadCase } from './load';
import { TREE_RECORD } from './sql';
import { saveChanges } from './write';

let firm: Awaited<ReturnType<typeof testFirm>>;
let as: <T>(work: (db: Db) => Promise<T>) => Promise<T>;
beforeAll(async () => {
  firm = await testFirm();
  as = asMember(firm);
});
afterAll(closePool);

const save = (changes: Change[]) => as((db) => saveChanges(db, firm.viewer, changes));
const KEYS = ['base.push', 'base.sound', 'base.conks', 'base.ooze', 'base.borers', 'base.lean'];
const DEVICES = 3;
/** An entry each half minute on each device. */
const AN_HOUR = 360;

/** What becomes of what is sent: it arrives, its answer is lost on the way back, or it never arrives. */
const fate = fc.constantFrom('arrives' as const, 'arrives' as const, 'unanswered' as const, 'lost' as const);
const device = fc.nat(DEVICES - 1);
const step = fc.oneof(
  { weight: 6, arbitrary: fc.record({ does: fc.constant('answer' as const), device, key: fc.nat(5) }) },
  { weight: 2, arbitrary: fc.record({ does: fc.constant('event' as const), device }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constant('remove' as const), device, key: fc.nat(50) }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constant('undo' as const), device }) },
  { weight: 4, arbitrary: fc.record({ does: fc.constant('send' as const), device, fate }) },
  { weight: 2, arbitrary: fc.record({ does: fc.constant('look' as const), device }) },
  {
    weight: 2,
    arbitrary: fc.record({
      does: fc.constant('settle' as const),
      device,
      keep: fc.constantFrom('mine' as const, 'theirs' as const),
    }),
  },
);

test('two phones and a desk at one tree for an hour, their lines breaking: all agree in the end, and the record shows every value that arrived', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: AN_HOUR, maxLength: AN_HOUR }), async (steps) => {
      const [treeId, visit] = [randomUUID(), randomUUID()];
      const made = await save([
        {
          kind: 'tree',
          id: treeId,
          parent: firm.propertyId,
          base: 0,
          values: { label: treeId.slice(0, 8), species: 'Tilia cordata' },
        },
        { kind: 'visit', id: visit, parent: treeId, base: 0, values: { date: '2026-05-01' } },
      ]);
      expect(made.map((r) => r.status)).toEqual(['saved', 'saved']);
      const items = async (): Promise<readonly Item[]> => (await as((db) => loadCase(db, treeId)))!.items;
      const first = await items();
      const states: CaseState[] = Array.from({ length: DEVICES }, () => startWith(first));
      const arrived: { id: string; values: Change['values'] }[] = [];
      let typed = 0;
      const does = (d: number, action: Parameters<typeof reduceCase>[1]) =>
        (states[d] = reduceCase(states[d]!, action));
      const sends = async (d: number, ends: 'arrives' | 'unanswered' | 'lost') => {
        const changes = changesIn(states[d]!);
        if (changes.length === 0) return;
        does(d, { type: 'sending', sent: changes });
        if (ends === 'lost') return;
        const results = await save(changes);
        results.forEach((r, i) => {
          if (r.status === 'saved') arrived.push({ id: r.id, values: changes[i]!.values });
        });
        if (ends === 'arrives') does(d, { type: 'answered', sent: changes, results });
      };
      const settles = (d: number, keep: 'mine' | 'theirs') => {
        for (const { id } of states[d]!.conflicts) does(d, { type: 'settle', id, keep });
      };
      for (const s of steps) {
        const state = states[s.device]!;
        switch (s.does) {
          case 'answer': {
            const key = KEYS[s.key]!;
            const id = idOf('finding', visit, { key });
            const values = { key, answer: 'none', note: `typed ${typed++}` };
            does(s.device, { type: 'edit', edits: [editOf(state, 'finding', id, visit, values)] });
            break;
          }
          case 'event': {
            const values = { kind: 'other', when: '2020', note: `typed ${typed++}` } as const;
            does(s.device, {
              type: 'edit',
              edits: [editOf(state, 'event', randomUUID(), treeId, values)],
            });
            break;
          }
          case 'remove': {
            const events = [...state.items.values()].filter((i) => i.kind === 'event' && i.values !== null);
            const event = events[s.key % Math.max(1, events.length)];
            if (event)
              does(s.device, {
                type: 'edit',
                edits: [editOf(state, 'event', event.id, treeId, null)],
              });
            break;
          }
          case 'undo':
            does(s.device, { type: 'undo' });
            break;
          case 'send':
            await sends(s.device, s.fate);
            break;
          case 'look':
            does(s.device, { type: 'refresh', items: await items() });
            break;
          case 'settle':
            settles(s.device, s.keep);
            break;
        }
      }
      // All have signal again; what is settled may meet another's once more.
      for (let round = 0; round < DEVICES + 1; round++)
        for (let d = 0; d < DEVICES; d++) {
          await sends(d, 'arrives');
          settles(d, 'mine');
          await sends(d, 'arrives');
        }
      const stored = await items();
      const shown = (of: Iterable<Item>) =>
        new Map([...of].filter((i) => i.values !== null).map((i) => [i.id, [i.version, i.values]]));
      states.forEach((state, d) => {
        expect([d, [...state.refusals]]).toEqual([d, []]);
        expect([d, changesIn(state), state.conflicts]).toEqual([d, [], []]);
        expect(shown(reduceCase(state, { type: 'refresh', items: stored }).items.values())).toEqual(
          shown(stored),
        );
      });
      const record = await as((db) =>
        db.rows<{ after: { note?: string; deleted_at?: string | null } }>(TREE_RECORD, [treeId]),
      );
      const onRecord = new Set(record.map((r) => r.after.note));
      const notes = arrived.map(({ values }) => values?.note).filter((n) => n !== undefined);
      expect(notes.filter((n) => !onRecord.has(n as string))).toEqual([]);
      expect(notes.length).toBeGreaterThan(AN_HOUR / 20);
    }),
    { numRuns: 3, endOnFailure: true },
  );
});
