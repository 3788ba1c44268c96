/**
 * Matters on which practitioners disagree, every school supported, the default first and marked. The firm chooses
 * its own default; a tree may override it; whatever uses one shows which.
 */
export interface School {
  key: string;
  label: string;
  /** SI numbers the computation takes from this school. */
  values?: Record<string, number>;
  warning?: string;
}

export interface Matter {
  key: string;
  label: string;
  schools: readonly [School, ...School[]];
  /** Why the first school is the default. */
  reason: string;
}

export const MATTERS: readonly Matter[] = [
  {
    key: 'plantingReference',
    label: 'Reference for planting height',
    schools: [
      { key: 'flare', label: 'the flare' },
      {
        key: 'container',
        label: 'the container soil level',
        warning: 'What the nursery filled over the flare stays there.',
      },
    ],
    reason: 'Pots are over-filled at each potting-on, 5-13 cm or more.',
  },
  {
    key: 'flareHeight',
    label: 'Finished height of the flare',
    schools: [
      { key: 'proud', label: '2-5 cm proud in loosened soil', values: { above: 0.035 } },
      { key: 'flush', label: 'flush with grade', values: { above: 0 } },
    ],
    reason: 'Loosened soil settles; on an undisturbed base choose flush.',
  },
  {
    key: 'holeWidth',
    label: 'Hole width',
    schools: [
      { key: 'wide', label: '2-3 times the root ball', values: { times: 2.5 } },
      { key: 'narrow', label: '1.5 times the root ball', values: { times: 1.5 } },
    ],
    reason: 'Compacted ground needs the width; in open soil 1.5 times will do.',
  },
  {
    key: 'backfill',
    label: 'Backfill',
    schools: [
      { key: 'native', label: 'native soil only', values: { compost: 0 } },
      { key: 'blended', label: 'bark or compost blended into clay', values: { compost: 0.3 } },
    ],
    reason: 'Blended only where the native soil failed its test.',
  },
  {
    key: 'girdling',
    label: 'Girdling roots',
    schools: [
      { key: 'staged', label: 'cut in stages' },
      { key: 'once', label: 'cut all at once' },
      { key: 'selected', label: 'only those cutting into stem or anchors' },
    ],
    reason: 'Staged, capped by the share of root cross-section lost.',
  },
  {
    key: 'rootLoss',
    label: 'Share of root area lost in a season',
    schools: [
      { key: 'usual', label: 'usual, 20%', values: { share: 0.2 } },
      { key: 'cautious', label: 'cautious, 10%', values: { share: 0.1 } },
      { key: 'bold', label: 'bold, 33%', values: { share: 0.33 } },
    ],
    reason: '20%; 10% in stressed or old trees.',
  },
  {
    key: 'trenches',
    label: 'Radial trenches',
    schools: [
      { key: 'byAge', label: 'by age: narrow hand-dug trenches young, wide air-tool trenches established' },
      { key: 'hand', label: 'hand-dug trenches 5-10 cm wide from the hole edge' },
      { key: 'air', label: 'air-tool trenches 15-30 cm wide to the drip line' },
    ],
    reason: 'A young tree needs the way out of its hole, an established one room at the drip line.',
  },
  {
    key: 'trenchFill',
    label: 'Trench fill',
    schools: [
      { key: 'half', label: 'half compost, half native' },
      { key: 'compost', label: 'compost only' },
      { key: 'inoculant', label: 'with inoculant or fertiliser', warning: 'Unproven.' },
    ],
    reason: 'Half and half; compost only in narrow trenches.',
  },
  {
    key: 'bark',
    label: 'Bark after excavation',
    schools: [
      { key: 'dryThenMulch', label: 'bare to dry, then thin mulch off the bark' },
      { key: 'bare', label: 'leave bare' },
      { key: 'mulch', label: 'thin mulch at once, no contact' },
    ],
    reason: 'Buried bark is wet; dry and checked again first.',
  },
  {
    key: 'scalpedRoots',
    label: 'Roots exposed and scalped by mowers',
    schools: [
      { key: 'mulch', label: 'mulch only' },
      { key: 'soil', label: 'cover with a little soil', warning: 'Added soil starts the next burial.' },
    ],
    reason: 'Added soil starts the next burial.',
  },
  {
    key: 'mulchDepth',
    label: 'Mulch depth and clearance',
    schools: [
      { key: 'medium', label: '5-7.5 cm deep, 7.5 cm clear', values: { depth: 0.06, clearance: 0.075 } },
      {
        key: 'thin',
        label: '2.5-7.5 cm deep, never more, 4-5 cm clear',
        values: { depth: 0.05, clearance: 0.045 },
      },
      {
        key: 'shallow',
        label: 'about 5 cm deep, several cm clear',
        values: { depth: 0.05, clearance: 0.06 },
      },
    ],
    reason: 'Deep enough to hold moisture, clear enough for the bark to dry.',
  },
  {
    key: 'mulchSeason',
    label: 'Mulching season',
    schools: [
      { key: 'autumn', label: 'autumn, on warm soil', values: { from: 9, to: 11 } },
      { key: 'spring', label: 'spring, after the soil has warmed', values: { from: 4, to: 6 } },
    ],
    reason: 'Roots still grow in warm autumn soil.',
  },
  {
    // Waterings in a season of 22 weeks, of a transplant and of an established tree, and times the rule at each.
    // Common practice, no source.
    key: 'watering',
    label: 'Watering',
    schools: [
      {
        key: 'balance',
        label: 'by water balance, checked with the soil probe',
        values: { young: 12, established: 6, times: 1 },
      },
      {
        key: 'often',
        label: '5 US gal per inch of stem, three times a week',
        values: { young: 66, established: 6, times: 1 },
      },
      { key: 'weekly', label: 'one deep soak a week', values: { young: 22, established: 11, times: 2 } },
      {
        key: 'feel',
        label: 'once or twice a week by feel',
        values: { young: 33, established: 11, times: 1 },
      },
    ],
    reason: 'The balance knows the weather; the 5 gallon rule is the cross-check.',
  },
  {
    key: 'wateringYears',
    label: 'How long to water',
    schools: [
      { key: 'two', label: 'two growing seasons', values: { seasons: 2 } },
      { key: 'one', label: 'one growing season', values: { seasons: 1 } },
    ],
    reason: 'Two after a reset or heavy root pruning.',
  },
  {
    key: 'crownReduction',
    label: 'Crown reduction after root loss',
    schools: [
      { key: 'none', label: 'none, only dead and broken', values: { share: 0 } },
      {
        key: 'third',
        label: 'up to a third',
        values: { share: 1 / 3 },
        warning: 'Takes the leaves that feed new roots.',
      },
    ],
    reason: 'Leaves feed new roots.',
  },
  {
    key: 'structuralPruning',
    label: 'Structural pruning',
    schools: [
      { key: 'yearTwo', label: 'from year two', values: { years: 2 } },
      { key: 'atPlanting', label: 'at planting', values: { years: 0 } },
    ],
    reason: 'The first year is for roots.',
  },
  {
    key: 'fertiliser',
    label: 'Fertiliser',
    schools: [
      { key: 'hold', label: 'none for a year' },
      { key: 'withFill', label: 'with the trench fill' },
    ],
    reason: 'Chlorosis by soil test first.',
  },
  {
    key: 'staking',
    label: 'Staking',
    schools: [
      { key: 'ifRocks', label: 'only if it rocks, 12 months, re-tied at 6', values: { months: 12 } },
      { key: 'none', label: 'none' },
      { key: 'six', label: '6 months', values: { months: 6 } },
      { key: 'permanent', label: 'permanent, on dwarfing rootstock' },
      { key: 'battens', label: 'horizontal battens in undisturbed soil', values: { months: 12 } },
    ],
    reason: 'A stem that can sway builds its own strength.',
  },
  {
    // Shaved off all round, m, and hours as times those of teasing it out. Common practice, no source.
    key: 'rootBall',
    label: 'Root ball before a reset',
    schools: [
      { key: 'tease', label: 'tease out first, shave when matted', values: { shaved: 0, hours: 1 } },
      { key: 'shave', label: 'slice and shave', values: { shaved: 0.025, hours: 1.2 } },
      { key: 'wash', label: 'wash bare', values: { shaved: 0, hours: 1.5 }, warning: 'In dormancy only.' },
    ],
    reason: 'Teasing keeps most root; washing is for dormancy only.',
  },
  {
    key: 'rootRings',
    label: 'Root-control rings',
    schools: [
      { key: 'never', label: 'never' },
      { key: 'use', label: 'use', warning: 'They turn roots to circling.' },
    ],
    reason: 'They turn roots to circling.',
  },
  {
    key: 'ringThere',
    label: 'A root-control ring already there',
    schools: [
      { key: 'open', label: 'open it by sectors where roots press', values: { share: 0.5 } },
      { key: 'out', label: 'take it out', values: { share: 1 } },
      {
        key: 'leave',
        label: 'leave it',
        values: { share: 0 },
        warning: 'Roots go on circling along it, and the stem grows toward it.',
      },
    ],
    reason: 'Opened, roots pass; the sides by which the tree holds stay as they are.',
  },
  {
    key: 'plantingSeason',
    label: 'Season of planting and reset',
    schools: [
      { key: 'climate', label: 'by climate and species' },
      { key: 'autumn', label: 'autumn' },
      { key: 'spring', label: 'early spring' },
    ],
    reason:
      'Autumn where the ground stays open, early spring where winters are hard or the species is tender.',
  },
  {
    key: 'trenchSeasons',
    label: 'Radial trenches over time',
    schools: [
      { key: 'halves', label: 'by halves, the second a year later', values: { seasons: 2 } },
      { key: 'once', label: 'all round the tree in one go', values: { seasons: 1 } },
      { key: 'tenths', label: 'a tenth of the root zone a season' },
    ],
    reason:
      'Half of the roots are left alone while the others grow out; tenths where an old or failing tree has to lose roots.',
  },
  {
    key: 'collarCall',
    label: 'What calls for digging at the collar',
    schools: [
      { key: 'depth', label: 'depth by the rod' },
      { key: 'view', label: 'the flare must be in view on every side' },
    ],
    reason: 'The rod finds the first root without a spade.',
  },
  {
    key: 'collarTool',
    label: 'Tool of the collar excavation',
    schools: [
      { key: 'byDepth', label: 'by depth: hand to about 15 cm, air deeper' },
      { key: 'hand', label: 'by hand' },
      { key: 'air', label: 'compressed air' },
      {
        key: 'water',
        label: 'water',
        warning: 'Only where the water can drain away; the bark gets wet once more.',
      },
    ],
    reason: 'By hand no machine has to come; deeper, air is faster and keeps more root.',
  },
];

