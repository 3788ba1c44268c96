/** Least radius of the structural root zone, m. */
const LEAST = 1.5;

/**
 * Structural root zone: radius within which roots hold the tree up, m.
 *
 * Source: AS 4970:2009, (D x 50)^0.42 x 0.64, at least 1.5 m (from memory).
 *
 * @param diameter stem diameter above the buttress, m
 * @example structuralRootZone(0.5) // 2.47
 */
export const structuralRootZone = (diameter: number): number =>
  Math.max(LEAST, (diameter * 50) ** 0.42 * 0.64);
