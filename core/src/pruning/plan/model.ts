import type { Mip } from '../../milp';
import { costOf, gapRules, stageAt, type Chosen } from './value';
import type { CutProblem } from './problem';

/** A rule that may be eased where the held roots leave no plan, and the columns that ease it. */
export interface Ease {
  column: number;
  /** What it is, and how much of it one unit is. */
  rule: 'stageLoss' | 'totalLoss' | 'together' | 'gap' | 'anchors' | 'order' | 'hold';
  about: number[];
}

export interface CutModel {
  mip: Mip;
  /** Column of each root and stage: 1 where the root is gone by the end of that stage; undefined where it may not go. */
  gone: (number[] | undefined)[];
  eases: Ease[];
}

/** What easing a rule costs against the others: the least change of the limits is sought first. Judgement. */
const EASE_COST: Record<Ease['rule'], number> = {
  stageLoss: 10,
  totalLoss: 12,
  together: 1,
  order: 2,
  gap: 4,
  anchors: 5,
  hold: 3,
};

const LEAST = -Infinity;
const MOST = Infinity;

type Entries = [number, number][];

/** A model as it is written: its columns and rows so far, and what the rules say of roots and stages. */
class Writing {
  readonly columns: Mip['columns'] = [];
  readonly rows: Mip['rows'] = [];
  readonly eases: Ease[] = [];
  /** Column of each root and stage; undefined where the root may not go. */
  readonly gone: (number[] | undefined)[];
  /** The last stage. */
  readonly last: number;
  /** Roots of which not every one may go in one stage: too thick. */
  readonly thick: number[];

  constructor(
    readonly problem: CutProblem,
    private readonly eased: boolean,
  ) {
    const { candidates, stages, limits } = problem;
    this.last = stages - 1;
    this.gone = candidates.map((c, i) => {
      const held = c.lock?.hold === 'cut';
      if (c.lock?.hold === 'keep' || c.barred?.by === 'nature' || (c.barred && !held)) return undefined;
      // Gone by a stage and not by the one before: cut in it. Costs are told by differences.
      return Array.from({ length: stages }, (_, s) =>
        this.column(
          `${i} by ${s}`,
          eased ? 0 : (s < this.last ? costOf(problem, i, s + 1) : 0) - costOf(problem, i, s),
          s < c.earliest ? 0 : 1,
          true,
        ),
      );
    });
    this.thick = candidates.flatMap((c, i) =>
      c.diameter > limits.together + 1e-9 && this.gone[i] ? [i] : [],
    );
  }

  column(name: string, worth: number, upper = 1, whole = false): number {
    return this.columns.push({ name, worth, lower: 0, upper, whole }) - 1;
  }

  row(name: string, entries: Entries, lower: number, upper: number): void {
    this.rows.push({ name, lower, upper, entries });
  }

  /** A column that eases a rule, where that is asked for. */
  ease(rule: Ease['rule'], about: number[], factor: number, upper = 1): Entries {
    if (!this.eased) return [];
    const whole = rule !== 'stageLoss' && rule !== 'totalLoss';
    const at = this.column(`ease ${this.eases.length}`, -EASE_COST[rule], upper, whole);
    this.eases.push({ column: at, rule, about });
    return [[at, factor]];
  }

  /** Whether a root is gone by the end of a stage, as entries of a row. */
  by(i: number, stage: number, factor = 1): Entries {
    const columns = this.gone[i];
    return columns && stage >= 0 ? [[columns[stage]!, factor]] : [];
  }

  /** Whether a root goes in a stage: gone by then, and not by the one before. */
  goesIn(i: number, stage: number, factor = 1): Entries {
    return [...this.by(i, stage, factor), ...this.by(i, stage - 1, -factor)];
  }
}

/** What is gone stays gone, and what is held goes when it is told to. */
function holds(w: Writing): void {
  const { candidates, stages } = w.problem;
  candidates.forEach((c, i) => {
    for (let s = 1; s < stages; s++) if (w.gone[i]) w.row(`${i} stays gone in ${s}`, w.goesIn(i, s), 0, MOST);
    if (c.lock?.hold !== 'cut') return;
    const { stage = w.last } = c.lock;
    w.row(`hold ${i}`, [...w.by(i, stage), ...w.ease('hold', [i], 1)], 1, MOST);
    if (c.lock.stage !== undefined && stage > 0)
      w.row(`hold ${i} until ${stage}`, [...w.by(i, stage - 1), ...w.ease('hold', [i], -1)], LEAST, 0);
  });
}

