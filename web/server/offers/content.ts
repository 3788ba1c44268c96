import { formatMoney, RESOURCES, unitWord, type Estimate } from '@undrel/core/costing';
import { writeLengths } from '@undrel/core/units';
import type { Range, WorthOption } from '@undrel/core/worth';
import type { OfferContent } from '../../protocol/offer';
import { reportContent, type ReportSource } from '../reports/content';
import type { WorthSheet } from './worth';

const percent = (share: number): string => `${Math.round(100 * share)} %`;
export const percents = ({ from, to }: Range): string => `${percent(from)} to ${percent(to)}`;

/** A range of money in tens, since none is known better. */
export const moneyRange = ({ from, to }: Range, currency: string): string => {
  const tens = (amount: number) => formatMoney(Math.round(amount / 10) * 10, currency, true);
  return `${tens(from)} to ${tens(to)}`;
};

/** What the sums of an estimate leave out, in words. */
export function leftOut(estimate: Estimate | undefined, unpriced: readonly string[]): string[] {
  const names = (keys: Estimate['missing']) => keys.map((k) => RESOURCES[k].label.toLowerCase()).join(', ');
  return [
    ...(unpriced.length > 0
      ? [`Not in the sum, as it has no amounts yet: ${unpriced.join(', ').toLowerCase()}.`]
      : []),
    ...(estimate && estimate.missing.length > 0
      ? [`Not in the sum, as there is no price for it: ${names(estimate.missing)}.`]
      : []),
    ...(estimate && estimate.byClient.length > 0
      ? [
          `Left to the owner: ${estimate.byClient.map((n) => `${Math.round(n.amount)} ${unitWord(RESOURCES[n.resource].unit, n.amount)}`).join(', ')}.`,
        ]
      : []),
    ...(estimate && estimate.free.length > 0 ? [`Free of charge: ${names(estimate.free)}.`] : []),
  ];
}

/** What a client is shown: verdict, options, steps and sums in plain words. */
export function offerContent(source: ReportSource, sheet: WorthSheet, made: string): OfferContent {
  const report = reportContent(source);
  const say = (text: string) => writeLengths(text, source.system);
  const currency = sheet.whole?.currency ?? '';
  const option = (o: WorthOption) => ({
    key: o.key,
    title: o.title,
    what: say(o.what),
    now: o.cost ? formatMoney(o.cost.now.total, currency) : 'not priced',
    years: o.cost ? moneyRange(o.cost.years, currency) : 'not priced',
    chance: o.chance ? percents(o.chance) : 'the tree is gone',
    lost: o.lost,
    decide: o.decide,
  });
  return {
    firm: report.firm,
    property: report.property,
    client: report.client,
    tree: report.tree,
    species: report.species,
    visitDate: report.visitDate,
    made,
    verdict: report.wording.verdict || report.clientWords || report.verdictSummary,
    options: sheet.options.filter((o) => o.barred.length === 0).map(option),
    steps: sheet.treatment.map((o) => ({
      title: o.title,
      text: say(source.visit.decisions.find((d) => d.operation === o.key)?.wording || o.summary),
      when: o.season,
    })),
    stages:
      sheet.stages.length > 1
        ? sheet.stages.map((s) => ({
            title: `Stage ${s.stage}, ${s.year}`,
            sum: formatMoney(s.estimate.total, currency),
          }))
        : [],
    notes: leftOut(sheet.whole, sheet.unpriced),
    cautions: [...new Set(sheet.treatment.flatMap((o) => o.cautions.map(say)))],
    before: report.drawing,
    ...(report.drawingAfter && { after: report.drawingAfter }),
  };
}
