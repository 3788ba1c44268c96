const collator = new Intl.Collator('en', { numeric: true });

/** Order of labels as people number things: Linden 3 before Linden 17, D2 before D10. */
export const byLabel = (a: string, b: string): number => collator.compare(a, b);

/** The roots of a dig by their labels: the same dig gives the same figures and plans, however it was stored. */
export const inOrder = <D extends { roots: readonly { label: string }[] }>(dig: D): D => ({
  ...dig,
  roots: [...dig.roots].sort((a, b) => byLabel(a.label, b.label)),
});
