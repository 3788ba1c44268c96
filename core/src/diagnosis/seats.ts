import { CAUSE_KEYS } from '../vocabulary/causes';
import type { Bloc, Network } from './network';
import type { Marginals } from './posterior';
import type { Joint } from './worlds';

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
  const count = Math.log2(values.length);
  // What cannot be is in no world: its mass stays nothing.
  const sums = CAUSE_KEYS.map(() => new Float64Array(size));
  const low = count >> 1;
  const high = count - low;
  const rows = new Float64Array(size << high);
  // First by place and the lower half of the causes, then by place and the upper half.
  const lower = (1 << low) - 1;
  for (let w = 0; w < values.length; w++) rows[(place[w]! << low) | (w & lower)]! += values[w]!;
  gather(0, low);
  rows.fill(0);
  for (let w = 0; w < values.length; w++) rows[(place[w]! << high) | (w >> low)]! += values[w]!;
  gather(low, high);
  return sums;

  function gather(first: number, bits: number): void {
    for (let k = 0; k < size; k++) {
      const base = k << bits;
      for (let bit = bits - 1; bit >= 0; bit--) {
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

/** What a seat depends on: a mechanism or none (-1), and which of so many combinations of causes holds in each world. */
interface Sitting {
  mechanism: number;
  states: number;
  place: Uint16Array;
}

/** @param joint laid open */
function seatOf(joint: Joint, { place, mechanism, states }: Sitting): Seat {
  const { one, two } = joint.open!;
  const down = (values: Float64Array) => toPlaces(values, place, states);
  const none = new Float64Array(states);
  const mass = down(joint.mass);
  const causes = causesToPlaces(joint.mass, place, states);
  if (mechanism < 0) {
    return {
      mass: [mass, none],
      causes: causes.map((c) => [c, none]),
      mechanisms: one.map((m) => [down(m), none]),
    };
  }
  const there = one[mechanism]!;
  const withIt = down(there);
  const causesWith = causesToPlaces(there, place, states);
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

/** A seat of a finding out of that of its bloc, which tells its causes apart and more. */
function narrowed(whole: Seat, place: Uint16Array, size: number): Seat {
  const pair = ([without, withIt]: [Float64Array, Float64Array]): [Float64Array, Float64Array] => [
    toPlaces(without, place, size),
    toPlaces(withIt, place, size),
  ];
  return {
    mass: pair(whole.mass),
    causes: whole.causes.map(pair),
    mechanisms: whole.mechanisms.map(pair),
  };
}

/**
 * The seats of findings in a joint, by key: the worlds are walked once for each bloc of findings, and each finding is
 * told from its bloc.
 *
 * @param joint laid open
 * @returns throws RangeError for a finding that the table does not have
 */
export function seatsOf(network: Network, joint: Joint): (key: string) => Seat {
  const wholes = new Map<Bloc, Seat>();
  return (key) => {
    const bloc = network.blocs.find((b) => b.members.has(key));
    if (!bloc) throw new RangeError(`Finding ${key} is not in the table.`);
    let whole = wholes.get(bloc);
    if (!whole) wholes.set(bloc, (whole = seatOf(joint, bloc)));
    return narrowed(whole, bloc.members.get(key)!, network.findings.get(key)!.chance[0]![0]!.length);
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