/** Chosen schools by matter; a matter that is absent follows the level above. */
export type Schools = Readonly<Record<string, string>>;

/** What the house has chosen above a single tree: the firm, and the property where it differs. */
export interface HouseSchools {
  firm?: Schools;
  property?: Schools;
}

/** At which level a school was chosen. */
export type ChosenBy = 'default' | 'firm' | 'property' | 'tree';

export interface SchoolInForce extends School {
  matter: Matter;
  chosenBy: ChosenBy;
}

/**
 * The school that holds for a matter: the tree's, else the property's, else the firm's, else the default.
 *
 * @throws RangeError for an unknown matter; an unknown school falls through to the level above
 */
export function schoolFor(matterKey: string, house: HouseSchools = {}, tree: Schools = {}): SchoolInForce {
  const matter = MATTERS.find((m) => m.key === matterKey);
  if (!matter) throw new RangeError(`There is no matter of practice called ${matterKey}.`);
  const pick = (schools: Schools) => matter.schools.find((s) => s.key === schools[matterKey]);
  const ladder = [
    ['tree', tree],
    ['property', house.property],
    ['firm', house.firm],
  ] as const;
  for (const [chosenBy, schools] of ladder) {
    const school = schools && pick(schools);
    if (school) return { ...school, matter, chosenBy };
  }
  return { ...matter.schools[0], matter, chosenBy: 'default' };
}
