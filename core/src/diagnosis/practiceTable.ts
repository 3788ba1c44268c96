import { BASE_FINDINGS } from './findings/base';
import { CROWN_FINDINGS } from './findings/crown';
import { DIG_FINDINGS } from './findings/dig';
import { HISTORY_FINDINGS } from './findings/history';
import { MULCH_FINDINGS } from './findings/mulch';
import { PROBE_FINDINGS } from './findings/probe';
import { SOIL_FINDINGS } from './findings/soil';
import type { JudgementTable, MechanismRow, Prior, Stake } from './judgement';

/** How often each cause is at work in a planted tree that fails, before anything is known of it. Common practice, no source. */
const PRIORS: readonly Prior[] = [
  {
    cause: 'plantedDeep',
    base: 'sometimes',
    why: 'Surveys found most street trees of recent decades with the collar 5-15 cm down or more.',
    given: [
      { when: 'container', shift: 'more', why: 'Pots are over-filled at each potting-on.' },
      { when: 'balled', shift: 'more', why: 'Balls are dug with soil thrown over the flare.' },
      { when: 'bareRoot', shift: 'much less', why: 'On bare-root stock the flare is in view at planting.' },
    ],
  },
  {
    cause: 'gradeRaised',
    base: 'seldom',
    why: 'It takes works or a gardener with spare soil.',
    given: [
      { when: 'built', shift: 'more', why: 'Grades are finished after the trees are in.' },
      {
        when: 'fill poor',
        shift: 'more',
        why: 'Roots of some species drown in their own ground under little soil.',
      },
      { when: 'fill good', shift: 'less', why: 'It puts out new roots into soil laid over it.' },
    ],
  },
  {
    cause: 'mulchCone',
    base: 'seldom',
    why: 'Common where mulch is under contract, rare elsewhere.',
    given: [{ when: 'mulchContract', shift: 'more', why: 'A contract adds mulch every year.' }],
  },
  {
    cause: 'containerRoots',
    base: 'seldom',
    why: 'Depends on the stock above all.',
    given: [
      { when: 'container', shift: 'much more', why: 'Roots turn at the wall of a pot.' },
      { when: 'bareRoot', shift: 'much less', why: 'Circling roots are seen and cut at planting.' },
      { when: 'balled', shift: 'less', why: 'Field roots go straight.' },
    ],
  },
  {
    cause: 'confinedHole',
    base: 'seldom',
    why: 'Construction sites, augered holes and small pits.',
    given: [
      { when: 'old', shift: 'less', why: 'A tree that lived this long found a way out.' },
      { when: 'paved', shift: 'much more', why: 'Pits in paving are as small as the paving allows.' },
      { when: 'street', shift: 'more', why: 'A verge lies between kerb and pavement.' },
      { when: 'built', shift: 'more', why: 'Holes are augered into ground that machines rolled.' },
    ],
  },
  {
    cause: 'barrier',
    base: 'hardly ever',
    why: 'Someone has to have installed it.',
    given: [
      { when: 'paved', shift: 'much more', why: 'Rings are set to keep roots from lifting paving.' },
      { when: 'street', shift: 'more', why: 'Kerbs and rings stand round a verge.' },
    ],
  },
  {
    cause: 'compaction',
    base: 'seldom',
    why: 'Construction sites are compacted, gardens seldom.',
    given: [
      { when: 'built', shift: 'much more', why: 'Machines ran over it before it was planted.' },
      { when: 'paved', shift: 'much more', why: 'The base of paving is compacted on purpose.' },
      { when: 'street', shift: 'more', why: 'Verges are walked and parked on.' },
      { when: 'fill poor', shift: 'more', why: 'Its roots fail where the pores are pressed shut.' },
      { when: 'fill good', shift: 'less', why: 'It roots in ground that stops others.' },
    ],
  },
  {
    cause: 'waterlogging',
    base: 'seldom',
    why: 'Clay, hollows and clockwork irrigation.',
    given: [
      { when: 'built', shift: 'more', why: 'Rolled ground under new topsoil holds water.' },
      { when: 'young', shift: 'more', why: 'The ball sits in a dug hole that fills, and clocks water it.' },
      { when: 'wet poor', shift: 'more', why: 'Some roots die in days without air.' },
      { when: 'wet good', shift: 'less', why: 'It grows beside water by nature.' },
    ],
  },
  {
    cause: 'drought',
    base: 'seldom',
    why: 'An established tree tolerates a dry year unless something else is wrong.',
    given: [
      { when: 'young', shift: 'much more', why: 'The ball dries out before roots leave it.' },
      { when: 'paved', shift: 'more', why: 'Rain runs off paving before it soaks in.' },
      { when: 'drought poor', shift: 'more', why: 'The species does not tolerate dry soil.' },
      { when: 'drought good', shift: 'less', why: 'The species tolerates dry soil.' },
    ],
  },
  {
    cause: 'severed',
    base: 'hardly ever',
    why: 'It takes works near the tree.',
    given: [
      { when: 'street', shift: 'more', why: 'Mains and kerbs are dug for along streets.' },
      { when: 'rootLoss poor', shift: 'more', why: 'It makes few new roots where old ones were cut.' },
      { when: 'rootLoss good', shift: 'less', why: 'It puts out new roots from the cut.' },
    ],
  },
  { cause: 'biotic', base: 'seldom', why: 'Most pests follow weakness; few begin it.', given: [] },
  {
    cause: 'chlorosis',
    base: 'seldom',
    why: 'Species on the wrong soil.',
    given: [
      { when: 'lime poor', shift: 'more', why: 'Iron is locked up for it where the pH is high.' },
      { when: 'lime good', shift: 'less', why: 'It takes up iron where others cannot.' },
    ],
  },
  {
    cause: 'stemInjury',
    base: 'seldom',
    why: 'Mowers, trimmers, stakes and ties.',
    given: [{ when: 'young', shift: 'more', why: 'Stakes and ties are still on, the bark is thin.' }],
  },
  {
    cause: 'salt',
    base: 'hardly ever',
    why: 'Beside salted roads and after weedkiller.',
    given: [
      { when: 'street', shift: 'more', why: 'What is spread on the road comes over the kerb.' },
      { when: 'salt poor', shift: 'more', why: 'Small amounts are enough to harm it.' },
      { when: 'salt good', shift: 'less', why: 'It grows by the sea.' },
    ],
  },
  {
    cause: 'transplantShock',
    only: 'transplanted',
    base: 'sometimes',
    why: 'A tree that lost its roots stands still until it has new ones; a year for each inch of stem is usual.',
    given: [
      { when: 'container', shift: 'less', why: 'All of its roots came with it.' },
      { when: 'balled', shift: 'more', why: 'Nine tenths of its roots stayed in the field.' },
      { when: 'bareRoot', shift: 'more', why: 'The fine roots are lost or dried.' },
      { when: 'inLeaf', shift: 'more', why: 'Leaves draw water that the roots cannot bring.' },
      { when: 'largeStock', shift: 'more', why: 'A large crown on a small ball.' },
      { when: 'tender', shift: 'more', why: 'Its roots are slow to start again.' },
      { when: 'rootLoss poor', shift: 'more', why: 'It makes few new roots where old ones were cut.' },
      { when: 'rootLoss good', shift: 'less', why: 'It puts out new roots from the cut.' },
    ],
  },
];

