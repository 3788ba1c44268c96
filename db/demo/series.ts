/** Small deterministic variation for made-up measurements: the demo is the same on every machine. */
export function variation(seed: number): (spread: number) => number {
  let state = seed >>> 0 || 1;
  return (spread) => {
    // Numerical Recipes' linear congruential generator; good enough for invented rod readings.
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return (state / 2 ** 32 - 0.5) * 2 * spread;
  };
}

export const cm = (value: number): number => Math.round(value * 100) / 100;
