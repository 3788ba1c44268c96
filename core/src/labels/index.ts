/** Made when first asked for: it takes a slow phone a tenth of a second to have the rules of a language ready. */
let collator: Intl.Collator | undefined;

const byRules = (a: string, b: string): number =>
  (collator ??= new Intl.Collator('en', { numeric: true })).compare(a, b);

const PLAIN = /^[A-Za-z0-9 ]*$/;
const PIECES = /\d+|\D/g;
const piecesOf = (label: string): string[] => label.toLowerCase().match(PIECES) ?? [];

/** Spaces before numbers, numbers before letters. */
const byPiece = (a: string, b: string): number => {
  const both = Number(a) - Number(b);
  if (a !== ' ' && b !== ' ' && !Number.isNaN(both)) return both;
  return a < b ? -1 : a > b ? 1 : 0;
};

/** The order of labels made of letters, numbers and spaces, as the rules have it; 0 where they alone tell two apart. */
function plainly(a: string, b: string): number {
  const [one, other] = [piecesOf(a), piecesOf(b)];
  for (let i = 0; i < Math.min(one.length, other.length); i++) {
    const order = byPiece(one[i]!, other[i]!);
    if (order !== 0) return order;
  }
  return one.length - other.length;
}

/** Order of labels as people number things: Linden 3 before Linden 17, D2 before D10. */
export function byLabel(a: string, b: string): number {
  if (a === b) return 0;
  return (PLAIN.test(a) && PLAIN.test(b) && plainly(a, b)) || byRules(a, b);
}

/** The roots of a dig by their labels: the same dig gives the same figures and plans, however it was stored. */
export const inOrder = <D extends { roots: readonly { label: string }[] }>(dig: D): D => ({
  ...dig,
  roots: [...dig.roots].sort((a, b) => byLabel(a.label, b.label)),
});
