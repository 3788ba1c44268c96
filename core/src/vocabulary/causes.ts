/** Root causes: what was done to the tree or happened to it. */
export const CAUSES = {
  plantedDeep: {
    label: 'Planted too deep',
    led: 'It was planted too deep',
    mechanism:
      'Stem bark and first roots lie below the air they need; adventitious and girdling roots follow.',
  },
  gradeRaised: {
    label: 'Buried by added soil',
    led: 'Soil was laid over the original grade',
    mechanism:
      'Soil laid over the original grade after planting covers the flare and takes air from the old roots.',
  },
  mulchCone: {
    label: 'Buried by a mulch cone',
    led: 'Mulch was kept against the stem',
    mechanism:
      'Mulch kept against the bark holds it wet; roots grow into the mulch and die in frost and drought.',
  },
  containerRoots: {
    label: 'Container roots never corrected',
    led: 'Roots turned by the pot were never corrected',
    mechanism:
      'Roots that went round in the pot go on going round as they thicken, and hold the tree in a ball.',
  },
  confinedHole: {
    label: 'Confined planting hole',
    led: 'The planting hole confines the roots',
    mechanism: 'A small or glazed hole in compacted ground turns roots back and holds water like a basin.',
  },
  barrier: {
    label: 'Root-control ring or other barrier',
    led: 'A ring or barrier stands in the way of the roots',
    mechanism: 'Roots that meet a wall circle along it, and the stem grows toward it.',
  },
  compaction: {
    label: 'Compacted soil',
    led: 'The soil is compacted',
    mechanism: 'Compacted soil lets in neither roots nor air, and rain runs off.',
  },
  waterlogging: {
    label: 'Waterlogged soil',
    led: 'The soil stays wet',
    mechanism: 'Water fills the pores; roots and their fungi suffocate within weeks.',
  },
  drought: {
    label: 'Drought or underwatering',
    led: 'Too little water reached it',
    mechanism: 'Too little water reached otherwise healthy roots.',
  },
  severed: {
    label: 'Roots cut by works',
    led: 'Works cut its roots',
    mechanism: 'What was cut no longer feeds or holds; the loss shows within a few years.',
  },
  biotic: {
    label: 'Primary pest or disease',
    led: 'A pest or disease attacked it',
    mechanism: 'An organism that attacks sound trees, not one that follows weakness.',
  },
  chlorosis: {
    label: 'Nutrient or pH chlorosis',
    led: 'The soil’s pH or nutrients do not suit it',
    mechanism: 'The soil holds back iron or manganese; leaves pale between green veins.',
  },
  stemInjury: {
    label: 'Stem injury, tie, wire or guard',
    led: 'Its stem was wounded or tied in',
    mechanism: 'Wounds let decay in; what is tied round the stem grows in and shuts off transport.',
  },
  salt: {
    label: 'Salt or chemical',
    led: 'Salt or a chemical reached it',
    mechanism: 'De-icing salt or a weedkiller burns roots and leaves.',
  },
  transplantShock: {
    label: 'Transplant shock',
    led: 'It has not rooted in its new place yet',
    mechanism:
      'Most of its roots stayed where it came from; until new ones are out, little water reaches the crown.',
  },
} as const;

/** What goes on in the tree because of it. In the order in which one leads to another. */
export const MECHANISMS = {
  buriedCollar: { label: 'Buried collar', state: 'the collar is buried' },
  confinedRoots: { label: 'Roots confined to the old ball', state: 'the roots stay in the old ball' },
  girdlingRoots: { label: 'Stem-girdling roots', state: 'roots girdle the stem' },
  oxygenStarved: { label: 'Roots short of air', state: 'the roots are short of air' },
  basalDecay: { label: 'Decay at the base', state: 'the base is decaying' },
  transport: {
    label: 'Transport through the stem restricted',
    state: 'the flow of sap through the stem is restricted',
  },
  poorAnchorage: { label: 'Poor anchorage', state: 'the tree is poorly anchored' },
  crownDecline: { label: 'Crown in decline', state: 'the crown is declining' },
} as const;

export type CauseKey = keyof typeof CAUSES;
export type MechanismKey = keyof typeof MECHANISMS;
export type NodeKey = CauseKey | MechanismKey;

export const CAUSE_KEYS = Object.keys(CAUSES) as CauseKey[];
/**
 * So many of the last causes cannot be at every tree: the table says where they can (`only`). Elsewhere they are left out
 * of the sums, which double with each cause.
 */
export const CONDITIONAL_CAUSES = 1;
export const MECHANISM_KEYS = Object.keys(MECHANISMS) as MechanismKey[];
/** The last two lead to no other mechanism; each is summed out against the states of those before it. */
export const INNER_MECHANISMS = MECHANISM_KEYS.length - 2;
export const isMechanism = (key: NodeKey): key is MechanismKey => key in MECHANISMS;
export const labelOf = (key: NodeKey): string =>
  isMechanism(key) ? MECHANISMS[key].label : CAUSES[key].label;
