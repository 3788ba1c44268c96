import { INNER_MECHANISMS } from './causes';
import {
  CAUSE_COUNT,
  INNER_STATES,
  MECHANISM_COUNT,
  WORLDS,
  type CompiledFinding,
  type Network,
} from './network';

/** What was seen of one finding: how well each answer agrees with it, 1 for the answer given and 0 for the others. */
export interface Seen {
  key: string;
  /** In the order of the finding's answers; any positive scale. */
  agrees: readonly number[];
}

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

/** Chance of what was seen, for each state of what the finding depends on: `[without, with its mechanism][place]`. */
export function likelihood(
  compiled: CompiledFinding,
  agrees: readonly number[],
): [Float64Array, Float64Array] {
  return [0, 1].map((m) => {
    const sum = new Float64Array(compiled.chance[0]![m]!.length);
    agrees.forEach((weight, g) => {
      if (weight === 0) return;
      const chance = compiled.chance[g]![m]!;
      for (let k = 0; k < sum.length; k++) sum[k]! += weight * chance[k]!;
    });
    return sum;
  }) as [Float64Array, Float64Array];
}

function massOfCauses(priors: readonly number[]): Float64Array {
  const mass = new Float64Array(WORLDS);
  mass[0] = priors.reduce((product, p) => product * (1 - p), 1);
  for (let world = 1; world < WORLDS; world++) {
    const p = priors[31 - Math.clz32(world & -world)]!;
    mass[world] = (mass[world & (world - 1)]! * p) / (1 - p);
  }
  return mass;
}

/** Sums over supersets, in place: afterwards each entry holds the mass of all states that include it. */
function supersets(states: Float64Array, bits: number): void {
  for (let bit = 0; bit < bits; bit++) {
    const step = 1 << bit;
    for (let s = 0; s < 1 << bits; s++) if ((s & step) === 0) states[s]! += states[s | step]!;
  }
}

function spread(worlds: Float64Array, place: Uint16Array, chance: Float64Array): void {
  for (let w = 0; w < worlds.length; w++) worlds[w]! *= chance[place[w]!]!;
}

/**
 * Sums the mechanisms out, world by world. Mechanisms that lead to no other are summed against the states of those
 * before them, so that 64 states are walked instead of 256.
 *
 * @param priors chance of each cause, in the order of CAUSE_KEYS
 * @param seen findings that were looked at; their order does not matter
 * @param withPairs also lay it open by world with every pair of mechanisms, which explanation and next checks need
 * @throws RangeError for a finding or a number of answers that the table does not have
 */
export function jointOf(
  network: Network,
  priors: readonly number[],
  seen: readonly Seen[],
  withPairs = false,
): Joint {
  // Findings that depend on the same causes and mechanism are multiplied before they are spread over the worlds.
  const together = new Map<string, { compiled: CompiledFinding; chance: [Float64Array, Float64Array] }>();
  for (const { key, agrees } of seen) {
    const compiled = network.findings.get(key);
    if (!compiled) throw new RangeError(`Finding ${key} is not in the table.`);
    if (agrees.length !== compiled.finding.answers.length)
      throw new RangeError(
        `Finding ${key}: ${agrees.length} answers; the table has ${compiled.finding.answers.length}.`,
      );
    const chance = likelihood(compiled, agrees);
    const known = together.get(compiled.dependsOn);
    if (!known) together.set(compiled.dependsOn, { compiled, chance });
    else known.chance.forEach((all, m) => all.forEach((v, k) => (all[k] = v * chance[m]![k]!)));
  }
  const mass = massOfCauses(priors);
  const weights: [Float64Array, Float64Array][] = [];
  let bound = network.innerCauses;
  for (const { compiled, chance } of together.values()) {
    const { place, mechanism } = compiled;
    if (mechanism >= 0 && mechanism <= INNER_MECHANISMS) bound |= compiled.causes;
    if (mechanism < 0) {
      spread(mass, place, chance[0]);
      continue;
    }
    const both = (weights[mechanism] ??= [
      new Float64Array(WORLDS).fill(1),
      new Float64Array(WORLDS).fill(1),
    ]);
    spread(both[0], place, chance[0]);
    spread(both[1], place, chance[1]);
  }
  return withPairs
    ? sumOpen(network, mass, weights)
    : sumFolded(network, mass, weights, ~bound & (WORLDS - 1));
}

