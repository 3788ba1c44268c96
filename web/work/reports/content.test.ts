import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { agreedCuts, isStressed } from '@undrel/core/pruning';
import { stemRate } from '@undrel/core/growth';
import { anyCase, tries } from '../../../core/tests/anyCase';
import { textOf } from '../../../e2e/pdf';
import { readCase } from '@undrel/core/format';
import { causesAnswered } from '@undrel/core/prescription';
import { inSentence } from '@undrel/core/vocabulary';
import { documentIn, TIGHTEST } from '../../documents/documentIn';
import { LENGTHS } from '../../protocol/lengths';
import { NEW_START } from '../costs/worth';
import { assessedOf } from '../tree/assessed';
import type { Visit } from '@undrel/core/records';
import { documentOf } from '../../documents/reportDocument';
import { reportContent } from './content';
import { demoSource, visitedTrees } from '../../server/reports/demoSources';
import type { ReportSource } from '../tree/source';
import { treeSection } from './treeSection';
import { documentMarkdown } from './markdown';
import { reportPdf } from '../../server/reports/setDocument';

const read = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
if (!read.ok) throw new Error('the example does not read');
const { tree, events, visits } = read.caseFile;
const source = (more: Partial<ReportSource> = {}): ReportSource => ({
  tree,
  events,
  visit: visits[0]!,
  visits,
  property: 'Sable Row',
  client: 'Residents',
  firm: 'Firm',
  schools: {},
  wording: {},
  system: 'metric',
  ...more,
});
const visit = (more: Partial<Visit>): Visit => ({
  date: '2026-05-01',
  findings: [],
  profiles: [],
  probes: [],
  decisions: [],
  ...more,
});

