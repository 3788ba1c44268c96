/** @param sorted figures, the least first @param q from 0 to 1 */
export const quantile = (sorted, q) => sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))];
