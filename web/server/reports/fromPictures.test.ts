import type { Dig, Visit } from '@undrel/core/records';
import { barkBefore, outlineOf, planPoint, radiiThrough } from '@undrel/core/roots';
import { readCase } from '@undrel/core/format';
import { differencesOf, resultOf, type Result } from '@undrel/core/proof';
import type { CauseKey, OperationKey } from '@undrel/core/vocabulary';
import { estimate } from '@undrel/core/costing';
import { RATES } from '../../../db/demo/rates';
import { signsOf } from '../../../core/tests/signs';
import { visitOn } from '../../../core/tests/visits';
import { documentIn } from '../../documents/documentIn';
import { sectionSeen } from '../../protocol/pictures';
import { assessedOf } from '../../work/tree/assessed';
import { workOfTree } from '../../work/offers/treeWork';
import { trenchWork } from '../../work/costs/worth';
import { reportContent } from '../../work/reports/content';
import { sourceAt } from './demoSources';
import { documentMarkdown } from '../../work/reports/markdown';
import { OTHER } from '../../work/reports/edition';
import { proofOf } from '../../work/reports/proof';
import type { ReportSource } from '../../work/tree/source';
import { trenchesKept } from '../../work/tree/trenches';

const DAY = '2027-03-01';

/** How sure the causes of a visit are, by their keys. */
const chancesOf = (visit: Visit) =>
  new Map(assessedOf(sourceAt(visit)).verdict.causes.map((c) => [c.cause, c.probability]));

/** That a remedy is offered, has an amount and costs something, has its day, is said in the report, is proved, and done is done. */
async function followed(
  visit: Visit,
  cause: CauseKey,
  operation: OperationKey,
  more: Partial<ReportSource> = {},
) {
  const on = { ...visit, decisions: [{ operation, taken: true, on: DAY }] };
  const source = { ...sourceAt(on), ...more };
  const { verdict, operations } = assessedOf(source);
  expect(verdict.causes.filter((c) => c.standing === 'likely').map((c) => c.cause)).toContain(cause);
  const offered = operations.find((o) => o.key === operation)!;
  if (!trenchWork(source)) expect(offered.quantities.length).toBeGreaterThan(0);
  const work = workOfTree({ id: '1', visitId: 'v', source })!;
  const needs = work.needs.filter((n) => n.operation === operation);
  expect(needs.length).toBeGreaterThan(0);
  const content = reportContent(source);
  const said = documentMarkdown(documentIn('record', content, undefined)).replaceAll('\\', '');
  expect(said).toContain(offered.title);
  expect(said).toContain('1 March 2027');
  expect(content.estimate!.length).toBeGreaterThan(0);
  const { files } = await proofOf(source);
  const read = readCase(files['case.json'], '2026-12-01');
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const basis = JSON.parse(files['basis.json']) as Parameters<typeof resultOf>[0]['basis'];
  const was = JSON.parse(files['result.json']) as Result;
  expect(differencesOf(was, resultOf({ caseFile: read.caseFile, basis }))).toEqual([]);
  expect(was.work.map((w) => w.key)).toContain(operation);
  const step = work.steps.find((s) => s.key === operation)!;
  expect(step.done).toBeUndefined();
  const done = { ...on, work: [{ step: operation, how: 'done' as const, on: DAY }] };
  const after = workOfTree({ id: '1', visitId: 'v', source: { ...source, visit: done, visits: [done] } })!;
  expect(after.steps.find((s) => s.key === operation)!.done).toBe('done');
}

/** A picture of a collar laid bare, 1 mm to a pixel, taken level from one side; a rod of half a metre stands beside it. */
function pictureFrom(bearing: number, depth: number) {
  const [width, height] = [1600, 1200];
  const at = (x: number, y: number): [number, number] => [x / width, y / height];
  const [left, right, grade] = [770, 830, 300];
  const deep = grade + depth * 1000;
  return {
    width,
    height,
    bearing,
    bar: { of: 'rod' as const, from: at(1000, 200), to: at(1000, 700), length: 0.5 },
    section: [at(left, grade), at(right, grade), at(left - 100, deep), at(right + 100, deep)],
  };
}

/** What the rod reads by a picture from the south and one from the east. */
const probesAt = (depth: number): Visit['probes'] =>
  [180, 90].flatMap((bearing) => sectionSeen(pictureFrom(bearing, depth))!.map((root) => root.reading));

