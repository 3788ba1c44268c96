import { byDay } from '@undrel/core/vocabulary';
import { assess } from '@undrel/core/assessment';
import { TOLD } from './told';
import { PROPERTIES } from './world';

const trees = PROPERTIES().flatMap((p) => p.trees);

test('at least twelve trees have their true cause told', () =>
  expect(TOLD.length).toBeGreaterThanOrEqual(12));

// The causes are invented with the trees; that the verdict finds them shows that demo and table agree.
test.each(TOLD)('$id: $told', ({ id, causes }) => {
  const { caseFile } = trees.find((t) => t.id === id)!;
  const visit = [...caseFile.visits].sort((a, b) => byDay(b.date, a.date))[0]!;
  const { verdict } = assess(caseFile.tree, caseFile.events, visit);
  const chance = (cause: string) => verdict.causes.find((c) => c.cause === cause)!.probability;
  expect(causes).toContain(verdict.causes[0]!.cause);
  for (const cause of causes) expect(chance(cause)).toBeGreaterThan(0.5);
});
