import fc from 'fast-check';
import jstat from 'jstat';
import type { Finding, Tree, TreeEvent, Visit } from '../records';
import { changePoints, fillWords, levelsOf, sinceWhen, type Series } from './index';

const levels = (values: readonly number[], from = 2010) =>
  values.map((v, i) => ({ year: from + i, level: Math.log(v), weight: 1 }));

/** Annual flow of the Nile at Aswan 1871-1970, 10^8 m3 (Cobb 1978; shipped with R as `Nile`; values from memory). */
const NILE = [
  1120, 1160, 963, 1210, 1160, 1160, 813, 1230, 1370, 1140, 995, 935, 1110, 994, 1020, 960, 1180, 799, 958,
  1140, 1100, 1210, 1150, 1250, 1260, 1220, 1030, 1100, 774, 840, 874, 694, 940, 833, 701, 916, 692, 1020,
  1050, 969, 831, 726, 456, 824, 702, 1120, 1100, 832, 764, 821, 768, 845, 864, 862, 698, 845, 744, 796, 1040,
  759, 781, 865, 845, 944, 984, 897, 822, 1010, 771, 676, 649, 846, 812, 742, 801, 1040, 860, 874, 848, 890,
  744, 749, 838, 1050, 918, 986, 797, 923, 975, 815, 1020, 906, 901, 1170, 912, 746, 919, 718, 714, 740,
];

test('the Nile fell after 1898 (Cobb 1978)', () => {
  const reading = changePoints(levels(NILE, 1871))!;
  expect(reading.when!.best).toBe(1899);
  expect(reading.single.indexOf(Math.max(...reading.single)) + 1871).toBe(1899);
  expect(reading.fellAtAll).toBeGreaterThan(0.99);
  expect(reading.count[0]).toBeLessThan(1e-4);
  // Means of 1098 before and 850 after (Cobb 1978): 77 %.
  expect(reading.ratio!.lower).toBeLessThan(0.774);
  expect(reading.ratio!.upper).toBeGreaterThan(0.774);
});

/** Seeded normal numbers: sum of twelve uniform ones by the generator of Park and Miller (1988), from memory. */
function normals(seed: number): () => number {
  let state = seed;
  const uniform = () => (state = (state * 16807) % 2147483647) / 2147483647;
  return () => Array.from({ length: 12 }, uniform).reduce((a, b) => a + b, -6);
}

test('a known fall is found where it was put, and where a t-test of a statistics package puts it', () => {
  const next = normals(7);
  let agree = 0;
  let right = 0;
  for (let n = 0; n < 60; n++) {
    const at = 4 + (n % 6);
    const values = Array.from({ length: 14 }, (_, i) => 25 * (i < at ? 1 : 0.55) * Math.exp(0.15 * next()));
    const { single } = changePoints(levels(values))!;
    const best = single.indexOf(Math.max(...single));
    const splits = Array.from({ length: 11 }, (_, i) => i + 2).map((split) => {
      const logs = values.map(Math.log);
      return { split, f: jstat.anovaftest(logs.slice(0, split), logs.slice(split)) };
    });
    const byTest = splits.reduce((a, b) => (b.f < a.f ? b : a)).split;
    if (best === byTest) agree++;
    if (Math.abs(best - at) <= 1) right++;
  }
  expect(agree).toBeGreaterThanOrEqual(54);
  expect(right).toBeGreaterThanOrEqual(50);
});

test('where nothing changed, it seldom says that something fell; said chances are kept', () => {
  const next = normals(11);
  let said = 0;
  const bins = { said: 0, true: 0 };
  for (let n = 0; n < 300; n++) {
    const falls = n % 2 === 0;
    const values = Array.from(
      { length: 9 },
      (_, i) => 25 * (falls && i >= 5 ? 0.7 : 1) * Math.exp(0.16 * next()),
    );
    const { fellAtAll } = changePoints(levels(values))!;
    if (!falls && fellAtAll > 0.5) said++;
    if (fellAtAll > 0.7) {
      bins.said += fellAtAll;
      bins.true += falls ? 1 : 0;
    }
  }
  expect(said / 150).toBeLessThan(0.12);
  expect(Math.abs(bins.said - bins.true)).toBeLessThan(0.12 * bins.said);
});

test('chances add up; neither unit nor order of the years matters', () => {
  const series = fc.array(fc.double({ min: 0.02, max: 0.6, noNaN: true }), { minLength: 5, maxLength: 12 });
  fc.assert(
    fc.property(series, fc.double({ min: 0.1, max: 50, noNaN: true }), (values, unit) => {
      const one = changePoints(levels(values))!;
      const sum = (p: readonly number[]) => p.reduce((a, b) => a + b, 0);
      expect(sum(one.count)).toBeCloseTo(1, 9);
      expect(sum(one.single)).toBeCloseTo(1, 9);
      expect(sum(one.fell) + sum(one.rose)).toBeCloseTo(
        one.count[1]! + 2 * one.count[2]! + 3 * one.count[3]!,
        9,
      );
      const other = changePoints(levels(values.map((v) => v * unit)).reverse())!;
      one.fell.forEach((p, i) => expect(other.fell[i]).toBeCloseTo(p, 6));
    }),
    // Levels that differ by rounding alone are one level, in whatever unit.
    {
      examples: [[[0.6, 0.02, 0.020000000000000052, 0.5999999999999991, 0.02, 0.02, 0.02, 0.02, 0.02], 0.1]],
    },
  );
});

