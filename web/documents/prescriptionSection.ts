import { inSentence } from '@undrel/core/vocabulary';
import type { Block, Section } from '../protocol/document';
import type { ReportContent, ReportOperation } from '../protocol/report';
import { harm, heading, list, table, text } from './blocks';
import { afterShown } from './shown';

const operation = (o: ReportOperation): Block[] => [
  heading(o.title),
  ...(o.wording ? [text(o.wording)] : []),
  text(o.summary),
  ...(o.lookFirst ? [text(o.lookFirst, 'strong')] : []),
  ...(o.why ? [text(`Because: ${o.why}.`, 'muted')] : []),
  ...(o.quantities.length > 0
    ? [
        {
          as: 'pairs',
          rows: o.quantities.map((q) => ({ name: q.name, value: q.text, small: q.working, figure: true })),
        } satisfies Block,
      ]
    : []),
  ...harm(o.cautions, 'Cautions'),
  ...harm(o.against ?? [], 'What speaks against it'),
  ...list('Before it', o.first ?? []),
  ...list('Method', o.method),
  ...list('Done properly when', o.acceptance),
  text(`When: ${o.season}`),
  ...(o.after ? [text(`Afterwards: ${o.after}`)] : []),
  ...(o.schools.length > 0 ? [text(`Schools followed: ${o.schools.join('; ')}.`, 'muted')] : []),
];

/** What of the work is not settled: what is still to be decided, and what was declined. */
export const unsettled = ({ undecided, declined }: Pick<ReportContent, 'undecided' | 'declined'>): Block[] =>
  [
    ['Still to be decided', undecided ?? []] as const,
    ['Considered and declined', declined ?? []] as const,
  ].flatMap(([what, titles]) =>
    titles.length > 0 ? [text(`${what}: ${titles.map((title) => inSentence(title)).join('; ')}.`)] : [],
  );

export const prescription = (c: ReportContent): Section => ({
  title: 'Prescription',
  page: true,
  blocks: [
    ...(c.drawingAfter
      ? [
          {
            as: 'figure',
            drawing: c.drawingAfter,
            title: afterShown(c),
            caption: 'After the work prescribed, section at true scale.',
          } satisfies Block,
        ]
      : []),
    ...(c.answers
      ? table(
          'What is done about each cause',
          ['what is thought to be wrong', 'how sure', 'what is done about it'],
          [32, 18, 50],
          c.answers.map(({ label, certainty, text: done }) => [label, certainty, done]),
        )
      : []),
    ...harm(c.clashes ?? []),
    ...c.prescribed.flatMap(operation),
    ...(c.considered.length > 0
      ? [
          heading('Considered and not prescribed'),
          {
            as: 'pairs',
            rows: c.considered.map((o) => ({ name: o.title, value: o.reason })),
          } satisfies Block,
        ]
      : []),
    ...(c.lookAgain ? [text(`Look again on ${c.lookAgain}`)] : []),
  ],
});
