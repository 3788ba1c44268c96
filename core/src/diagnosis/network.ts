import {
  CAUSE_KEYS,
  type CauseKey,
  CONDITIONAL_CAUSES,
  INNER_MECHANISMS,
  isMechanism,
  MECHANISM_KEYS,
  type NodeKey,
} from '../vocabulary/causes';
import type { Circumstance, JudgementTable, NetworkFinding, Often } from './judgement';
import { HOW_OFTEN, SHIFTS } from './words';

/** Nothing is held impossible or certain: what the table says is kept between these. */
const LEAST = 0.001;
/** Words of one row that add up beyond this are scaled down to it together. */
const MOST_TOGETHER = 0.93;

export const MECHANISM_COUNT = MECHANISM_KEYS.length;
/** Every state of the mechanisms that lead to others. */
export const INNER_STATES = 1 << INNER_MECHANISMS;

export interface TableProblem {
  row: string;
  message: string;
}

const probability = (often: Often): number =>
  Math.min(1 - LEAST, Math.max(LEAST, typeof often === 'number' ? often : HOW_OFTEN[often]));

/**
 * What is wrong with a table, row by row, so that an edited one is refused with the value and what is allowed.
 *
 * @returns empty for a table that can be used
 */
export function tableProblems(table: JudgementTable): TableProblem[] {
  const problems: TableProblem[] = [];
  const nodes = new Set<string>([...CAUSE_KEYS, ...MECHANISM_KEYS]);
  const check = (row: string, value: Often | undefined) => {
    if (value === undefined) return;
    if (typeof value === 'number' ? !(value >= 0 && value <= 1) : !(value in HOW_OFTEN))
      problems.push({
        row,
        message: `${JSON.stringify(value)} is no frequency; allowed ${Object.keys(HOW_OFTEN).join(', ')}, or a number from 0 to 1`,
      });
  };
  const known = (row: string, node: string) => {
    if (!nodes.has(node)) problems.push({ row, message: `${node} is no cause or mechanism` });
  };
  for (const { cause, base, given } of table.priors) {
    known(`prior of ${cause}`, cause);
    check(`prior of ${cause}`, base);
    for (const { shift } of given)
      if (!(shift in SHIFTS))
        problems.push({
          row: `prior of ${cause}`,
          message: `${String(shift)} is no shift; allowed ${Object.keys(SHIFTS).join(', ')}`,
        });
  }
  for (const [i, cause] of CAUSE_KEYS.entries()) {
    const prior = table.priors.find((p) => p.cause === cause);
    if (!prior) problems.push({ row: `prior of ${cause}`, message: 'is missing' });
    else if (prior.only && i < CAUSE_KEYS.length - CONDITIONAL_CAUSES)
      problems.push({
        row: `prior of ${cause}`,
        message: 'can be at every tree; only the last causes may be bound',
      });
  }
  for (const { mechanism, leak, leakWhen, links } of table.mechanisms) {
    known(mechanism, mechanism);
    check(mechanism, leak);
    check(`${mechanism} where ${leakWhen?.when}`, leakWhen?.leak);
    for (const { of, makes } of links) {
      known(`${mechanism} by ${of}`, of);
      check(`${mechanism} by ${of}`, makes);
      if (!isMechanism(of)) continue;
      const place = MECHANISM_KEYS.indexOf(of);
      if (place >= Math.min(INNER_MECHANISMS, MECHANISM_KEYS.indexOf(mechanism)))
        problems.push({
          row: `${mechanism} by ${of}`,
          message: `a mechanism may only lead to a later one, and ${MECHANISM_KEYS.slice(INNER_MECHANISMS).join(' and ')} to none`,
        });
    }
  }
  for (const mechanism of MECHANISM_KEYS)
    if (!table.mechanisms.some((m) => m.mechanism === mechanism))
      problems.push({ row: mechanism, message: 'is missing' });
  for (const finding of table.findings) {
    const grades = finding.answers.slice(1).map(([answer]) => answer);
    const makes = (row: string, given: Partial<Record<string, Often>>) => {
      for (const [grade, often] of Object.entries(given)) {
        check(`${row}, ${grade}`, often);
        if (!grades.includes(grade))
          problems.push({ row, message: `${grade} is no answer; allowed ${grades.join(', ')}` });
      }
    };
    makes(`${finding.key} without a cause`, finding.leak);
    for (const link of finding.links) {
      known(`${finding.key} by ${link.of}`, link.of);
      makes(`${finding.key} by ${link.of}`, link.makes);
    }
    if (finding.links.filter((l) => isMechanism(l.of)).length > 1)
      problems.push({ row: finding.key, message: 'may speak of one mechanism at most' });
  }
  for (const cause of CAUSE_KEYS)
    if (!table.findings.some((f) => f.links.some((l) => l.of === cause)))
      problems.push({ row: cause, message: 'no finding reaches this cause' });
  return problems;
}

