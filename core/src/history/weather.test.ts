import fc from 'fast-check';
import jstat from 'jstat';
import { dryYears, seasonsOf, SEASONS_NEEDED } from './index';

const record = (rains: readonly number[]) => ({
  source: 'test',
  seasons: rains.map((rain, i) => ({ year: 1990 + i, rain })),
});

/** Index by a fitted gamma distribution: Thom's estimate (1958, from memory), its distribution by a statistics package. */
function standardised(rains: readonly number[]): number[] {
  const mean = rains.reduce((a, b) => a + b, 0) / rains.length;
  const a = Math.log(mean) - rains.reduce((sum, r) => sum + Math.log(r), 0) / rains.length;
  const shape = (1 + Math.sqrt(1 + (4 * a) / 3)) / (4 * a);
  return rains.map((r) => jstat.normal.inv(jstat.gamma.cdf(r, shape, mean / shape), 0, 1));
}

test('seasons called dry are those of a standardised precipitation index of -1 or less, but for the next in line', () => {
  let state = 11;
  const uniform = () => (state = (state * 16807) % 2147483647) / 2147483647;
  let both = 0;
  let either = 0;
  for (let n = 0; n < 40; n++) {
    const rains = Array.from({ length: 30 }, () =>
      Array.from({ length: 12 }, uniform).reduce((sum, u) => sum - 0.03 * Math.log(u), 0),
    );
    const told = new Set(dryYears(record(rains)));
    const fitted = standardised(rains);
    rains.forEach((_, i) => {
      const [mine, theirs] = [told.has(1990 + i), fitted[i]! <= -1];
      if (mine && theirs) both++;
      if (mine || theirs) either++;
      // Where the two differ, the season lies close to the line.
      if (mine !== theirs) expect(Math.abs(fitted[i]! + 1)).toBeLessThan(0.6);
    });
  }
  expect(both / either).toBeGreaterThan(0.75);
});

test('a wetter season is never called dry before a drier one, and a scale changes nothing', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 1, max: 2000 }), { minLength: SEASONS_NEEDED, maxLength: 60 }),
      (rains) => {
        const dry = new Set(dryYears(record(rains)));
        const dries = rains.filter((_, i) => dry.has(1990 + i));
        const others = rains.filter((_, i) => !dry.has(1990 + i));
        expect(Math.max(...dries)).toBeLessThan(Math.min(...others));
        expect(dryYears(record(rains.map((r) => r / 7)))).toEqual([...dry]);
      },
    ),
  );
});

test('a season with a month missing is left out, and a short record calls none dry', () => {
  const months = [2001, 2002].flatMap((year) =>
    ['03', '04', '05', '06', '07', '08', '09', '10'].map((m) => ({ month: `${year}-${m}`, rain: 0.05 })),
  );
  expect(seasonsOf(months)).toEqual([
    { year: 2001, rain: expect.closeTo(0.3, 9) },
    { year: 2002, rain: expect.closeTo(0.3, 9) },
  ]);
  expect(seasonsOf(months.filter((m) => m.month !== '2001-06'))).toHaveLength(1);
  expect(dryYears(record([0.1, 0.4, 0.4, 0.4, 0.4, 0.4, 0.4, 0.4, 0.4]))).toEqual([]);
});

test('in the south a growing season runs over the new year and counts to the year it ends in', () => {
  const months = ['2001-10', '2001-11', '2001-12', '2002-01', '2002-02', '2002-03', '2002-10'].map(
    (month) => ({
      month,
      rain: 0.05,
    }),
  );
  expect(seasonsOf(months, true)).toEqual([{ year: 2002, rain: expect.closeTo(0.3, 9) }]);
  expect(seasonsOf(months)).toEqual([]);
});