const MECHANISMS_BY_CAUSE: readonly MechanismRow[] = [
  {
    mechanism: 'buriedCollar',
    leak: 'hardly ever',
    links: [
      { of: 'plantedDeep', makes: 'almost always', why: 'The collar went down with the ball.' },
      { of: 'gradeRaised', makes: 'almost always', why: 'Soil over the grade lies over the collar.' },
      { of: 'mulchCone', makes: 'usually', why: 'Mulch kept on the stem turns to soil there.' },
    ],
  },
  {
    mechanism: 'confinedRoots',
    leak: 'hardly ever',
    links: [
      { of: 'containerRoots', makes: 'often', why: 'Roots that go round do not go out.' },
      { of: 'confinedHole', makes: 'usually', why: 'The wall of the hole turns them back.' },
      { of: 'barrier', makes: 'usually', why: 'The wall of the ring turns them back.' },
      { of: 'compaction', makes: 'sometimes', why: 'Compacted ground stops them.' },
    ],
  },
  {
    mechanism: 'girdlingRoots',
    leak: 'seldom',
    links: [
      {
        of: 'containerRoots',
        makes: 'often',
        why: 'What circled in the pot meets the stem as both thicken.',
      },
      { of: 'barrier', makes: 'sometimes', why: 'Roots turned by a wall come round to the stem.' },
      { of: 'confinedHole', makes: 'seldom', why: 'Roots turned back cross the stem.' },
      { of: 'mulchCone', makes: 'sometimes', why: 'Roots grow up into the mulch and round the stem.' },
      { of: 'buriedCollar', makes: 'sometimes', why: 'Roots over a buried collar cross the stem.' },
    ],
  },
  {
    mechanism: 'oxygenStarved',
    leak: 'hardly ever',
    links: [
      { of: 'waterlogging', makes: 'almost always', why: 'Water fills the pores.' },
      { of: 'gradeRaised', makes: 'often', why: 'Fill closes the old surface.' },
      { of: 'compaction', makes: 'often', why: 'The pores are pressed shut.' },
      { of: 'plantedDeep', makes: 'sometimes', why: 'Roots lie below the air they need.' },
      { of: 'confinedHole', makes: 'sometimes', why: 'A hole in clay fills like a bathtub.' },
      { of: 'mulchCone', makes: 'seldom', why: 'Deep wet mulch seals the surface.' },
    ],
  },
  {
    mechanism: 'basalDecay',
    leak: 'hardly ever',
    links: [
      { of: 'stemInjury', makes: 'sometimes', why: 'Wounds let decay in.' },
      { of: 'buriedCollar', makes: 'sometimes', why: 'Stem bark does not tolerate soil.' },
      { of: 'biotic', makes: 'often', why: 'Root and butt rots.' },
      { of: 'waterlogging', makes: 'seldom', why: 'Rots that like it wet.' },
      { of: 'severed', makes: 'seldom', why: 'Torn ends decay inward.' },
    ],
  },
  {
    mechanism: 'transport',
    leak: 'hardly ever',
    links: [
      { of: 'girdlingRoots', makes: 'often', why: 'A root across the stem shuts off what passes under it.' },
      { of: 'basalDecay', makes: 'sometimes', why: 'Dead bark and wood conduct nothing.' },
      { of: 'stemInjury', makes: 'sometimes', why: 'An ingrown tie, or a stem half stripped of bark.' },
      { of: 'biotic', makes: 'sometimes', why: 'Wilts and cankers block the vessels.' },
    ],
  },
  {
    mechanism: 'poorAnchorage',
    leak: 'hardly ever',
    links: [
      { of: 'confinedRoots', makes: 'often', why: 'A root ball loose in its hole anchors nothing.' },
      { of: 'girdlingRoots', makes: 'sometimes', why: 'Circling roots give no outward anchorage.' },
      { of: 'basalDecay', makes: 'sometimes', why: 'Decayed anchor roots give way.' },
      { of: 'severed', makes: 'often', why: 'Cut roots no longer anchor it.' },
      { of: 'waterlogging', makes: 'seldom', why: 'Saturated soil lets roots slip.' },
      { of: 'compaction', makes: 'seldom', why: 'Over compacted ground roots make a shallow plate.' },
    ],
  },
  {
    mechanism: 'crownDecline',
    leak: 'seldom',
    leakWhen: {
      when: 'recovering',
      leak: 'usually',
      why: 'What was treated still shows in the crown for one to three seasons.',
    },
    links: [
      { of: 'transport', makes: 'usually', why: 'Too little water passes the stem.' },
      { of: 'oxygenStarved', makes: 'usually', why: 'Roots without air take up nothing.' },
      { of: 'confinedRoots', makes: 'often', why: 'The crown outgrew what the ball can feed.' },
      { of: 'buriedCollar', makes: 'sometimes', why: 'Buried bark breathes and grows poorly.' },
      { of: 'drought', makes: 'usually', why: 'Too little water came up.' },
      { of: 'severed', makes: 'usually', why: 'Half the roots can feed only half the crown.' },
      { of: 'biotic', makes: 'usually', why: 'Decline is what a primary disease causes.' },
      { of: 'chlorosis', makes: 'sometimes', why: 'A pale crown builds little.' },
      { of: 'salt', makes: 'often', why: 'Burned roots and leaves.' },
      { of: 'compaction', makes: 'sometimes', why: 'Little rooted soil, little crown.' },
      { of: 'transplantShock', makes: 'usually', why: 'Few roots, a thin crown, until new ones are out.' },
    ],
  },
];

