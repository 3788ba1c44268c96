import { CUT_PLAN } from '../../practice';
import { shortMark } from '../../units/marks';
import type { CutProblem } from './problem';

/** Stage (from 0) in which each root of a problem is cut; undefined where it stays. */
export type Chosen = readonly (number | undefined)[];

export interface PlanValue {
  /** What the plan is chosen by: bark freed over the years, anchors saved, less what the roots were worth. */
  objective: number;
  /** Share of the circumference that would be squeezed if nothing was done, and that freed: means over the weighted years. */
  threatened: number;
  freed: number;
  /** Share of the root cross-section lost by stage. */
  loss: number[];
}

/** The stage that has been done by a year. */
export const stageAt = (
  { stages, interval }: Pick<CutProblem, 'stages' | 'interval'>,
  year: number,
): number => Math.min(stages - 1, Math.floor(year / interval));

/** What a plan comes to, counted year by year and sector by sector. */
export function valueOf(problem: CutProblem, chosen: Chosen): PlanValue {
  const { candidates, weights, years, stages, threats } = problem;
  const gone = (i: number, stage: number) => chosen[i] !== undefined && chosen[i]! <= stage;
  let freed = 0;
  let threatened = 0;
  let saved = 0;
  for (let k = 0; k < weights.length; k++) {
    // Few of many roots press on one sector.
    const pressing: { i: number; from: number }[] = [];
    for (let i = 0; i < candidates.length; i++) {
      const from = candidates[i]!.presses[k]!;
      if (from < years.length) pressing.push({ i, from });
    }
    if (pressing.length === 0) continue;
    const isPressed = (year: number, stage: number) =>
      pressing.some(({ i, from }) => from <= year && !gone(i, stage));
    for (let y = 0; y < years.length; y++) {
      if (!isPressed(y, -1)) continue;
      threatened += years[y]! * weights[k]!;
      if (!isPressed(y, stageAt(problem, y))) freed += years[y]! * weights[k]!;
    }
  }
  for (const { root, anchor, from, worth } of threats)
    for (let y = Math.ceil(from); y < years.length; y++)
      if (gone(root, stageAt(problem, y)) && chosen[anchor] === undefined) saved += years[y]! * worth;
  const loss = Array.from({ length: stages }, (_, s) =>
    candidates.reduce((sum, c, i) => (chosen[i] === s ? sum + c.area : sum), 0),
  );
  const cost = candidates.reduce(
    (sum, _, i) => (chosen[i] === undefined ? sum : sum + costOf(problem, i, chosen[i]!)),
    0,
  );
  return { objective: freed + saved - cost, threatened, freed, loss };
}

/** What cutting a root in a stage costs, small roots that go early less than nothing. */
export function costOf(
  { candidates, years, interval, stages }: CutProblem,
  i: number,
  stage: number,
): number {
  const { area, others, small } = candidates[i]!;
  const left = years.reduce((sum, v, y) => (stageAt({ stages, interval }, y) >= stage ? sum + v : sum), 0);
  return (
    CUT_PLAN.rootWorth.value * area +
    CUT_PLAN.competingWorth.value * others +
    CUT_PLAN.eachCut.value * (1 + CUT_PLAN.laterCut.value * stage) -
    (small ? CUT_PLAN.smallRoot.value * left : 0)
  );
}

/** Pairs of anchors between which no gap may open wider than its limit: one of `between` stays where both ends do. */
export function gapRules({ candidates, gapLimit }: Pick<CutProblem, 'candidates' | 'gapLimit'>) {
  const anchors = candidates
    .flatMap((c, index) => (c.anchorAt === undefined ? [] : [{ index, at: c.anchorAt }]))
    .sort((a, b) => a.at - b.at);
  return anchors.flatMap((a, p) =>
    anchors.flatMap((_, step) => {
      if (step < 2) return [];
      const b = anchors[(p + step) % anchors.length]!;
      const degrees = (b.at - a.at + 360) % 360;
      if (degrees <= gapLimit(a.at, b.at) + 1e-9) return [];
      const between = Array.from(
        { length: step - 1 },
        (__, k) => anchors[(p + 1 + k) % anchors.length]!.index,
      );
      return [{ from: a.index, to: b.index, degrees, between }];
    }),
  );
}

/** Roots of a stage of which no more than one goes at a time, the thickest first. */
export const thickIn = (
  { candidates, limits }: CutProblem,
  chosen: Chosen,
  stage: number,
): CutProblem['candidates'] =>
  candidates
    .filter((c, i) => chosen[i] === stage && c.diameter > limits.together + 1e-9)
    .sort((a, b) => b.diameter - a.diameter);

/** What of the rules a plan breaks, in words; none for one that may be carried out. */
export function broken(problem: CutProblem, chosen: Chosen): string[] {
  const { candidates, limits, order, fewestAnchors } = problem;
  const said: string[] = [];
  const { loss } = valueOf(problem, chosen);
  const name = (i: number) => candidates[i]!.label;
  loss.forEach((share, s) => {
    if (share > limits.stageLoss + 1e-9) said.push(`stage ${s + 1} takes more than its share`);
  });
  if (loss.reduce((a, b) => a + b, 0) > limits.totalLoss + 1e-9)
    said.push('all stages take more than their share');
  loss.forEach((_, s) => {
    const thick = thickIn(problem, chosen, s);
    if (thick.length > 1)
      said.push(
        `stage ${s + 1} would take ${thick.map((c) => c.label).join(' and ')}, each thicker than ${shortMark(limits.together)}, at once`,
      );
  });
  candidates.forEach((c, i) => {
    const stage = chosen[i];
    if (stage !== undefined && c.barred && c.lock?.hold !== 'cut') said.push(`${c.label}: ${c.barred.why}`);
    if (stage !== undefined && c.barred?.by === 'nature') said.push(`${c.label}: ${c.barred.why}`);
    if (c.lock?.hold === 'keep' && stage !== undefined) said.push(`${c.label} is held as kept`);
    if (c.lock?.hold === 'cut' && stage === undefined) said.push(`${c.label} is held as cut`);
    if (c.lock?.hold === 'cut' && c.lock.stage !== undefined && stage !== c.lock.stage)
      said.push(`${c.label} is held in stage ${c.lock.stage + 1}`);
  });
  for (const { over, under } of order)
    if (chosen[under] !== undefined && chosen[over] !== undefined && chosen[over]! > chosen[under]!)
      said.push(`${name(over)} lies on ${name(under)}`);
  for (const { from, to, between } of gapRules(problem))
    if (
      chosen[from] === undefined &&
      chosen[to] === undefined &&
      between.every((i) => chosen[i] !== undefined)
    )
      said.push(`nothing would hold from ${name(from)} round to ${name(to)}`);
  const kept = candidates.filter((c, i) => c.anchorAt !== undefined && chosen[i] === undefined).length;
  if (kept < fewestAnchors) said.push(`fewer than ${fewestAnchors} anchors would stay`);
  return said;
}
