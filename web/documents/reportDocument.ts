import type { Block, ReadDocument, Section } from '../protocol/document';
import type { ReportContent, ReportCuts, ReportDig, ReportSoil, ReportTrenches } from '../protocol/report';
import { glossaryFor, inSentence } from '@undrel/core/vocabulary';
import { harm, heading, list, table, text } from './blocks';
import { annexes, headOf, type ReportStamp } from './head';
import { asFoundShown, digShown, SOIL_CAPTION, soilShown, trenchesShown } from './shown';
import { prescription, unsettled } from './prescriptionSection';

const TRENCH_CAPTION =
  'Trenches on their site, true scale, north up; filled ones are dug first. Buried lines are located before any digging.';

/** What a client needs on one page, in plain words. */
function summary(c: ReportContent): Section {
  return {
    title: 'Summary',
    blocks: [
      ...harm(c.danger ? [c.danger] : [], 'First of all'),
      ...(c.wording.opening ? [text(c.wording.opening)] : []),
      text(c.wording.verdict || c.clientWords || c.verdictSummary, 'lead'),
      text(
        c.prescribed.length > 0
          ? `To do: ${c.prescribed.map((o) => inSentence(o.title)).join('; ')}.`
          : 'Nothing is prescribed.',
        'strong',
      ),
      ...unsettled(c),
      ...(c.worth ? [text(c.worth)] : []),
      ...(c.lookAgain ? [text(`Look again on ${c.lookAgain}`)] : []),
      {
        as: 'figure',
        drawing: c.drawing,
        title: asFoundShown(c.measured),
        caption: 'As found, section at true scale.',
      },
    ],
  };
}

const measured = (c: ReportContent): Section => ({
  title: 'Measured',
  page: true,
  blocks: [
    ...(c.measured.length === 0
      ? [text('Nothing was measured.')]
      : ([
          {
            as: 'pairs',
            rows: c.measured.map((m) => ({ name: m.name, value: m.text, small: m.method, figure: true })),
          },
          text('± is half a 90% interval from the spread of the readings.', 'muted'),
        ] satisfies Block[])),
    ...harm(c.warnings),
  ],
});

const dig = (d: ReportDig): Section => ({
  title: 'Dig',
  page: true,
  blocks: [
    text(d.headline, 'lead'),
    {
      as: 'figure',
      drawing: d.drawing,
      title: digShown(d),
      caption: 'Plan of the roots at the collar, true scale, north up; numbers are cuts of this season.',
    },
    { as: 'pairs', rows: d.facts.map((f) => ({ name: f.name, value: f.text })) },
    ...table(
      'Roots',
      ['root', 'kind', 'across', 'of bark', 'advice', 'because'],
      [7, 18, 11, 9, 13, 42],
      d.roots.map((r) => [r.label, r.kind, r.across, r.ofBark, r.advice, r.reasons]),
    ),
    ...table(
      'Cuts',
      ['cut', 'root', 'where', 'across', 'from the stem'],
      [7, 9, 46, 14, 24],
      d.cuts.map((k) => [k.number, k.label, k.where, k.diameter, k.fromStem]),
    ),
    ...(d.never.length > 0 ? [text(`Never cut: ${d.never.join(', ')}.`, 'strong')] : []),
    ...table(
      'Forecast',
      ['bark compressed', ...d.years],
      [28, ...d.years.map(() => 72 / d.years.length)],
      d.forecast.map((f) => [f.name, ...f.shares]),
    ),
    text(d.forecastFrom, 'muted'),
    ...harm(d.cautions),
  ],
});

const cuts = (k: ReportCuts): Section => ({
  title: 'Cut plan',
  blocks: [
    text(k.headline, 'lead'),
    ...table(
      'Stages of the cut plan',
      ['stage', 'year', 'roots', 'root cross-section'],
      [12, 13, 45, 30],
      k.stages,
    ),
    ...table('Root by root', ['root', 'what becomes of it', 'because'], [12, 18, 70], k.reasons),
    ...harm(k.broken),
    text(k.notes, 'muted'),
  ],
});

const soil = (g: ReportSoil): Section => ({
  title: 'Ground',
  blocks: [
    text(g.headline, 'lead'),
    ...g.lines.map((line) => text(line)),
    ...(g.drawing
      ? [{ as: 'figure', drawing: g.drawing, title: soilShown(g), caption: SOIL_CAPTION } satisfies Block]
      : []),
  ],
});

const trenches = (t: ReportTrenches): Section => ({
  title: 'Trenches',
  page: true,
  blocks: [
    text(t.headline, 'lead'),
    {
      as: 'figure',
      drawing: t.drawing,
      title: trenchesShown(t),
      caption: TRENCH_CAPTION,
    },
    ...table(
      'Trenches',
      ['trench', 'bearing', 'bark to start', 'to end', 'season', 'ended by'],
      [12, 13, 18, 15, 12, 30],
      t.spokes,
    ),
    text(t.notes, 'muted'),
    { as: 'pairs', rows: t.quantities.map((q) => ({ name: q.name, value: q.text })) },
    ...table('Ways of opening the soil', ['way', 'opens', 'disturbs', 'because'], [30, 10, 12, 48], t.ways),
    { as: 'list', lines: t.order, ordered: true },
  ],
});

