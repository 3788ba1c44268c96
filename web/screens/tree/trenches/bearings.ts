/** Degrees between two bearings, the shorter way. */
export const apart = (a: number, b: number): number => Math.min((a - b + 720) % 360, (b - a + 720) % 360);

/** A list of bearings without one; undefined when none is left. */
export function without(list: readonly number[] | undefined, bearing: number): number[] | undefined {
  const left = (list ?? []).filter((b) => apart(b, bearing) > 0.5);
  return left.length > 0 ? left : undefined;
}
