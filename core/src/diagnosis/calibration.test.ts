import { calibrate, random, VISITS, wrongTable, type VisitKind } from '../../tests/calibration';
import { tableProblems } from './network';
import { PRACTICE_TABLE } from './practiceTable';

const KINDS = Object.keys(VISITS) as VisitKind[];

const results = new Map(
  KINDS.map((kind) => [kind, calibrate(300, kind, PRACTICE_TABLE, PRACTICE_TABLE, 20261127)]),
);

test.each(KINDS)(
  '300 trees drawn from the table, a %s visit: as often so as was said, and better than the priors',
  (kind) => {
    const { bins, brier, log, brierOfPriors, logOfPriors, first } = results.get(kind)!;
    // In every tenth, within four standard errors of drawing them.
    for (const { said, so, count, variance } of bins)
      expect(Math.abs(so - said) * count).toBeLessThan(4 * Math.sqrt(variance) + 0.5);
    expect(brier).toBeLessThan(brierOfPriors);
    expect(log).toBeLessThan(logOfPriors);
    expect(Math.abs(first.right - first.said)).toBeLessThan(4 * Math.sqrt(0.25 / 300));
  },
);

test('of trees that were just planted, with one more cause that can be, as often so as was said @whole', () => {
  const { bins, log, logOfPriors } = calibrate(
    150,
    'usual',
    PRACTICE_TABLE,
    PRACTICE_TABLE,
    20261128,
    new Set(['transplanted']),
  );
  for (const { said, so, count, variance } of bins)
    expect(Math.abs(so - said) * count).toBeLessThan(4 * Math.sqrt(variance) + 0.5);
  expect(log).toBeLessThan(logOfPriors);
});

test('the more is examined, the better the score', () => {
  const scores = KINDS.map((kind) => results.get(kind)!.log);
  expect(scores).toEqual([...scores].sort((a, b) => b - a));
});

test('with every judgement one word off it says less, yet still more than the priors @whole', () => {
  const drawn = wrongTable(PRACTICE_TABLE, random(11));
  expect(tableProblems(drawn)).toEqual([]);
  expect(drawn.priors.filter((p, i) => p.base === PRACTICE_TABLE.priors[i]!.base).length).toBeLessThan(
    PRACTICE_TABLE.priors.length,
  );
  const wrong = calibrate(300, 'usual', drawn, PRACTICE_TABLE, 3);
  expect(wrong.log).toBeLessThan(wrong.logOfPriors);
});
