import { INNER_MECHANISMS } from '../vocabulary/causes';
import { INNER_STATES, MECHANISM_COUNT, type Network } from './network';

/**
 * The joint chance of causes and mechanisms with what was seen, laid open by world of causes. Unnormalised; exact: every
 * world and every state of the mechanisms is summed, nothing is sampled or cut off.
 */
export interface Joint {
  /** Mass of each world. */
  mass: Float64Array;
  /** Mass of all worlds with mechanism m at work. */
  mechanisms: Float64Array;
  /** World by world, only where it was asked for. */
  open?: {
    /** Mass of each world with mechanism m at work. */
    one: Float64Array[];
    /** Mass of each world with both; m > n in `two[m][n]`. */
    two: Float64Array[][];
  };
}

/** Sums over supersets, in place: afterwards each entry holds the mass of all states that include it. */
export function supersets(states: Float64Array, bits: number): void {
  for (let bit = 0; bit < bits; bit++) {
    const step = 1 << bit;
    for (let s = 0; s < 1 << bits; s++) if ((s & step) === 0) states[s]! += states[s | step]!;
  }
}

type Weights = readonly (readonly [Float64Array, Float64Array] | undefined)[];

const ONES = new Map<number, Float64Array>();

/** Nothing was seen: the same weight in every world. */
function onesOf(worlds: number): Float64Array {
  const ones = ONES.get(worlds) ?? new Float64Array(worlds).fill(1);
  ONES.set(worlds, ones);
  return ones;
}

/**
 * What is needed to lay out one world.
 *
 * @param later inner mechanisms whose findings are not weighed in the laying out, because the caller does it after
 */
function layout(
  { count, keptOffByCauses, keptOffByMechanisms: kept }: Network,
  weights: Weights,
  later: readonly number[] = [],
) {
  const inner = INNER_MECHANISMS;
  const ones = onesOf(1 << count);
  const without = kept.map((_, m) => weights[m]?.[0] ?? ones);
  const withIt = kept.map((_, m) => weights[m]?.[1] ?? ones);
  const layWithout = without.map((a, m) => (later.includes(m) ? ones : a));
  const layWithIt = withIt.map((b, m) => (later.includes(m) ? ones : b));
  /**
   * One of the last mechanisms, which lead to no other: what the causes of a world and each state of the inner
   * mechanisms keep off, and the weight of what was seen without and with it.
   */
  const end = (m: number) => ({
    off: keptOffByCauses[m]!,
    kept: kept[m]!,
    without: without[m]!,
    withIt: withIt[m]!,
  });
  return {
    without,
    withIt,
    first: end(inner),
    second: end(inner + 1),
    /** Chance of each state of the inner mechanisms in a world, with what was seen of them; times `mass`. */
    lay(joint: Float64Array, w: number, mass: number): void {
      joint[0] = mass;
      for (let m = 0; m < inner; m++) {
        const by = kept[m]!;
        const off = keptOffByCauses[m]![w]!;
        const a = layWithout[m]![w]!;
        const b = layWithIt[m]![w]!;
        const step = 1 << m;
        for (let s = 0; s < step; s++) {
          const before = joint[s]!;
          const none = before * off * by[s]!;
          joint[s] = none * a;
          joint[s + step] = (before - none) * b;
        }
      }
    },
  };
}

/** The state of the mechanisms that are kept apart, for each state of all inner ones. */
const groupsOf = (apart: readonly number[]): Uint8Array =>
  Uint8Array.from({ length: INNER_STATES }, (_, s) =>
    apart.reduce((group, m, k) => group | (((s >> m) & 1) << k), 0),
  );

/** The weight of a world and of what was seen of the mechanisms kept apart, for each of their states. */
function factorsInto(
  factor: Float64Array,
  cause: number,
  w: number,
  apart: readonly number[],
  { without, withIt }: { without: readonly Float64Array[]; withIt: readonly Float64Array[] },
): void {
  factor[0] = cause;
  for (let k = 0; k < apart.length; k++) {
    const a = without[apart[k]!]![w]!;
    const b = withIt[apart[k]!]![w]!;
    const step = 1 << k;
    for (let g = 0; g < step; g++) {
      factor[g + step] = factor[g]! * b;
      factor[g]! *= a;
    }
  }
}

