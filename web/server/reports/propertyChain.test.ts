import { AFTER_REMOVAL, plannedOf, toDecide, undecidedOf } from '@undrel/core/prescription';
import type { Visit } from '@undrel/core/records';
import { operationOf } from '@undrel/core/vocabulary';
import { isDone, isOpen, isWorked, type WorkTree } from '../../protocol/propertyWork';
import type { PropertyPage } from '../../protocol/grounds';
import type { ReadDocument } from '../../protocol/document';
import { documentInLanguage } from '../../documents/inLanguage';
import { inGerman } from '../../language/german';
import { RATES } from '../../../db/demo/rates';
import { orderRows } from '../../drawings/orderOfWork';
import { trenchWork } from '../../work/costs/worth';
import { orderOf } from '../../work/offers/order';
import { prescribedAt } from '../../work/property/prescribed';
import { waterOfTrees } from '../../work/property/water';
import { reportContent } from '../../work/reports/content';
import { treeSection } from '../../work/reports/treeSection';
import { assessedOf } from '../../work/tree/assessed';
import { workOfTree } from '../../work/offers/treeWork';
import { demoSource, visitedTrees } from './demoSources';
import { propertyLetter } from './propertyLetter';
import { overview } from './propertyOverview';

const visited = visitedTrees();
const sourceOf = (one: (typeof visited)[number], changes: Partial<Visit> = {}) => {
  const visit = { ...one.visit, ...changes };
  const visits = one.caseFile.visits.map((v) => (v === one.visit ? visit : v));
  return { id: one.id, visitId: one.id, source: { ...demoSource(one, 'metric'), visit, visits } };
};
const head = { firm: 'Firm', stamp: '', title: 'Place', lines: [], foot: '', paper: 'A4' as const };
const letterOf = (work: readonly WorkTree[], trees = work.length): ReadDocument =>
  propertyLetter(head, { trees, visited: trees, large: [] }, work, RATES, 0);
const told = (doc: ReadDocument): string =>
  doc.sections
    .flatMap((s) => s.blocks)
    .flatMap((b) => ('text' in b ? [b.text] : b.as === 'table' ? b.rows.map((r) => r.join(' | ')) : []))
    .join('\n');
const pageOf = (ids: readonly string[]) =>
  ({
    name: 'Place',
    client: '',
    plan: [],
    trees: ids.map((id) => ({ id })),
    cohorts: [],
  }) as unknown as PropertyPage;

test('what waits for a decision at any tree stands in the work on its property, in its letter and in its record', () => {
  let waiting = 0;
  for (const one of visited) {
    const given = sourceOf(one);
    const { operations, situation } = assessedOf(given.source);
    const wanted = toDecide(situation, operations);
    const work = workOfTree(given);
    expect([one.id, work?.toDecide.map((o) => o.operation) ?? []]).toEqual([
      one.id,
      wanted.map((o) => o.operation),
    ]);
    if (wanted.length === 0) continue;
    waiting++;
    const record = overview(
      { page: pageOf([one.id]), firm: 'Firm', made: '2026-11-24', rates: RATES, system: 'metric', large: [] },
      [given],
      [work!],
    );
    for (const doc of [letterOf([work!]), record]) {
      const missed: string[] = [];
      documentInLanguage(doc, 'de', inGerman, new Set(['Place', one.caseFile.tree.label]), (t) =>
        missed.push(t),
      );
      expect([one.id, missed]).toEqual([one.id, []]);
      expect([one.id, told(doc)]).toEqual([
        one.id,
        expect.stringContaining('At one tree work is still to be decided.'),
      ]);
      for (const { title } of wanted) expect(told(doc).toLowerCase()).toContain(title.toLowerCase());
    }
    // Once all of it is declined nothing waits any more.
    const declined = undecidedOf(operations, one.visit).map((o) => ({
      operation: o.key,
      taken: false,
    }));
    const after = workOfTree(sourceOf(one, { decisions: [...one.visit.decisions, ...declined] }));
    expect([one.id, after?.toDecide ?? []]).toEqual([one.id, []]);
  }
  expect(waiting).toBeGreaterThan(2);
});

test('a tree with nothing prescribed and something to decide is no tree without need', () => {
  const cases = visited.flatMap((one) => {
    const { operations } = assessedOf(demoSource(one, 'metric'));
    const refused = plannedOf(operations, one.visit).map((o) => ({
      operation: o.key,
      taken: false,
    }));
    const kept = one.visit.decisions.filter((d) => !refused.some((r) => r.operation === d.operation));
    const work = workOfTree(sourceOf(one, { decisions: [...kept, ...refused] }));
    return work && !isWorked(work) ? [work] : [];
  });
  expect(cases.length).toBeGreaterThan(0);
  for (const work of cases) {
    expect([work.id, work.toDecide.length > 0, isOpen(work), work.needs, work.holds]).toEqual([
      work.id,
      true,
      false,
      [],
      [],
    ]);
    expect(told(letterOf([work]))).toContain('No work is prescribed.');
  }
});

