import { PRACTICE_TABLE } from '@undrel/core/diagnosis';
import { HOLD_POINTS } from '@undrel/core/prescription';
import { QUESTIONS, type Question } from '@undrel/core/questions';
import type { Finding } from '@undrel/core/records';
import { REMEDIES } from '@undrel/core/remedies';
import { SPECIES } from '@undrel/core/species';
import { tradeLengths, writeLengths } from '@undrel/core/units';
import { MATTERS } from '@undrel/core/practice';
import { CAUSE_KEYS, EVENT_KINDS, OPERATION_KEYS, QUANTITY_NAMES } from '@undrel/core/vocabulary';
import { signsOf } from '../../core/tests/signs';
import { collarAt, visitOn } from '../../core/tests/visits';
import { documentIn, TIGHTEST } from '../documents/documentIn';
import { eachText } from '../documents/eachText';
import { documentInLanguage } from '../documents/inLanguage';
import { pictureCaption, SHOWN_WORDS } from '../protocol/pictureWords';
import { assessedOf } from '../work/tree/assessed';
import { noticeInLanguage, noticeWords, offerInLanguage, offerWords } from '../work/reports/inLanguage';
import { noticeOf } from '../work/property/notice';
import { offerContent } from '../work/offers/content';
import { worthOf } from '../work/costs/worth';
import { reportContent } from '../work/reports/content';
import { demoSource, sourceAt, visitedTrees } from '../server/reports/demoSources';
import type { ReportSource } from '../work/tree/source';
import { NOTICE_WORDS, OFFER_WORDS } from './clientWords';
import trees from './deTrees.json' with { type: 'json' };
import { GERMAN, inGerman } from './german';

const STAMP = { number: 'Q-2026-0004', issued: '2026-11-28' };

/** The trees of the demo in both unit systems, every operation with and without its day, every cause. */
const sources: ReportSource[] = [
  ...visitedTrees().flatMap((tree) => [demoSource(tree, 'metric'), demoSource(tree, 'us')]),
  ...OPERATION_KEYS.flatMap((operation) =>
    [{ on: '2027-03-01' }, { on: '2027-07-15' }, {}].map((day) =>
      sourceAt(
        visitOn('2026-06-01', signsOf('plantedDeep'), {
          probes: collarAt(0.18),
          decisions: [{ operation, taken: true, ...day }],
        }),
      ),
    ),
  ),
  ...CAUSE_KEYS.map((cause) => sourceAt(visitOn('2026-06-01', signsOf(cause), { probes: collarAt(0.05) }))),
];

/** Low, middling and high answers to a question that is answered by a figure; answers in words are walked by themselves. */
function figuresFor({ key, ...question }: Question): Finding[] {
  switch (question.kind) {
    case 'percent':
      return [0.1, 0.5, 0.9].map((number) => ({ key, number }));
    case 'number':
      return [question.min, question.max].map((number) => ({ key, number: Math.max(1, Math.round(number)) }));
    case 'length':
      return [0.03, 0.3].map((number) => ({ key, number }));
    default:
      return [];
  }
}

/** What was measured or happened, each by itself, so that it is among the reasons. */
const measured: ReportSource[] = [
  ...QUESTIONS.flatMap(figuresFor).map((finding) => sourceAt(visitOn('2026-06-01', [finding]))),
  ...EVENT_KINDS.map((kind) => ({ ...sourceAt(visitOn('2026-06-01')), events: [{ kind, when: '2025' }] })),
];

/** Trees of the demo with trenches, a main beside them and another tree within reach, placed by tape and by a position. */
const trenched: ReportSource[] = visitedTrees()
  .filter(({ visit }) => visit.trenches)
  .flatMap((tree) =>
    (['metric', 'us'] as const).flatMap((system) =>
      [undefined, 1.5].map((error): ReportSource => {
        const source = demoSource(tree, system);
        const position = { x: 10, y: 10, ...(error && { error }) };
        const main = { name: 'Main 1', kind: 'water', shape: 'line' as const };
        return {
          ...source,
          tree: { ...source.tree, position },
          site: {
            things: [
              {
                ...main,
                points: [
                  [4, 13],
                  [18, 13.4],
                ],
              },
            ],
            others: [{ label: 'Neighbour 2', x: 14, y: 6, stemDiameter: 0.3 }],
          },
        };
      }),
    ),
  );

