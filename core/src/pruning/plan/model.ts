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

/**
 * The choice of roots and stages as a mixed-integer model: a column of 0 or 1 for each root and stage that says whether
 * it is gone by then, and one for each set of roots that together press on the same bark in the same stage: it is freed
 * when all of them are gone.
 *
 * @param eased with columns that let rules be broken at a price, to find out which clash
 */
export function cutModel(problem: CutProblem, eased = false): CutModel {
  const { candidates, stages, weights, years, threats, limits } = problem;
  const columns: Mip['columns'] = [];
  const rows: Mip['rows'] = [];
  const eases: Ease[] = [];
  const column = (name: string, worth: number, upper = 1, whole = false): number =>
    columns.push({ name, worth, lower: 0, upper, whole }) - 1;
  const row = (name: string, entries: [number, number][], lower: number, upper: number) =>
    rows.push({ name, lower, upper, entries });
  /** A column that eases a rule, where that is asked for. */
  const ease = (rule: Ease['rule'], about: number[], factor: number, upper = 1): [number, number][] => {
    if (!eased) return [];
    const whole = rule !== 'stageLoss' && rule !== 'totalLoss';
    const at = column(`ease ${eases.length}`, -EASE_COST[rule], upper, whole);
    eases.push({ column: at, rule, about });
    return [[at, factor]];
  };

  const all = stages - 1;
  const gone = candidates.map((c, i) => {
    const held = c.lock?.hold === 'cut';
    if (c.lock?.hold === 'keep' || c.barred?.by === 'nature' || (c.barred && !held)) return undefined;
    // Gone by a stage and not by the one before: cut in it. Costs are told by differences.
    return Array.from({ length: stages }, (_, s) =>
      column(
        `${i} by ${s}`,
        eased ? 0 : (s < all ? costOf(problem, i, s + 1) : 0) - costOf(problem, i, s),
        s < c.earliest ? 0 : 1,
        true,
      ),
    );
  });
  /** Whether a root is gone by the end of a stage, as entries of a row. */
  const by = (i: number, stage: number, factor = 1): [number, number][] =>
    gone[i] && stage >= 0 ? [[gone[i][stage]!, factor]] : [];
  candidates.forEach((c, i) => {
    for (let s = 1; s < stages; s++)
      if (gone[i]) row(`${i} stays gone in ${s}`, [...by(i, s), ...by(i, s - 1, -1)], 0, MOST);
    if (c.lock?.hold !== 'cut') return;
    const { stage = all } = c.lock;
    row(`hold ${i}`, [...by(i, stage), ...ease('hold', [i], 1)], 1, MOST);
    if (c.lock.stage !== undefined && stage > 0)
      row(`hold ${i} until ${stage}`, [...by(i, stage - 1), ...ease('hold', [i], -1)], LEAST, 0);
  });
  for (let s = 0; s < stages; s++)
    row(
      `loss of ${s}`,
      [
        ...candidates.flatMap((c, i) => [...by(i, s, c.area), ...by(i, s - 1, -c.area)]),
        ...ease('stageLoss', [s], -1),
      ],
      LEAST,
      limits.stageLoss,
    );
  row(
    'loss of all',
    [...candidates.flatMap((c, i) => by(i, all, c.area)), ...ease('totalLoss', [], -1)],
    LEAST,
    limits.totalLoss,
  );
  const thick = candidates.flatMap((c, i) => (c.diameter > limits.together + 1e-9 && gone[i] ? [i] : []));
  for (let s = 0; s < stages && thick.length > 1; s++)
    row(
      `thick in ${s}`,
      [
        ...thick.flatMap((i) => [...by(i, s), ...by(i, s - 1, -1)]),
        ...ease('together', [s], -1, thick.length - 1),
      ],
      LEAST,
      1,
    );
  for (const { over, under } of problem.order) {
    if (!gone[over] || !gone[under]) continue;
    const slack = ease('order', [over, under], 1);
    // By each stage: the lower one is gone only if the upper one is, or the upper one stays for good.
    for (let s = 0; s < all; s++)
      row(
        `${over} on ${under} by ${s}`,
        [...by(over, s), ...by(over, all, -1), ...by(under, s, -1), ...slack],
        -1,
        MOST,
      );
  }
  for (const { from, to, between, until } of gapRules(problem)) {
    row(
      `gap ${from} ${to}`,
      [
        ...between.flatMap((i) => by(i, until, -1)),
        ...by(from, until),
        ...by(to, until),
        ...ease('gap', [from, to], 1),
      ],
      // Of those between, one more stays than ends are kept, less one.
      1 - between.length,
      MOST,
    );
  }
  const anchors = candidates.flatMap((c, i) => (c.anchorAt === undefined ? [] : [i]));
  if (anchors.length > 0)
    row(
      'anchors',
      [...anchors.flatMap((i) => by(i, all)), ...ease('anchors', anchors, -1, anchors.length)],
      LEAST,
      anchors.length - problem.fewestAnchors,
    );
  if (!eased) {
    bark();
    saved();
  }
  return { mip: { columns, rows }, gone, eases };

  /** Bark under the same roots in the same stage is one column, worth its share of the circumference in those years. */
  function bark() {
    const sets = new Map<
      string,
      { stage: number; set: number[]; worth: number; within: string | undefined }
    >();
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
    const at = new Map<string, number>();
    const both = pairsOfThick();
    for (const [key, { stage, set, worth, within }] of sets) {
      const thickOf = set.filter((i) => thick.includes(i));
      // One thick root a stage: more of them than stages are never gone together by then.
      if (thickOf.length > stage + 1) continue;
      const free = column(`free ${key}`, worth);
      at.set(key, free);
      // Where fewer of these roots are already known to be gone only the further ones need a row.
      const known = within === undefined ? [] : sets.get(within)!.set;
      if (within !== undefined)
        row(
          `free ${key} within`,
          [
            [at.get(within)!, 1],
            [free, -1],
          ],
          0,
          MOST,
        );
      for (const i of set)
        if (!known.includes(i)) row(`free ${key} by ${i}`, [...by(i, stage), [free, -1]], 0, MOST);
      thickOf.forEach((a, n) => {
        for (const b of thickOf.slice(n + 1))
          if (!known.includes(a) || !known.includes(b))
            row(
              `free ${key} by ${a} and ${b}`,
              [
                [both.of(a, b, stage), 1],
                [free, -1],
              ],
              0,
              MOST,
            );
      });
    }
    both.close();
  }

  /**
   * Columns that say whether two thick roots are both gone. A thick root that is gone by a stage leaves room for only so
   * many others by then; said of pairs, this keeps the relaxed model from cutting a little of each.
   */
  function pairsOfThick() {
    const pairs = new Map<string, { a: number; b: number; stage: number; at: number }>();
    const of = (a: number, b: number, stage: number): number => {
      const key = `${a} ${b} ${stage}`;
      const known = pairs.get(key);
      if (known) return known.at;
      const made = column(`both ${key}`, 0);
      pairs.set(key, { a, b, stage, at: made });
      for (const i of [a, b]) row(`both ${key} of ${i}`, [...by(i, stage), [made, -1]], 0, MOST);
      return made;
    };
    const close = () => {
      for (const i of thick)
        for (let stage = 0; stage < stages; stage++) {
          const own = [...pairs.values()].filter((p) => p.stage === stage && (p.a === i || p.b === i));
          if (own.length > stage)
            row(
              `others beside ${i} by ${stage}`,
              [...by(i, stage, stage), ...own.map((p): [number, number] => [p.at, -1])],
              0,
              MOST,
            );
        }
    };
    return { of, close };
  }

  function saved() {
    threats.forEach(({ root, anchor, from, worth }, n) => {
      for (let s = 0; s < stages; s++) {
        if (!gone[root]) continue;
        let lasting = 0;
        for (let y = Math.ceil(from); y < years.length; y++)
          if (stageAt(problem, y) === s) lasting += years[y]!;
        if (lasting === 0) continue;
        const safe = column(`safe ${n} in ${s}`, worth * lasting);
        row(`safe ${n} in ${s}`, [...by(root, s), [safe, -1]], 0, MOST);
        const lost = by(anchor, all);
        if (lost.length > 0) row(`anchor ${n} in ${s}`, [...lost, [safe, 1]], LEAST, 1);
      }
    });
  }
}

/** The plan that a solution stands for. */
export const chosenFrom = ({ gone }: CutModel, values: ArrayLike<number>): Chosen =>
  gone.map((stages) => {
    const at = stages?.findIndex((c) => values[c]! > 0.5) ?? -1;
    return at < 0 ? undefined : at;
  });
