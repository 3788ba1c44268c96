import type { Block, ReadDocument, Section } from '../protocol/document';
import { headOfPictures } from '../protocol/chosenPictures';
import type { ReportContent, ReportOperation } from '../protocol/report';
import { harm, heading, list, table, text } from './blocks';
import { headOf, type ReportStamp } from './head';
import { unsettled } from './prescriptionSection';
import { asFoundShown, digShown, trenchesShown } from './shown';

/** Pictures and reasons that a report shows; the full record has all of them. */
const PICTURES = 4;
const REASONS = 3;

const found = (c: ReportContent, tight: number): Section => ({
  title: 'What was found',
  blocks: [
    ...harm(c.danger ? [c.danger] : [], 'Before anything else'),
    ...(c.wording.opening ? [text(c.wording.opening)] : []),
    text(c.wording.verdict || c.clientWords || c.verdictSummary, 'lead'),
    ...(c.foundBefore ? list('Found before', c.foundBefore) : []),
    {
      as: 'figure',
      drawing: c.drawing,
      title: asFoundShown(c.measured),
      caption: 'As found, section at true scale.',
    },
    ...(c.measured.length > 0
      ? [
          {
            as: 'pairs',
            rows: c.measured.map((m) => ({ name: m.name, value: m.text, figure: true })),
          } satisfies Block,
        ]
      : []),
    ...(c.since && tight < 2 ? [text(c.since.text)] : []),
  ],
});

/** Roots and ground: what each came to, and the plan of the dig. */
function below(c: ReportContent, tight: number): Section[] {
  const blocks: Block[] = [
    ...(c.dig
      ? [
          text(c.dig.headline, 'lead'),
          ...(tight < 3
            ? [
                {
                  as: 'figure',
                  drawing: c.dig.drawing,
                  title: digShown(c.dig),
                  caption: 'Plan of the roots at the collar, north up; numbers are cuts of this season.',
                } satisfies Block,
              ]
            : []),
          ...(c.dig.never.length > 0 ? [text(`Never cut: ${c.dig.never.join(', ')}.`, 'strong')] : []),
        ]
      : []),
    ...(c.cuts
      ? [
          text(c.cuts.headline),
          ...table(
            'Stages of the cut plan',
            ['stage', 'year', 'roots', 'root cross-section'],
            [12, 13, 45, 30],
            c.cuts.stages,
          ),
          ...harm(c.cuts.broken),
        ]
      : []),
    ...(c.soil ? [text(c.soil.headline)] : []),
    ...(c.trenches
      ? [
          text(c.trenches.headline),
          ...(tight < 1
            ? [
                {
                  as: 'figure',
                  drawing: c.trenches.drawing,
                  title: trenchesShown(c.trenches),
                  caption: 'Trenches on their site, north up. Locate buried lines before any digging.',
                } satisfies Block,
              ]
            : []),
        ]
      : []),
  ];
  return blocks.length > 0 ? [{ key: 'ground', title: 'Roots and ground', blocks }] : [];
}

const verdict = (c: ReportContent, tight: number): Section => ({
  title: 'Verdict',
  blocks: [
    ...c.causes
      .slice(0, tight < 2 ? 6 : 3)
      .flatMap((cause) => [
        heading(`${cause.label}: ${cause.standing}`),
        ...(cause.for.length > 0 ? [text(`For: ${cause.for.slice(0, REASONS).join('; ')}.`)] : []),
        ...(cause.against.length > 0 && tight < 2
          ? [text(`Against: ${cause.against.slice(0, REASONS).join('; ')}.`)]
          : []),
      ]),
    ...(c.opinion ? [text(`The consultant puts first, against this ranking: ${c.opinion}`, 'strong')] : []),
    ...(c.checks?.length ? [text(`Checks that could still change the advice: ${c.checks.join('; ')}.`)] : []),
  ],
});

const costs = (c: ReportContent): Section[] =>
  c.options
    ? [
        {
          key: 'costs',
          title: 'Options and costs',
          blocks: [
            ...(c.worth ? [text(c.worth)] : []),
            ...table(
              'Options over ten years',
              ['option', 'work now', 'over 10 years', 'chance', 'what is lost', 'when to decide'],
              [19, 12, 16, 11, 21, 21],
              c.options,
            ),
          ],
        },
      ]
    : [];

const operation = (o: ReportOperation, tight: number): Block[] => [
  heading(o.title),
  text(o.wording || o.summary),
  ...(o.lookFirst ? [text(o.lookFirst, 'strong')] : []),
  ...(o.quantities.length > 0 && tight < 2
    ? [text(o.quantities.map((q) => `${q.name}: ${q.text}`).join('; '), 'muted')]
    : []),
  text(o.on ? `Planned for ${o.on}.` : `When: ${o.season}`),
  ...(tight < 3 ? harm(o.against ?? [], 'What speaks against it') : []),
];

/** The work, each operation in short; what is dangerous about it once for all. */
function prescription(c: ReportContent, tight: number): Section {
  const cautions = [...new Set(c.prescribed.flatMap((o) => o.cautions))];
  return {
    title: 'Prescription',
    blocks: [
      ...harm(c.clashes ?? []),
      ...(c.prescribed.length === 0 ? [text('No work is prescribed.')] : []),
      ...c.prescribed.flatMap((o) => operation(o, tight)),
      ...unsettled(c),
      ...harm(tight < 1 ? cautions : cautions.slice(0, 8), 'Cautions'),
      ...(c.lookAgain ? [text(`Next visit: ${c.lookAgain}`)] : []),
    ],
  };
}

/**
 * The report in short: what was found, the verdict with its first reasons, costs, and the work.
 *
 * @param tight how much is left out so that it fits its six pages, from 0 on
 */
export function shortReportOf(c: ReportContent, stamp: ReportStamp | undefined, tight: number): ReadDocument {
  const pictures = headOfPictures(c.pictures ?? [], tight < 2 ? PICTURES : 2);
  return {
    ...headOf(c, stamp),
    compact: true,
    sections: [
      found(c, tight),
      ...below(c, tight),
      ...(pictures.length > 0
        ? [{ key: 'pictures', title: 'Pictures', blocks: [{ as: 'pictures', pictures } satisfies Block] }]
        : []),
      verdict(c, tight),
      ...costs(c),
      prescription(c, tight),
      ...(c.schedule?.length && tight < 2
        ? [
            {
              key: 'schedule',
              title: 'Schedule',
              blocks: table('Schedule', ['when', 'what', 'before it, signed'], [22, 38, 40], c.schedule),
            },
          ]
        : []),
      {
        title: 'Limits of this report',
        blocks: [
          ...(c.notExamined.length > 0 ? [text(`Not examined: ${c.notExamined.join('; ')}.`)] : []),
          ...(c.wording.closing ? [text(c.wording.closing)] : []),
          text(
            'This is our opinion from what could be examined on the day of the visit. It is not a tree risk assessment. The full record gives every measurement, reason and method.',
            'muted',
          ),
        ],
      },
    ],
  };
}
