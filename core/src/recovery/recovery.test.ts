import fc from 'fast-check';
import jStat from 'jstat';
import { visitOn } from '../../tests/visits';
import type { Series } from '../history';
import { ANSWER_MEASURES, ANSWERED, APART, GIRTH_ERROR, LEAST_JUDGED } from '../practice/recovery';
import type { Finding, Visit } from '../records';
import { writeLengths } from '../units';
import { OPERATION_KEYS } from '../vocabulary/operations';
import { effectOf } from '../practice/effects';
import { seasonsWatched } from '../practice/followUps';
import { beforeAfter, shareOf } from './baci';
import { coneBack } from '../memory';
import { readingText, recoveryOf } from './recovery';
import { remedyRecords, type Treated } from './record';
import { crownLook, girthAnswer, type Yardstick } from './measures';

/** A stream of standard normal numbers, the same each time for a seed. */
function normals(seed: number): () => number {
  let state = seed >>> 0 || 1;
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return (state + 0.5) / 2 ** 32;
  };
  for (let i = 0; i < 10; i++) uniform();
  return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}

test('the t distribution it rests on is that of the tables (Student 1908: t of 95% at 4 degrees is 2.132, at 10 is 1.812)', () => {
  expect(jStat.studentt.inv(0.95, 4)).toBeCloseTo(2.132, 3);
  expect(jStat.studentt.inv(0.95, 10)).toBeCloseTo(1.812, 3);
  expect(jStat.studentt.inv(0.975, 10)).toBeCloseTo(2.228, 3);
});

test('with hardly any prior it is the two-sample t interval (worked by hand)', () => {
  // Before 1, 2, 3 (mean 2, squares 2); after 5, 7 (mean 6, squares 2): pooled variance 4/3, spread sqrt(4/3 (1/3 + 1/2)) = 1.0541.
  const told = beforeAfter([1, 2, 3], [5, 7], { deviation: 1e-6, seasons: 1e-9 })!;
  expect(told.change).toBeCloseTo(4, 9);
  expect(told.spread).toBeCloseTo(1.0541, 4);
  expect(told.upper - told.change).toBeCloseTo(1.0541 * jStat.studentt.inv(0.95, 3), 3);
});

test('what befalls both trees drops out, whatever it is', () => {
  const levels = fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 2, maxLength: 6 });
  fc.assert(
    fc.property(levels, levels, fc.double({ min: -2, max: 2, noNaN: true }), (before, after, shift) => {
      const prior = { deviation: 0.2, seasons: 6 };
      const plain = beforeAfter(before, after, prior)!;
      const shifted = beforeAfter(
        before.map((x) => x + shift),
        after.map((x) => x + shift),
        prior,
      )!;
      expect(shifted.change).toBeCloseTo(plain.change, 9);
      expect(shifted.upper).toBeCloseTo(plain.upper, 9);
      expect(plain.lower <= plain.change && plain.change <= plain.upper).toBe(true);
    }),
  );
});

const years = (from: number, values: number[]): Finding[] =>
  values.map((number, i) => ({ key: 'crown.extension', part: from + i, number }));
const series = (from: number, values: number[]): Series => ({
  of: 'shoot',
  values: values.map((metres, i) => ({ year: from + i, metres })),
});

/** A tree and its reference tree that share the weather, treated in the autumn of 2020, and read at the end of 2023. */
function simulated(seed: number, effect: number, withReference = true) {
  const normal = normals(seed);
  const shared = Array.from({ length: 9 }, () => 0.25 * normal());
  // Each has some seasons of its own, as two trees side by side do.
  const own = () => 0.106 * normal() + 0.16 * normal();
  const tree = shared.map((w, i) => Math.exp(-1.9 + w + own() + (2015 + i > 2020 ? effect : 0)));
  const beside = shared.map((w) => Math.exp(-1.2 + w + own()));
  const visit = visitOn('2023-10-01', years(2015, tree), {
    work: [{ step: 'excavate', how: 'done', on: '2020-10-01' }],
  });
  const yardstick: Yardstick = { label: 'R', shoots: [series(2015, beside)], looks: [] };
  return recoveryOf(
    [{ ...visit, date: '2023-10-01' }],
    {},
    '2023-10-01',
    withReference ? yardstick : undefined,
  )!;
}

