import fc from 'fast-check';
import { FOLLOW_UPS } from '../practice/followUps';
import { schemaOf } from '../records';
import type { FollowUpMark, Visit } from '../records';
import { OPERATION_KEYS, type OperationKey } from '../vocabulary/operations';
import { isOpen, type Task } from './task';
import { tasksOf } from './tasks';

const NORTH = {
  weather: {
    source: 'as noted',
    seasons: [],
    place: { latitude: 50, longitude: 8, lastFrost: '04-25', firstFrost: '10-20' },
  },
};
const SOUTH = {
  weather: {
    source: 'as noted',
    seasons: [],
    place: { latitude: -38, longitude: 145, lastFrost: '09-20', firstFrost: '05-10' },
  },
};

const visit = (date: string, more: Partial<Visit> = {}): Visit =>
  ({
    date,
    events: [],
    findings: [],
    profiles: [],
    probes: [],
    decisions: [],
    ...more,
  }) as Visit;
const did = (step: string, on: string): Visit => visit('2026-03-01', { work: [{ step, how: 'done', on }] });
const on = (visits: Visit[], today: string, house: object = NORTH, tree = {}) =>
  tasksOf(tree, visits, house, today);
const find = (tasks: Task[], key: string) => tasks.find((t) => t.key === key);
const marked = (v: Visit, ...marks: FollowUpMark[]): Visit => ({ ...v, followUps: marks });

test('every remedy: what follows it is dated from the day it was done, says what is at stake, and can be marked', () => {
  for (const operation of OPERATION_KEYS) {
    const tasks = on([did(operation, '2026-03-20')], '2026-03-20');
    const own = FOLLOW_UPS[operation].filter((f) => f.unless === undefined || operation !== f.unless);
    for (const { key, stake, what, looks } of own) {
      const dated = tasks.filter((t) => t.key.split('.')[1] === key);
      expect([operation, key, dated.length > 0]).toEqual([operation, key, true]);
      expect(stake.length).toBeGreaterThan(20);
      expect(what.length).toBeGreaterThan(10);
      if (looks) expect(looks.length).toBeGreaterThan(0);
    }
    for (const t of tasks) {
      expect(t.from >= '2026-03-20' && t.from <= t.to).toBe(true);
      const { success } = schemaOf('followUp').safeParse({ task: t.key, how: 'done', on: t.from });
      expect([t.key, success]).toEqual([t.key, true]);
    }
  }
});

test('dried bark is examined two to five weeks after the dig, whatever day it was done', () => {
  const bark = (done: string, today: string) => find(on([did('excavate', done)], today), 'excavate.bark')!;
  expect(bark('2026-05-03', '2026-05-10')).toMatchObject({
    from: '2026-05-17',
    to: '2026-06-07',
    state: 'ahead',
    because: 'root collar excavated 2026-05-03',
  });
  expect(bark('2026-05-03', '2026-05-17').state).toBe('due');
  expect(bark('2026-05-03', '2026-06-08').state).toBe('late');
  expect(bark('2026-08-10', '2026-05-10').from).toBe('2026-08-24');
});

test('months lie where the grounds lie: the spring round of the south is half a year on', () => {
  const springs = (house: object) =>
    on([did('mulch', '2026-03-20')], '2026-04-01', house)
      .filter((t) => t.key.startsWith('mulch.spring'))
      .map((t) => [t.key, t.from, t.to]);
  expect(springs(NORTH)).toEqual([
    ['mulch.spring.2026', '2026-05-01', '2026-06-30'],
    ['mulch.spring.2027', '2027-05-01', '2027-06-30'],
    ['mulch.spring.2028', '2028-05-01', '2028-06-30'],
  ]);
  expect(springs(SOUTH)[0]).toEqual(['mulch.spring.2026', '2026-11-01', '2026-12-31']);
});

test('a guard goes on before the first frost and off after the last, by the record of the grounds', () => {
  const tasks = (house: object) => on([did('guard', '2026-07-01')], '2026-07-01', house);
  expect(find(tasks(NORTH), 'guard.guardOn.2026')).toMatchObject({ from: '2026-09-01', to: '2026-10-31' });
  expect(find(tasks(NORTH), 'guard.guardOff.2027')).toMatchObject({ from: '2027-04-01', to: '2027-05-31' });
  expect(find(tasks(SOUTH), 'guard.guardOn.2027')).toMatchObject({ from: '2027-04-01', to: '2027-05-31' });
});

