import { PDFDocument } from 'pdf-lib';
import { OPERATION_KEYS } from '@undrel/core/vocabulary';
import { signsOf } from '../../../core/tests/signs';
import { collarAt, visitOn } from '../../../core/tests/visits';
import { textOf } from '../../../e2e/pdf';
import { demoSource, visitedTrees } from '../../server/reports/demoSources';
import type { ReportSource } from '../tree/source';
import { orderOf } from './order';
import { orderSheetPdf } from './orderSheet';

const plain = (text: string) => text.replace(/\s+/g, '');
/** Pages, and all that is on each. */
async function pagesOf(source: ReportSource): Promise<string[]> {
  const whole = await PDFDocument.load(orderSheetPdf(source));
  return Promise.all(
    whole.getPages().map(async (_, i) => {
      const one = await PDFDocument.create();
      one.addPage((await one.copyPages(whole, [i]))[0]!);
      return plain(await textOf(await one.save()));
    }),
  );
}

test('the order of every tree of the demo: this year on one page, each later year on its own, every step with its box @whole', async () => {
  const trees = visitedTrees();
  for (const [i, tree] of trees.entries()) {
    const source = demoSource(tree, i % 2 === 0 ? 'metric' : 'us');
    const order = orderOf(source, [], '');
    const years = [...new Set(order.steps.filter((s) => s.season > 1).map((s) => s.year))];
    const pages = await pagesOf(source);
    expect([tree.id, pages.length]).toEqual([tree.id, 1 + years.length]);
    for (const step of order.steps) {
      const page = step.season === 1 ? pages[0]! : pages[1 + years.indexOf(step.year)]!;
      const said = plain('operation' in step ? step.title : step.text);
      expect([tree.id, step.key, page.includes(said)]).toEqual([tree.id, step.key, true]);
    }
    for (const root of order.never) expect(pages[0]).toContain(root);
    // What is dangerous about this year's work is on this year's page.
    const cautions = order.steps.filter((s) => s.season === 1).flatMap((s) => s.cautions);
    for (const caution of cautions)
      expect(pages[0]).toContain(plain(caution.replace(/\{.*?\}.*$/, '')).slice(0, 25));
  }
});

/** What no crew does: it is for consultant and owner. */
const NO_CREW = ['alive', 'fertiliser', 'watch'];

test.each(OPERATION_KEYS)('%s is on the sheet, with the day it is planned for', async (operation) => {
  const visit = visitOn('2026-06-01', signsOf('plantedDeep'), {
    probes: collarAt(0.18),
    decisions: [{ operation, taken: true, on: '2027-03-01' }],
  });
  const source: ReportSource = {
    ...demoSource(visitedTrees()[0]!, 'metric'),
    tree: {
      label: 'Linden 1',
      species: 'Tilia cordata',
      plantedYear: 2022,
      stock: 'container',
      stemDiameter: 0.06,
    },
    events: [],
    visit,
    visits: [visit],
  };
  const step = orderOf(source, [], '').steps.find((s) => 'operation' in s && s.operation === operation);
  expect(step === undefined).toBe(NO_CREW.includes(operation));
  if (!step || !('operation' in step)) return;
  const [first] = await pagesOf(source);
  expect(first).toContain(plain(step.title));
  expect(first).toContain('1March2027');
});

test('names with markup, emoji, letters that no font holds, right to left, or without end: the sheet is made, and says what was replaced', async () => {
  const source = demoSource(visitedTrees()[0]!, 'metric');
  for (const label of ['#strong[x] $a$ @b *c*', 'Oak 🌳 1', 'עץ אלון', 'x'.repeat(300), '漢字 𓀀']) {
    const tree = { ...source.tree, label };
    const whole = await PDFDocument.load(orderSheetPdf({ ...source, tree }));
    expect(whole.getPageCount()).toBeGreaterThan(0);
  }
  const text = await textOf(orderSheetPdf({ ...source, tree: { ...source.tree, label: 'Oak 𓀀' } }));
  expect(text).toContain('Oak □');
  expect(text).toContain('U+13000');
});
