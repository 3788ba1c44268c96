import { DIRECTIONS, type Outline } from './outline';

/** A stretch of the outline, from one bearing clockwise to the other, degrees; 360 long when it goes all round. */
export interface Arc {
  from: number;
  to: number;
}

const DEGREES = 360 / DIRECTIONS;

/** Directions marked in `hit` as arcs; `edge` finds where an arc really begins or ends between two directions. */
export function arcsOf(
  hit: Uint8Array,
  edge: (inside: number, outside: number) => number = (inside, outside) => (inside + outside) / 2,
): Arc[] {
  const gap = hit.indexOf(0);
  if (gap < 0) return [{ from: 0, to: 360 }];
  const arcs: Arc[] = [];
  let from: number | undefined;
  for (let k = 1; k <= DIRECTIONS; k++) {
    const i = (gap + k) % DIRECTIONS;
    const at = (gap + k) * DEGREES;
    if (hit[i] && from === undefined) from = edge(at, at - DEGREES);
    else if (!hit[i] && from !== undefined) {
      arcs.push({ from, to: edge(at - DEGREES, at) });
      from = undefined;
    }
  }
  return arcs.map(({ from: f, to }) => (f >= 360 ? { from: f - 360, to: to - 360 } : { from: f, to }));
}

/** Union of arcs, sorted, none touching another. */
export function unionOf(arcs: readonly Arc[]): Arc[] {
  const flat = arcs
    .flatMap(({ from, to }): Arc[] => {
      if (to - from >= 360) return [{ from: 0, to: 360 }];
      const start = ((from % 360) + 360) % 360;
      const end = start + (to - from);
      return end <= 360
        ? [{ from: start, to: end }]
        : [
            { from: start, to: 360 },
            { from: 0, to: end - 360 },
          ];
    })
    .sort((a, b) => a.from - b.from);
  const joined: Arc[] = [];
  for (const arc of flat) {
    const last = joined[joined.length - 1];
    if (last && arc.from <= last.to) last.to = Math.max(last.to, arc.to);
    else joined.push({ ...arc });
  }
  const [first, last] = [joined[0], joined[joined.length - 1]];
  if (joined.length > 1 && first!.from === 0 && last!.to === 360) {
    joined.pop();
    joined[0] = { from: last!.from, to: first!.to + 360 };
  }
  return joined;
}

/** Share of the circumference that arcs cover, by arc length; they must not overlap. */
export const shareOf = (arcs: readonly Arc[], outline: Outline): number =>
  arcs.reduce((sum, { from, to }) => sum + upTo(to, outline) - upTo(from, outline), 0);

/** Share of the circumference from north clockwise to a bearing; beyond 360 it goes on counting. */
function upTo(bearing: number, { running }: Outline): number {
  const turns = Math.floor(bearing / 360);
  const at = (bearing - turns * 360) / DEGREES;
  const i = Math.min(DIRECTIONS - 1, Math.floor(at));
  return turns + running[i]! + (running[i + 1]! - running[i]!) * (at - i);
}