const contents = [...sources, ...trenched].map(reportContent);

const unknownOf = (texts: Iterable<string>): string[] =>
  [...new Set(texts)].filter((text) => /\p{L}{2}/u.test(text) && inGerman(text) === undefined).sort();

test.each([
  ['letter', ''],
  ['report', ' @whole'],
  ['record', ' @whole'],
] as const)(
  'every text of the %ss of all trees, operations and causes is known in German%s',
  (length, _whole) => {
    const missed = new Set<string>();
    const cells = new Set<string>();
    for (const content of length === 'letter' ? contents : [...contents, ...measured.map(reportContent)]) {
      for (const tight of length === 'record' ? [0] : [0, TIGHTEST])
        documentIn(length, content, STAMP, tight, {
          language: 'de',
          ...GERMAN,
          missed: (text) => missed.add(text),
        });
      for (const { blocks } of documentIn(length, content, undefined).sections)
        for (const block of blocks) {
          // Cells may be names: those of roots, and of what ends a trench.
          if (block.as === 'table')
            for (const cell of block.rows.flatMap((row) =>
              row.filter((_, i) => !/^(roots?|ended by)$/.test(block.head[i]!)),
            ))
              if (!/^(\d+ \p{L}+|\p{L}+ \d+,) \d{4}$/u.test(cell)) cells.add(cell);
        }
    }
    expect([...missed].sort()).toEqual([]);
    expect(unknownOf(cells)).toEqual([]);
  },
);

test('where nobody wrote anything, no English is left in a German record', () => {
  const left = new Set<string>();
  for (const content of sources.slice(2 * visitedTrees().length).map(reportContent))
    eachText(documentIn('record', content, STAMP, 0, { language: 'de', ...GERMAN }), (text) => {
      // Trees for the place are named as the table names them.
      if (/\b(the|of|and|with|from|its|is|not|by)\b/.test(text.replace(/zum Beispiel .*;/, '')))
        left.add(text);
      return text;
    });
  expect([...left]).toEqual([]);
});

test('a record of trenches names what is in their way as it is called, and says the rest in German', () => {
  expect(trenched.length).toBeGreaterThan(3);
  for (const source of trenched) {
    const doc = documentIn('record', reportContent(source), STAMP, 0, { language: 'de', ...GERMAN });
    const section = doc.sections.find((s) => /^Anlage \d+: Gräben$/.test(s.title));
    const figure = section!.blocks.find((b) => b.as === 'figure')!;
    expect(figure.drawing.shapes.flatMap((s) => (s.as === 'text' ? [s.text] : []))).toContain('Main 1');
    expect(section!.blocks[0]).toMatchObject({
      text: expect.stringMatching(/Radialgräben öffnen \d+\s% des verdichteten Bodens/) as string,
    });
  }
});

test('what findings say, what is asked and answered, measured and signed, schools, and what stands for or against work is known in German', () => {
  expect(
    unknownOf([
      ...PRACTICE_TABLE.findings.flatMap((f) => f.answers.map(([, says]) => says)),
      ...QUESTIONS.flatMap((q) => [q.ask, ...('answers' in q ? q.answers.map((a) => a.label) : [])]),
      ...Object.values(QUANTITY_NAMES),
      ...Object.values(HOLD_POINTS),
      ...Object.values(REMEDIES).flatMap((r) =>
        [...r.do, ...r.option, ...(r.bars ?? []), ...r.against].map((rule) => rule.why),
      ),
      ...MATTERS.flatMap((m) => [m.label, ...m.schools.flatMap((s) => [s.label, s.warning ?? ''])]).flatMap(
        (text) => [tradeLengths(text, 'metric'), tradeLengths(text, 'us')],
      ),
      ...sources.flatMap((source) =>
        assessedOf(source).operations.flatMap((o) =>
          o.lookAgain ? [writeLengths(o.lookAgain.why, source.system)] : [],
        ),
      ),
    ]),
  ).toEqual([]);
});

