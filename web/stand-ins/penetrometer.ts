/** One reading while the cone goes down: depth m, cone index Pa. */
export interface Reading {
  depth: number;
  pressure: number;
}

export type PenetrometerEvent =
  | { kind: 'reading'; reading: Reading }
  | { kind: 'end'; stopped: number | undefined };

/** A recording penetrometer: one push at a time, told while the cone goes down. */
export interface Penetrometer {
  readonly name: string;
  push(place: string): AsyncIterable<PenetrometerEvent>;
}

const STEP = 0.01;
const DEEPEST = 0.6;
/** The simulated cone's pace, ms for each centimetre: 3 cm a second, as the standard asks. */
const PACE_MS = 33;
/** What its frame can bear, Pa. */
const MOST = 5e6;

/** Park and Miller's generator (1988, from memory), begun from a text. */
function chances(text: string): () => number {
  let state = 7;
  for (const c of text) state = (Math.imul(state, 31) + c.charCodeAt(0)) & 0x7fffffff;
  state = (state % 2147483646) + 1;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/**
 * Stands in for a penetrometer: topsoil, a pan at about 25 cm, softer below, with noise; a stone now and then, and a
 * refusal where the stone is large. The same place gives the same push.
 */
export const simulatedPenetrometer: Penetrometer = {
  name: 'simulated penetrometer',
  async *push(place) {
    const next = chances(place);
    next();
    const pan = 0.22 + 0.06 * next();
    const thick = 0.08 + 0.05 * next();
    const stone = next() < 0.3 ? 0.1 + 0.35 * next() : undefined;
    const large = next() < 0.3;
    for (let k = 1; k * STEP <= DEEPEST + 1e-9; k++) {
      const depth = Number((k * STEP).toFixed(2));
      const inPan = Math.max(0, 1 - ((depth - pan - thick / 2) / (thick / 1.2)) ** 2);
      const here = 0.5e6 + 1.1e6 * Math.min(1, depth / 0.3) + 1.9e6 * inPan;
      const met = stone !== undefined && Math.abs(depth - stone) < 0.015;
      const pressure = here * (0.9 + 0.2 * next()) + (met ? 2.2e6 : 0);
      if ((met && large) || pressure > MOST) {
        yield { kind: 'end', stopped: depth };
        return;
      }
      await new Promise((done) => setTimeout(done, PACE_MS));
      yield { kind: 'reading', reading: { depth, pressure: Math.round(pressure / 1e4) * 1e4 } };
    }
    yield { kind: 'end', stopped: undefined };
  },
};