/** A finding made ready: the chance of each answer for every state of what it depends on. */
export interface CompiledFinding {
  finding: NetworkFinding;
  /** Its causes as bits of a world. */
  causes: number;
  /** Which combination of its own causes holds in each world. */
  place: Uint16Array;
  /** Index of its mechanism, or -1. */
  mechanism: number;
  /** Chance of an answer: `chance[answer][with mechanism 0 or 1][place]`. */
  chance: Float64Array[][];
}

/** Findings of one mechanism, or of none, that speak of few causes between them: weighed together, then spread over the worlds once. */
export interface Bloc {
  mechanism: number;
  /** Combinations of the causes that any of them speaks of. */
  states: number;
  /** Which of them holds in each world. */
  place: Uint16Array;
  /** By key: the place of the finding for each combination of the bloc. */
  members: Map<string, Uint16Array>;
}

/** The table made ready for computing, with the causes that can be at a tree. */
export interface Network {
  table: JudgementTable;
  /** How many causes can be: the first of CAUSE_KEYS. Every combination of them is a world. */
  count: number;
  findings: Map<string, CompiledFinding>;
  blocs: Bloc[];
  /** Chance that a mechanism is kept off by the causes of a world: `1 - leak` times `1 - word` of each. */
  keptOffByCauses: Float64Array[];
  /** The same by the inner mechanisms, for each of their states. */
  keptOffByMechanisms: Float64Array[];
  /** Bits of the causes that bring about any mechanism but the last. */
  innerCauses: number;
}

const indexOf = (node: NodeKey): number =>
  isMechanism(node) ? MECHANISM_KEYS.indexOf(node) : CAUSE_KEYS.indexOf(node);

/** Product over the bits that are set, for every combination of `count` bits. */
function products(first: number, factors: ReadonlyMap<number, number>, count: number): Float64Array {
  const all = new Float64Array(1 << count).fill(first);
  for (let world = 1; world < all.length; world++) {
    const low = 31 - Math.clz32(world & -world);
    all[world] = all[world & (world - 1)]! * (factors.get(low) ?? 1);
  }
  return all;
}

/** For a row of words: the chance of at most each answer, from nothing to see upward; `unsaid` for one without a word. */
function atMost(finding: NetworkFinding, makes: Partial<Record<string, Often>>, unsaid = 0): number[] {
  const grades = finding.answers.slice(1).map(([answer]) => {
    const often = makes[answer];
    return often === undefined ? unsaid : probability(often);
  });
  const together = grades.reduce((sum, p) => sum + p, 0);
  const scale = together > MOST_TOGETHER ? MOST_TOGETHER / together : 1;
  let below = 1 - together * scale;
  return [below, ...grades.map((p) => (below += p * scale))];
}

function compileFinding(finding: NetworkFinding, count: number): CompiledFinding {
  const causes = finding.links.filter((l) => !isMechanism(l.of) && indexOf(l.of) < count);
  const byMechanism = finding.links.find((l) => isMechanism(l.of));
  const bits = new Map(causes.map((link, k) => [indexOf(link.of), 1 << k]));
  // No answer is impossible, whatever is at work.
  const leak = atMost(finding, finding.leak, LEAST);
  const rows = causes.map((link) => atMost(finding, link.makes));
  const mechanismRow = byMechanism && atMost(finding, byMechanism.makes);
  // The highest answer that anything at work brings about is seen: chances of at most an answer multiply.
  const upTo = finding.answers.map((_, g) =>
    [1, mechanismRow?.[g] ?? 1].map((factor) =>
      products(leak[g]! * factor, new Map(rows.map((row, k) => [k, row[g]!])), causes.length),
    ),
  );
  const chance = upTo.map((both, g) =>
    both.map((all, m) => (g === 0 ? all : Float64Array.from(all, (p, k) => p - upTo[g - 1]![m]![k]!))),
  );
  const mechanism = byMechanism ? indexOf(byMechanism.of) : -1;
  const ownCauses = [...bits.keys()].reduce((mask, bit) => mask | (1 << bit), 0);
  return {
    finding,
    causes: ownCauses,
    place: places(1 << count, bits),
    mechanism,
    chance,
  };
}

/** For every combination of `count` states: the bits that those of its own bits stand for. */
function places(count: number, bits: ReadonlyMap<number, number>): Uint16Array {
  const place = new Uint16Array(count);
  for (let state = 1; state < count; state++) {
    const low = 31 - Math.clz32(state & -state);
    place[state] = place[state & (state - 1)]! | (bits.get(low) ?? 0);
  }
  return place;
}

/** So many causes a bloc may speak of: its combinations are few beside the worlds. */
const BLOC_CAUSES = 10;

const bitsOf = (mask: number): number[] =>
  Array.from({ length: CAUSE_KEYS.length }, (_, bit) => bit).filter((bit) => (mask >> bit) & 1);

