/** Matters of practice that bear on the cut plan itself. */
export const SCHOOLS_OF_CUTS: readonly string[] = ['girdling', 'rootLoss'];

/** What another school would make of the best cut plan: by matter and school, in sentences. */
export type CutsUnder = Record<string, Record<string, string[]>>;
