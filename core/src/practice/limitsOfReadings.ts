import { PRACTICE, type Limit } from './limit';

// From memory.
const NURSERY = 'nursery planting-depth guidance';

/** What readings of stem, mulch, grade, crown and soil mean, and how far they stray. */
export const READING_LIMITS = {
  collarNormalMax: {
    value: 0.075,
    unit: 'm',
    reason: 'A well-placed collar has two or more structural roots within the top 2.5-7.5 cm of soil.',
    source: NURSERY,
  },
  collarNormalMin: {
    value: 0.025,
    unit: 'm',
    reason: 'Upper end of the well-placed range.',
    source: NURSERY,
  },
  collarWindow: {
    value: 0.3,
    unit: 'm',
    reason: 'Farther out the rod meets roots that have already dipped away from the collar.',
    source: PRACTICE,
  },
  decaySinks: {
    value: 0.01,
    unit: 'm',
    reason: 'Bark gives a little; a probe that sinks a centimetre is in decay.',
    source: PRACTICE,
  },
  decayDeep: {
    value: 0.05,
    unit: 'm',
    reason: 'Five centimetres are more than skin: the wall that holds is going.',
    source: PRACTICE,
  },
  tapeError: {
    value: 0.005,
    unit: 'm',
    reason: 'Half a centimetre is what a tape held at a stem strays.',
    source: PRACTICE,
  },
  shortSummer: {
    value: 165,
    unit: 'days',
    reason:
      'With less than some five and a half months between the frosts the ground is cold before autumn roots grow.',
    source: PRACTICE,
  },
  shockYears: {
    value: 2,
    unit: 'years',
    reason:
      'Two growing seasons until roots have left the ball; planted in autumn, that is two years on the calendar.',
    source: PRACTICE,
  },
  largeStock: {
    value: 0.06,
    unit: 'm',
    reason: 'The thicker the stem that was moved, the smaller the share of its roots that came with it.',
    source: PRACTICE,
  },
  potLong: {
    value: 2,
    unit: 'years',
    reason: 'After two seasons in one pot roots have gone round.',
    source: PRACTICE,
  },
  cohortMost: {
    value: 0.5,
    unit: 'share',
    reason: 'Half and more of those planted together is most of them.',
    source: PRACTICE,
  },
  fillMatters: {
    value: 0.03,
    unit: 'm',
    reason: 'Less than 3 cm cannot be told from settling.',
    source: PRACTICE,
  },
  mulchOnBarkMatters: {
    value: 0.05,
    unit: 'm',
    reason: 'A few centimetres that slid to the bark dry out; more keeps it damp.',
    source: PRACTICE,
  },
  mulchCone: {
    value: 1.5,
    unit: 'ratio',
    reason: 'At the bark half as deep again as halfway out: a cone, not a blanket.',
    source: PRACTICE,
  },
  mulchDeep: {
    value: 0.1,
    unit: 'm',
    reason: 'No school lays more than 7.5 cm; 10 cm is beyond all of them.',
    source: PRACTICE,
  },
  mulchNothing: {
    value: 0.005,
    unit: 'm',
    reason: 'Less than half a centimetre of chips is bare ground.',
    source: PRACTICE,
  },
  flareHiddenShare: {
    value: 0.5,
    unit: 'share',
    reason: 'Flare out of sight on at least half of the sides examined.',
    source: PRACTICE,
  },
  vigourDrop: {
    value: 0.6,
    unit: 'share',
    reason: 'Shoots under 60% of their earlier length: more than a poor year.',
    source: PRACTICE,
  },
  vigourHeld: {
    value: 0.85,
    unit: 'share',
    reason: 'Within 15% of earlier growth is year-to-year noise.',
    source: PRACTICE,
  },
  pushYears: {
    value: 5,
    unit: 'years',
    reason: 'Five years after planting the base must not rock.',
    source: PRACTICE,
  },
  flareAllRound: {
    value: 6,
    unit: 'count',
    reason: 'Of the eight sides: with fewer examined, the flare may be hidden on one that was not.',
    source: PRACTICE,
  },
  flareMostSides: {
    value: 4,
    unit: 'count',
    reason: 'Half of the stem examined before it is said to go in like a post.',
    source: PRACTICE,
  },
  blanketBearings: {
    value: 3,
    unit: 'count',
    reason: 'Mulch is even on one side and heaped on the next: a blanket is told from three.',
    source: PRACTICE,
  },
  atTheBark: {
    value: 0.05,
    unit: 'm',
    reason: 'A reading within a hand’s breadth of the bark shows what stands on it.',
    source: PRACTICE,
  },
  shootsShort: {
    value: 0.06,
    unit: 'm',
    reason: 'Leaders that never make a hand’s breadth in a year belong to a tree of low vigour.',
    source: PRACTICE,
  },
  collarHigh: {
    value: 0.05,
    unit: 'm',
    reason: 'First roots this far above grade dry out and are mown: planted too high.',
    source: PRACTICE,
  },
  rodError: { value: 0.01, unit: 'm', reason: 'Standard error of one rod reading.', source: PRACTICE },
  dryPush: {
    value: 3,
    unit: 'ratio',
    reason: 'In dry soil the depth to 2 MPa says a third as much: it resists more than it does moist.',
    source: PRACTICE,
  },
  collarVeryDeep: {
    value: 0.15,
    unit: 'm',
    reason: 'Twice the depth of the deepest well-placed collar; surveys call 15 cm badly buried.',
    source: PRACTICE,
  },
  fillMuch: {
    value: 0.15,
    unit: 'm',
    reason: 'A hand’s length of soil closes the old surface to air.',
    source: PRACTICE,
  },
  topsoilGood: { value: 0.15, unit: 'm', reason: 'Most fine roots live in the top 15 cm.', source: PRACTICE },
  topsoilNone: { value: 0.05, unit: 'm', reason: 'Less than 5 cm is a skin over subsoil.', source: PRACTICE },
  percolationStands: {
    value: 0.2,
    unit: 'cm/h',
    reason: '5 cm in a day: the hole still stands full on the next.',
    source: PRACTICE,
  },
  percolationPoor: { value: 2.5, unit: 'cm/h', reason: 'Under it a hole drains poorly.', source: PRACTICE },
  percolationExcessive: {
    value: 15,
    unit: 'cm/h',
    reason: 'Over it a hole does not hold water long enough.',
    source: PRACTICE,
  },
  percolationError: {
    value: 0.3,
    unit: 'share',
    reason: 'Share by which two holes a few steps apart differ.',
    source: PRACTICE,
  },
  soilOpen: { value: 0.3, unit: 'm', reason: 'Open to 30 cm, roots find room.', source: PRACTICE },
  soilVeryTight: {
    value: 0.15,
    unit: 'm',
    reason: 'Stopped within 15 cm, roots stay at the surface.',
    source: PRACTICE,
  },
  densityFull: {
    value: 0.75,
    unit: 'share',
    reason: 'Three quarters and more pass for full.',
    source: PRACTICE,
  },
  densityHalf: {
    value: 0.5,
    unit: 'share',
    reason: 'Half the leaves gone is plain to anyone.',
    source: PRACTICE,
  },
  diebackSome: {
    value: 0.05,
    unit: 'share',
    reason: 'A few dead twigs are in every crown.',
    source: PRACTICE,
  },
  diebackMuch: {
    value: 0.25,
    unit: 'share',
    reason: 'A quarter dead and the tree lives off its reserves.',
    source: PRACTICE,
  },
  extensionHalf: {
    value: 0.5,
    unit: 'share',
    reason: 'Shoots under half of what they were.',
    source: PRACTICE,
  },
  collarErrorReadings: {
    value: 4,
    unit: 'count',
    reason: 'The usual spread from side to side counts like this many readings beside those that were taken.',
    source: PRACTICE,
  },
  collarError: {
    value: 0.03,
    unit: 'm',
    reason: 'One push of the rod finds the collar on one side; the other sides lie a few centimetres off.',
    source: PRACTICE,
  },
  leafPaler: {
    value: 0.06,
    unit: 'ratio',
    reason:
      'Dark green colour index by which leaves are paler than those of the reference tree; leaves of one healthy crown differ by about half of it.',
    source: PRACTICE,
  },
  veinsGreener: {
    value: 0.06,
    unit: 'ratio',
    reason:
      'Dark green colour index by which main veins are greener than the blade in leaves that pale between green veins; in sound leaves they are the paler.',
    source: PRACTICE,
  },
  shareError: {
    value: 0.08,
    unit: 'share',
    reason: 'Two people reading a crown differ by about this.',
    source: PRACTICE,
  },
} as const satisfies Record<string, Limit>;