/** How much of the roots goes in a stage and in all. */
function losses(w: Writing): void {
  const { candidates, stages, limits } = w.problem;
  for (let s = 0; s < stages; s++)
    w.row(
      `loss of ${s}`,
      [...candidates.flatMap((c, i) => w.goesIn(i, s, c.area)), ...w.ease('stageLoss', [s], -1)],
      LEAST,
      limits.stageLoss,
    );
  w.row(
    'loss of all',
    [...candidates.flatMap((c, i) => w.by(i, w.last, c.area)), ...w.ease('totalLoss', [], -1)],
    LEAST,
    limits.totalLoss,
  );
}

/** One thick root a stage. */
function thickApart(w: Writing): void {
  const { thick } = w;
  for (let s = 0; s < w.problem.stages && thick.length > 1; s++)
    w.row(
      `thick in ${s}`,
      [...thick.flatMap((i) => w.goesIn(i, s)), ...w.ease('together', [s], -1, thick.length - 1)],
      LEAST,
      1,
    );
}

/** Of two roots that cross and both go, the lower one goes no sooner. */
function upperFirst(w: Writing): void {
  for (const { over, under } of w.problem.order) {
    if (!w.gone[over] || !w.gone[under]) continue;
    const slack = w.ease('order', [over, under], 1);
    // By each stage: the lower one is gone only if the upper one is, or the upper one stays for good.
    for (let s = 0; s < w.last; s++)
      w.row(
        `${over} on ${under} by ${s}`,
        [...w.by(over, s), ...w.by(over, w.last, -1), ...w.by(under, s, -1), ...slack],
        -1,
        MOST,
      );
  }
}

/** Anchors stay near enough to each other, and enough of them. */
function anchorsStay(w: Writing): void {
  const { problem, last } = w;
  for (const { from, to, between, until } of gapRules(problem))
    w.row(
      `gap ${from} ${to}`,
      [
        ...between.flatMap((i) => w.by(i, until, -1)),
        ...w.by(from, until),
        ...w.by(to, until),
        ...w.ease('gap', [from, to], 1),
      ],
      // Of those between, one more stays than ends are kept, less one.
      1 - between.length,
      MOST,
    );
  const anchors = problem.candidates.flatMap((c, i) => (c.anchorAt === undefined ? [] : [i]));
  if (anchors.length > 0)
    w.row(
      'anchors',
      [...anchors.flatMap((i) => w.by(i, last)), ...w.ease('anchors', anchors, -1, anchors.length)],
      LEAST,
      anchors.length - problem.fewestAnchors,
    );
}

interface Pressed {
  stage: number;
  /** Roots that together press on it. */
  set: number[];
  /** Share of the circumference over the years. */
  worth: number;
  /** Bark of the same stage under fewer of them. */
  within: string | undefined;
}

/** Bark by the roots that press on it together in the same stage; what stays under one that is never cut is left out. */
function barkBySets({ problem, gone }: Writing): Map<string, Pressed> {
  const { candidates, weights, years } = problem;
  const sets = new Map<string, Pressed>();
  for (let k = 0; k < weights.length; k++) {
    const pressing = candidates
      .map((c, i) => ({ i, from: c.presses[k]! }))
      .filter(({ from }) => from < years.length)
      .sort((a, b) => a.from - b.from);
    let key: string | undefined;
    for (let y = 0; y < years.length; y++) {
      const stage = stageAt(problem, y);
      const set = pressing.filter(({ from }) => from <= y).map(({ i }) => i);
      if (set.length === 0) continue;
      // What stays under one root that is never cut stays pressed.
      if (set.some((i) => !gone[i])) continue;
      const next = `${stage}:${[...set].sort((a, b) => a - b).join(',')}`;
      const known = sets.get(next);
      if (known) known.worth += weights[k]! * years[y]!;
      else {
        const within = key?.startsWith(`${stage}:`) && key !== next ? key : undefined;
        sets.set(next, { stage, set, worth: weights[k]! * years[y]!, within });
      }
      key = next;
    }
  }
  return sets;
}

