import { inSentence } from '@undrel/core/vocabulary';
import type { Block, DocumentPicture, ReadDocument, Section } from '../protocol/document';
import type { ReportContent, ReportOperation } from '../protocol/report';
import { harm, table, text } from './blocks';
import { headOf, type ReportStamp } from './head';
import { unsettled } from './prescriptionSection';
import { afterShown, asFoundShown } from './shown';

/** How much of the work a letter explains; what goes beyond it is named. */
const EXPLAINED = 6;

function wrong(c: ReportContent): Section {
  return {
    title: 'What is wrong',
    blocks: [
      ...harm(c.danger ? [c.danger] : [], 'Before anything else'),
      ...(c.wording.opening ? [text(c.wording.opening)] : []),
      text(c.wording.verdict || c.clientWords || c.verdictSummary, 'lead'),
    ],
  };
}

/** The day it is planned for, where there is one; else the season. */
const whenOf = ({ on, season }: ReportOperation): string => (on ? `Planned for ${on}.` : season);

/** Operations in their order, each with what it is and when; where space is short, names and seasons alone. */
function work(operations: readonly ReportOperation[], tight: number): Block[] {
  if (tight >= 2)
    return table(
      'What to do',
      ['work', 'when'],
      [55, 45],
      operations.map((o) => [o.title, whenOf(o)]),
    );
  const explained = operations.slice(0, EXPLAINED);
  const others = operations.slice(EXPLAINED);
  return [
    {
      as: 'pairs',
      rows: explained.map((o) => ({
        name: o.title,
        value: o.wording || o.summary,
        ...(tight === 0 && { small: whenOf(o) }),
      })),
    },
    ...(others.length > 0 ? [text(`Also: ${others.map((o) => inSentence(o.title)).join('; ')}.`)] : []),
  ];
}

const toDo = (c: ReportContent, tight: number): Section => ({
  title: 'What to do',
  blocks: [
    ...(c.prescribed.length > 0 ? work(c.prescribed, tight) : [text('No work is prescribed.')]),
    ...unsettled(c),
    ...(c.lookAgain ? [text(`Next visit: ${c.lookAgain}`)] : []),
  ],
});

const costs = (c: ReportContent, tight: number): Section[] =>
  c.options?.length
    ? [
        {
          key: 'costs',
          title: 'What it costs',
          blocks: [
            ...table(
              'Options over ten years',
              ['option', 'work now', 'over 10 years', 'chance of keeping it'],
              [34, 19, 25, 22],
              c.options.map((row) => row.slice(0, 4)),
            ),
            ...(c.worth && tight < 2 ? [text(c.worth)] : []),
            text(
              `${c.tax ? `Prices include ${c.tax}. ` : ''}Sums over ten years include what a failure would cost.`,
              'muted',
            ),
          ],
        },
      ]
    : [];

const otherwise = (c: ReportContent): Section[] =>
  c.ifNothing ? [{ key: 'otherwise', title: 'If nothing is done', blocks: [text(c.ifNothing)] }] : [];

function sure(c: ReportContent, tight: number): Section {
  const causes = c.causes.slice(0, tight >= 2 ? 2 : 4);
  return {
    title: 'How sure we are',
    blocks: [
      ...(causes.length > 0
        ? [
            {
              as: 'pairs',
              rows: causes.map((cause) => ({ name: cause.label, value: cause.standing })),
            } satisfies Block,
          ]
        : []),
      ...(c.checks?.length
        ? [text(`These checks could still change the advice: ${c.checks.slice(0, 3).join('; ')}.`)]
        : []),
      text(
        'This is our opinion from what could be examined on the day of the visit. It is not a tree risk assessment. The full record gives every measurement, reason and method.',
        'muted',
      ),
    ],
  };
}

/** Two that go first, or where they would part a before from its now, these two. */
function two(pictures: readonly DocumentPicture[]): DocumentPicture[] {
  const head = pictures.slice(0, 2);
  const pair = pictures.filter((p) => p.beside);
  return pair.length === 2 && head.some((p) => p.beside) ? pair : head;
}

/** One picture before and one now, or the two that go first; without any, the drawing. */
function shown(c: ReportContent, tight: number): Section[] {
  if (tight >= 3) return [];
  const pictures = two(c.pictures ?? []);
  if (pictures.length > 0)
    return [{ key: 'pictures', title: 'Pictures', blocks: [{ as: 'pictures', pictures }] }];
  return tight >= 1
    ? []
    : [
        {
          key: 'pictures',
          title: 'Drawing',
          blocks: [
            {
              as: 'figure',
              drawing: c.drawingAfter ?? c.drawing,
              title: c.drawingAfter ? afterShown(c) : asFoundShown(c.measured),
              caption: c.drawingAfter ? 'After the work, to scale.' : 'As found, to scale.',
            },
          ],
        },
      ];
}

/**
 * The letter to a client: what is wrong, what to do, what it costs, what happens otherwise, how sure that is.
 *
 * @param tight how much is left out so that it fits its two pages, from 0 on
 */
export function letterOf(c: ReportContent, stamp: ReportStamp | undefined, tight: number): ReadDocument {
  return {
    ...headOf(c, stamp),
    foot: `${stamp?.number ?? 'Draft'} · ${c.tree}, ${c.property}`,
    compact: true,
    sections: [
      wrong(c),
      toDo(c, tight),
      ...costs(c, tight),
      ...otherwise(c),
      sure(c, tight),
      ...(c.wording.closing ? [{ title: 'Next step', blocks: [text(c.wording.closing)] }] : []),
      ...shown(c, tight),
    ],
  };
}
