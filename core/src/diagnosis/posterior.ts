import { CAUSE_KEYS, INNER_MECHANISMS } from '../vocabulary/causes';
import type { CompiledFinding, Network } from './network';
import { sumFolded, sumOpen, supersets, type Joint } from './worlds';

/** What was seen of one finding: how well each answer agrees with it, 1 for the answer given and 0 for the others. */
export interface Seen {
  key: string;
  /** In the order of the finding's answers; any positive scale. */
  agrees: readonly number[];
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
  const mass = new Float64Array(1 << priors.length);
  mass[0] = priors.reduce((product, p) => product * (1 - p), 1);
  for (let world = 1; world < mass.length; world++) {
    const p = priors[31 - Math.clz32(world & -world)]!;
    mass[world] = (mass[world & (world - 1)]! * p) / (1 - p);
  }
  return mass;
}

function spread(worlds: Float64Array, place: Uint16Array, chance: Float64Array): void {
  for (let w = 0; w < worlds.length; w++) worlds[w]! *= chance[place[w]!]!;
}

const spreadNew = (place: Uint16Array, chance: Float64Array): Float64Array => {
  const worlds = new Float64Array(place.length);
  for (let w = 0; w < worlds.length; w++) worlds[w] = chance[place[w]!]!;
  return worlds;
};

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
  const chances = new Map<string, { causes: number; chance: [Float64Array, Float64Array] }>();
  for (const { key, agrees } of seen) {
    const compiled = network.findings.get(key);
    if (!compiled) throw new RangeError(`Finding ${key} is not in the table.`);
    if (agrees.length !== compiled.finding.answers.length)
      throw new RangeError(
        `Finding ${key}: ${agrees.length} answers; the table has ${compiled.finding.answers.length}.`,
      );
    const chance = likelihood(compiled, agrees);
    const known = chances.get(key);
    if (known) known.chance.forEach((all, m) => all.forEach((v, k) => (all[k] = v * chance[m]![k]!)));
    else chances.set(key, { causes: compiled.causes, chance });
  }
  const mass = massOfCauses(priors.slice(0, network.count));
  const weights: [Float64Array, Float64Array][] = [];
  let bound = network.innerCauses;
  /** Inner mechanisms with findings that speak of other causes as well, and these causes. */
  const apart = new Map<number, number>();
  for (const { mechanism, states, place, members } of network.blocs) {
    const here = [...members].flatMap(([key, index]) => {
      const known = chances.get(key);
      return known ? [{ index, ...known }] : [];
    });
    if (here.length === 0) continue;
    const causes = here.reduce((mask, one) => mask | one.causes, 0);
    if (mechanism === INNER_MECHANISMS) bound |= causes;
    if (mechanism >= 0 && mechanism < INNER_MECHANISMS && (causes & ~network.innerCauses) !== 0)
      apart.set(mechanism, (apart.get(mechanism) ?? 0) | causes);
    /** All of the bloc that was seen, without the mechanism (0) or with it (1). */
    const together = (m: 0 | 1) => {
      const all = new Float64Array(states).fill(1);
      for (const { index, chance } of here) for (let s = 0; s < states; s++) all[s]! *= chance[m][index[s]!]!;
      return all;
    };
    if (mechanism < 0) {
      spread(mass, place, together(0));
      continue;
    }
    const both = weights[mechanism];
    if (both) for (const m of [0, 1] as const) spread(both[m], place, together(m));
    else weights[mechanism] = [spreadNew(place, together(0)), spreadNew(place, together(1))];
  }
  const free = (of: number) => ~of & (mass.length - 1);
  if (!withPairs) return sumFolded(network, mass, weights, free(bound), [...apart.keys()]);
  // Laid open each group costs as much as the first: of more than two the causes are bound.
  const [kept, rest] = [[...apart].slice(0, 2), [...apart].slice(2)];
  for (const [, causes] of rest) bound |= causes;
  return sumOpen(
    network,
    mass,
    weights,
    free(bound),
    kept.map(([mechanism]) => mechanism),
  );
}

/** Chances of every cause, in the order of CAUSE_KEYS, and of every mechanism, and the total mass they were taken from. */
export interface Marginals {
  total: number;
  causes: Float64Array;
  mechanisms: Float64Array;
}

function marginalsOfWorlds(mass: Float64Array): { total: number; causes: Float64Array } {
  const folded = Float64Array.from(mass);
  const causes = new Float64Array(CAUSE_KEYS.length);
  for (let bit = Math.log2(mass.length) - 1; bit >= 0; bit--) {
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

/** Chance of every pair of causes: `pairs[i][j]` for i > j; none with one that cannot be. */
export function causePairs(joint: Joint): number[][] {
  const mass = Float64Array.from(joint.mass);
  supersets(mass, Math.log2(mass.length));
  const total = mass[0]!;
  return Array.from({ length: CAUSE_KEYS.length }, (_, i) =>
    Array.from({ length: i }, (_, j) => (mass[(1 << i) | (1 << j)] ?? 0) / total),
  );
}
