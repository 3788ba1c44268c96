/** A label as it stands within a sentence: its first letter small, unless the word begins with more than one capital, as DBH. */
export const inSentence = (label: string): string =>
  /^\p{Lu}\p{Lu}/u.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1);

/** Names of work in a row. They hold commas of their own, so semicolons part them: `Root pruning; stake; ties, wire and labels off`. */
export const inARow = (titles: readonly string[]): string =>
  titles.map((title, i) => (i === 0 ? title : inSentence(title))).join('; ');

/** Made when first asked for: the first of its kind takes a slow phone a while. */
const lists: { conjunction?: Intl.ListFormat; disjunction?: Intl.ListFormat } = {};

/** Things in a sentence: `a, b and c`; `a, b or c` of a disjunction. */
export const listed = (
  things: readonly string[],
  type: 'conjunction' | 'disjunction' = 'conjunction',
): string => (lists[type] ??= new Intl.ListFormat('en-GB', { type })).format(things);
