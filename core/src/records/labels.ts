const collator = new Intl.Collator('en', { numeric: true });

/** Order of labels as people number things: Linden 3 before Linden 17, D2 before D10. */
export const byLabel = (a: string, b: string): number => collator.compare(a, b);
