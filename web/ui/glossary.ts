/** What the trade's words mean, for whoever reads a report. */
const WORDS: readonly { name: string; as?: RegExp; value: string }[] = [
  { name: 'root collar', value: 'Where the stem turns into roots; it belongs at the surface of the ground.' },
  { name: 'flare', value: 'The widening of the stem at the root collar.' },
  {
    name: 'structural roots',
    as: /structural root/i,
    value: 'The first large roots that leave the stem and hold the tree.',
  },
  {
    name: 'girdling root',
    as: /girdl/i,
    value: 'A root that crosses the stem and compresses it as both thicken.',
  },
  {
    name: 'circling root',
    as: /circl/i,
    value: 'A root turned by the wall of a pot that goes on going round.',
  },
  { name: 'adventitious root', as: /adventitious/i, value: 'A root grown out of buried stem.' },
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
  { name: 'root ball', as: /\bball\b/i, value: 'The roots and soil that a tree is lifted and planted with.' },
  {
    name: 'transplant shock',
    value: 'Standing still after a move, because most of the roots stayed behind, until new ones are out.',
  },
  { name: 'graft union', value: 'Where the tree was grafted onto the roots of another.' },
  { name: 'rootstock', value: 'The roots a tree was grafted onto.' },
  { name: 'reset', value: 'Lifting a young tree and planting it again at the right height.' },
  { name: 'spoil', value: 'Soil that was dug out.' },
];

/** The words of the list that a text uses. */
export const glossaryFor = (used: string): { name: string; value: string }[] =>
  WORDS.filter(({ name, as }) => (as ?? new RegExp(`\\b${name}`, 'i')).test(used)).map(({ name, value }) => ({
    name,
    value,
  }));