/** What hangs on each remedy, in steps of judgement; a tree that falls weighs most. Common practice, no source. */
const STAKES: readonly Stake[] = [
  {
    remedy: 'lay the collar open',
    for: 'buriedCollar',
    missing: 10,
    needless: 3,
    why: 'Half a day of work against the loss of the stem.',
  },
  {
    remedy: 'prune girdling roots',
    for: 'girdlingRoots',
    missing: 10,
    needless: 4,
    why: 'A dig against a stem cut off slowly.',
  },
  {
    remedy: 'regrade the fill',
    for: 'gradeRaised',
    missing: 6,
    needless: 4,
    why: 'Wider work than a bowl at the stem.',
  },
  { remedy: 'pull back the mulch', for: 'mulchCone', missing: 5, needless: 1, why: 'Minutes with a rake.' },
  {
    remedy: 'trench outward or reset',
    for: 'confinedRoots',
    missing: 8,
    needless: 4,
    why: 'A day of work against a tree that cannot grow out.',
  },
  {
    remedy: 'open the soil',
    for: 'compaction',
    missing: 7,
    needless: 4,
    why: 'A day of work against roots that cannot spread.',
  },
  {
    remedy: 'drain',
    for: 'waterlogging',
    missing: 8,
    needless: 5,
    why: 'Expensive, and the only cure for waterlogged roots.',
  },
  {
    remedy: 'water until it has rooted',
    for: 'transplantShock',
    missing: 6,
    needless: 2,
    why: 'A summer of watering against the price of a new tree.',
  },
  {
    remedy: 'water',
    for: 'drought',
    missing: 6,
    needless: 2,
    why: 'Cheap; yet more trees die of too much water than of too little.',
  },
  {
    remedy: 'have the disease identified',
    for: 'biotic',
    missing: 8,
    needless: 2,
    why: 'One sample against a whole stand of trees.',
  },
  {
    remedy: 'correct the soil by its test',
    for: 'chlorosis',
    missing: 4,
    needless: 2,
    why: 'A pale crown for years.',
  },
  { remedy: 'take out the ring', for: 'barrier', missing: 8, needless: 3, why: 'It only gets tighter.' },
  {
    remedy: 'untie, guard the stem',
    for: 'stemInjury',
    missing: 5,
    needless: 1,
    why: 'Minutes with a knife.',
  },
  { remedy: 'flush the salt', for: 'salt', missing: 5, needless: 2, why: 'Water in spring.' },
  {
    remedy: 'have its stability assessed',
    for: 'poorAnchorage',
    missing: 20,
    needless: 3,
    why: 'A tree that falls.',
  },
  {
    remedy: 'have the decay examined',
    for: 'basalDecay',
    missing: 15,
    needless: 3,
    why: 'A stem that breaks.',
  },
];

/** The table this program ships with. */
export const PRACTICE_TABLE: JudgementTable = {
  version: 'practice-6',
  priors: PRIORS,
  mechanisms: MECHANISMS_BY_CAUSE,
  findings: [
    ...HISTORY_FINDINGS,
    ...CROWN_FINDINGS,
    ...BASE_FINDINGS,
    ...MULCH_FINDINGS,
    ...PROBE_FINDINGS,
    ...SOIL_FINDINGS,
    ...DIG_FINDINGS,
  ],
  stakes: STAKES,
};