test('every figure is written in the units asked for, none left as a mark', () => {
  for (const system of ['metric', 'us'] as const) {
    const text = JSON.stringify(reportContent(source({ system })));
    expect(text).not.toMatch(/\{[mM]:|NaN|undefined/);
    expect(text.includes(' yd³')).toBe(system === 'us');
    expect(text.includes(' m³')).toBe(system === 'metric');
  }
});

test('whatever a case holds, its report is whole: no hole in a sentence, no cell too many, no line drawn to nowhere', () => {
  fc.assert(
    fc.property(anyCase, fc.constantFrom('metric' as const, 'us' as const), (given, system) => {
      for (const seen of given.visits) {
        const own = {
          ...given.tree,
          label: 'Tree 1',
          species: 'Tilia cordata',
          commonName: 'Lime',
          note: '',
        };
        const doc = documentOf(
          reportContent(
            source({
              tree: own,
              events: given.events.map(({ note: _, ...e }) => e),
              visit: { ...seen, by: 'Ada', findings: seen.findings.map(({ note: _, ...f }) => f) },
              visits: given.visits,
              rates: { currency: 'EUR', prices: { crew: '68.50', trip: '38' } },
              system,
            }),
          ),
          undefined,
        );
        expect(documentMarkdown(doc)).not.toMatch(/\{[mM]:|NaN|undefined|Infinity|\[object|\bnull\b/);
        for (const block of doc.sections.flatMap((section) => section.blocks)) {
          if (block.as === 'table')
            for (const cells of block.rows)
              expect([block.label, cells.length]).toEqual([block.label, block.head.length]);
          // JSON has no number that is none: such a place on a drawing would stand in it as null.
          if (block.as === 'figure') expect(JSON.stringify(block.drawing)).not.toContain('null');
        }
      }
    }),
    tries(15),
  );
});

test('a remedy that is only considered, or was declined, is told in every document, and nothing is called needless beside a cause @whole', () => {
  let [left, declined] = [0, 0];
  for (const tree of visitedTrees()) {
    const asSeen = demoSource(tree, 'metric');
    const { operations } = assessedOf(asSeen);
    const against: Visit = {
      ...asSeen.visit,
      decisions: operations
        .filter((o) => o.advice !== 'not')
        .map((o) => ({ operation: o.key, taken: false })),
    };
    for (const given of [asSeen, { ...asSeen, visit: against }]) {
      const content = reportContent(given);
      const named = [...(content.undecided ?? []), ...(content.declined ?? [])];
      const whole = assessedOf(given);
      const titleOf = (key: string) => whole.operations.find((o) => o.key === key)!.title;
      // What a cause is left to is named among them, but for a new start, which stands among the options.
      for (const answer of causesAnswered(whole.situation, whole.operations))
        if (answer.by === 'open' || answer.by === 'declined')
          for (const key of answer.operations.filter((k) => !NEW_START.includes(k)))
            expect([tree.id, key, named.includes(titleOf(key))]).toEqual([tree.id, key, true]);
      for (const length of LENGTHS)
        for (const tight of [0, TIGHTEST]) {
          const said = documentMarkdown(documentIn(length, content, undefined, tight));
          for (const title of named)
            expect([tree.id, length, said]).toEqual([
              tree.id,
              length,
              expect.stringContaining(inSentence(title)),
            ]);
          expect(said).not.toMatch(/no work is needed|nothing calls for work/i);
        }
      const section = JSON.stringify(treeSection({ source: given, rates: undefined, work: undefined }));
      for (const title of named)
        expect([tree.id, section]).toEqual([tree.id, expect.stringContaining(inSentence(title))]);
      left += content.undecided?.length ?? 0;
      declined += content.declined?.length ?? 0;
    }
  }
  expect(Math.min(left, declined)).toBeGreaterThan(10);
});

test('what the consultant decides is what stands in it', () => {
  const decided = visit({
    ...visits[0]!,
    decisions: [
      { operation: 'mulch', taken: true, wording: 'By hand, please.' },
      { operation: 'excavate', taken: false },
    ],
  });
  const content = reportContent(source({ visit: decided }));
  expect(content.prescribed.map((o) => o.title)).toEqual(['Pull back and widen the mulch']);
  expect(content.prescribed[0]!.wording).toBe('By hand, please.');
  expect(content.considered.map((o) => o.title)).toContain('Root collar excavation');
});

test('a visit with nothing measured says so and lists what was not examined', async () => {
  const content = reportContent(source({ visit: visit({}), events: [] }));
  expect(content.measured).toEqual([]);
  expect(content.notExamined).toEqual(
    expect.arrayContaining(['Collar depth (not probed)', 'Mulch profiles', 'Leaf colour']),
  );
  expect(
    Buffer.from((await reportPdf({ content })).bytes)
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('contradictions are told with the measurements', () => {
  const contradictory = visit({
    findings: [{ key: 'base.entry', part: 0, answer: 'straight' }],
    probes: [{ bearing: 0, distance: 0.1, depth: -0.05, found: 'root', from: 'grade' }],
  });
  expect(reportContent(source({ visit: contradictory })).warnings.join()).toContain('5 cm above grade');
});

test('a dig comes with its plan, roots, cuts, what never to cut and the forecast', async () => {
  const root = (
    label: string,
    kind: 'structural' | 'girdling',
    bearings: number[],
    distances: number[],
    diameter: number,
  ) => ({
    label,
    kind,
    start: kind === 'structural' ? ('stem' as const) : ('outside' as const),
    condition: 'sound' as const,
    points: bearings.map((bearing, i) => ({ bearing, distance: distances[i]!, depth: 0.1, diameter })),
  });
  const dig = {
    measuredFrom: 'bark' as const,
    north: 'true' as const,
    roots: [
      ...[0, 90, 180, 270].map((b, i) => root(`D${i + 1}`, 'structural', [b, b], [0, 0.6], 0.07)),
      root('A', 'girdling', [20, 45, 70], [0.2, 0.014, 0.2], 0.03),
    ],
  };
  const content = reportContent(source({ visit: visit({ dig }) }));
  expect(content.dig).toMatchObject({
    headline: expect.stringMatching(/^\d+( ± \d+)?% of the bark is compressed\.$/),
    never: ['D1', 'D2', 'D3', 'D4'],
    years: ['2026', '2028', '2031', '2036', '2046', '2056'],
  });
  expect(content.dig!.cuts.map((c) => c.label)).toEqual(['A', 'A']);
  expect(content.dig!.forecast.map((f) => f.name)).toEqual(['nothing done', 'A now']);
  expect(content.notExamined).not.toContain('Roots below the surface (no dig)');
  const { bytes: pdf } = await reportPdf({ content });
  expect(pdf.length).toBeGreaterThan(20_000);
  expect(reportContent(source({ visit: visit({}) })).dig).toBeUndefined();
});

test('the agreed cut plan and the ground stand in the PDF with the figures of the core', async () => {
  const dug = visits.find((v) => v.dig)!;
  const agreed = [{ label: 'A', stage: 2 }];
  const decided: Visit = {
    ...dug,
    cuts: { agreed, interval: 3 },
    soilLogs: [
      {
        place: 'ring',
        bearing: 0,
        distance: 0.4,
        layers: [
          { to: 0.1, colour: 'dark' },
          { to: 0.4, colour: 'grey' },
        ],
      },
    ],
  };
  const content = reportContent(source({ visit: decided }));
  const plan = agreedCuts({
    tree,
    date: decided.date,
    dig: decided.dig!,
    stem: stemRate(tree, visits),
    design: decided.cuts!,
    firm: {},
    stressed: isStressed(decided),
  })!;
  expect(content.cuts!.stages[1]!.slice(0, 3)).toEqual([
    '2',
    String(Number(decided.date.slice(0, 4)) + 3),
    'A',
  ]);
  const text = await textOf((await reportPdf({ content })).bytes);
  expect(text).toContain(
    `The agreed cuts free ${Math.round(100 * plan.value.freed)}% of the bark over twenty years`,
  );
  expect(text).toContain(plan.reasons.find((r) => r.label === 'A')!.says);
  expect(text).toContain('The ground as the soil probe showed it');
  expect(text).toContain('long wet');
  expect(reportContent(source({ visit: dug })).cuts).toBeUndefined();
});

test('what is compressed today is one figure in a report, whoever says it @whole', () => {
  let seen = 0;
  for (const tree of visitedTrees()) {
    const { dig, options = [] } = reportContent(demoSource(tree, 'metric'));
    const today = options.flatMap((row) => /^Girdling roots compress (\d+)%/.exec(row[4]!)?.[1] ?? [])[0];
    if (!dig || today === undefined) continue;
    seen++;
    expect([tree.id, today]).toEqual([tree.id, /^\d+/.exec(dig.headline)?.[0]]);
  }
  expect(seen).toBeGreaterThan(1);
});
