import { headOfPictures, MOST_PICTURES } from '../../protocol/chosenPictures';
import { formatMoney } from '@undrel/core/costing';
import { paperOf } from '../../protocol/document';
import { percents, writeLengths } from '@undrel/core/units';
import type { WorthOption } from '@undrel/core/worth';
import type { OfferContent } from '../../protocol/offer';
import { reportContent } from '../reports/content';
import type { ReportSource } from '../tree/source';
import { leftOut, moneyRange } from '../costs/words';
import type { WorthSheet } from '../costs/worth';

/** What a client is shown: verdict, options, steps and sums in plain words. */
export function offerContent(source: ReportSource, sheet: WorthSheet, made: string): OfferContent {
  const report = reportContent(source);
  const paper = paperOf(source.system);
  const say = (text: string) => writeLengths(text, source.system);
  const currency = sheet.whole?.currency ?? '';
  const option = (o: WorthOption) => ({
    key: o.key,
    title: o.title,
    what: say(o.what),
    now: o.cost ? formatMoney(o.cost.now.total, currency) : 'not priced',
    years: o.cost ? moneyRange(o.cost.years, currency) : 'not priced',
    chance: o.chance ? percents(o.chance) : 'the tree is gone',
    lost: say(o.lost),
    decide: say(o.decide),
  });
  return {
    firm: report.firm,
    property: report.property,
    client: report.client,
    tree: report.tree,
    species: report.species,
    visitDate: report.visitDate,
    made,
    paper,
    verdict: report.wording.verdict || report.clientWords || report.verdictSummary,
    ...(report.danger && { danger: report.danger }),
    options: sheet.options.filter((o) => o.barred.length === 0).map(option),
    steps: sheet.treatment.map((o) => ({
      title: o.title,
      text: say(source.visit.decisions.find((d) => d.operation === o.key)?.wording || o.summary),
      when: say(o.season),
    })),
    stages:
      sheet.stages.length > 1
        ? sheet.stages.map((s) => ({
            title: `Season ${s.stage}, ${s.year}`,
            sum: formatMoney(s.estimate.total, currency),
          }))
        : [],
    notes: leftOut(sheet.whole, sheet.unpriced),
    cautions: [...new Set(sheet.treatment.flatMap((o) => o.cautions.map(say)))],
    ...(report.pictures && { pictures: headOfPictures(report.pictures, MOST_PICTURES.head) }),
    before: report.drawing,
    ...(report.drawingAfter && { after: report.drawingAfter }),
  };
}
