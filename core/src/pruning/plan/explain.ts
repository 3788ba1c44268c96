import { broken, stageAt, valueOf, type Chosen } from './value';
import type { CutProblem } from './problem';

export interface RootReason {
  label: string;
  /** Stage (from 0) in which it is cut; undefined where it stays. */
  stage: number | undefined;
  /** The gain or the rule that decided. */
  says: string;
}

const percent = (share: number): string => {
  const hundred = 100 * share;
  return `${hundred > 0 && hundred < 1 ? '<1' : Math.round(hundred)}%`;
};

/** Bark that a root is the last to press on once the plan is done, mean over the years, as a share. */
function frees(problem: CutProblem, chosen: Chosen, i: number): number {
  const stays = chosen.map((s, k) => (k === i ? undefined : s));
  const goes = chosen.map((s, k) => (k === i ? (s ?? 0) : s));
  return valueOf(problem, goes).freed - valueOf(problem, stays).freed;
}

/** The earliest year in which a root presses anywhere; undefined within the horizon. */
const firstPress = (presses: Float64Array): number | undefined => {
  const first = presses.reduce((a, b) => Math.min(a, b), Infinity);
  return Number.isFinite(first) ? first : undefined;
};

/** For each root of a plan the gain or the rule that decided about it, in a sentence. */
export function reasonsOf(problem: CutProblem, chosen: Chosen): RootReason[] {
  const { candidates, threats, stages } = problem;
  return candidates.map((c, i): RootReason => {
    const stage = chosen[i];
    const say = (says: string): RootReason => ({ label: c.label, stage, says });
    const gain = frees(problem, chosen, i);
    const press = firstPress(c.presses);
    const cost =
      c.area > 0 ? `${percent(c.area)} of the root cross-section` : 'no root that holds or feeds this tree';
    const into = (now: boolean) => [
      ...new Set(
        threats.filter((t) => t.root === i && t.now === now).map((t) => candidates[t.anchor]!.label),
      ),
    ];
    const named = (labels: string[]) => `anchor${labels.length > 1 ? 's' : ''} ${labels.join(', ')}`;
    const anchors = [
      ...(into(true).length > 0 ? [`saves ${named(into(true))}, in which it buries itself`] : []),
      ...(into(false).length > 0 ? [`spares ${named(into(false))}, on which it would begin to press`] : []),
    ];
    const buries = anchors.length > 0 ? anchors.join(', ') : undefined;
    if (stage !== undefined) {
      if (c.lock?.hold === 'cut') return say('Held as cut by hand.');
      const why = [
        ...(gain > 1e-6 ? [`frees ${percent(gain)} of the bark over the years`] : []),
        ...(buries ? [buries] : []),
        ...(c.small && gain <= 1e-6 && !buries ? ['small and easily cut now'] : []),
      ];
      const parted =
        why.length === 0
          ? 'makes way: bark under it is freed only when it goes with the others'
          : why.join(', ');
      return say(
        `${capital(parted)}, for ${cost}.${asAnchor(problem, chosen, i)}${whyThen(problem, chosen, i, stage)}`,
      );
    }
    if (c.lock?.hold === 'keep') return say('Held as kept by hand.');
    if (c.barred?.by === 'nature') return say(`Stays: ${c.barred.why}.`);
    if (press === undefined && !buries)
      return say(
        c.anchorAt !== undefined
          ? 'Stays: it holds the tree and presses on nothing.'
          : 'Stays: it presses on nothing within twenty years.',
      );
    if (c.barred) return say(`Stays: ${c.barred.why}.`);
    for (let s = 0; s < stages; s++) {
      const tried = chosen.map((v, k) => (k === i ? s : v));
      if (broken(problem, tried).length > 0) continue;
      if (valueOf(problem, tried).objective > valueOf(problem, chosen).objective + 1e-9) continue;
      return say(
        `Stays: cutting it would free ${percent(gain)} of the bark for ${cost}${c.others > 0 ? ', and its own tree would lose it' : ''}: not worth it.`,
      );
    }
    const first = broken(
      problem,
      chosen.map((v, k) => (k === i ? stages - 1 : v)),
    )[0];
    return say(
      `Stays: with the others gone too, ${first ?? 'another choice frees more'}; it would free ${percent(gain)}.`,
    );
  });
}

/** What has to come before an anchor goes, and the gap that it leaves where that is a wide one. */
function asAnchor({ candidates, limits }: CutProblem, chosen: Chosen, i: number): string {
  const { anchorAt } = candidates[i]!;
  if (anchorAt === undefined) return '';
  const turns = candidates.flatMap((c, k) =>
    c.anchorAt === undefined || chosen[k] !== undefined || k === i
      ? []
      : [(c.anchorAt - anchorAt + 360) % 360],
  );
  const gap = Math.min(...turns, 360) + 360 - Math.max(...turns, 0);
  return ` An anchor${gap > limits.stageGap ? `, and ${Math.round(gap)}° would be without one` : ''}: last of all, and only after the stability was assessed.`;
}

/** Why a root is not cut in an earlier stage. */
function whyThen(problem: CutProblem, chosen: Chosen, i: number, stage: number): string {
  if (stage === 0) return '';
  const { candidates, interval } = problem;
  for (let s = 0; s < stage; s++) {
    const [first] = broken(
      problem,
      chosen.map((v, k) => (k === i ? s : v)),
    );
    if (first) return ` Not before stage ${stage + 1}: ${first}.`;
  }
  const press = firstPress(candidates[i]!.presses);
  return press !== undefined && press > 0 && stageAt(problem, Math.ceil(press)) >= stage
    ? ` It does not press before year ${Math.ceil(press)}, and stage ${stage + 1} comes in year ${stage * interval}.`
    : '';
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
