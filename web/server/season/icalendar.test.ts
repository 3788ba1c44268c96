import ICAL from 'ical.js';
import { readFileSync } from 'node:fs';
import { readCase } from '@undrel/core/format';
import { idOf } from '@undrel/core/records';
import { LIMITS } from '@undrel/core/practice';
import { dayAfter } from '@undrel/core/vocabulary';
import type { LargeRow, TaskRow } from '../../protocol/season';
import { importCase } from '../grounds/importCase';
import { saveChanges, today } from '../cases/write';
import { testFirm } from '../testFirm';
import { asUser, closePool } from '../database/transaction';
import { propertySources } from '../offers/propertyWork';
import { feedOf, inFeed, listFeeds, makeFeed, revokeFeed } from './feeds';
import { icalendarOf } from './icalendar';
import { listTasks } from './tasks';

const ADDRESS = new URL('https://undrel.example');
const NOW = '2026-05-10T08:00:00Z';
const task = (more: Partial<TaskRow> = {}): TaskRow => ({
  key: 'excavate.bark',
  kind: 'follow-up',
  what: 'Inspect the dried bark and what was hidden: wounds, rot; roots.',
  stake: 'Rot goes unseen.',
  who: 'consultant',
  from: '2026-05-17',
  to: '2026-06-07',
  state: 'due',
  because: 'root collar excavated 2026-05-03',
  visit: 0,
  treeId: 'tree-1',
  label: 'Linden 7, at the gate; “old”',
  species: 'Tilia cordata',
  propertyId: 'p-1',
  property: 'Kelpworth Observatory',
  visitId: 'v-1',
  ...more,
});
/** What another library reads from it. */
const read = (tasks: TaskRow[], now = NOW, large: LargeRow[] = []) => {
  const text = icalendarOf(
    { name: 'Quillrow', tasks, works: [], water: [], large, on: '2026-05-10' },
    ADDRESS,
    now,
  );
  const calendar = new ICAL.Component(ICAL.parse(text));
  return { text, calendar, events: calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e)) };
};

test('another library reads it: whole days with the last one in, text with commas, semicolons and quotes as it was', () => {
  const { text, calendar, events } = read([task()]);
  expect(calendar.getFirstPropertyValue('version')).toBe('2.0');
  expect(calendar.getFirstPropertyValue('prodid')).toBeTruthy();
  const [event] = events;
  expect(event!.startDate.toString()).toBe('2026-05-17');
  // The end of a whole-day event is the day after its last (RFC 5545, 3.6.1).
  expect(event!.endDate.toString()).toBe('2026-06-08');
  expect(event!.startDate.isDate).toBe(true);
  expect(event!.summary).toBe(
    'Linden 7, at the gate; “old”: Inspect the dried bark and what was hidden: wounds, rot; roots.',
  );
  expect(event!.location).toBe('Kelpworth Observatory');
  expect(event!.component.getFirstPropertyValue('dtstamp')!.toString()).toBe(NOW);
  expect(event!.component.getFirstPropertyValue('url')).toBe('https://undrel.example/trees/tree-1');
  // Lines end with CR LF and hold at most 75 octets (3.1).
  const lines = text.split('\r\n');
  expect(text.replaceAll('\r\n', '')).not.toContain('\n');
  for (const line of lines) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
});

test.each(['UTC', 'America/Los_Angeles', 'Pacific/Auckland'])('a server in %s: a day is that day', (zone) => {
  process.env.TZ = zone;
  const { events } = read([
    task({ from: '2026-03-29', to: '2026-03-29' }),
    task({ key: 'b.c', from: '2026-12-31', to: '2026-12-31' }),
  ]);
  expect(events.map((e) => [e.startDate.toString(), e.endDate.toString()])).toEqual([
    ['2026-03-29', '2026-03-30'],
    ['2026-12-31', '2027-01-01'],
  ]);
});

test('a tree that is not worked out stands on the day of the calendar, with the way to its page', () => {
  const { events } = read([task()], NOW, [
    { id: 'tree-9', label: 'Oak 9', propertyId: 'p-1', property: 'Kelpworth Observatory' },
  ]);
  const [, event] = events;
  expect(event!.summary).toBe('Oak 9: its work and water are not in this calendar');
  expect(event!.description).toContain('more than 1,000 readings');
  expect(event!.startDate.toString()).toBe('2026-05-10');
  expect(event!.component.getFirstPropertyValue('url')).toBe('https://undrel.example/trees/tree-9');
});

