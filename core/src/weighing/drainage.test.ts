import fc from 'fast-check';
import { assess } from '../assessment';
import { needsOf } from '../costing';
import type { Finding, Tree, Visit } from '../records';
import { groundFall, outletOf } from './drainage';

test('0.26 m at 4% of ground and 2% of pipe gives 13 m; none where the ground falls no faster (geometry)', () => {
  expect(outletOf(0.26, 0.04)).toEqual({ way: 'daylight', length: expect.closeTo(13, 9) });
  expect(outletOf(0.26, 0.02)).toEqual({ way: 'none' });
  expect(outletOf(0.26, 0)).toEqual({ way: 'none' });
  expect(outletOf(0.26, undefined)).toEqual({ way: 'unknown' });
});

test('followed down the slope, the pipe meets the ground where it is said to, and nowhere before', () => {
  const depths = fc.double({ min: 0.05, max: 1, noNaN: true });
  const falls = fc.double({ min: 0, max: 0.5, noNaN: true });
  fc.assert(
    fc.property(depths, falls, (depth, fall) => {
      const cover = (along: number) => depth + 0.02 * along - fall * along;
      const outlet = outletOf(depth, fall);
      if (outlet.way === 'daylight') {
        expect(cover(outlet.length)).toBeCloseTo(0, 9);
        expect(cover(0.99 * outlet.length)).toBeGreaterThan(0);
        expect(outlet.length).toBeLessThanOrEqual(40);
      } else expect(cover(40)).toBeGreaterThan(-1e-9);
    }),
  );
});

const TREE: Tree = { label: 'T', species: 'Tilia cordata', plantedYear: 2012, stemDiameter: 0.2 };
const WET: Finding[] = [
  { key: 'history.wet', answer: 'days' },
  { key: 'probe.drain', answer: 'standing' },
  { key: 'probe.moisture', answer: 'sour' },
  { key: 'probe.colour', answer: 'mottled' },
];
const visitOf = (fall: number | undefined): Visit => ({
  date: '2026-06-01',
  findings: [...WET, ...(fall === undefined ? [] : [{ key: 'soil.fall', number: fall }])],
  profiles: [],
  probes: [],
  decisions: [],
});

// Common practice, no source.
test.each<[string, number | undefined, string, RegExp, string[]]>([
  [
    'a slope: a pipe of its own length, priced by the metre',
    0.07,
    'drain',
    /A drain of .* to lower ground/,
    [],
  ],
  ['level ground: no pipe, a sump', 0.01, 'sumps', /no drain comes to the surface/, []],
  [
    'a fall that nobody measured is asked for',
    undefined,
    'drain',
    /if a level finds any/,
    ['fall of the ground'],
  ],
])('%s', (_, fall, key, summary, missing) => {
  const visit = visitOf(fall);
  const drain = assess(TREE, [], visit).operations.find((o) => o.key === 'drain')!;
  expect(drain).toMatchObject({ advice: 'do', summary: expect.stringMatching(summary), missing });
  expect(drain.quantities.map((q) => q.key)).toContain(key);
  const priced = needsOf([drain], visit, undefined).map((n) => n.resource);
  expect(priced).toContain('crew');
  expect(priced).toContain('drain');
  if (fall === 0.07) expect(drain.quantities[0]!.value).toBeCloseTo(0.5 / 0.05, 9);
  expect(drain.method.join(' ')).toMatch(fall === 0.01 ? /shaft/ : /outlet/);
});

test('the fall planned for the trenches stands before the one noted', () => {
  const findings: Finding[] = [{ key: 'soil.fall', number: 0.1 }];
  expect(groundFall({ findings })).toBe(0.1);
  expect(groundFall({ findings, trenches: { slope: { fall: 0.03, toward: 90 } } })).toBe(0.03);
  expect(groundFall({ findings: [] })).toBeUndefined();
});
