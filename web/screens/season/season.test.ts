import fc from 'fast-check';
import type { WhoDoes } from '@undrel/core/schedule';
import { dayAfter } from '@undrel/core/vocabulary';
import type { TaskRow, WorkRow } from '../../protocol/season';
import { jobsOf } from './crewJobs';
import type { Mark } from './marks';
import { seasonOf } from './seasonOf';
import { plannedDays } from './usePacked';
import { NOTHING, type Prescribed } from './useSeasonLines';

const TODAY = '2026-05-11';
const ALL_DONE: Prescribed = { ...NOTHING, done: 1 };
const task = (n: number, more: Partial<TaskRow> = {}): TaskRow =>
  ({
    treeId: `t${n}`,
    visitId: `v${n}`,
    key: 'excavate.bark',
    propertyId: 'kelpworth',
    state: 'due',
    who: 'consultant',
    from: TODAY,
    to: dayAfter(TODAY, 9),
    ...more,
  }) as TaskRow;
const work = (n: number, more: Partial<WorkRow> = {}): WorkRow =>
  ({
    treeId: `t${n}`,
    visitId: `v${n}`,
    key: 'excavate',
    operation: 'excavate',
    part: 1,
    place: 1,
    propertyId: 'kelpworth',
    who: 'crew',
    hours: 3,
    air: true,
    from: TODAY,
    to: dayAfter(TODAY, 40),
    open: { from: TODAY },
    ...more,
  }) as WorkRow;
const all = { who: '' as const, property: '' };

test('late, due this week and left are counted; what was marked done on this page is not', () => {
  const tasks = [
    task(1, { state: 'late', from: '2026-04-01' }),
    task(2, { from: dayAfter(TODAY, 7) }),
    task(3, { from: dayAfter(TODAY, 8), state: 'ahead' }),
    task(4, { state: 'done' }),
    task(5, { state: 'late' }),
  ];
  const marks = new Map<string, Mark>([['v5 excavate.bark', { how: 'done', on: TODAY }]]);
  const season = seasonOf(tasks, ALL_DONE, marks, all, TODAY);
  expect(season).toMatchObject({ late: 1, week: 1 });
  expect(season.left.map((t) => t.treeId)).toEqual(['t1', 't2', 't3']);
  expect(season.shown).toHaveLength(5);
});

test('what is prescribed and marked for later is left as well, and counted beside what is due, not in it', () => {
  const prescribed = { ...ALL_DONE, rests: [task(9, { state: 'late' })], works: [work(1), work(1), work(2)] };
  const season = seasonOf([task(1)], prescribed, new Map(), all, TODAY);
  expect(season).toMatchObject({ late: 0, week: 1, trees: 2, hours: 9 });
  expect(season.left.map((t) => t.treeId)).toEqual(['t1', 't9']);
});

test('trees that may fall are counted with those whose dig is too large to be worked out, the longest seen first', () => {
  const place = { propertyId: 'kelpworth', property: 'Kelpworth' };
  const prescribed = {
    ...ALL_DONE,
    works: [work(1, { operation: 'stability', label: 'Linden 1', to: dayAfter(TODAY, 3) }), work(2)],
    large: [
      { ...place, id: 'l1', label: 'Oak 500', mayFall: '2026-03-01' },
      { ...place, id: 'l2', label: 'Ash 9' },
      { ...place, propertyId: 'lanternfield', id: 'l3', label: 'Beech 2', mayFall: TODAY },
    ],
  };
  const danger = (property = '') =>
    seasonOf([], prescribed, new Map(), { who: '', property }, TODAY).danger.map((d) => [d.label, d.late]);
  expect(danger()[0]).toEqual(['Oak 500', true]);
  expect(danger().slice(1)).toEqual(
    expect.arrayContaining([
      ['Linden 1', false],
      ['Beech 2', false],
    ]),
  );
  expect(danger()).toHaveLength(3);
  expect(danger('lanternfield')).toEqual([['Beech 2', false]]);
});

test('whoever is asked for sees their own and what has nobody; the parts of all together are all, on each property once', () => {
  const roles: WhoDoes[] = ['consultant', 'crew', 'owner', 'contractor'];
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          who: fc.constantFrom<WhoDoes | undefined>(...roles, undefined),
          propertyId: fc.constantFrom('kelpworth', 'lanternfield'),
        }),
        { maxLength: 12 },
      ),
      (rows) => {
        const tasks = rows.map((row, i) => task(i, row as Partial<TaskRow>));
        const shown = (who: WhoDoes | '', property: string) =>
          seasonOf(tasks, ALL_DONE, new Map(), { who, property }, TODAY).shown;
        expect(shown('', '')).toEqual(tasks);
        const by = roles.flatMap((who) => shown(who, '').filter((t) => t.who !== undefined));
        expect(by).toHaveLength(tasks.filter((t) => t.who !== undefined).length);
        for (const who of roles)
          expect(shown(who, '').filter((t) => t.who === undefined)).toHaveLength(
            tasks.filter((t) => t.who === undefined).length,
          );
        expect(shown('', 'kelpworth').length + shown('', 'lanternfield').length).toBe(tasks.length);
      },
    ),
  );
});

test('each work that is packed has its day, its later pieces and seasons none', () => {
  const rows = [
    work(1, { hours: 11 }),
    work(2, { key: 'trench', operation: 'trench' }),
    work(2, { key: 'trench-2', operation: 'trench', part: 2, place: 2 }),
    work(3, { key: 'prune-2', operation: 'prune', part: 2 }),
    work(4),
  ];
  const on = Array.from({ length: 6 }, (_, i) => dayAfter(TODAY, i));
  const jobs = jobsOf(rows, 8, new Map(), [TODAY, on.at(-1)!], []);
  expect(jobs.filter((j) => j.row.treeId === 't1').map((j) => j.piece)).toEqual([1, 2]);
  // The last is on no day.
  const plan = jobs.map((_, j) => (j === jobs.length - 1 ? undefined : j));
  const days = { plan, cost: {} as never, proved: true, gap: 0, broken: [] };
  const problem = { jobs, days: on.map((day) => ({ on: day, hours: 8 })) };
  expect(plannedDays({ jobs, problem, days } as never)).toEqual([
    { visitId: 'v1', operation: 'excavate', part: 1, on: on[0] },
    { visitId: 'v2', operation: 'trench', part: 1, on: on[2] },
    { visitId: 'v3', operation: 'prune', part: 2, on: on[4] },
  ]);
});