test('one of which it was seen that it may fall has its assessment in the calendar, from that day to the last day for it', () => {
  const place = { propertyId: 'p-1', property: 'Kelpworth Observatory' };
  const { events } = read([], NOW, [{ id: 'tree-9', label: 'Oak 9', ...place, mayFall: '2026-05-01' }]);
  const [event, other] = events;
  expect(event!.summary).toBe('Oak 9: may fall. Have its stability assessed');
  expect(event!.description).toMatch(/^Keep people away/);
  expect(event!.startDate.toString()).toBe('2026-05-01');
  expect(event!.endDate.toString()).toBe(dayAfter('2026-05-01', LIMITS.dangerSeenDays.value + 1));
  expect(other!.uid).not.toBe(event!.uid);
});

test('moved, it is the same event with a later word; dropped, it is cancelled', () => {
  const [first] = read([task()]).events;
  const [moved] = read(
    [task({ from: '2026-06-20', to: '2026-06-20', told: 'moved' })],
    '2026-05-10T08:05:00Z',
  ).events;
  const [dropped] = read([task({ state: 'dropped', told: 'dropped' })], '2026-05-12T08:00:00Z').events;
  expect(new Set([first!.uid, moved!.uid, dropped!.uid]).size).toBe(1);
  const [one, two, three] = [first, moved, dropped].map((e) => Number(e!.sequence));
  expect([two! - one!, three! > two!]).toEqual([5, true]);
  expect([first, moved, dropped].map((e) => e!.component.getFirstPropertyValue('status'))).toEqual([
    'CONFIRMED',
    'CONFIRMED',
    'CANCELLED',
  ]);
});

describe('behind a token', () => {
  let firm: Awaited<ReturnType<typeof testFirm>>;
  const as = <T>(work: Parameters<typeof asUser<T>>[2]) =>
    asUser(firm.viewer.firmId, firm.viewer.userId, work);
  beforeAll(async () => {
    firm = await testFirm();
    const got = readCase(readFileSync('docs/example-case.json', 'utf8'), today());
    if (!got.ok) throw new Error('example does not read');
    await as((db) => importCase(db, firm.viewer, firm.propertyId, got.caseFile));
    const { sources } = (await as((db) => propertySources(db, firm.viewer, firm.propertyId, 'metric')))!;
    const { visitId } = sources[0]!;
    const step = 'mulch';
    await as((db) =>
      saveChanges(db, firm.viewer, [
        {
          kind: 'work',
          id: idOf('work', visitId, { step }),
          parent: visitId,
          base: 0,
          values: { step, how: 'done', on: dayAfter(today(), -3) },
        },
      ]),
    );
  });
  afterAll(closePool);

  test('opens the tasks of its firm, until it is taken back', async () => {
    const made = await as((db) =>
      makeFeed(db, firm.viewer, { name: ' Kitchen wall ', who: '', property: '' }),
    );
    const { token } = made as { token: string };
    const feed = (await feedOf(token))!;
    const tasks = await inFeed(feed)((db) => listTasks(db, today()));
    expect(tasks.map((t) => t.key)).toContain('mulch.notice');
    const [listed] = await as(listFeeds);
    expect(listed).toMatchObject({
      name: 'Kitchen wall',
      who: null,
      property: null,
      read: expect.any(String),
    });
    expect(await feedOf(`${token}x`)).toBeUndefined();
    expect(await as((db) => revokeFeed(db, listed!.id))).toBe(true);
    expect(await feedOf(token)).toBeUndefined();
    expect(await as((db) => revokeFeed(db, listed!.id))).toBe(false);
    expect(await as(listFeeds)).toEqual([]);
  });

  test('a name left out, a role that there is not, grounds of somebody else are refused', async () => {
    const other = await testFirm();
    const ask = (given: object) =>
      as((db) => makeFeed(db, firm.viewer, { name: 'x', who: '', property: '', ...given } as never));
    expect(await ask({ name: '  ' })).toEqual({ problem: 'For: 0 characters; 1 to 120 are allowed.' });
    expect(await ask({ who: 'baker' })).toMatchObject({
      problem: expect.stringContaining('baker is not one of'),
    });
    expect(await ask({ property: other.propertyId })).toMatchObject({
      problem: expect.stringContaining('Property'),
    });
  });
});
