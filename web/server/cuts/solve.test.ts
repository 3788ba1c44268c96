import { highsSolver } from '@undrel/core/milp';
import { readFileSync } from 'node:fs';
import highsLoader from 'highs';
import type { CaseFile } from '@undrel/core/format';
import { stemRate } from '@undrel/core/growth';
import { assessCuts, type CutsGiven } from '@undrel/core/pruning';
import { ALONE } from '../beside';
import { solveCuts } from './solve';

const { tree, visits } = JSON.parse(readFileSync('docs/example-case.json', 'utf8')) as CaseFile;
const { dig, date } = visits.find((v) => v.dig)!;
const given: CutsGiven = {
  tree,
  date,
  dig: dig!,
  stem: stemRate(tree, visits),
  design: {},
  firm: {},
  stressed: false,
};

/** Giving up on the last plan ends the thread. */
afterAll(() => {
  const end = new AbortController();
  const last = solveCuts(given, { ...ALONE, signal: end.signal }).catch(() => undefined);
  end.abort();
  return last;
});

test('a plan solved beside the server is the plan solved in place, several at once come back each to its own', async () => {
  const solve = highsSolver(await highsLoader());
  const largest = { ...given, design: { limits: { largest: 0.01 } } };
  const [one, other] = await Promise.all([solveCuts(given), solveCuts(largest)]);
  expect(one).toEqual(JSON.parse(JSON.stringify(assessCuts(given, solve))));
  expect(other.limits.largest).toBe(0.01);
});

test('who gives up is told so, and the next plan is solved all the same', async () => {
  const stop = new AbortController();
  const left = solveCuts(given, { ...ALONE, signal: stop.signal });
  stop.abort();
  await expect(left).rejects.toThrow('Stopped before');
  await expect(solveCuts(given, { ...ALONE, signal: AbortSignal.abort() })).rejects.toThrow('Stopped before');
  expect((await solveCuts(given)).plan?.proved).toBe(true);
});

test('what cannot be solved is said, and does not stop the solver', async () => {
  await expect(solveCuts({ ...given, dig: undefined as never })).rejects.toThrow(/./);
  expect((await solveCuts(given)).plan?.proved).toBe(true);
});