test('stakes: moved at half time, out at the end, the push test counted from the day they came out', () => {
  const reset = did('reset', '2026-03-20');
  const tasks = on([reset], '2026-03-20');
  expect(find(tasks, 'reset.tie')).toMatchObject({ from: '2026-09-20', to: '2026-10-20' });
  expect(find(tasks, 'reset.stakesOut')).toMatchObject({ from: '2027-03-20', to: '2027-04-20' });
  expect(find(tasks, 'reset.push')!.from).toBe('2027-03-20');
  const out = marked(reset, { task: 'reset.stakesOut', how: 'done', on: '2027-05-02' });
  expect(find(on([out], '2027-05-02'), 'reset.push')).toMatchObject({ from: '2027-05-02', to: '2027-06-01' });
  const never = marked(reset, { task: 'reset.stakesOut', how: 'dropped', on: '2026-04-01', why: 'no stake' });
  expect(find(on([never], '2027-05-02'), 'reset.push')).toBeUndefined();
  // A stake of its own has them; they are not asked for twice.
  const both = visit('2026-03-01', {
    work: [
      { step: 'reset', how: 'done', on: '2026-03-20' },
      { step: 'stake', how: 'done', on: '2026-03-20' },
    ],
  });
  expect(
    on([both], '2026-03-20')
      .filter((t) => t.key.endsWith('stakesOut'))
      .map((t) => t.key),
  ).toEqual(['stake.stakesOut']);
  const school = (staking: string) =>
    on([reset], '2026-03-20', NORTH, { schools: { staking } }).map((t) => t.key);
  expect(school('six')).toContain('reset.stakesOut');
  expect(school('six')).not.toContain('reset.tie');
  expect(school('battens')).not.toContain('reset.stakesOut');
  // Stakes that stay have their ties moved every autumn.
  expect(school('permanent').filter((k) => k.startsWith('reset.tie'))).toEqual(
    [2026, 2027, 2028, 2029, 2030].map((y) => `reset.tie.${y}`),
  );
  expect(school('permanent')).not.toContain('reset.stakesOut');
});

test('a visit closes what it examined and nothing else; a walk-round no more than that', () => {
  const dug = did('excavate', '2026-05-03');
  const spring = (later: Visit) => {
    const tasks = on([dug, later], '2026-07-15');
    return [find(tasks, 'excavate.bark')!.state, find(tasks, 'excavate.spring.2026')!.state];
  };
  const walk = (key: string) =>
    visit('2026-06-10', { walk: true, findings: [{ key, answer: 'none' }] as Visit['findings'] });
  expect(spring(walk('crown.colour'))).toEqual(['late', 'late']);
  expect(spring(walk('look.mulch'))).toEqual(['late', 'done']);
  expect(spring(visit('2026-06-10', { findings: [{ key: 'base.bark', answer: 'dry' }] }))).toEqual([
    'done',
    'late',
  ]);
  // Looked at before its time, it is still to be looked at.
  expect(spring({ ...walk('look.mulch'), date: '2026-05-20' })).toEqual(['late', 'late']);
});

test('moved with a reason, dropped with a reason, done; what comes again is missed where nobody looked', () => {
  const dug = did('mulch', '2026-03-20');
  const state = (today: string, ...marks: FollowUpMark[]) =>
    find(on([marked(dug, ...marks)], today), 'mulch.spring.2026')!;
  const mark = (how: FollowUpMark['how'], day: string): FollowUpMark => ({
    task: 'mulch.spring.2026',
    how,
    on: day,
    why: 'contract runs late',
  });
  expect(state('2026-07-02')).toMatchObject({ state: 'late', stake: expect.stringContaining('cone') });
  expect(state('2026-07-02', mark('moved', '2026-07-20'))).toMatchObject({
    state: 'ahead',
    from: '2026-07-20',
    told: 'moved from 2026-05-01: contract runs late',
  });
  expect(state('2026-07-02', mark('dropped', '2026-07-01'))).toMatchObject({
    state: 'dropped',
    told: 'dropped 2026-07-01: contract runs late',
  });
  expect(state('2026-07-02', mark('done', '2026-06-28')).state).toBe('done');
  expect(state('2027-05-01').state).toBe('missed');
  const { success } = schemaOf('followUp').safeParse({
    task: 'a.bc',
    how: 'moved',
    on: '2026-07-01',
    why: ' ',
  });
  expect(success).toBe(false);
});

test('work done again is followed by its own, a tree that was taken down by nothing but its stump', () => {
  const first = did('excavate', '2026-05-03');
  const again = visit('2026-08-01', { work: [{ step: 'excavate', how: 'done', on: '2026-08-05' }] });
  const tasks = on([first, again], '2026-08-10');
  expect(tasks.filter((t) => t.key === 'excavate.bark' && isOpen(t)).map((t) => [t.visit, t.from])).toEqual([
    [1, '2026-08-19'],
  ]);
  const felled = visit('2026-08-01', { work: [{ step: 'remove', how: 'done', on: '2026-08-05' }] });
  expect(
    on([first, felled], '2026-08-10')
      .filter(isOpen)
      .map((t) => t.key),
  ).toEqual(['remove.stump']);
});

