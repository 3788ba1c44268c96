// How well the verdict says what is so, on trees drawn from its own table and from wrong ones: npm run calibrate
import { writeFileSync } from 'node:fs';
import {
  calibrate,
  random,
  VISITS,
  wrongTable,
  type Calibration,
  type VisitKind,
} from '../core/tests/calibration';
import { PRACTICE_TABLE } from '../core/src/diagnosis';

const TREES = 5000;
const WRONG_TABLES = 10;
const SEED = 20261127;
const KINDS = Object.keys(VISITS) as VisitKind[];

const percent = (share: number, digits = 1) => `${(100 * share).toFixed(digits)}%`;
/** How far what was so lies from what was said, by fifths of the chance: a tenth holds too few to tell 3 points. */
const farthest = ({ bins }: Calibration) =>
  Math.max(
    ...[0, 2, 4, 6, 8].map((b) => {
      const [low, high] = [bins[b]!, bins[b + 1]!];
      const mean = (key: 'said' | 'so') =>
        (low[key] * low.count + high[key] * high.count) / Math.max(1, low.count + high.count);
      return Math.abs(mean('so') - mean('said'));
    }),
  );
/** The same by tenths, in standard errors of drawing so many. */
const strays = ({ bins }: Calibration) =>
  Math.max(...bins.map((b) => (b.count ? (Math.abs(b.so - b.said) * b.count) / Math.sqrt(b.variance) : 0)));

const right = KINDS.map((kind) => ({
  name: `${kind} visit`,
  result: calibrate(TREES, kind, PRACTICE_TABLE, PRACTICE_TABLE, SEED),
}));
const next = random(SEED);
const wrong = Array.from({ length: WRONG_TABLES }, (_, i) =>
  calibrate(TREES / WRONG_TABLES, 'usual', wrongTable(PRACTICE_TABLE, next), PRACTICE_TABLE, SEED + 1 + i),
);
const sum = (of: (c: Calibration) => number) => wrong.reduce((total, c) => total + of(c), 0);
const pooled: Calibration = {
  trees: TREES,
  bins: wrong[0]!.bins.map((_, b) => {
    const count = sum((c) => c.bins[b]!.count);
    const mean = (key: 'said' | 'so') => (count ? sum((c) => c.bins[b]![key] * c.bins[b]!.count) / count : 0);
    return { said: mean('said'), so: mean('so'), count, variance: sum((c) => c.bins[b]!.variance) };
  }),
  brier: sum((c) => c.brier) / WRONG_TABLES,
  log: sum((c) => c.log) / WRONG_TABLES,
  brierOfPriors: sum((c) => c.brierOfPriors) / WRONG_TABLES,
  logOfPriors: sum((c) => c.logOfPriors) / WRONG_TABLES,
  first: { right: sum((c) => c.first.right) / WRONG_TABLES, said: sum((c) => c.first.said) / WRONG_TABLES },
};
const all = [...right, { name: 'usual visit, wrong tables', result: pooled }];

const SIZE = 360;
const LEFT = 48;
const x = (share: number) => LEFT + share * SIZE;
const y = (share: number) => 16 + (1 - share) * SIZE;
const DASHES = ['', '2 3', '8 4', '1 6'];
const WORD = 'font-family="sans-serif" font-size="12" fill="#20241f"';
const line = ({ bins }: Calibration, k: number) => {
  const points = bins.filter((b) => b.count > 0).map((b) => `${x(b.said).toFixed(1)},${y(b.so).toFixed(1)}`);
  return `<polyline points="${points.join(' ')}" fill="none" stroke="#20241f" stroke-width="1.6" stroke-dasharray="${DASHES[k]}"/>`;
};
const chart = [
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${LEFT + SIZE + 220} ${SIZE + 60}" role="img" aria-label="How often a cause was at work, by the chance that was said">`,
  `<rect width="100%" height="100%" fill="#fff"/>`,
  `<path d="M${x(0)},${y(1)}V${y(0)}H${x(1)}" fill="none" stroke="#20241f"/>`,
  `<path d="M${x(0)},${y(0)}L${x(1)},${y(1)}" stroke="#b7b2a4"/>`,
  ...[0, 0.25, 0.5, 0.75, 1].flatMap((t) => [
    `<text x="${x(t)}" y="${y(0) + 18}" text-anchor="middle" ${WORD}>${percent(t, 0)}</text>`,
    `<text x="${x(0) - 6}" y="${y(t) + 4}" text-anchor="end" ${WORD}>${percent(t, 0)}</text>`,
  ]),
  `<text x="${x(0.5)}" y="${y(0) + 38}" text-anchor="middle" ${WORD}>chance that was said</text>`,
  `<text x="${x(0.02)}" y="${y(1) + 4}" ${WORD}>was so</text>`,
  ...all.map(({ result }, k) => line(result, k)),
  ...all.flatMap(({ name }, k) => [
    `<line x1="${x(1) + 20}" x2="${x(1) + 56}" y1="${y(0.9) + 22 * k}" y2="${y(0.9) + 22 * k}" stroke="#20241f" stroke-width="1.6" stroke-dasharray="${DASHES[k]}"/>`,
    `<text x="${x(1) + 64}" y="${y(0.9) + 22 * k + 4}" ${WORD}>${name}</text>`,
  ]),
  '</svg>',
];
writeFileSync('docs/calibration.svg', `${chart.join('\n')}\n`);

const row = (cells: readonly string[]) => `| ${cells.join(' | ')} |`;
const text = [
  '# Calibration of the verdict',
  '',
  `Written by \`npm run calibrate\`. ${TREES} trees are drawn from the table of judgements, each is examined as a hurried, a usual and a`,
  'thorough visit would, and weighed. It shows that the sums are right and what a visit is worth. It cannot show that the judgements are:',
  'for that, the same is done with trees from tables in which every judgement is one word off, up or down at random, that are weighed with',
  'the table as it ships.',
  '',
  '![How often a cause was at work, by the chance that was said](calibration.svg)',
  '',
  row([
    'visit',
    'farthest from the diagonal, by fifths',
    'standard errors, by tenths',
    'Brier score',
    'of the priors',
    'log score',
    'of the priors',
    'likeliest cause right',
    'said',
  ]),
  row(Array<string>(9).fill('---')),
  ...all.map(({ name, result: r }) =>
    row([
      name,
      percent(farthest(r)),
      strays(r).toFixed(1),
      r.brier.toFixed(4),
      r.brierOfPriors.toFixed(4),
      r.log.toFixed(4),
      r.logOfPriors.toFixed(4),
      percent(r.first.right),
      percent(r.first.said),
    ]),
  ),
  '',
  'Scores are means over trees and causes; smaller is better (Brier 1950; log score, Good 1952; both from memory).',
  '',
  row(['said', ...all.map(({ name }) => name)]),
  row(['---', ...all.map(() => '---')]),
  ...pooled.bins.map((_, b) =>
    row([
      `${10 * b} to ${10 * (b + 1)}%`,
      ...all.map(({ result }) => {
        const { said, so, count } = result.bins[b]!;
        return count ? `${percent(said)} said, ${percent(so)} so, of ${count}` : '';
      }),
    ]),
  ),
  '',
];
writeFileSync('docs/calibration.md', text.join('\n'));
console.log(text.slice(10, 18).join('\n'));
