import { formatQuantity, writeLengths } from '@undrel/core/units';
import { INK } from '../../drawings/inks';
import { longDays } from '../../documents/dates';
import { paperOf } from '../../protocol/document';
import type { Order, OrderStep } from '../../protocol/order';
import { materialText } from '../../ui/materialText';
import { setOnPaper, taggedPdf } from '../paper/paper';
import { reportContent } from '../reports/content';
import { inKnownLetters } from '../reports/knownLetters';
import { svgOnPaper } from '../reports/pdf';
import type { ReportSource } from '../tree/source';
import { withoutControl } from '../reports/withoutControl';
import { orderOf } from './order';

/** Sizes of letters that are tried, points, with the height of the drawing: the largest at which this year fits one page is taken. */
const SIZES = [
  { letters: 15, drawing: 330 },
  { letters: 14, drawing: 300 },
  { letters: 13, drawing: 270 },
  { letters: 12, drawing: 240 },
  { letters: 11, drawing: 220 },
  { letters: 10, drawing: 200 },
  { letters: 9, drawing: 180 },
  { letters: 8, drawing: 160 },
] as const;

/** Amounts that a crew measures by; hours and the like are for the office. */
const ON_SITE = 4;

/** The crew order of a tree as a PDF: this year on one page with its drawing, every later year on a page of its own. */
export function orderSheetPdf(source: ReportSource): Uint8Array {
  const { tree, visit, system, firm, property } = source;
  const paper = paperOf(system);
  const order: Order = orderOf(source, source.closed ?? [], '');
  const content = reportContent(source);
  const say = (text: string) => longDays(writeLengths(text, system), paper);
  const stepOf = (s: OrderStep) =>
    'hold' in s
      ? { stop: true, title: say(s.text) }
      : {
          stop: false,
          title: s.title,
          when: s.on ? longDays(s.on, paper) : '',
          text: say(s.text),
          amounts: s.quantities
            .slice(0, ON_SITE)
            .map((q) => `${q.name} ${formatQuantity(q, system)}`)
            .join(' · '),
          done: s.acceptance.map(say).join(' '),
        };
  const years = [...new Set(order.steps.filter((s) => s.season > 1).map((s) => s.year))];
  const now = order.steps.filter((s) => s.season === 1);
  const drawing = content.dig?.drawing ?? content.drawingAfter ?? content.drawing;
  const alt = content.dig
    ? 'Plan of the roots at the collar, north up, with the cuts numbered'
    : 'Section through the stem, to scale';
  const data = withoutControl({
    firm,
    paper,
    tree: tree.label,
    about: `${property}. ${tree.species}. Prescribed on ${longDays(visit.date, paper)}.`,
    never: order.never,
    clashes: order.clashes.map(say),
    truck: order.materials.map((m) => materialText(m, system)).join('; '),
    svg: svgOnPaper(drawing, alt),
    alt,
    now: now.map(stepOf),
    cautions: [...new Set(now.flatMap((s) => s.cautions.map(say)))],
    later: years.map((year) => ({
      year: String(year),
      steps: order.steps.filter((s) => s.season > 1 && s.year === year).map(stepOf),
    })),
    foot: `${firm}. Local codes, permits and licensed practice take precedence. If anything differs, stop and call.`,
  });
  const pages = 1 + years.length;
  return inKnownLetters(data, (known, told) => {
    const order = JSON.stringify(told ? { ...known, foot: `${known.foot} ${told}` } : known);
    const set = (at: (typeof SIZES)[number]) =>
      setOnPaper(['web', 'work', 'offers', 'orderSheet.typ'], {
        order,
        inks: JSON.stringify(INK),
        size: String(at.letters),
        drawing: String(at.drawing),
      });
    for (const size of SIZES) {
      const sheet = set(size);
      if (sheet.numOfPages <= pages) return taggedPdf(sheet);
    }
    return taggedPdf(set(SIZES.at(-1)!));
  });
}