/** Those with most causes first; each goes where it adds the fewest. */
function blocsOf(findings: readonly CompiledFinding[], count: number): Bloc[] {
  const shapes: { mechanism: number; causes: number; members: CompiledFinding[] }[] = [];
  const size = (mask: number) => bitsOf(mask).length;
  for (const one of [...findings].sort((a, b) => size(b.causes) - size(a.causes))) {
    const [home] = shapes
      .filter((s) => s.mechanism === one.mechanism && size(s.causes | one.causes) <= BLOC_CAUSES)
      .sort((a, b) => size(one.causes & ~a.causes) - size(one.causes & ~b.causes));
    if (home) {
      home.causes |= one.causes;
      home.members.push(one);
    } else shapes.push({ mechanism: one.mechanism, causes: one.causes, members: [one] });
  }
  return shapes.map(({ mechanism, causes, members }) => {
    const bits = bitsOf(causes);
    const states = 1 << bits.length;
    return {
      mechanism,
      states,
      place: places(1 << count, new Map(bits.map((bit, k) => [bit, 1 << k]))),
      members: new Map(
        members.map(({ finding, place }) => [
          finding.key,
          places(states, new Map(bits.map((bit, k) => [k, place[1 << bit]!]))),
        ]),
      ),
    };
  });
}

const compiled = new WeakMap<JudgementTable, Map<string, Network>>();

/** Whether a cause can be at a tree of such a history. */
export const canBe = (
  table: JudgementTable,
  cause: CauseKey,
  circumstances: ReadonlySet<Circumstance>,
): boolean => {
  const only = table.priors.find((p) => p.cause === cause)?.only;
  return only === undefined || circumstances.has(only);
};

/** How many of the first causes are summed over: all but the last ones that cannot be. */
function countAt(table: JudgementTable, circumstances: ReadonlySet<Circumstance> | undefined): number {
  let count = CAUSE_KEYS.length;
  if (circumstances)
    while (
      count > CAUSE_KEYS.length - CONDITIONAL_CAUSES &&
      !canBe(table, CAUSE_KEYS[count - 1]!, circumstances)
    )
      count--;
  return count;
}

/**
 * Makes a table ready; done once for each table, number of causes that can be, and circumstance that a leak depends on.
 *
 * @param circumstances of the tree: what cannot be at it is left out; absent, every cause is in
 * @throws RangeError naming the first row that is wrong
 */
export function networkOf(table: JudgementTable, circumstances?: ReadonlySet<Circumstance>): Network {
  const made = compiled.get(table) ?? new Map<string, Network>();
  compiled.set(table, made);
  const count = countAt(table, circumstances);
  const leaks = table.mechanisms.filter((m) => m.leakWhen && circumstances?.has(m.leakWhen.when));
  const key = [count, ...leaks.map((m) => m.mechanism)].join();
  const known = made.get(key);
  if (known) return known;
  const [problem] = tableProblems(table);
  if (problem) throw new RangeError(`Judgement table, ${problem.row}: ${problem.message}.`);
  const rows = MECHANISM_KEYS.map((key) => table.mechanisms.find((m) => m.mechanism === key)!);
  const factors = (row: (typeof rows)[number], of: 'cause' | 'mechanism') =>
    new Map(
      row.links
        .filter(
          (l) => isMechanism(l.of) === (of === 'mechanism') && (of === 'mechanism' || indexOf(l.of) < count),
        )
        .map((l) => [indexOf(l.of), 1 - probability(l.makes)]),
    );
  const findings = table.findings.map((f) => compileFinding(f, count));
  const network: Network = {
    table,
    count,
    findings: new Map(findings.map((f) => [f.finding.key, f])),
    blocs: blocsOf(findings, count),
    keptOffByCauses: rows.map((row) =>
      products(
        1 - probability(leaks.includes(row) ? row.leakWhen!.leak : row.leak),
        factors(row, 'cause'),
        count,
      ),
    ),
    keptOffByMechanisms: rows.map((row) => products(1, factors(row, 'mechanism'), INNER_MECHANISMS)),
    innerCauses: rows
      .slice(0, -1)
      .flatMap((row) => [...factors(row, 'cause').keys()])
      .reduce((mask, bit) => mask | (1 << bit), 0),
  };
  made.set(key, network);
  return network;
}

/** Chance of each cause before anything is looked at, in the order of {@link CAUSE_KEYS}; none of one that cannot be. */
export function priorsOf(table: JudgementTable, circumstances: ReadonlySet<Circumstance>): number[] {
  return CAUSE_KEYS.map((key) => {
    const prior = table.priors.find((p) => p.cause === key)!;
    if (!canBe(table, key, circumstances)) return 0;
    const base = probability(prior.base);
    const odds = prior.given
      .filter((g) => circumstances.has(g.when))
      .reduce((o, g) => o * SHIFTS[g.shift], base / (1 - base));
    return odds / (1 + odds);
  });
}
