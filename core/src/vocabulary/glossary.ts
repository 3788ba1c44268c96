/**
 * The field's standard terms and what they mean: interface, documents and the pages of clients explain them from here. Terms
 * are common practice, no source; they follow the usage of consulting arborists.
 */
export const GLOSSARY: readonly { name: string; as?: RegExp; value: string }[] = [
  { name: 'root collar', value: 'Where the stem turns into roots; it belongs at the surface of the ground.' },
  { name: 'flare', value: 'The widening of the stem at the root collar.' },
  {
    name: 'structural roots',
    as: /structural root/i,
    value: 'The first large roots that leave the stem and hold the tree.',
  },
  {
    name: 'girdling root',
    as: /girdling root|girdl/i,
    value: 'A root that crosses the stem and compresses it as both thicken.',
  },
  {
    name: 'circling root',
    as: /circling root|circl/i,
    value: 'A root turned by the wall of a pot that goes on going round.',
  },
  {
    name: 'adventitious root',
    as: /adventitious root|adventitious/i,
    value: 'A root grown out of buried stem.',
  },
  { name: 'anchor', as: /\banchors?\b/i, value: 'A root that holds the tree upright.' },
  { name: 'fill', as: /\bfill\b/i, value: 'Soil laid over the original ground after planting.' },
  { name: 'grade', as: /\bgrade\b/i, value: 'The surface of the ground.' },
  { name: 'DBH', value: 'Diameter of the stem at breast height, 1.3 m (4.5 ft) above grade.' },
  { name: 'dieback', value: 'Branches that die from the tip inward.' },
  { name: 'drip line', value: 'The edge of the crown seen from above.' },
  {
    name: 'root collar excavation',
    value: 'Taking out soil and mulch round the stem until the first roots are in view.',
  },
  {
    name: 'radial trench',
    as: /radial trench/i,
    value: 'A narrow trench pointing away from the stem, refilled so that roots and water get out.',
  },
  { name: 'air tool', value: 'A lance that blows soil away with compressed air and leaves roots whole.' },
  {
    name: 'root ball',
    as: /\broot ball\b|\bball\b/i,
    value: 'The roots and soil that a tree is lifted and planted with.',
  },
  {
    name: 'transplant shock',
    value: 'Standing still after a move, because most of the roots stayed behind, until new ones are out.',
  },
  { name: 'graft union', value: 'Where the tree was grafted onto the roots of another.' },
  { name: 'rootstock', value: 'The roots a tree was grafted onto.' },
  { name: 'reset', value: 'Lifting a young tree and planting it again at the right height.' },
  { name: 'spoil', value: 'Soil that was dug out.' },
];

const sign = ({ name, as }: (typeof GLOSSARY)[number]): RegExp => as ?? new RegExp(`\\b${name}`, 'i');

/** The terms of the glossary that a text uses. */
export const glossaryFor = (used: string): { name: string; value: string }[] =>
  GLOSSARY.filter((term) => sign(term).test(used)).map(({ name, value }) => ({ name, value }));

/** A piece of a text: plain, or a term with what it means. */
export interface Piece {
  text: string;
  means?: string;
}

/**
 * A text cut where a term stands for the first time.
 *
 * @param known terms explained before; those explained here join them
 */
export function withTerms(text: string, known: Set<string>): Piece[] {
  const found = GLOSSARY.filter(({ name }) => !known.has(name))
    .flatMap((term) => {
      const match = new RegExp(`(?:${sign(term).source})\\w*`, 'i').exec(text);
      return match ? [{ term, at: match.index, end: match.index + match[0].length }] : [];
    })
    .sort((a, b) => a.at - b.at || b.end - a.end);
  const pieces: Piece[] = [];
  let from = 0;
  for (const { term, at, end } of found) {
    if (at < from) continue;
    if (at > from) pieces.push({ text: text.slice(from, at) });
    pieces.push({ text: text.slice(at, end), means: term.value });
    known.add(term.name);
    from = end;
  }
  return from < text.length || pieces.length === 0 ? [...pieces, { text: text.slice(from) }] : pieces;
}

/**
 * One word for one thing: what is written, and what is not written for it. A test reads every text of interface, documents,
 * command line and docs by it.
 */
export const ONE_WORD: readonly { write: string; not: RegExp }[] = [
  { write: 'compressed', not: /\bsqueez/i },
  { write: 'property', not: /\bgrounds\b/i },
  { write: 'examined, inspected or checked', not: /\blook(?:ed|s) at\b|\ba look at\b|\bnext look\b/i },
  { write: 'planned', not: /\blaid out\b/i },
  {
    write: 'reported, shown or determined',
    not: /\bas told\b|\btold by\b|cannot be told(?! from)|\btells? most\b/i,
  },
  { write: 'is wrong with', not: /\bails?\b/i },
  { write: 'happened to', not: /\bbefell|\bbefall/i },
  { write: 'again, or a verb with re-', not: /\banew\b/i },
  { write: 'correct or repair', not: /\bmend(?:s|ed|ing)?\b/i },
  { write: 'radial trench', not: /\bspokes?\b/i },
  {
    write: 'consider or reassess',
    not: /\bworth weighing\b|\bweigh (?:it|the rest|the verdict|everything) again\b|\bthis weighing\b/i,
  },
  {
    write: 'tolerate',
    not: /\b(?:stands?) (?:drought|salt|loss|soil|it|this ground)\b|\bwhat (?:it|they) stands?\b/i,
  },
  { write: 'import', not: /\bbrought in\b|\bbring in\b/i },
  { write: 'withdraw or undo', not: /\btaken? back\b|\btake it back\b/i },
  { write: 'could not be reached', not: /\bw(?:as|ere) not reached\b/i },
  { write: 'no longer exists', not: /\bnot there any ?more\b/i },
  { write: 'almost certain', not: /\bas good as certain\b/i },
  { write: 'trunk flare or root flare: flare', not: /\btrunk flare\b|\bbutt flare\b/i },
  { write: 'stem', not: /\btrunks?\b/i },
  { write: 'soil line', not: /\bground line\b/i },
  { write: 'about, before a number', not: /\bsome \d/i },
];
