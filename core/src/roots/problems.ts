import type { Dig, DugRoot } from '../records';
import { bearingGap } from '../geometry';
import { longMark, shortMark } from '../units/marks';
import { bearingOf, type Outline } from './outline';
import type { RootPath } from './path';

/** A reading of the dig that cannot be right or is missing. Nothing is dropped because of one. */
export interface DigProblem {
  /** Label of the root it is about; undefined for the dig as a whole. */
  root?: string;
  message: string;
}

/** More roots than anyone maps by hand: the file is looked at twice. */
const MANY_ROOTS = 300;
/** A path that turns back this sharply between two readings has them in the wrong order, degrees. */
const TURNS_BACK = 150;
/** Two roots whose readings are all this near are one root read twice, m. */
const SAME_PLACE = 0.005;

/** Sharpest turn of a path at the points that were read: which point, and by how many degrees. */
function sharpestTurn({ x, y, readAt }: RootPath): { point: number; degrees: number } {
  let worst = { point: 0, degrees: 0 };
  for (let k = 1; k + 1 < readAt.length; k++) {
    const [a, b, c] = [readAt[k - 1]!, readAt[k]!, readAt[k + 1]!];
    const one = Math.atan2(y[b]! - y[a]!, x[b]! - x[a]!);
    const two = Math.atan2(y[c]! - y[b]!, x[c]! - x[b]!);
    const turn = (Math.abs(Math.atan2(Math.sin(two - one), Math.cos(two - one))) * 180) / Math.PI;
    if (turn > worst.degrees) worst = { point: k, degrees: turn };
  }
  return worst;
}

function aboutOne(root: DugRoot, path: RootPath, outline: Outline, dig: Dig): string[] {
  const said: string[] = [];
  const grown = root.contact === 'embedded' || root.contact === 'grafted' ? (root.embedded ?? Infinity) : 0;
  path.readAt.forEach((v, k) => {
    const out = Math.hypot(path.x[v]!, path.y[v]!);
    const bark = outline.radius(bearingOf(path.x[v]!, path.y[v]!));
    const inside = bark - out - path.radius[v]!;
    if (inside > grown && !(k === 0 && root.start === 'stem')) {
      said.push(
        `Point ${k + 1} lies inside the stem, ${shortMark(bark - out)} behind the bark; measure it again, or note the root as embedded.`,
      );
    }
    if (dig.pitRadius !== undefined && out > dig.pitRadius + 0.05 && root.start !== 'outside') {
      said.push(
        `Point ${k + 1} is ${longMark(out)} from the centre, outside the pit of ${longMark(dig.pitRadius)}.`,
      );
    }
  });
  const turn = sharpestTurn(path);
  if (turn.degrees > TURNS_BACK) {
    said.push(
      `The path turns back by ${turn.degrees.toFixed(0)}° at point ${turn.point + 1}: are its points in the order of the root?`,
    );
  }
  if (root.points.length === 1)
    said.push('Only one point: nothing can be said of its path. Read a second one.');
  return said;
}

const onOneLine = (a: RootPath, b: RootPath): boolean =>
  a.readAt.length === b.readAt.length &&
  a.readAt.length > 1 &&
  Math.abs(a.x[0]! - b.x[0]!) < SAME_PLACE &&
  a.readAt.every((v, k) => {
    const w = b.readAt[k]!;
    return Math.hypot(a.x[v]! - b.x[w]!, a.y[v]! - b.y[w]!, a.z[v]! - b.z[w]!) < SAME_PLACE;
  });

/** What does not go together in a dig. */
export function digProblems(
  dig: Dig,
  roots: readonly DugRoot[],
  paths: readonly RootPath[],
  outline: Outline,
): DigProblem[] {
  const found: DigProblem[] = [];
  if (dig.north === 'magnetic' && dig.declination === undefined) {
    found.push({
      message:
        'Bearings are from magnetic north and the declination is missing: taken as 0°. Enter it with the dig.',
    });
  }
  if (outline.from === 'nothing') {
    found.push({
      message: `The stem has no diameter and the dig no outline: drawn round, ${shortMark(2 * outline.meanRadius)} across, and shares mean nothing yet.`,
    });
  }
  const radii = [...(dig.radii ?? [])].sort((a, b) => a.bearing - b.bearing);
  if (radii.length > 0 && radii.length < 4)
    found.push({ message: `Only ${radii.length} radii of the stem: read at least four.` });
  radii.forEach((r, i) => {
    const next = radii[(i + 1) % radii.length]!;
    if (i > 0 && radii[i - 1]!.bearing === r.bearing)
      found.push({ message: `Two radii at ${r.bearing}°: their mean is used.` });
    if (
      bearingGap(r.bearing, next.bearing) < 30 &&
      Math.max(r.radius, next.radius) > 2 * Math.min(r.radius, next.radius)
    ) {
      found.push({
        message: `The radius jumps from ${shortMark(r.radius)} at ${r.bearing}° to ${shortMark(next.radius)} at ${next.bearing}°: is one of them a diameter?`,
      });
    }
  });
  if (roots.length >= MANY_ROOTS)
    found.push({ message: `${roots.length} roots in one dig: everything is computed, but check the file.` });
  const labels = new Set<string>();
  roots.forEach((root, i) => {
    if (labels.has(root.label)) found.push({ root: root.label, message: 'Two roots have this label.' });
    labels.add(root.label);
    found.push(...aboutOne(root, paths[i]!, outline, dig).map((message) => ({ root: root.label, message })));
    for (let k = 0; k < i; k++) {
      if (onOneLine(paths[i]!, paths[k]!))
        found.push({
          root: root.label,
          message: `It lies on the same line as root ${roots[k]!.label}: one root read twice?`,
        });
    }
  });
  return found;
}
