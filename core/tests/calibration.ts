import type { Circumstance, JudgementTable, NetworkFinding, Often } from '../src/diagnosis';
import { jointOf, marginalsOf, type Seen } from '../src/diagnosis/posterior';
import { networkOf, priorsOf } from '../src/diagnosis/network';
import { HOW_OFTEN } from '../src/diagnosis/words';
import { CAUSE_KEYS, MECHANISM_KEYS, type NodeKey } from '../src/vocabulary/causes';

/** Seeded: the same draws each run. D. H. Lehmer's generator with the multiplier of Park and Miller (1988), from memory. */
export function random(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

export const answered = (finding: NetworkFinding, grade: number): Seen => ({
  key: finding.key,
  agrees: finding.answers.map((_, g) => (g === grade ? 1 : 0)),
});

/** What a word stands for, kept off certainty as the network does. */
export const clamp = (often: Often): number =>
  Math.min(0.999, Math.max(0.001, typeof often === 'number' ? often : HOW_OFTEN[often]));

/** How a tree is looked at: which share of the findings of each kind is made. */
export const VISITS = {
  hurried: { minutes: 2, share: 0.5, dug: 0 },
  usual: { minutes: 15, share: 0.6, dug: 0.15 },
  thorough: { minutes: Infinity, share: 0.95, dug: 0.8 },
} as const;
export type VisitKind = keyof typeof VISITS;

/** A tree drawn from a table: its causes, its mechanisms, and what a visit sees of it. */
export function drawTree(
  next: () => number,
  table: JudgementTable,
  visit: VisitKind,
  circumstances: ReadonlySet<Circumstance> = new Set(),
) {
  const happens = (p: number) => next() < p;
  const priors = priorsOf(table, circumstances);
  const on = new Set<NodeKey>(CAUSE_KEYS.filter((_, i) => happens(priors[i]!)));
  for (const key of MECHANISM_KEYS) {
    const row = table.mechanisms.find((m) => m.mechanism === key)!;
    const brought = row.links.some((l) => on.has(l.of) && happens(clamp(l.makes)));
    if (happens(clamp(row.leak)) || brought) on.add(row.mechanism);
  }
  const { minutes, share, dug } = VISITS[visit];
  const dig = happens(dug);
  const seen = table.findings.flatMap((f): Seen[] => {
    const grade = (makes: Partial<Record<string, Often>>, unsaid = 0) => {
      const p = f.answers.slice(1).map(([a]) => (makes[a] === undefined ? unsaid : clamp(makes[a])));
      const scale = Math.min(1, 0.93 / p.reduce((a, b) => a + b, 0.0001));
      let left = next();
      return 1 + p.findIndex((v) => (left -= v * scale) < 0);
    };
    const highest = Math.max(
      grade(f.leak, 0.001),
      ...f.links.filter((l) => on.has(l.of)).map((l) => grade(l.makes)),
    );
    const made = f.station === 'dig' ? dig && happens(share) : f.minutes <= minutes && happens(share);
    return made ? [answered(f, highest)] : [];
  });
  return { on, seen };
}

/** A table with every judgement one word off, up or down at random; numbers that a firm set are left. */
export function wrongTable(table: JudgementTable, next: () => number): JudgementTable {
  const words = Object.keys(HOW_OFTEN) as (keyof typeof HOW_OFTEN)[];
  const off = <T extends Often>(word: T): T => {
    const at = words.indexOf(word as keyof typeof HOW_OFTEN);
    if (at < 0) return word;
    const to = Math.min(words.length - 1, Math.max(1, at + (next() < 0.5 ? -1 : 1)));
    return words[to] as T;
  };
  const all = (makes: Partial<Record<string, Often>>) =>
    Object.fromEntries(Object.entries(makes).map(([answer, word]) => [answer, off(word!)]));
  return {
    ...table,
    version: `${table.version}, one word off`,
    priors: table.priors.map((p) => ({ ...p, base: off(p.base) })),
    mechanisms: table.mechanisms.map((m) => ({
      ...m,
      leak: off(m.leak),
      links: m.links.map((l) => ({ ...l, makes: off(l.makes) })),
    })),
    findings: table.findings.map((f) => ({
      ...f,
      leak: all(f.leak),
      links: f.links.map((l) => ({ ...l, makes: all(l.makes) })),
    })),
  };
}

export interface Calibration {
  trees: number;
  /** By tenths of what was said: mean said, share that was so, how many, and the variance of drawing them. */
  bins: { said: number; so: number; count: number; variance: number }[];
  /** Mean over trees and causes; smaller is better. */
  brier: number;
  log: number;
  /** The same for one who says the prior of every tree. */
  brierOfPriors: number;
  logOfPriors: number;
  /** How often the likeliest cause was at work, and how often that was said. */
  first: { right: number; said: number };
}

/** Trees drawn from one table and weighed by another, cause by cause. */
export function calibrate(
  trees: number,
  visit: VisitKind,
  drawn: JudgementTable,
  weighed: JudgementTable,
  seed: number,
  circumstances: ReadonlySet<Circumstance> = new Set(),
): Calibration {
  const next = random(seed);
  const network = networkOf(weighed, circumstances);
  const priors = priorsOf(weighed, circumstances);
  const bins = Array.from({ length: 10 }, () => ({ said: 0, so: 0, count: 0, variance: 0 }));
  const score = { brier: 0, log: 0, brierOfPriors: 0, logOfPriors: 0 };
  const first = { right: 0, said: 0 };
  for (let n = 0; n < trees; n++) {
    const { on, seen } = drawTree(next, drawn, visit, circumstances);
    const { causes } = marginalsOf(jointOf(network, priors, seen));
    causes.slice(0, network.count).forEach((p, i) => {
      const so = on.has(CAUSE_KEYS[i]!) ? 1 : 0;
      const bin = bins[Math.min(9, Math.floor(p * 10))]!;
      bin.said += p;
      bin.so += so;
      bin.count++;
      bin.variance += p * (1 - p);
      const logOf = (q: number) => -Math.log(so ? q : 1 - q);
      score.brier += (p - so) ** 2;
      score.log += logOf(p);
      score.brierOfPriors += (priors[i]! - so) ** 2;
      score.logOfPriors += logOf(priors[i]!);
    });
    const at = causes.indexOf(Math.max(...causes));
    first.said += causes[at]!;
    if (on.has(CAUSE_KEYS[at]!)) first.right++;
  }
  const each = trees * network.count;
  return {
    trees,
    bins: bins.map(({ said, so, count, variance }) => ({
      said: count ? said / count : 0,
      so: count ? so / count : 0,
      count,
      variance,
    })),
    brier: score.brier / each,
    log: score.log / each,
    brierOfPriors: score.brierOfPriors / each,
    logOfPriors: score.logOfPriors / each,
    first: { right: first.right / trees, said: first.said / trees },
  };
}