test('of a tree that was taken down, what is left is what goes on after that: in its steps, its sums and its letter', () => {
  let worked = 0;
  for (const one of visited) {
    const before = workOfTree(sourceOf(one));
    if (!before || !isWorked(before)) continue;
    const felled = { step: 'remove', how: 'done', on: '2026-11-20' } as const;
    const given = sourceOf(one, { work: [...(one.visit.work ?? []), felled] });
    // Where nothing goes on, and nothing was done, the tree has no work.
    const work = workOfTree(given);
    const steps = work?.steps ?? [];
    const needs = work?.needs ?? [];
    worked += work ? 1 : 0;
    const open = steps.filter((s) => !isDone(s.done));
    for (const { operation } of open)
      expect([one.id, AFTER_REMOVAL]).toEqual([one.id, expect.arrayContaining([operation])]);
    const kept = new Set(open.map((s) => s.key));
    for (const need of needs)
      if (need.step !== undefined)
        expect([one.id, need.step, kept.has(need.step)]).toEqual([one.id, need.step, true]);
    if (open.length === 0) expect([one.id, needs.filter((n) => n.resource === 'trip')]).toEqual([one.id, []]);
    expect([one.id, work?.ifNothing, work?.toDecide ?? []]).toEqual([one.id, undefined, []]);
    // The order page, its drawing and the season hold the same steps.
    const { source } = given;
    const keys = steps.map((s) => s.key);
    const order = orderOf(source, [], one.id);
    expect([one.id, order.steps.flatMap((s) => ('operation' in s ? [s.key] : []))]).toEqual([one.id, keys]);
    expect([one.id, order.steps.flatMap((s) => ('hold' in s ? [s.key] : []))]).toEqual([
      one.id,
      (work?.holds ?? []).map((h) => h.key),
    ]);
    const { operations } = assessedOf(source);
    const seasons = trenchWork(source)?.bySeason?.length;
    const drawn = orderRows(operations, source.visit, source.tree.species, [], '2026-11-24', seasons);
    expect([one.id, drawn.map((r) => r.key).filter((key) => key !== 'look again')]).toEqual([one.id, keys]);
    const season = prescribedAt({ sources: [given], on: '2026-11-24' }).flatMap((p) => p.works);
    expect([one.id, season.map((w) => w.key)]).toEqual([one.id, open.map((s) => s.key)]);
    // Its report and its section of the record prescribe nothing else, and nobody waters it.
    const goesOn = new Set(keys.map((key) => operationOf(key)!));
    const report = reportContent(source);
    const titles = operations.filter((o) => goesOn.has(o.key)).map((o) => o.title);
    for (const { title } of report.prescribed)
      expect([one.id, titles]).toEqual([one.id, expect.arrayContaining([title])]);
    const after = operations.filter((o) => AFTER_REMOVAL.includes(o.key)).map((o) => o.title);
    for (const title of report.undecided ?? []) expect(after).toContain(title);
    for (const answer of report.answers ?? [])
      expect([one.id, answer.text]).toEqual([
        one.id,
        expect.not.stringMatching(/To consider: (?!post-mortem|replace)/i),
      ]);
    const { blocks } = treeSection({ rates: RATES, source, work });
    const heads = blocks.flatMap((b) => (b.as === 'heading' ? [b.text] : []));
    const others = operations.filter((o) => !goesOn.has(o.key)).map((o) => o.title);
    expect([one.id, heads.filter((h) => others.includes(h))]).toEqual([one.id, []]);
    const water = waterOfTrees({
      sources: [given],
      place: { latitude: 51, elevation: 40 },
      known: [],
      on: '2026-11-24',
    });
    expect([one.id, water.trees, water.others]).toEqual([one.id, [], 1]);
    // What was done before stays done.
    const done = (of: WorkTree['steps']) =>
      of.filter((s) => isDone(s.done) && s.key !== 'remove').map((s) => s.key);
    expect([one.id, done(steps)]).toEqual([one.id, done(before.steps)]);
    expect([one.id, told(letterOf(work ? [work] : []))]).toEqual([
      one.id,
      expect.not.stringContaining('may fall'),
    ]);
  }
  expect(worked).toBeGreaterThan(1);
});