/** One of the last mechanisms: it depends on a state of the inner ones only by what they keep off. */
interface End {
  mechanism: number;
  /** Which entry of `keptOff` a state of the inner mechanisms means. */
  place: Uint8Array;
  keptOff: Float64Array;
  /** In the world at hand, for each entry: mass with and without it, and the share with it. */
  sum: Float64Array;
  share: Float64Array;
}

function endOf(mechanism: number, keptOffByState: Float64Array): End {
  const keptOff = Float64Array.from(new Set(keptOffByState));
  return {
    mechanism,
    place: Uint8Array.from(keptOffByState, (v) => keptOff.indexOf(v)),
    keptOff,
    sum: new Float64Array(keptOff.length),
    share: new Float64Array(keptOff.length),
  };
}

type Weights = readonly (readonly [Float64Array, Float64Array] | undefined)[];

/** What is needed to lay out one world: its inner mechanisms state by state, and the two ends against them. */
function layout({ keptOffByCauses, keptOffByMechanisms: kept }: Network, weights: Weights) {
  const inner = INNER_MECHANISMS;
  const ones = new Float64Array(WORLDS).fill(1);
  const without = kept.map((_, m) => weights[m]?.[0] ?? ones);
  const withIt = kept.map((_, m) => weights[m]?.[1] ?? ones);
  return {
    first: endOf(inner, kept[inner]!),
    second: endOf(inner + 1, kept[inner + 1]!),
    /** Chance of each state of the inner mechanisms in a world, with what was seen of them; times `mass`. */
    lay(joint: Float64Array, w: number, mass: number): void {
      joint[0] = mass;
      for (let m = 0; m < inner; m++) {
        const by = kept[m]!;
        const off = keptOffByCauses[m]![w]!;
        const a = without[m]![w]!;
        const b = withIt[m]![w]!;
        const step = 1 << m;
        for (let s = 0; s < step; s++) {
          const before = joint[s]!;
          const none = before * off * by[s]!;
          joint[s] = none * a;
          joint[s + step] = (before - none) * b;
        }
      }
    },
    stand({ mechanism, keptOff, sum, share }: End, w: number): void {
      const off = keptOffByCauses[mechanism]![w]!;
      const a = without[mechanism]![w]!;
      const b = withIt[mechanism]![w]!;
      for (let k = 0; k < keptOff.length; k++) {
        const none = off * keptOff[k]!;
        const there = (1 - none) * b;
        const all = none * a + there;
        sum[k] = all;
        share[k] = there / all;
      }
    },
  };
}

/**
 * Sums worlds that differ only in causes which the inner mechanisms and the first end know nothing of: these are laid
 * out once for all of them, and only the last end is met anew.
 *
 * @param free bits of such causes
 */
function sumFolded(network: Network, causes: Float64Array, weights: Weights, free: number): Joint {
  const { first, second, lay, stand } = layout(network, weights);
  const states = INNER_STATES;
  const inner = INNER_MECHANISMS;
  const mass = new Float64Array(WORLDS);
  const joint = new Float64Array(states);
  const overall = new Float64Array(states);
  const mechanisms = new Float64Array(MECHANISM_COUNT);
  const { place: place1, sum: sum1, share: share1 } = first;
  const { place: place2, sum: sum2, share: share2 } = second;
  const kinds = second.keptOff.length;
  const [bins, binsFirst, met] = [0, 1, 2].map(() => new Float64Array(kinds)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let base = 0; base < causes.length; base++) {
    if ((base & free) !== 0) continue;
    lay(joint, base, 1);
    stand(first, base);
    bins.fill(0);
    binsFirst.fill(0);
    met.fill(0);
    for (let s = 0; s < states; s++) {
      const p1 = place1[s]!;
      const here = joint[s]! * sum1[p1]!;
      joint[s] = here;
      bins[place2[s]!]! += here;
      binsFirst[place2[s]!]! += here * share1[p1]!;
    }
    for (let more = free; ; more = (more - 1) & free) {
      const w = base | more;
      const c = causes[w]!;
      stand(second, w);
      let all = 0;
      let all1 = 0;
      let all2 = 0;
      for (let k = 0; k < kinds; k++) {
        const meets = sum2[k]!;
        const here = bins[k]! * meets;
        all += here;
        all1 += binsFirst[k]! * meets;
        all2 += here * share2[k]!;
        met[k]! += c * meets;
      }
      mass[w] = c * all;
      mechanisms[inner]! += c * all1;
      mechanisms[inner + 1]! += c * all2;
      if (more === 0) break;
    }
    for (let s = 0; s < states; s++) overall[s]! += joint[s]! * met[place2[s]!]!;
  }
  supersets(overall, inner);
  for (let m = 0; m < inner; m++) mechanisms[m] = overall[1 << m]!;
  return { mass, mechanisms };
}

