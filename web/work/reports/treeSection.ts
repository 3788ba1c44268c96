import { estimate, formatMoney, type Rates } from '@undrel/core/costing';
import { clientWords, type CauseVerdict } from '@undrel/core/diagnosis';
import { plannedOf } from '@undrel/core/prescription';
import { formatQuantity, writeLengths } from '@undrel/core/units';
import { textBlock as text, type Block, type Section } from '../../protocol/document';
import type { WorkTree } from '../../protocol/propertyWork';
import { unsettled } from '../../documents/prescriptionSection';
import { asFoundShown } from '../../documents/shown';
import { assessedOf } from '../tree/assessed';
import { measuredIn, unsettledPart } from './content';
import { stemDrawing } from './stemDrawing';
import type { ReportSource } from '../tree/source';

/** What the section of one tree is made from. */
export interface SectionGiven {
  rates: Rates | undefined;
  source: ReportSource;
  work: WorkTree | undefined;
}

/** What is said of one tree: the verdict, what is done with how much, and its price; with its section on a page of its own where it has work. */
export function treeSection({ rates, source, work }: SectionGiven): Section {
  const { tree, visit, system } = source;
  const { profile, verdict, operations } = assessedOf(source);
  const planned = plannedOf(operations, visit);
  const say = (line: string) => writeLengths(line, system);
  const blocks: Block[] = [
    text(`${tree.species}; visit of ${visit.date}`, 'muted'),
    text(clientWords(tree, visit, verdict), 'lead'),
    ...(work
      ? [
          {
            as: 'figure' as const,
            drawing: stemDrawing(source, profile, planned, 'before'),
            title: asFoundShown(
              measuredIn(profile).map((q) => ({ name: q.name, text: formatQuantity(q, system) })),
            ),
            caption: 'As found, section at true scale.',
          },
        ]
      : []),
    ...planned.flatMap((o): Block[] => [
      { as: 'heading', text: o.title },
      text(visit.decisions.find((d) => d.operation === o.key)?.wording || say(o.summary)),
      ...(o.quantities.length > 0
        ? [text(o.quantities.map((q) => `${q.name}: ${formatQuantity(q, system)}`).join('; '), 'muted')]
        : []),
      text(`When: ${o.season}`, 'muted'),
    ]),
    ...unsettled(unsettledPart(operations, visit)),
    ...(work?.never.length ? [text(`Never cut: ${work.never.join(', ')}.`, 'strong')] : []),
    ...(work && rates
      ? [
          text(
            `Net, with a trip of its own: ${formatMoney(estimate(work.needs, rates).net, rates.currency)}.`,
          ),
        ]
      : []),
    ...(visit.lookAgain ? [text(`Look again on ${visit.lookAgain.on}: ${visit.lookAgain.why}`)] : []),
  ];
  return { title: tree.label, blocks, page: work !== undefined };
}

/** Chance of a cause, for machines. */
export type CauseFigure = Pick<CauseVerdict, 'cause' | 'label' | 'probability' | 'standing'>;

/** The causes of one tree as figures. */
export const causeFigures = (source: ReportSource): CauseFigure[] =>
  assessedOf(source).verdict.causes.map(({ cause, label, probability, standing }) => ({
    cause,
    label,
    probability,
    standing,
  }));