/** Bark under the same roots in the same stage is one column, worth its share of the circumference in those years. */
function bark(w: Writing): void {
  const sets = barkBySets(w);
  const at = new Map<string, number>();
  const both = pairsOfThick(w);
  for (const [key, { stage, set, worth, within }] of sets) {
    const thickOf = set.filter((i) => w.thick.includes(i));
    // One thick root a stage: more of them than stages are never gone together by then.
    if (thickOf.length > stage + 1) continue;
    const free = w.column(`free ${key}`, worth);
    at.set(key, free);
    // Where fewer of these roots are already known to be gone only the further ones need a row.
    const known = within === undefined ? [] : sets.get(within)!.set;
    const freeOnlyIf = (name: string, entries: Entries) =>
      w.row(`free ${key} ${name}`, [...entries, [free, -1]], 0, MOST);
    if (within !== undefined) freeOnlyIf('within', [[at.get(within)!, 1]]);
    for (const i of set) if (!known.includes(i)) freeOnlyIf(`by ${i}`, w.by(i, stage));
    thickOf.forEach((a, n) => {
      for (const b of thickOf.slice(n + 1))
        if (!known.includes(a) || !known.includes(b))
          freeOnlyIf(`by ${a} and ${b}`, [[both.of(a, b, stage), 1]]);
    });
  }
  both.close();
}

/**
 * Columns that say whether two thick roots are both gone. A thick root that is gone by a stage leaves room for only so
 * many others by then; said of pairs, this keeps the relaxed model from cutting a little of each.
 */
function pairsOfThick(w: Writing) {
  const pairs = new Map<string, { a: number; b: number; stage: number; at: number }>();
  const of = (a: number, b: number, stage: number): number => {
    const key = `${a} ${b} ${stage}`;
    const known = pairs.get(key);
    if (known) return known.at;
    const made = w.column(`both ${key}`, 0);
    pairs.set(key, { a, b, stage, at: made });
    for (const i of [a, b]) w.row(`both ${key} of ${i}`, [...w.by(i, stage), [made, -1]], 0, MOST);
    return made;
  };
  const close = () => {
    for (const i of w.thick)
      for (let stage = 0; stage < w.problem.stages; stage++) {
        const own = [...pairs.values()].filter((p) => p.stage === stage && (p.a === i || p.b === i));
        if (own.length > stage)
          w.row(
            `others beside ${i} by ${stage}`,
            [...w.by(i, stage, stage), ...own.map((p): [number, number] => [p.at, -1])],
            0,
            MOST,
          );
      }
  };
  return { of, close };
}

/** What an anchor is worth for as long as the root that buries itself in it is gone in time. */
function saved(w: Writing): void {
  const { problem, gone, last } = w;
  const { threats, stages, years } = problem;
  threats.forEach(({ root, anchor, from, worth }, n) => {
    for (let s = 0; s < stages; s++) {
      if (!gone[root]) continue;
      let lasting = 0;
      for (let y = Math.ceil(from); y < years.length; y++)
        if (stageAt(problem, y) === s) lasting += years[y]!;
      if (lasting === 0) continue;
      const safe = w.column(`safe ${n} in ${s}`, worth * lasting);
      w.row(`safe ${n} in ${s}`, [...w.by(root, s), [safe, -1]], 0, MOST);
      const lost = w.by(anchor, last);
      if (lost.length > 0) w.row(`anchor ${n} in ${s}`, [...lost, [safe, 1]], LEAST, 1);
    }
  });
}

/**
 * The choice of roots and stages as a mixed-integer model: a column of 0 or 1 for each root and stage that says whether
 * it is gone by then, and one for each set of roots that together press on the same bark in the same stage: it is freed
 * when all of them are gone.
 *
 * @param eased with columns that let rules be broken at a price, to find out which clash
 */
export function cutModel(problem: CutProblem, eased = false): CutModel {
  const w = new Writing(problem, eased);
  for (const rule of [holds, losses, thickApart, upperFirst, anchorsStay]) rule(w);
  if (!eased) {
    bark(w);
    saved(w);
  }
  const { columns, rows, gone, eases } = w;
  return { mip: { columns, rows }, gone, eases };
}

/** The plan that a solution stands for. */
export const chosenFrom = ({ gone }: CutModel, values: ArrayLike<number>): Chosen =>
  gone.map((stages) => {
    const at = stages?.findIndex((c) => values[c]! > 0.5) ?? -1;
    return at < 0 ? undefined : at;
  });