test('simulated trees with a known effect: the 90% band holds it in 85 to 95% of 500 (with weather that both share)', () => {
  for (const effect of [0, 0.4]) {
    let held = 0;
    for (let seed = 1; seed <= 500; seed++) {
      const [shoots] = simulated(seed, effect).readings;
      expect(shoots!.against).toBe(true);
      if (shoots!.lower <= effect && effect <= shoots!.upper) held++;
    }
    expect(held / 500).toBeGreaterThanOrEqual(0.85);
    expect(held / 500).toBeLessThanOrEqual(0.95);
  }
});

test('of trees on which the work did nothing at most one in twenty is said to answer or to fall, by shoots alone; of those it freed many are', () => {
  const said = (effect: number, answer: string) => {
    let found = 0;
    for (let seed = 1; seed <= 500; seed++) if (simulated(seed, effect).answer === answer) found++;
    return found / 500;
  };
  expect(said(0, 'answered')).toBeLessThanOrEqual(0.05);
  expect(said(0, 'declines')).toBeLessThanOrEqual(0.05);
  expect(said(0.5, 'answered')).toBeGreaterThan(0.35);
  expect(said(-0.5, 'declines')).toBeGreaterThan(0.35);
});

test('without a reference tree the band is wider, and it says how much', () => {
  const alone = simulated(3, 0.4, false);
  const beside = simulated(3, 0.4);
  const width = ({ readings: [r] }: typeof alone) => r!.upper - r!.lower;
  expect(width(alone)).toBeGreaterThan(width(beside));
  expect(alone.readings[0]!.wider).toBeGreaterThan(1);
  expect(alone.notes.join()).toMatch(/without a reference tree .* 1\.\d times as wide/);
  expect(beside.notes).toEqual([]);
});

test('a reference tree that was itself treated is no yardstick, and that is said', () => {
  const visit = visitOn('2023-10-01', years(2015, [0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.2, 0.2, 0.2]), {
    work: [{ step: 'mulch', how: 'done', on: '2020-10-01' }],
  });
  const yardstick = {
    label: 'R 7',
    shoots: [series(2015, Array(9).fill(0.3))],
    looks: [],
    treated: '2019-05-01',
  };
  const told = recoveryOf([visit], {}, '2023-10-01', yardstick)!;
  expect(told.beside).toBeUndefined();
  expect(told.readings[0]!.against).toBe(false);
  expect(told.notes[0]).toBe('R 7 was itself treated on 2019-05-01: it is no yardstick and was left out.');
});

const dug = (date: string, findings: Finding[], more: Partial<Visit> = {}) => visitOn(date, findings, more);
const crown = (density: number, dieback: number): Finding[] => [
  { key: 'crown.density', number: density },
  { key: 'crown.dieback', number: dieback },
];
const treatedVisit = dug('2022-05-01', crown(0.55, 0.2), {
  work: [{ step: 'excavate', how: 'done', on: '2022-05-20' }],
});

test('awaited in its time, answered once density and shoots show it, unanswered when it is over, told what is likely instead', () => {
  const told = (today: string, ...later: Visit[]) =>
    recoveryOf([treatedVisit, ...later], {}, today, undefined, { instead: 'Soil too dense' })!;
  expect(told('2022-10-01')).toMatchObject({ answer: 'awaited', chance: 0.9, shows: [2023, 2025] });
  const good = told(
    '2025-08-01',
    dug('2025-08-01', [
      ...crown(0.85, 0.05),
      ...years(2017, [0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.16, 0.2, 0.22]),
    ]),
  );
  expect(good.answer).toBe('answered');
  expect(good.chance).toBeGreaterThan(ANSWERED);
  expect(good.text).not.toMatch(/ (100|0)%/);
  expect(good.text).toMatch(/^It responds: shoots \d\.\d\d times as long/);
  const same = told(
    '2026-08-01',
    dug('2026-08-01', [
      ...crown(0.52, 0.2),
      ...years(2017, [0.1, 0.11, 0.1, 0.1, 0.1, 0.1, 0.1, 0.09, 0.1, 0.1]),
    ]),
  );
  expect(['unanswered', 'untold']).toContain(same.answer);
  expect(same.chance).toBeLessThan(good.chance);
  const worse = told('2024-08-01', dug('2024-08-01', crown(0.2, 0.6)));
  expect(worse.answer).toBe('declines');
  expect(worse.next).toContain('Hold the next stage');
  expect(told('2027-01-01').answer).toBe('untold');
});

