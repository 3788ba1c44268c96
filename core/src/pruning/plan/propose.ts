import type { CutProblem } from './problem';
import { broken, valueOf, type Chosen } from './value';

/** Rounds in which what brought nothing at first is tried again. */
const ROUNDS = 3;

/** What a plan made step by step takes at once: one root, or all that press on one stretch of the bark by some year. */
function stepsOf({ candidates, weights, years }: CutProblem, free: ReadonlySet<number>): number[][] {
  const steps = new Map<string, number[]>();
  const add = (set: number[]) => steps.set(set.join(), set);
  for (const i of free) add([i]);
  for (let k = 0; k < weights.length; k++)
    for (const year of [0, years.length - 1]) {
      const set = candidates.flatMap((c, i) => (c.presses[k]! <= year ? [i] : []));
      if (set.length > 1 && set.every((i) => free.has(i))) add(set);
    }
  return [...steps.values()];
}

/**
 * A plan made step by step, the one that brings most first.
 * Gains are weighed once a round and again only when their turn comes, so that hundreds of roots take seconds.
 */
function stepwise(problem: CutProblem): Chosen {
  let chosen: Chosen = problem.candidates.map(({ lock, earliest }) =>
    lock?.hold === 'cut' ? (lock.stage ?? earliest) : undefined,
  );
  const free = new Set(problem.candidates.flatMap((c, i) => (c.barred || c.lock ? [] : [i])));
  const steps = stepsOf(problem, free);
  /** With a set gone in a stage, those that go already left where they are. */
  const withStep = (set: readonly number[], stage: number): Chosen =>
    chosen.map((s, i) => (s === undefined && set.includes(i) ? stage : s));
  let now = valueOf(problem, chosen).objective;
  for (let round = 0, took = true; round < ROUNDS && took; round++) {
    took = false;
    const ranked = steps
      .filter((set) => set.some((i) => chosen[i] === undefined))
      .flatMap((set) =>
        Array.from({ length: problem.stages }, (_, stage) => ({
          set,
          stage,
          gain: valueOf(problem, withStep(set, stage)).objective - now,
        })),
      )
      .filter(({ gain }) => gain > 1e-9)
      .sort((a, b) => b.gain - a.gain);
    for (const { set, stage } of ranked) {
      if (set.every((i) => chosen[i] !== undefined)) continue;
      const tried = withStep(set, stage);
      const { objective } = valueOf(problem, tried);
      if (objective <= now + 1e-9 || broken(problem, tried).length > 0) continue;
      chosen = tried;
      now = objective;
      took = true;
    }
  }
  return chosen;
}

/** Plans that a search looks at before it takes what it has, and of many roots fewer: each look takes longer. */
const LOOKS = 20_000;
const LOOKS_BY_ROOTS = 80_000;

/**
 * The proposal: a plan made step by step and then made better, one root or a pair of roots at a time, until no such
 * change brings anything. It needs no solver, so the dig, the prescription and the reports follow it while the pointer
 * moves; the cut plan then proves it, or finds a better one.
 *
 * @returns a plan that keeps to every rule, unless what is held by hand leaves none
 */
export function propose(problem: CutProblem): Chosen {
  const { candidates, stages } = problem;
  const free = candidates.flatMap((c, i) => (c.barred || c.lock ? [] : [i]));
  let chosen = stepwise(problem);
  let now = valueOf(problem, chosen).objective;
  let looks = 0;
  const most = Math.min(LOOKS, LOOKS_BY_ROOTS / Math.max(1, free.length));
  const choices: readonly (number | undefined)[] = [
    undefined,
    ...Array.from({ length: stages }, (_, stage) => stage),
  ];
  const better = (tried: Chosen): boolean => {
    looks++;
    const { objective } = valueOf(problem, tried);
    if (objective <= now + 1e-9 || broken(problem, tried).length > 0) return false;
    chosen = tried;
    now = objective;
    return true;
  };
  const withStage = (from: Chosen, i: number, stage: number | undefined): Chosen =>
    from.map((s, k) => (k === i ? stage : s));
  const single = () =>
    free.some((i) => choices.some((c) => c !== chosen[i] && better(withStage(chosen, i, c))));
  const pair = () =>
    free.some((i) =>
      free.some(
        (k) =>
          k > i &&
          looks < most &&
          choices.some(
            (c) =>
              c !== chosen[i] &&
              choices.some((d) => d !== chosen[k] && better(withStage(withStage(chosen, i, c), k, d))),
          ),
      ),
    );
  while (looks < most && (single() || pair()));
  return chosen;
}