/** World by world, every mechanism and pair of them kept apart. */
function sumOpen(network: Network, causes: Float64Array, weights: Weights): Joint {
  const { first, second, lay, stand } = layout(network, weights);
  const states = INNER_STATES;
  const inner = INNER_MECHANISMS;
  const make = () => new Float64Array(WORLDS);
  const mass = make();
  const one = Array.from({ length: MECHANISM_COUNT }, make);
  const two = Array.from({ length: MECHANISM_COUNT }, (_, m) => Array.from({ length: m }, make));
  const joint = new Float64Array(states);
  const ofFirst = new Float64Array(states);
  const ofSecond = new Float64Array(states);
  const { place: place1, sum: sum1, share: share1 } = first;
  const { place: place2, sum: sum2, share: share2 } = second;
  for (let w = 0; w < causes.length; w++) {
    lay(joint, w, causes[w]!);
    stand(first, w);
    stand(second, w);
    let both = 0;
    for (let s = 0; s < states; s++) {
      const p1 = place1[s]!;
      const p2 = place2[s]!;
      const here = joint[s]! * sum1[p1]! * sum2[p2]!;
      const with1 = here * share1[p1]!;
      joint[s] = here;
      ofFirst[s] = with1;
      ofSecond[s] = here * share2[p2]!;
      both += with1 * share2[p2]!;
    }
    supersets(ofFirst, inner);
    supersets(ofSecond, inner);
    supersets(joint, inner);
    mass[w] = joint[0]!;
    one[inner]![w] = ofFirst[0]!;
    one[inner + 1]![w] = ofSecond[0]!;
    two[inner + 1]![inner]![w] = both;
    for (let m = 0; m < inner; m++) {
      one[m]![w] = joint[1 << m]!;
      two[inner]![m]![w] = ofFirst[1 << m]!;
      two[inner + 1]![m]![w] = ofSecond[1 << m]!;
      for (let n = 0; n < m; n++) two[m]![n]![w] = joint[(1 << m) | (1 << n)]!;
    }
  }
  const mechanisms = Float64Array.from(one, (worlds) => worlds.reduce((a, b) => a + b, 0));
  return { mass, mechanisms, open: { one, two } };
}

/** Chances of every cause and mechanism, and the total mass they were taken from. */
export interface Marginals {
  total: number;
  causes: Float64Array;
  mechanisms: Float64Array;
}

function marginalsOfWorlds(mass: Float64Array): { total: number; causes: Float64Array } {
  const folded = Float64Array.from(mass);
  const causes = new Float64Array(CAUSE_COUNT);
  for (let bit = CAUSE_COUNT - 1; bit >= 0; bit--) {
    const step = 1 << bit;
    let sum = 0;
    for (let s = 0; s < step; s++) {
      sum += folded[s + step]!;
      folded[s]! += folded[s + step]!;
    }
    causes[bit] = sum;
  }
  return { total: folded[0]!, causes };
}

export function marginalsOf(joint: Joint): Marginals {
  const { total, causes } = marginalsOfWorlds(joint.mass);
  return {
    total,
    causes: causes.map((c) => c / total),
    mechanisms: joint.mechanisms.map((m) => m / total),
  };
}

/** Chance of every pair of causes: `pairs[i][j]` for i > j. */
export function causePairs(joint: Joint): number[][] {
  const mass = Float64Array.from(joint.mass);
  supersets(mass, CAUSE_COUNT);
  const total = mass[0]!;
  return Array.from({ length: CAUSE_COUNT }, (_, i) =>
    Array.from({ length: i }, (_, j) => mass[(1 << i) | (1 << j)]! / total),
  );
}

