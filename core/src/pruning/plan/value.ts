import { CUT_PLAN } from '../../practice';
import { shortMark } from '../../units/marks';
import type { CutProblem } from './problem';

/** Stage (from 0) in which each root of a problem is cut; undefined where it stays. */
export type Chosen = readonly (number | undefined)[];

export interface PlanValue {
  /** What the plan is chosen by: bark freed over the years, anchors saved, less what the roots were worth. */
  objective: number;
  /** Share of the circumference that would be compressed if nothing was done, and that freed: means over the weighted years. */
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

/** The roots that come to press on one sector within the years looked at, and from which year. */
type Pressing = readonly { i: number; from: number }[];
const pressingKnown = new WeakMap<CutProblem['candidates'], { years: number; bySector: Pressing[] }>();

/** For each sector, worked out once for a problem: few of many roots press on one of them. */
function pressingOf({ candidates, weights, years }: CutProblem): Pressing[] {
  const known = pressingKnown.get(candidates);
  if (known?.years === years.length) return known.bySector;
  const bySector = Array.from(weights, (_, k): Pressing =>
    candidates.flatMap(({ presses }, i) => (presses[k]! < years.length ? [{ i, from: presses[k]! }] : [])),
  );
  pressingKnown.set(candidates, { years: years.length, bySector });
  return bySector;
}

/** What a plan comes to, counted year by year and sector by sector. */
export function valueOf(problem: CutProblem, chosen: Chosen): PlanValue {
  const { candidates, weights, years, stages, interval, threats } = problem;
  const gone = (i: number, stage: number) => chosen[i] !== undefined && chosen[i]! <= stage;
  const horizon = years.length;
  let freed = 0;
  let threatened = 0;
  let saved = 0;
  // How many more roots press from a year on than in the year before: each from its first year until its stage is done.
  const more = new Int32Array(horizon + 1);
  pressingOf(problem).forEach((pressing, k) => {
    if (pressing.length === 0) return;
    more.fill(0);
    let first = horizon;
    for (const { i, from } of pressing) {
      const begin = Math.max(0, Math.ceil(from));
      const end = chosen[i] === undefined ? horizon : Math.min(horizon, chosen[i] * interval);
      first = Math.min(first, begin);
      if (end <= begin) continue;
      more[begin]!++;
      more[end]!--;
    }
    let press = 0;
    let all = 0;
    let bare = 0;
    for (let y = first; y < horizon; y++) {
      press += more[y]!;
      all += years[y]!;
      if (press === 0) bare += years[y]!;
    }
    threatened += all * weights[k]!;
    freed += bare * weights[k]!;
  });
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

/** A pair of anchors between which no gap may open by the end of a stage: one of `between` stays where both ends do. */
export interface GapRule {
  from: number;
  to: number;
  degrees: number;
  between: number[];
  /** The stage by which it must not be open, and the limit that says so, degrees. */
  until: number;
  limit: number;
  /** In no stage; else it may open after the first. */
  never: boolean;
}

/** The anchors round the stem, by their place among the candidates. */
const anchorsOf = (candidates: CutProblem['candidates']): { index: number; at: number }[] =>
  candidates
    .flatMap((c, index) => (c.anchorAt === undefined ? [] : [{ index, at: c.anchorAt }]))
    .sort((a, b) => a.at - b.at);

/** Gaps that may not open in the first stage, and those that may not open at all. */
export function gapRules({
  candidates,
  gapLimit,
  limits,
  stages,
}: Pick<CutProblem, 'candidates' | 'gapLimit' | 'limits' | 'stages'>): GapRule[] {
  const anchors = anchorsOf(candidates);
  return anchors.flatMap((a, p) =>
    anchors.flatMap((_, step) => {
      if (step < 2) return [];
      const b = anchors[(p + step) % anchors.length]!;
      const degrees = (b.at - a.at + 360) % 360;
      const ever = gapLimit(a.at, b.at);
      const first = Math.min(ever, limits.stageGap);
      if (degrees <= first + 1e-9) return [];
      const never = degrees > ever + 1e-9;
      const between = Array.from(
        { length: step - 1 },
        (__, k) => anchors[(p + 1 + k) % anchors.length]!.index,
      );
      return [
        {
          from: a.index,
          to: b.index,
          degrees,
          between,
          // What may never be open is open in no stage: it only widens.
          until: never ? stages - 1 : 0,
          limit: never && stages > 1 ? ever : first,
          never,
        },
      ];
    }),
  );
}

/** Gaps between neighbours among the anchors that stay, opened by the end of a stage and wider than may be then. */
function opened(
  { candidates, gapLimit, limits }: CutProblem,
  chosen: Chosen,
  stage: number,
): Pick<GapRule, 'from' | 'to' | 'degrees' | 'limit'>[] {
  const kept = anchorsOf(candidates).map((a) => ({ ...a, stays: (chosen[a.index] ?? Infinity) > stage }));
  const first = kept.findIndex((a) => a.stays);
  if (first < 0) return [];
  const found: ReturnType<typeof opened> = [];
  let [from, skipped] = [kept[first]!, 0];
  for (let step = 1; step <= kept.length; step++) {
    const to = kept[(first + step) % kept.length]!;
    if (!to.stays) {
      skipped++;
      continue;
    }
    const degrees = (to.at - from.at + 360) % 360;
    const ever = gapLimit(from.at, to.at);
    const limit = stage === 0 ? Math.min(ever, limits.stageGap) : ever;
    if (skipped > 0 && from !== to && degrees > limit + 1e-9)
      found.push({ from: from.index, to: to.index, degrees, limit });
    [from, skipped] = [to, 0];
  }
  return found;
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
    if (stage !== undefined && stage < c.earliest)
      said.push(`${c.label} is an anchor: last of all, after a check of how the tree stands`);
    if (c.lock?.hold === 'keep' && stage !== undefined) said.push(`${c.label} is held as kept`);
    if (c.lock?.hold === 'cut' && stage === undefined) said.push(`${c.label} is held as cut`);
    if (c.lock?.hold === 'cut' && c.lock.stage !== undefined && stage !== c.lock.stage)
      said.push(`${c.label} is held in stage ${c.lock.stage + 1}`);
  });
  for (const { over, under } of order)
    if (chosen[under] !== undefined && chosen[over] !== undefined && chosen[over]! > chosen[under]!)
      said.push(`${name(over)} lies on ${name(under)}`);
  for (const stage of new Set([0, problem.stages - 1]))
    for (const { from, to, degrees, limit } of opened(problem, chosen, stage))
      said.push(
        `${stage < problem.stages - 1 ? 'in the first stage ' : ''}nothing would hold over ${Math.round(degrees)}° from ${name(from)} round to ${name(to)}, more than ${Math.round(limit)}°`,
      );
  const kept = candidates.filter((c, i) => c.anchorAt !== undefined && chosen[i] === undefined).length;
  if (kept < fewestAnchors) said.push(`fewer than ${fewestAnchors} anchors would stay`);
  return said;
}
