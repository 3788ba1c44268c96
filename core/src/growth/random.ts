/** Numbers that look random and are the same for the same seed (mulberry32, Tommy Ettinger; from memory), 0 to 1. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Standard normal from uniform numbers (Box and Muller 1958). */
export function normalFrom(uniform: () => number): () => number {
  let spare: number | undefined;
  return () => {
    if (spare !== undefined) {
      const kept = spare;
      spare = undefined;
      return kept;
    }
    const radius = Math.sqrt(-2 * Math.log(1 - uniform()));
    const angle = 2 * Math.PI * uniform();
    spare = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}

/** A positive number with this mean and coefficient of variation, log-normal. */
export function logNormal(mean: number, variation: number, normal: () => number): number {
  const s2 = Math.log(1 + variation * variation);
  return mean * Math.exp(Math.sqrt(s2) * normal() - s2 / 2);
}