/**
 * A joint seen from one finding: the mass of each state of what it depends on, alone and with each cause and mechanism.
 * From it the marginals follow for any answer, given or taken back, without walking the worlds again.
 */
export interface Seat {
  /** `[without, with its mechanism][place]` */
  mass: [Float64Array, Float64Array];
  causes: [Float64Array, Float64Array][];
  mechanisms: [Float64Array, Float64Array][];
}

/** Half of the causes, and the worlds of that half. */
const HALF = CAUSE_COUNT / 2;
const HALF_WORLDS = 1 << HALF;

/** Sums an array over worlds down to the places of a finding. */
function toPlaces(values: Float64Array, place: Uint16Array, size: number): Float64Array {
  const sums = new Float64Array(size);
  for (let w = 0; w < place.length; w++) sums[place[w]!]! += values[w]!;
  return sums;
}

/**
 * The same for every cause: only the worlds with that cause. One walk sums by place and, in place of a walk for each
 * cause, each world is added to a tree of halves: causes above and below share the work.
 */
function causesToPlaces(values: Float64Array, place: Uint16Array, size: number): Float64Array[] {
  const sums = Array.from({ length: CAUSE_COUNT }, () => new Float64Array(size));
  const half = HALF;
  const lower = HALF_WORLDS - 1;
  const rows = new Float64Array(size << half);
  // First by place and the lower half of the causes, then by place and the upper half.
  for (let w = 0; w < values.length; w++) rows[(place[w]! << half) | (w & lower)]! += values[w]!;
  gather(0);
  rows.fill(0);
  for (let w = 0; w < values.length; w++) rows[(place[w]! << half) | (w >> half)]! += values[w]!;
  gather(HALF);
  return sums;

  function gather(first: number): void {
    for (let k = 0; k < size; k++) {
      const base = k << HALF;
      for (let bit = HALF - 1; bit >= 0; bit--) {
        const step = 1 << bit;
        let held = 0;
        for (let s = 0; s < step; s++) {
          held += rows[base + s + step]!;
          rows[base + s]! += rows[base + s + step]!;
        }
        sums[first + bit]![k] = held;
      }
    }
  }
}

const less = (all: Float64Array, some: Float64Array): Float64Array => all.map((v, k) => v - some[k]!);

/** @param joint laid open */
export function seatOf(joint: Joint, compiled: CompiledFinding): Seat {
  const { place, mechanism, chance } = compiled;
  const { one, two } = joint.open!;
  const size = chance[0]![0]!.length;
  const down = (values: Float64Array) => toPlaces(values, place, size);
  const none = new Float64Array(size);
  const mass = down(joint.mass);
  const causes = causesToPlaces(joint.mass, place, size);
  if (mechanism < 0) {
    return {
      mass: [mass, none],
      causes: causes.map((c) => [c, none]),
      mechanisms: one.map((m) => [down(m), none]),
    };
  }
  const there = one[mechanism]!;
  const withIt = down(there);
  const causesWith = causesToPlaces(there, place, size);
  return {
    mass: [less(mass, withIt), withIt],
    causes: causes.map((c, i) => [less(c, causesWith[i]!), causesWith[i]!]),
    mechanisms: one.map((m, n) => {
      if (n === mechanism) return [none, withIt];
      const both = down(two[Math.max(n, mechanism)]![Math.min(n, mechanism)]!);
      return [less(down(m), both), both];
    }),
  };
}

/**
 * The marginals if the finding had said otherwise: the mass times a factor for each state of what it depends on. Dividing
 * its likelihood out takes the finding back; multiplying one in adds it.
 */
export function reweighted(seat: Seat, factor: readonly [Float64Array, Float64Array]): Marginals {
  const sum = ([without, withIt]: readonly [Float64Array, Float64Array]) => {
    let all = 0;
    for (let k = 0; k < without.length; k++) all += without[k]! * factor[0][k]! + withIt[k]! * factor[1][k]!;
    return all;
  };
  const total = sum(seat.mass);
  return {
    total,
    causes: Float64Array.from(seat.causes, (c) => sum(c) / total),
    mechanisms: Float64Array.from(seat.mechanisms, (m) => sum(m) / total),
  };
}