test('what a consultant or a client wrote stays as it is, though a message were of the same words', () => {
  const [tree] = visitedTrees();
  const source = demoSource(tree!, 'metric');
  const own = { opening: 'Verdict', verdict: 'The soil stays wet.', closing: 'Recovery is awaited: 1.' };
  const doc = documentIn('report', reportContent({ ...source, wording: own }), STAMP, 0, {
    language: 'de',
    ...GERMAN,
  });
  const texts = doc.sections.flatMap((s) => s.blocks.flatMap((b) => (b.as === 'text' ? [b.text] : [])));
  for (const text of Object.values(own)) expect(texts).toContain(text);
});

test('captions of pictures are said in German, but for what somebody wrote', () => {
  const shown = Object.keys(SHOWN_WORDS) as (keyof typeof SHOWN_WORDS)[];
  const leaves = (whose: 'tree' | 'reference', veins: number) => ({
    of: whose,
    index: 0.5,
    error: 0.01,
    spread: 0.03,
    count: 7,
    veins: { index: veins, error: 0.01 },
  });
  for (const shows of [...shown, undefined])
    for (const bearing of [0, 45, 90, undefined]) {
      const said = inGerman(pictureCaption({ shows, bearing, on: '2026-05-06' }));
      expect(said).toMatch(/2026-05-06\.$/);
      expect(said).not.toContain(shows ? SHOWN_WORDS[shows] : 'picture');
      expect(said).not.toMatch(/from|at |NE|\bE\b/);
    }
  expect(inGerman(pictureCaption({ caption: 'Verdict of the owner', bearing: 90, on: '2026-05-06' }))).toBe(
    'Verdict of the owner, von O, 2026-05-06.',
  );
  expect(inGerman('Before: open root collar, from E, 2025-05-13.')).toBe(
    'Vorher: freigelegter Wurzelhals, von O, 2025-05-13.',
  );
  expect(inGerman('Now: Verdict of the owner, 2025-05-13.')).toBe('Jetzt: Verdict of the owner, 2025-05-13.');
  for (const whose of ['tree', 'reference'] as const)
    for (const veins of [0, 0.1])
      expect(
        unknownOf([pictureCaption({ shows: 'leaf', on: '2026-05-06', leaves: leaves(whose, veins) })]),
      ).toEqual([]);
  const doc = documentIn('letter', contents[0]!, STAMP, 0, { language: 'de', ...GERMAN });
  const captioned = documentInLanguage(
    {
      ...doc,
      sections: [
        {
          title: 'Pictures',
          blocks: [
            { as: 'pictures', pictures: [{ hash: '', width: 1, height: 1, caption: 'Crown, 2026-05-06.' }] },
          ],
        },
      ],
    },
    'de',
    inGerman,
  );
  expect(captioned.sections[0]!.blocks[0]).toMatchObject({ pictures: [{ caption: 'Krone, 6. Mai 2026.' }] });
});

test('trees have German names; one that is in no table stands by its botanical name', () => {
  expect(Object.keys(trees).sort()).toEqual(SPECIES.map((s) => s.name).sort());
  expect(GERMAN.species('Cercidiphyllum japonicum, katsura')).toBe('Cercidiphyllum japonicum, Kuchenbaum');
  expect(GERMAN.species("Tilia cordata 'Greenspire', little-leaf linden")).toBe(
    "Tilia cordata 'Greenspire', Winterlinde",
  );
  expect(GERMAN.species('Nomen nescio, no-name tree')).toBe('Nomen nescio');
});

test('every text of the page of an offer is known in German, and so is that of a notice', () => {
  const missed = new Set<string>();
  for (const source of sources) {
    const sheet = worthOf(source, source.rates);
    if (sheet.whole) offerInLanguage(offerContent(source, sheet, '2026-11-28'), 'de', (t) => missed.add(t));
  }
  const { content } = noticeOf({ sources: [], firm: 'F', property: 'P', client: '', on: '2026-11-28' });
  noticeInLanguage(content, 'de', (t) => missed.add(t));
  expect([...missed].sort()).toEqual([]);
  expect(Object.keys(offerWords('de')!)).toEqual([...OFFER_WORDS]);
  expect(Object.keys(noticeWords('de')!)).toEqual([...NOTICE_WORDS]);
  expect(offerWords('en')).toBeUndefined();
});