test('roots on the section of a stem are readings of the rod on the sides where they run', () => {
  expect(probesAt(0.18)).toEqual(
    [270, 90, 180, 0].map((bearing) => ({
      bearing,
      distance: 0.1,
      depth: 0.18,
      found: 'root',
      from: 'grade',
    })),
  );
  const { bearing: _, ...nowhere } = pictureFrom(180, 0.18);
  expect(sectionSeen(nowhere)).toBeUndefined();
});

test('the deeper roots are touched on pictures, the surer the tree was planted too deep; what is done has amount, cost, day and proof', async () => {
  const chances = [0, 0.05, 0.1, 0.18, 0.3].map((depth) =>
    chancesOf(visitOn('2026-06-01', [], { probes: probesAt(depth) })).get('plantedDeep')!,
  );
  expect(chances.toSorted((a, b) => a - b)).toEqual(chances);
  expect(chances[4]! - chances[0]!).toBeGreaterThan(0.5);
  await followed(visitOn('2026-06-01', [], { probes: probesAt(0.18) }), 'plantedDeep', 'excavate');
});

test('bark that was drawn out to a root makes it press: cause, cut, amount, cost, day and proof follow', async () => {
  const head = { measuredFrom: 'centre' as const, north: 'true' as const };
  const root = {
    label: 'B',
    kind: 'girdling' as const,
    start: 'outside' as const,
    points: [60, 90, 120, 150, 180, 210].map((bearing) => ({
      bearing,
      distance: 0.07,
      depth: 0.05,
      diameter: 0.03,
    })),
  };
  const dug = (more: Partial<Dig>): Dig => ({ ...head, roots: [root], ...more });
  const thin = sourceAt(visitOn('2026-06-01')).tree;
  const places = Array.from({ length: 13 }, (_, i) => planPoint(60 + 12.5 * i, 0.055));
  const radii = radiiThrough(places, barkBefore(thin, head));
  expect(outlineOf({ radii }, 0, undefined).radius(135)).toBeCloseTo(0.055, 3);
  const before = visitOn('2026-06-01', [], { dig: dug({}) });
  const after = visitOn('2026-06-01', [], { dig: dug({ radii }) });
  expect(chancesOf(after).get('containerRoots')!).toBeGreaterThan(chancesOf(before).get('containerRoots')!);
  const offered = (visit: Visit) =>
    assessedOf(sourceAt(visit)).operations.find((o) => o.key === 'prune')!.summary;
  expect(offered(before)).toMatch(/^No root presses/);
  expect(offered(after)).toMatch(/^Roots compress \d+% of the bark/);
  await followed({ ...after, cuts: { agreed: [{ label: 'B', stage: 1 }] } }, 'containerRoots', 'prune');
});

test('the drawn wall of an old pot sets where trenches begin: amount, cost, day, what the report says, proof and done follow', async () => {
  const anchor = {
    label: 'A',
    kind: 'structural' as const,
    start: 'stem' as const,
    points: [0, 0.4, 0.9].map((distance) => ({ bearing: 20, distance, depth: 0.1, diameter: 0.05 })),
  };
  for (const wall of [0.4, 0.6]) {
    const pot = [0, 90, 180, 270].map((bearing) => ({ bearing, distance: wall }));
    const dig: Dig = { measuredFrom: 'bark', north: 'true', roots: [anchor], pot };
    const young = sourceAt(visitOn('2026-06-01', signsOf('compaction'), { dig, trenches: {} }));
    const source = {
      ...young,
      tree: { ...young.tree, position: { x: 0, y: 0 }, crownRadius: 1.5 },
      site: { things: [], others: [] },
    };
    const { spokes } = trenchesKept(source)!.plan.layout;
    expect(spokes.length).toBeGreaterThan(2);
    // Beside the anchor root a trench begins farther out.
    expect(Math.min(...spokes.map((spoke) => spoke.from))).toBeCloseTo(1.5 * wall, 6);
    const work = workOfTree({ id: '1', visitId: 'v', source })!;
    const needs = work.needs.filter((n) => n.operation === 'trench');
    expect(Number(estimate(needs, RATES).total)).toBeGreaterThan(0);
    const { tree, site } = source;
    await followed(source.visit, 'compaction', 'trench', { tree, site });
    const content = reportContent(source);
    const said = documentMarkdown(documentIn('record', content, undefined));
    expect(said).toContain('hole taken as 1.5 times the old pot');
    const across = `${200 * wall} cm across`;
    expect(said).toContain(`round, ${across}; every root left it; outgrown by 2022 at the latest`);
    const missed: string[] = [];
    documentIn('record', content, undefined, 0, { ...OTHER.de!, missed: (text) => missed.push(text) });
    expect(missed).toEqual([]);
  }
});