test('a tree that does not answer is reassessed, with the cause it most likely was instead', () => {
  const flat = dug('2026-09-01', [
    ...crown(0.5, 0.22),
    ...years(2015, [0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1]),
    { key: 'crown.leafLength', number: 0.06 },
  ]);
  const first = {
    ...treatedVisit,
    findings: [...treatedVisit.findings, { key: 'crown.leafLength', number: 0.062 }],
  };
  const yardstick: Yardstick = {
    label: 'R',
    shoots: [series(2015, Array(12).fill(0.3))],
    looks: ['2022-05-01', '2026-09-01'].map((date) => ({ date, density: 0.9, dieback: 0.02, leaf: 0.08 })),
  };
  const told = recoveryOf([first, flat], {}, '2026-09-01', yardstick, { instead: 'Soil too dense' })!;
  expect(told.answer).toBe('unanswered');
  expect(told.next).toBe(
    'Drop what was planned on this cause, and reassess the tree; most likely now: soil too dense.',
  );
});

test('every remedy that a crown would show is followed, and no other', () => {
  for (const operation of OPERATION_KEYS) {
    const visit = dug('2022-05-01', [], { work: [{ step: operation, how: 'done', on: '2022-05-20' }] });
    const told = recoveryOf([visit], {}, '2022-06-01');
    expect([operation, told !== undefined]).toEqual([operation, seasonsWatched(operation) > 0]);
    if (told) expect(told.chance).toBeCloseTo(effectOf(operation)!.chance, 2);
  }
  const left = dug('2022-05-01', [], { work: [{ step: 'excavate', how: 'not done', on: '2022-05-20' }] });
  expect(recoveryOf([left], {}, '2022-06-01')).toBeUndefined();
});

test('stages within some months are one treatment, one years later another', () => {
  const twice = (second: string) =>
    recoveryOf(
      [
        dug('2018-05-01', [], { work: [{ step: 'mulch', how: 'done', on: '2018-05-01' }] }),
        dug('2019-06-01', [], { work: [{ step: 'excavate', how: 'done', on: second }] }),
      ],
      {},
      '2024-01-01',
    )!.works.map((w) => w.operation);
  expect(twice('2019-06-01')).toEqual(['mulch', 'excavate']);
  expect(twice('2022-06-01')).toEqual(['excavate']);
});

test('a record over all trees counts failures as plainly, and no share from too few', () => {
  const tree = (i: number, answer: Treated['recovery']['answer']): Treated => ({
    id: String(i),
    label: `T ${i}`,
    recovery: {
      answer,
      text: 'x',
      works: [{ operation: 'excavate', on: '2020-01-01', done: 'root collar excavated' }],
    },
  });
  const few = remedyRecords([tree(1, 'answered'), tree(2, 'unanswered'), tree(3, 'awaited')]);
  expect(few[0]).toMatchObject({ trees: 3, judged: 2, failed: [{ label: 'T 2' }] });
  expect(few[0]!.worked).toBeUndefined();
  const many = remedyRecords(
    Array.from({ length: LEAST_JUDGED }, (_, i) => tree(i, i === 0 ? 'declines' : 'answered')),
  );
  expect(many[0]!.worked!.share).toBeCloseTo(0.8, 9);
  expect(many[0]!.failed).toHaveLength(1);
});

test('the band of a share is that of Jeffreys (Brown, Cai and DasGupta 2001: 0 of 10 at 90% ends at 0.171, from memory)', () => {
  const { lower, upper } = shareOf(0, 10);
  expect(lower).toBe(0);
  expect(upper).toBeCloseTo(0.171, 2);
  const half = shareOf(5, 10);
  expect(half.lower).toBeCloseTo(1 - half.upper, 6);
});

/** A tree whose stem is measured each spring from 2015 to 2023, treated in 2019, with the tape off by a share of it. */
function taped(seed: number, effect: number, withReference: boolean) {
  const normal = normals(seed);
  const stem = (from: number, rates: number[]): Visit[] => {
    let dbh = from;
    return [0, ...rates].map((rate, i) => {
      dbh += rate;
      const read = dbh * (1 + GIRTH_ERROR * normal());
      return visitOn(`${2015 + i}-05-10`, [{ key: 'base.dbh', number: read }]);
    });
  };
  const own = () => ANSWER_MEASURES.girth.season * APART * normal();
  const shared = Array.from({ length: 8 }, () => ANSWER_MEASURES.girth.season * normal());
  const tree = stem(
    0.25,
    shared.map((w, i) => 0.004 + w + own() + (i >= 4 ? effect : 0)),
  );
  const beside = stem(
    0.3,
    shared.map((w) => 0.009 + w + own()),
  );
  const looks = (visits: Visit[]) => visits.flatMap((v) => crownLook(v) ?? []);
  return girthAnswer(looks(tree), '2019-05-20', withReference ? { looks: looks(beside) } : undefined)!;
}

