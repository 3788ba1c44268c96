import { formatMoney, ratesSchema, RESOURCES, unitWord, type Estimate, type Rates } from '../src/costing';
import type { Visit } from '../src/records';
import type { Assessment } from '../src/assessment';
import type { DigAssessment } from '../src/pruning';
import { answerOf, sheetOf, type WorthOption } from '../src/worth';
import type { Ground } from './ground';

/** The options over ten years, and what the treatment costs. */
export interface WorthOfCase {
  answer: string;
  options: WorthOption[];
  estimate: Estimate;
}

/** Rates from a file of JSON; the first field that is wrong is named. */
export function readRates(source: string): Rates {
  const read = ratesSchema.safeParse(JSON.parse(source), { reportInput: true });
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new Error(`$.${issue!.path.join('.')}: ${JSON.stringify(issue!.input)}: ${issue!.message}`);
}

export function worthOfCase(
  visit: Visit,
  { situation, operations }: Assessment,
  dug: DigAssessment | undefined,
  ground: Ground | undefined,
  rates: Rates,
): WorthOfCase {
  const { options, whole } = sheetOf({
    visit,
    situation,
    operations,
    dig: dug,
    laidOut: ground?.trenches,
    rates,
  });
  return { answer: answerOf(options, rates.currency), options, estimate: whole! };
}

export function worthText({ answer, options, estimate: e }: WorthOfCase): string {
  const tens = (amount: number) => formatMoney(Math.round(amount / 10) * 10, e.currency, true);
  const lines = [
    answer,
    ...options.map((o) =>
      o.barred.length > 0
        ? `  ${o.title}: not open`
        : `  ${o.title}: over ten years ${tens(o.cost!.years.from)} to ${tens(o.cost!.years.to)}${
            o.chance ? `, chance ${Math.round(100 * o.chance.from)} to ${Math.round(100 * o.chance.to)}%` : ''
          }`,
    ),
    ...e.lines.map(
      (l) =>
        `  ${l.of}: ${l.charged} ${unitWord(l.unit, Number(l.charged))} × ${formatMoney(l.price, e.currency)} = ${formatMoney(l.sum, e.currency)}`,
    ),
    `  Net ${formatMoney(e.net, e.currency)}`,
    ...(e.tax ? [`  ${e.tax.name}, ${e.tax.percent}%: ${formatMoney(e.tax.sum, e.currency)}`] : []),
    `  Total ${formatMoney(e.total, e.currency)}${e.missing.length > 0 ? `, without ${e.missing.map((k) => RESOURCES[k].label.toLowerCase()).join(', ')}: no price` : ''}`,
  ];
  return `${lines.join('\n')}\n`;
}
