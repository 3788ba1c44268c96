import fc from 'fast-check';
import { assess } from '@undrel/core/assessment';
import { caseOf } from '@undrel/core/format';
import { LIMITS } from '@undrel/core/practice';
import type { Tree, Visit } from '@undrel/core/records';
import { visitToJudge, withLaterDanger } from '@undrel/core/walk';
import { dayAfter } from '@undrel/core/vocabulary';
import { closePool } from '../database/transaction';
import { importCase } from '../grounds/importCase';
import { asMember, testFirm } from '../testFirm';
import { signsSeen } from './danger';

afterAll(closePool);

const FIRST = '2024-05-01';
const DEEP = LIMITS.decayDeep.value;

/** A look at a tree: what was answered at it, and what was recorded of its assessment or of taking it down. */
const look = fc.record({
  walk: fc.boolean(),
  push: fc.constantFrom(undefined, 'none', 'slight', 'rocks'),
  conks: fc.constantFrom(undefined, 'none', 'few'),
  // How far a probe sinks, m: on both sides of what is deep, farther from it than a tape errs.
  sinks: fc.constantFrom(undefined, undefined, 0, DEEP - 0.05, DEEP + 0.05),
  over: fc.constantFrom(undefined, undefined, 'done' as const, 'not done' as const),
  step: fc.constantFrom('stability', 'remove'),
});

const visitsOf = (looks: readonly (typeof look extends fc.Arbitrary<infer T> ? T : never)[]): Visit[] =>
  looks.map(({ walk, push, conks, sinks, over, step }, i) => ({
    date: dayAfter(FIRST, 30 * i),
    ...(walk && { walk: true as const }),
    findings: [
      ...(push ? [{ key: 'base.push', answer: push }] : []),
      ...(conks ? [{ key: 'base.conks', answer: conks }] : []),
      ...(sinks !== undefined ? [{ key: 'base.sinks', number: sinks }] : []),
    ],
    profiles: [],
    probes: [],
    decisions: [],
    ...(over && !walk && { work: [{ step, how: over, on: dayAfter(FIRST, 30 * i + 3) }] }),
  }));

test('the first page names the trees of which the verdict says that signs of danger were seen, until they are assessed or taken down', async () => {
  const firm = await testFirm();
  const as = asMember(firm);
  const cases = fc.sample(fc.array(look, { minLength: 1, maxLength: 4 }), { numRuns: 60, seed: 7 });
  const expected: string[] = [];
  for (const [i, looks] of cases.entries()) {
    const tree: Tree = { label: `T ${i}`, species: 'Tilia cordata', plantedYear: 2010, stemDiameter: 0.3 };
    const visits = visitsOf(looks);
    await as((db) => importCase(db, firm.viewer, firm.propertyId, caseOf(tree, [], visits)));
    const judged = visitToJudge(visits)!;
    const seen = withLaterDanger(judged, visits);
    const signs = Boolean(assess(tree, [], seen).verdict.danger?.signs.length);
    const over = judged.work?.some((w) => w.how !== 'not done');
    if (signs && !over) expected.push(tree.label);
  }
  expect(expected.length).toBeGreaterThan(10);
  const named = await as(signsSeen);
  expect(named.map((t) => t.label).sort()).toEqual(expected.sort());
  // Those that wait the longest before the others.
  expect(named.map((t) => t.since)).toEqual(named.map((t) => t.since).sort());

  const other = await testFirm();
  expect(await asMember(other)(signsSeen)).toEqual([]);
});