test('growth of the stem on simulated trees: four spans on each side, and the band holds the effect in 85% or more of 500', () => {
  for (const effect of [0, 0.004]) {
    let held = 0;
    for (let seed = 1; seed <= 500; seed++) {
      const read = taped(seed, effect, true);
      expect([read.before, read.after, read.against]).toEqual([4, 4, true]);
      if (read.lower <= effect && effect <= read.upper) held++;
    }
    // A tape that is off at one measurement is off the other way in the next span: the band is on the safe side.
    expect(held / 500).toBeGreaterThanOrEqual(0.85);
  }
  expect(taped(4, 0, false).against).toBe(false);
});

test('a stem measured twice in a season tells no growth; one span on each side tells it', () => {
  const at = (date: string, dbh: number) => ({ date, dbh });
  expect(
    girthAnswer([at('2019-05-01', 0.3), at('2019-09-01', 0.31)], '2019-06-01', undefined),
  ).toBeUndefined();
  const read = girthAnswer(
    [at('2017-05-01', 0.3), at('2019-05-01', 0.304), at('2022-05-01', 0.325)],
    '2019-05-20',
    undefined,
  )!;
  // 2 mm a year before, 7 mm a year after.
  expect(read.change).toBeCloseTo(0.005, 4);
  expect(writeLengths(readingText(read), 'metric')).toMatch(/^Stem growth \+5\.0 mm a year \(/);
  expect(writeLengths(readingText(read), 'us')).toMatch(/^Stem growth \+0\.20 in a year \(/);
});

test('leaves that turned green speak for an answer, never alone; leaves that turned pale for a fall', () => {
  const told = (before: string, after: string) =>
    recoveryOf(
      [
        visitOn('2022-05-01', [{ key: 'crown.colour', answer: before }], {
          work: [{ step: 'excavate', how: 'done', on: '2022-05-20' }],
        }),
        visitOn('2025-07-01', [{ key: 'crown.colour', answer: after }]),
      ],
      {},
      '2025-08-01',
    )!;
  const greener = told('pale', 'good');
  expect(greener.colour).toMatchObject({ before: 'pale', after: 'good' });
  expect(greener.chance).toBeGreaterThan(told('pale', 'pale').chance);
  expect(told('good', 'pale').chance).toBeLessThan(told('good', 'good').chance);
  for (const before of ['good', 'pale', 'veins', 'scorched'])
    for (const after of ['good', 'pale', 'veins', 'scorched'])
      expect(['awaited', 'untold']).toContain(told(before, after).answer);
});

test('a cone that came back: what to do first is to pull it back, and it is said until somebody did', () => {
  const tree = { label: 'T', species: 'Tilia cordata' };
  const walk = (date: string, answer: string) =>
    visitOn(date, [{ key: 'look.mulch', answer }], { walk: true });
  const cleared = visitOn('2022-05-01', crown(0.55, 0.2), {
    work: [{ step: 'mulch', how: 'done', on: '2022-05-20' }],
  });
  const told = (...later: Visit[]) => {
    const visits = [cleared, ...later];
    return recoveryOf(visits, {}, '2024-08-01', undefined, { coneBack: coneBack(tree, visits) })!;
  };
  expect(told().next).not.toContain('mulch');
  const back = told(walk('2023-06-04', 'high'));
  expect(back.next).toMatch(/^Pull the mulch back/);
  expect(back.notes[0]).toContain('On 2023-06-04 mulch lay on the bark again');
  // Pulled back by work, or found clear since.
  expect(told(walk('2023-06-04', 'high'), walk('2024-05-01', 'clear')).next).not.toContain('mulch');
  const again = {
    ...walk('2023-06-04', 'high'),
    work: [{ step: 'mulch', how: 'done' as const, on: '2023-06-20' }],
  };
  expect(told(again).next).not.toContain('mulch');
  expect(told(walk('2023-06-04', 'some'), walk('2024-05-01', 'high')).notes[0]).toContain('2024-05-01');
});
