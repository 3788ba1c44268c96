import type { FactKey } from './facts';

/**
 * The rule table of the first verdict. Weights are steps of judgement, not measured frequencies: 3 settles the matter
 * for most practitioners, 2 speaks strongly, 1 leans. `ifNo` applies only where someone looked. All are common
 * practice without a source.
 */
export const CAUSES = {
  plantedDeep: {
    label: 'Planted too deep',
    mechanism:
      'Stem bark and first roots lie below the air they need; adventitious and girdling roots follow.',
  },
  gradeRaised: {
    label: 'Buried by added soil',
    mechanism:
      'Soil laid over the original grade after planting covers the flare and takes air from the old roots.',
  },
  mulchCone: {
    label: 'Buried by a mulch cone',
    mechanism:
      'Mulch kept against the bark holds it wet; roots grow into the mulch and die in frost and drought.',
  },
  girdling: {
    label: 'Girdling roots suspected',
    mechanism:
      'Roots across the stem compress it as both thicken; what passes up and down is cut off slowly.',
  },
  basalDecay: {
    label: 'Decay at the base',
    mechanism: 'Bark and wood at the soil line are breaking down; hold and transport fail together.',
  },
  drought: {
    label: 'Drought or underwatering',
    mechanism: 'Too little water reached otherwise healthy roots.',
  },
  biotic: {
    label: 'Primary pest or disease',
    mechanism: 'An organism that attacks sound trees, not one that follows weakness.',
  },
} as const;

export type CauseKey = keyof typeof CAUSES;

export interface Rule {
  cause: CauseKey;
  fact: FactKey;
  ifYes: number;
  ifNo: number;
  why: string;
}

