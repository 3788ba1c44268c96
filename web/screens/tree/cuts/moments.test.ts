import fc from 'fast-check';
import { LATER, momentsOf, scenariosOf } from './moments';

const stages = fc.dictionary(fc.constantFrom('1', '2', '3', '4', '5'), fc.integer({ min: 1, max: 3 }));

test('without a plan there is today, and ten years on; nothing is cut in either', () => {
  expect(scenariosOf(undefined, 2)).toEqual([{ name: 'nothing done', cuts: {} }]);
  expect(momentsOf(undefined, 2, '2026-05-11').map(({ label, years }) => [label, years])).toEqual([
    ['today', 0],
    ['2036, with the plan', LATER],
    ['2036, left as it is', LATER],
  ]);
});

test('a plan in two stages, three years apart, is looked at in the year of each', () => {
  const moments = momentsOf({ stages: { A: 1, B: 2, C: 1 } }, 3, '2026-05-11');
  expect(moments.map((m) => m.label)).toEqual([
    'stage 1, 2026',
    'stage 2, 2029',
    '2036, with the plan',
    '2036, left as it is',
  ]);
  expect(moments[1]).toEqual({ label: 'stage 2, 2029', years: 3, stage: 2, cuts: { A: 0, C: 0 } });
  expect(moments[2]!.cuts).toEqual({ A: 0, B: 3, C: 0 });
});

test('whatever the plan: roots of a stage are still there when it is looked at, all are gone later, and left alone none is', () => {
  fc.assert(
    fc.property(stages, fc.integer({ min: 1, max: 10 }), (plan, interval) => {
      const moments = momentsOf({ stages: plan }, interval, '2026-05-11');
      for (const moment of moments.filter((m) => m.stage !== undefined)) {
        for (const [label, stage] of Object.entries(plan))
          expect(label in moment.cuts).toBe(stage < moment.stage!);
        for (const year of Object.values(moment.cuts)) expect(year).toBeLessThan(moment.years);
      }
      const [planned, left] = moments.slice(-2);
      expect(Object.keys(planned!.cuts).sort()).toEqual(Object.keys(plan).sort());
      expect(left!.cuts).toEqual({});
      // The forecast beside it cuts the same roots in the same years.
      const [nothing, withPlan] = scenariosOf({ stages: plan }, interval);
      expect(nothing!.cuts).toEqual({});
      expect(withPlan?.cuts ?? {}).toEqual(planned!.cuts);
    }),
  );
});