/**
 * Sums worlds that differ only in causes which bring about no inner mechanism and not the first end: these are laid out
 * once for all of them. The last end is a noisy OR, so its chance to be absent is what the world keeps off times what
 * the state keeps off: two sums over the states (all of it, and what the states keep off) serve every such world.
 * Where a finding of an inner mechanism speaks of such a cause as well, the sums are kept apart by the state of that
 * mechanism, and the finding is weighed afterwards.
 *
 * @param free bits of such causes
 * @param apart inner mechanisms with findings that speak of a free cause as well
 */
export function sumFolded(
  network: Network,
  causes: Float64Array,
  weights: Weights,
  free: number,
  apart: readonly number[],
): Joint {
  const { first, second, lay, ...weighed } = layout(network, weights, apart);
  const states = INNER_STATES;
  const inner = INNER_MECHANISMS;
  const mass = new Float64Array(causes.length);
  const joint = new Float64Array(states);
  const overall = new Float64Array(states);
  const mechanisms = new Float64Array(MECHANISM_COUNT);
  const groups = 1 << apart.length;
  const groupOf = groupsOf(apart);
  const make = () => new Float64Array(groups);
  const [all, kept, allFirst, keptFirst] = [make(), make(), make(), make()];
  const [factor, onAll, onKept] = [make(), make(), make()];
  const kept1 = first.kept;
  const kept2 = second.kept;
  for (let base = 0; base < causes.length; base++) {
    if ((base & free) !== 0) continue;
    lay(joint, base, 1);
    const off1 = first.off[base]!;
    for (let g = 0; g < groups; g++) all[g] = kept[g] = allFirst[g] = keptFirst[g] = onAll[g] = onKept[g] = 0;
    const a1 = first.without[base]!;
    const b1 = first.withIt[base]!;
    for (let s = 0; s < states; s++) {
      const none = off1 * kept1[s]!;
      const withFirst = joint[s]! * (1 - none) * b1;
      const here = joint[s]! * none * a1 + withFirst;
      const by = kept2[s]!;
      const g = groupOf[s]!;
      joint[s] = here;
      all[g]! += here;
      kept[g]! += here * by;
      allFirst[g]! += withFirst;
      keptFirst[g]! += withFirst * by;
    }
    for (let more = free; ; more = (more - 1) & free) {
      const w = base | more;
      factorsInto(factor, causes[w]!, w, apart, weighed);
      const off = second.off[w]!;
      const a = second.without[w]!;
      const b = second.withIt[w]!;
      const offBy = off * (a - b);
      let sum = 0;
      let none = 0;
      for (let g = 0; g < groups; g++) {
        const c = factor[g]!;
        sum += c * all[g]!;
        none += c * kept[g]!;
        onAll[g]! += c * b;
        onKept[g]! += c * offBy;
      }
      none *= off;
      const withSecond = (sum - none) * b;
      mass[w] = none * a + withSecond;
      mechanisms[inner + 1]! += withSecond;
      if (more === 0) break;
    }
    for (let g = 0; g < groups; g++)
      mechanisms[inner]! += allFirst[g]! * onAll[g]! + keptFirst[g]! * onKept[g]!;
    for (let s = 0; s < states; s++) {
      const g = groupOf[s]!;
      overall[s]! += joint[s]! * (onAll[g]! + onKept[g]! * kept2[s]!);
    }
  }
  supersets(overall, inner);
  for (let m = 0; m < inner; m++) mechanisms[m] = overall[1 << m]!;
  return { mass, mechanisms };
}

/** States of the inner mechanisms with at most two of them at work: none first, then each, then the pairs. */
const FEW: readonly number[] = Array.from({ length: INNER_STATES }, (_, s) => s)
  .filter((s) => bits(s) <= 2)
  .sort((a, b) => bits(a) - bits(b) || a - b);

function bits(state: number): number {
  let count = 0;
  for (let rest = state; rest > 0; rest &= rest - 1) count++;
  return count;
}