test('shoots of unlike vigour and unlike years give one level a year', () => {
  const shoot = (factor: number, years: number[]): Series => ({
    of: 'shoot',
    values: years.map((year) => ({ year, metres: factor * (year < 2020 ? 0.2 : 0.1) })),
  });
  const joined = levelsOf([shoot(1, [2017, 2018, 2019, 2020, 2021]), shoot(2, [2019, 2020, 2021, 2022])]);
  const length = (year: number) => Math.exp(joined.find((l) => l.year === year)!.level);
  expect(length(2018) / length(2022)).toBeCloseTo(2, 3);
  expect(joined.find((l) => l.year === 2020)!.weight).toBe(2);
});

const tree: Tree = { label: 'T', species: 'x', plantedYear: 2011 };
const visitOf = (shoots: number[], more: Partial<Visit> = {}): Visit => ({
  date: '2026-06-01',
  findings: shoots.map((number, i): Finding => ({ key: 'crown.extension', part: 2025 - i, number })),
  profiles: [],
  probes: [],
  decisions: [],
  ...more,
});
const FELL = [0.1, 0.11, 0.1, 0.24, 0.25, 0.26, 0.25];
const when = (visit: Visit, events: TreeEvent[] = [], reference: Series[] = []) =>
  sinceWhen(tree, events, [visit], visit, { shoots: reference });

test('four years or fewer cannot tell, and say so', () => {
  const { change, summary } = when(visitOf([0.1, 0.1, 0.2, 0.2]));
  expect(change).toBeUndefined();
  expect(summary).toContain('too few to tell');
  expect(when(visitOf([])).summary).toContain('No shoots read back yet');
});

test('the fall is set against each dated event and its usual lag', () => {
  const { change, events } = when(visitOf(FELL), [
    { kind: 'trenching', when: '2022-05' },
    { kind: 'soil added', when: '2025' },
    { kind: 'drought', when: '2018' },
  ]);
  expect(change!.when!.best).toBe(2023);
  const chance = (kind: string) => events.find((e) => e.event.kind === kind)!;
  // A second, smaller fall in another year keeps a tenth of the chance.
  expect(chance('trenching').chance).toBeGreaterThan(0.85);
  expect(chance('soil added').chance).toBeLessThan(0.05);
  expect(chance('drought').chance).toBeLessThan(0.2);
  expect(chance('planted').byLength).toBe(1);
});

test('what befell the healthy tree beside it too is weather', () => {
  const alike: Series = {
    of: 'shoot',
    values: FELL.map((metres, i) => ({ year: 2025 - i, metres: 1.3 * metres })),
  };
  expect(when(visitOf(FELL)).change!.fellAtAll).toBeGreaterThan(0.95);
  expect(when(visitOf(FELL), [], [alike]).change!.fellAtAll).toBeLessThan(0.3);
});

test('a dry year without a healthy tree beside it counts less', () => {
  const oneDry = [0.25, 0.12, 0.12, 0.24, 0.25, 0.26];
  const drought = ['2023', '2024'].map((w): TreeEvent => ({ kind: 'drought', when: w }));
  expect(when(visitOf(oneDry), drought).change!.fellAtAll).toBeLessThan(
    when(visitOf(oneDry)).change!.fellAtAll,
  );
  // The rain of the grounds says the same without anyone having dated it.
  const seasons = Array.from({ length: 12 }, (_, i) => ({
    year: 2014 + i,
    rain: [2023, 2024].includes(2014 + i) ? 0.1 : 0.35 + i / 100,
  }));
  const read = sinceWhen(tree, [], [visitOf(oneDry)], visitOf(oneDry), {
    weather: { source: 'gauge', seasons },
  });
  expect(read.change!.fellAtAll).toBe(when(visitOf(oneDry), drought).change!.fellAtAll);
  expect(read.notes.join()).toContain('2023');
});

test('the oldest root from the covered stem and the bark under the old line tell when the fill lay', () => {
  const dig = {
    measuredFrom: 'bark',
    roots: [
      { label: 'A', kind: 'adventitious', points: [], rings: { count: 6, over: 0.02 } },
      { label: 'B', kind: 'adventitious', points: [], rings: { count: 4, over: 0.02 } },
    ],
  } as unknown as Visit['dig'];
  const bark = (answer: string) => [
    { key: 'base.bark', part: 0, answer: 'sound' },
    { key: 'base.bark', part: 4, answer },
  ];
  const line = { key: 'probe.oldGrade', answer: 'seen' };
  const fillOf = (findings: Finding[], more: Partial<Visit> = {}) => {
    const visit = visitOf(FELL, more);
    return when({ ...visit, findings: [...visit.findings, ...findings] }).fill;
  };
  expect(fillOf([])).toBeUndefined();
  expect(fillOf(bark('soft'))).toBeUndefined();
  expect(fillOf([], { dig })).toMatchObject({ to: 2020, clash: false });
  expect(fillOf([...bark('soft'), line])).toMatchObject({ to: 2023, clash: false });
  expect(fillOf([...bark('soft'), line], { dig })).toMatchObject({ to: 2020 });
  expect(fillOf([...bark('dark'), line], { dig })!.why).toHaveLength(2);
  // Bark still sound under soil that lay there for six years already: one of the two was misread.
  const clash = fillOf([...bark('sound'), line], { dig })!;
  expect(clash).toMatchObject({ from: 2021, to: 2020, clash: true });
  expect(fillWords(clash)).toContain('contradict');
});

test('a series that came back above what it was does not say that it fell to more than that', () => {
  // Newest first: poor years between two good spells.
  const back = [0.4, 0.41, 0.4, 0.39, 0.1, 0.1, 0.11, 0.25, 0.26, 0.25];
  for (const shoots of [back, FELL, [...FELL].reverse()]) {
    const { summary } = when(visitOf(shoots));
    for (const [, told] of summary.matchAll(/To (\d+)% of what it was/g))
      expect(Number(told)).toBeLessThan(100);
  }
});