export const RULES: readonly Rule[] = [
  {
    cause: 'plantedDeep',
    fact: 'plantedDeep',
    ifYes: 3,
    ifNo: -3,
    why: 'Depth below the original grade is what planting decided.',
  },
  {
    cause: 'plantedDeep',
    fact: 'collarDeep',
    ifYes: 1,
    ifNo: -3,
    why: 'A collar in its place cannot have been planted deep.',
  },
  {
    cause: 'plantedDeep',
    fact: 'containerStock',
    ifYes: 1,
    ifNo: 0,
    why: 'Pots are over-filled at each potting-on.',
  },
  { cause: 'plantedDeep', fact: 'flareHidden', ifYes: 1, ifNo: -2, why: 'A buried collar shows no flare.' },
  {
    cause: 'plantedDeep',
    fact: 'fillPresent',
    ifYes: 0,
    ifNo: 1,
    why: 'Without fill the depth dates from planting.',
  },
  {
    cause: 'plantedDeep',
    fact: 'vigourFell',
    ifYes: 1,
    ifNo: -1,
    why: 'Burial shows in the shoots before the girth.',
  },

  {
    cause: 'gradeRaised',
    fact: 'fillPresent',
    ifYes: 3,
    ifNo: -3,
    why: 'Soil over the old grade is the fault itself.',
  },
  {
    cause: 'gradeRaised',
    fact: 'soilAdded',
    ifYes: 1,
    ifNo: 0,
    why: 'Someone remembers the soil being added.',
  },
  {
    cause: 'gradeRaised',
    fact: 'collarDeep',
    ifYes: 1,
    ifNo: -2,
    why: 'Fill that matters leaves the collar deep.',
  },
  { cause: 'gradeRaised', fact: 'flareHidden', ifYes: 1, ifNo: -2, why: 'Fill hides the flare.' },
  {
    cause: 'gradeRaised',
    fact: 'topDown',
    ifYes: 1,
    ifNo: 0,
    why: 'Roots short of air starve the top first.',
  },
  {
    cause: 'gradeRaised',
    fact: 'vigourFell',
    ifYes: 1,
    ifNo: -1,
    why: 'Shoots shorten within years of the fill.',
  },
  {
    cause: 'gradeRaised',
    fact: 'pale',
    ifYes: 1,
    ifNo: 0,
    why: 'Evenly pale leaves: roots short of air feed poorly.',
  },

  {
    cause: 'mulchCone',
    fact: 'pale',
    ifYes: 1,
    ifNo: 0,
    why: 'Roots that left for the mulch feed the crown poorly.',
  },
  { cause: 'mulchCone', fact: 'mulchCone', ifYes: 3, ifNo: -2, why: 'The cone is the fault itself.' },
  { cause: 'mulchCone', fact: 'mulchOnBark', ifYes: 1, ifNo: -3, why: 'Mulch off the bark harms no bark.' },
  {
    cause: 'mulchCone',
    fact: 'mulchRoots',
    ifYes: 1,
    ifNo: -1,
    why: 'Roots in the mulch show how long it has lain there.',
  },
  {
    cause: 'mulchCone',
    fact: 'mulchRenewed',
    ifYes: 1,
    ifNo: 0,
    why: 'A yearly contract rebuilds the cone.',
  },
  { cause: 'mulchCone', fact: 'barkDark', ifYes: 1, ifNo: -1, why: 'Bark under a cone stays damp.' },

  {
    cause: 'girdling',
    fact: 'girdlingSeen',
    ifYes: 3,
    ifNo: -1,
    why: 'Seen at the surface; more lies below.',
  },
  {
    cause: 'girdling',
    fact: 'stemFlattened',
    ifYes: 2,
    ifNo: -1,
    why: 'A stem pinched at the ground is compressed there.',
  },
  {
    cause: 'girdling',
    fact: 'flareOneSided',
    ifYes: 1,
    ifNo: 0,
    why: 'One straight side is where a root lies across.',
  },
  {
    cause: 'girdling',
    fact: 'containerStock',
    ifYes: 1,
    ifNo: 0,
    why: 'Roots turned by a pot wall go on turning.',
  },
  {
    cause: 'girdling',
    fact: 'collarDeep',
    ifYes: 1,
    ifNo: -1,
    why: 'Roots over a buried collar cross the stem.',
  },
  { cause: 'girdling', fact: 'earlyAutumn', ifYes: 1, ifNo: 0, why: 'The compressed side colours first.' },
  {
    cause: 'girdling',
    fact: 'oneSide',
    ifYes: 1,
    ifNo: 0,
    why: 'One-sided dieback follows a one-sided squeeze.',
  },
  {
    cause: 'girdling',
    fact: 'rocks',
    ifYes: 1,
    ifNo: -1,
    why: 'A system that went round has no hold outward.',
  },

  { cause: 'basalDecay', fact: 'barkSoft', ifYes: 3, ifNo: -2, why: 'Soft or loose bark is decay at work.' },
  { cause: 'basalDecay', fact: 'hollow', ifYes: 2, ifNo: -2, why: 'The mallet hears what the skin hides.' },
  { cause: 'basalDecay', fact: 'conks', ifYes: 3, ifNo: -1, why: 'Fruiting bodies stand on decayed wood.' },
  { cause: 'basalDecay', fact: 'ooze', ifYes: 1, ifNo: 0, why: 'Ooze at the soil line marks dying bark.' },
  { cause: 'basalDecay', fact: 'wounds', ifYes: 1, ifNo: 0, why: 'Wounds let decay in.' },
  { cause: 'basalDecay', fact: 'rocks', ifYes: 1, ifNo: -1, why: 'Decayed anchors give.' },

  { cause: 'drought', fact: 'droughtYear', ifYes: 2, ifNo: 0, why: 'There was a dry year to follow.' },
  { cause: 'drought', fact: 'scorched', ifYes: 2, ifNo: -1, why: 'Scorched margins are leaves run dry.' },
  { cause: 'drought', fact: 'neighboursToo', ifYes: 2, ifNo: -2, why: 'Weather does not pick one tree.' },
  { cause: 'drought', fact: 'soilDry', ifYes: 1, ifNo: -1, why: 'The soil is dry where roots drink.' },
  {
    cause: 'drought',
    fact: 'flareHidden',
    ifYes: -1,
    ifNo: 1,
    why: 'A flare in view leaves fewer faults below ground.',
  },

  { cause: 'biotic', fact: 'cankers', ifYes: 3, ifNo: -2, why: 'Cankers and wilts kill on their own.' },
  { cause: 'biotic', fact: 'conks', ifYes: 2, ifNo: -1, why: 'Some root rots attack sound trees.' },
  { cause: 'biotic', fact: 'borers', ifYes: 1, ifNo: -1, why: 'Most borers follow weakness; some do not.' },
  {
    cause: 'biotic',
    fact: 'ooze',
    ifYes: 2,
    ifNo: -1,
    why: 'Fresh ooze is a bark disease until shown otherwise.',
  },
  {
    cause: 'biotic',
    fact: 'flareHidden',
    ifYes: -1,
    ifNo: 1,
    why: 'With the flare in view a burial explains less.',
  },
];

/** From which sum of weights a cause is called what. */
export const STANDINGS = [
  { from: 4, key: 'likely', label: 'likely' },
  { from: 2, key: 'possible', label: 'possible' },
  { from: -1, key: 'open', label: 'little to go on' },
  { from: -Infinity, key: 'unlikely', label: 'unlikely' },
] as const;

export type Standing = (typeof STANDINGS)[number]['key'] | 'unexamined';