/**
 * World by world, every mechanism and pair of them kept apart. Worlds that differ only in free causes are laid out once,
 * as in {@link sumFolded}: what the last end keeps off is a factor of the world and one of the state.
 *
 * @param apart two inner mechanisms at most
 */
export function sumOpen(
  network: Network,
  causes: Float64Array,
  weights: Weights,
  free: number,
  apart: readonly number[],
): Joint {
  const { first, second, lay, ...weighed } = layout(network, weights, apart);
  const inner = INNER_MECHANISMS;
  const make = () => new Float64Array(causes.length);
  const mass = make();
  const one = Array.from({ length: MECHANISM_COUNT }, make);
  const two = Array.from({ length: MECHANISM_COUNT }, (_, m) => Array.from({ length: m }, make));
  /** Where the mass of each state of FEW goes; with the first end at work, and with the last. */
  const index = (state: number) => 31 - Math.clz32(state);
  const into = FEW.map((s) => {
    const high = s === 0 ? -1 : index(s);
    const low = s & ~(1 << high);
    return s === 0 ? mass : low === 0 ? one[high]! : two[high]![index(low)]!;
  });
  const singles = Array.from({ length: inner }, (_, m) => m);
  const intoFirst = [one[inner]!, ...singles.map((m) => two[inner]![m]!)];
  const intoSecond = [one[inner + 1]!, ...singles.map((m) => two[inner + 1]![m]!)];
  const intoBoth = two[inner + 1]![inner]!;
  const groups = 1 << apart.length;
  const groupOf = groupsOf(apart);
  const joint = new Float64Array(INNER_STATES);
  const factor = new Float64Array(groups);
  // By group: all of it, what the states keep the last end off, and both with the first end at work.
  const room = () => Array.from({ length: groups }, () => new Float64Array(INNER_STATES));
  const [all, kept, allFirst, keptFirst] = [room(), room(), room(), room()];
  /** Whatever the first end does, and with it at work: where the mass goes, and that with the last end at work. */
  const layers = [
    { sums: all, off: kept, into, last: intoSecond },
    { sums: allFirst, off: keptFirst, into: intoFirst, last: [intoBoth] },
  ];
  const [kept1, kept2] = [first.kept, second.kept];
  for (let base = 0; base < causes.length; base++) {
    if ((base & free) !== 0) continue;
    lay(joint, base, 1);
    const off1 = first.off[base]!;
    const a1 = first.without[base]!;
    const b1 = first.withIt[base]!;
    if (groups > 1)
      for (let g = 0; g < groups; g++) for (const sums of [all, kept, allFirst, keptFirst]) sums[g]!.fill(0);
    for (let s = 0; s < INNER_STATES; s++) {
      const none = off1 * kept1[s]!;
      const withFirst = joint[s]! * (1 - none) * b1;
      const here = joint[s]! * none * a1 + withFirst;
      const by = kept2[s]!;
      const g = groupOf[s]!;
      all[g]![s] = here;
      kept[g]![s] = here * by;
      allFirst[g]![s] = withFirst;
      keptFirst[g]![s] = withFirst * by;
    }
    for (let g = 0; g < groups; g++)
      for (const sums of [all, kept, allFirst, keptFirst]) supersets(sums[g]!, inner);
    for (let more = free; ; more = (more - 1) & free) {
      const w = base | more;
      factorsInto(factor, causes[w]!, w, apart, weighed);
      const off = second.off[w]!;
      const a = second.without[w]!;
      const b = second.withIt[w]!;
      const offBy = off * (a - b);
      for (const { sums, off: keptOff, into: places, last } of layers)
        for (let i = 0; i < places.length; i++) {
          const s = FEW[i]!;
          let sum = 0;
          let none = 0;
          for (let g = 0; g < groups; g++) {
            sum += factor[g]! * sums[g]![s]!;
            none += factor[g]! * keptOff[g]![s]!;
          }
          places[i]![w] = b * sum + offBy * none;
          if (i < last.length) last[i]![w] = b * (sum - off * none);
        }
      if (more === 0) break;
    }
  }
  const mechanisms = Float64Array.from(one, (worlds) => worlds.reduce((a, b) => a + b, 0));
  return { mass, mechanisms, open: { one, two } };
}