const seen = (c: ReportContent): Section => ({
  title: 'Seen',
  blocks: [
    {
      as: 'pairs',
      rows: [
        ...(c.clientSees ? [{ name: 'Said on site', value: c.clientSees }] : []),
        ...(c.history.length > 0 ? [{ name: 'History', value: c.history.join('\n') }] : []),
        ...c.seen.map((f) => ({ name: f.ask, value: f.answer })),
      ],
    },
  ],
});

const verdict = (c: ReportContent): Section => ({
  title: 'Verdict, with reasons',
  page: true,
  blocks: [
    text(c.verdictSummary),
    ...c.causes.flatMap((cause) => [
      heading(`${cause.label}: ${cause.standing}`),
      text(cause.mechanism, 'muted'),
      ...(cause.for.length > 0 ? [text(`For: ${cause.for.join('; ')}.`)] : []),
      ...(cause.against.length > 0 ? [text(`Against: ${cause.against.join('; ')}.`)] : []),
    ]),
    ...(c.chain?.length ? [heading('What led to what'), ...c.chain.map((step) => text(step))] : []),
    ...(c.foundBefore ? list('Found before', c.foundBefore) : []),
    ...(c.since ? [heading('Since when'), text(c.since.text)] : []),
    ...(c.since?.drawing
      ? [
          {
            as: 'figure',
            drawing: c.since.drawing,
            title: c.since.text,
            caption: 'Growth by year.',
          } satisfies Block,
        ]
      : []),
    ...(c.opinion ? [text(`The consultant puts first, against this ranking: ${c.opinion}`, 'strong')] : []),
    ...(c.doubts ?? []).map((doubt) => text(doubt)),
    ...(c.checks?.length
      ? [text(`Worth looking at next, as it may change what is done: ${c.checks.join('; ')}.`)]
      : []),
    text(
      'The chances rest on practice judgements, not measured frequencies. This is an opinion from what could be examined, not a risk assessment.',
      'muted',
    ),
  ],
});

/** The ways to go on side by side, and what the recommended one costs. */
const options = (c: ReportContent): Section[] =>
  c.options
    ? [
        {
          title: 'Options and costs',
          page: true,
          blocks: [
            ...(c.worth ? [text(c.worth, 'lead')] : []),
            ...table(
              'Options over ten years',
              ['option', 'work now', 'over 10 years', 'chance', 'what is lost', 'when to decide'],
              [19, 12, 16, 11, 21, 21],
              c.options,
            ),
            ...(c.estimate ?? []).flatMap((e) => [
              heading(e.title),
              ...table(`Estimate, ${e.title}`, ['what', 'amount', 'price', 'sum'], [49, 19, 16, 16], e.rows),
            ]),
            ...harm(c.estimateNotes ?? []),
            text(
              'Chances are judgements, each given as a range. Sums over ten years are rounded to tens and include what a failure would cost.',
              'muted',
            ),
          ],
        },
      ]
    : [];

const schedule = (c: ReportContent): Section[] =>
  c.schedule && c.schedule.length > 0
    ? [
        {
          title: 'Schedule',
          blocks: table('Schedule', ['when', 'what', 'before it, signed'], [22, 38, 40], c.schedule),
        },
      ]
    : [];

const changed = (c: ReportContent): Section[] => [
  ...(c.revision
    ? [
        {
          title: `Since the visit of ${c.revision.since}`,
          blocks: [
            ...list('Prescribed otherwise', c.revision.changes),
            ...list('Found otherwise', c.revision.why),
          ],
        },
      ]
    : []),
  ...(c.work?.length ? [{ title: 'Work done', blocks: list('', c.work) }] : []),
];

/** The full record of a tree as a document: a summary, then all there is in numbered annexes. @param stamp absent for a draft */
export function documentOf(c: ReportContent, stamp: ReportStamp | undefined): ReadDocument {
  const first = summary(c);
  const body: Section[] = [
    measured(c),
    ...(c.dig ? [dig(c.dig)] : []),
    ...(c.cuts ? [cuts(c.cuts)] : []),
    ...(c.soil ? [soil(c.soil)] : []),
    ...(c.trenches ? [trenches(c.trenches)] : []),
    ...(c.pictures?.length
      ? [
          {
            title: 'Pictures',
            page: true,
            blocks: [{ as: 'pictures', pictures: c.pictures } satisfies Block],
          },
        ]
      : []),
    seen(c),
    verdict(c),
    ...options(c),
    prescription(c),
    ...schedule(c),
    ...changed(c),
  ];
  const words = glossaryFor(
    JSON.stringify([first, ...body].map(({ blocks }) => blocks.filter((b) => b.as !== 'figure'))),
  );
  return {
    ...headOf(c, stamp),
    sections: [
      first,
      ...annexes([
        ...body,
        {
          title: 'Not examined',
          blocks: [
            text(`${c.notExamined.join('; ')}.`),
            ...(c.wording.closing ? [text(c.wording.closing)] : []),
          ],
        },
        ...(words.length > 0
          ? [{ title: 'Words used', blocks: [{ as: 'pairs', rows: words } satisfies Block] }]
          : []),
      ]),
    ],
  };
}