test('one notice, one look after the spring round and one inspect recovery a season, however many works they follow', () => {
  const all = visit('2026-03-01', {
    work: (['mulch', 'excavate', 'prune', 'ring'] as OperationKey[]).map((step) => ({
      step,
      how: 'done' as const,
      on: '2026-03-20',
    })),
  });
  const keys = on([all], '2026-03-20').map((t) => t.key.replace(/^[a-z-]+\./, ''));
  for (const key of ['notice', 'spring.2026', 'recovery.2027', 'recovery.2029'])
    expect([key, keys.filter((k) => k === key).length]).toEqual([key, 1]);
  expect(keys).not.toContain('recovery.2026');
});

test('no fertiliser has no work: its soil test counts from the visit', () => {
  const tasks = tasksOf({}, [visit('2026-03-01')], NORTH, '2026-03-01', [
    { visit: 0, operation: 'fertiliser' },
  ]);
  expect(find(tasks, 'fertiliser.soilTest')).toMatchObject({ from: '2027-01-25' });
});

test('at random: windows are in order, nothing is asked for before its work, every name is there once a visit', () => {
  const day = fc
    .integer({ min: 0, max: 1500 })
    .map((d) => new Date(Date.UTC(2024, 0, 1 + d)).toISOString().slice(0, 10));
  const works = fc.array(fc.record({ step: fc.constantFrom(...OPERATION_KEYS), on: day }), { maxLength: 8 });
  fc.assert(
    fc.property(fc.array(works, { minLength: 1, maxLength: 3 }), day, fc.boolean(), (given, today, south) => {
      const visits = given.map((list, i) =>
        visit(`202${4 + i}-01-01`, {
          work: [...new Map(list.map((w) => [w.step, w])).values()].map((w) => ({
            ...w,
            how: 'done' as const,
          })),
        }),
      );
      const tasks = on(visits, today, south ? SOUTH : NORTH);
      const names = tasks.map((t) => `${t.visit} ${t.key}`);
      expect(new Set(names).size).toBe(names.length);
      for (const t of tasks) {
        const work = visits[t.visit]!.work!.find((w) => w.step === t.key.split('.')[0])!;
        expect(t.from <= t.to && t.from >= work.on).toBe(true);
        if (t.state === 'due') expect(t.from <= today && today <= t.to).toBe(true);
        if (t.state === 'ahead') expect(t.from > today).toBe(true);
        if (t.state === 'late') expect(t.to < today).toBe(true);
      }
    }),
  );
});

test('the inspect recovery of a season stays done though another work follows in that season', () => {
  const first = marked(visit('2025-03-01', { work: [{ step: 'excavate', how: 'done', on: '2025-03-20' }] }), {
    task: 'excavate.recovery.2026',
    how: 'done',
    on: '2026-07-10',
  });
  const later = visit('2025-09-01', { work: [{ step: 'prune', how: 'done', on: '2025-10-20' }] });
  const looks = (visits: Visit[]) =>
    on(visits, '2026-10-05')
      .filter((t) => t.key.includes('.recovery.2026'))
      .map((t) => t.state);
  expect(looks([first])).toEqual(['done']);
  expect(looks([first, later])).toEqual(['done']);
  // It is taken back where it was said.
  const [told] = on([first, later], '2026-10-05').filter((t) => t.key.includes('.recovery.2026'));
  expect([told!.visit, told!.key]).toEqual([0, 'excavate.recovery.2026']);
});

test('one look for two works: whichever of them it was marked at, it is shown so and taken back there', () => {
  const first = did('mulch', '2026-03-20');
  const second = visit('2026-04-01', { work: [{ step: 'excavate', how: 'done', on: '2026-04-05' }] });
  const spring = (mark: FollowUpMark) =>
    on([marked(first, mark), second], '2026-05-20')
      .filter((t) => t.key.includes('.spring.2026'))
      .map((t) => [t.visit, t.key, t.state, t.from]);
  const task = 'mulch.spring.2026';
  expect(spring({ task, how: 'done', on: '2026-05-10' })).toEqual([[0, task, 'done', '2026-05-01']]);
  expect(spring({ task, how: 'moved', on: '2026-08-10', why: 'late round' })).toEqual([
    [0, task, 'ahead', '2026-08-10'],
  ]);
});

test('a walk-round on the day of a visit changes nothing of the day to come back', () => {
  const walk = visit('2026-05-01', { walk: true });
  const full = visit('2026-05-01', { lookAgain: { on: '2026-06-01', why: 'bark' } });
  expect(on([walk, full], '2026-05-02').map((t) => [t.key, t.visit])).toEqual([['look', 1]]);
});
