import { answerTo } from '../../questions/question';
import { normalBelow } from '../../geometry/normal';
import { LIMITS } from '../../practice/limits';
import { DENSITY_ERROR, sampleOf } from '../../soil/sample';
import { loggedGround, penetrationOf } from '../../soil/verdict';
import { collarSays, plantingSays } from '../../profile';
import { rootsStopMark, shortMark } from '../../units/marks';
import { asked, between, depth, errorOf, falling, first, intervals, logged, type Readers } from './reader';

/** Mulch, grade, rod and soil. */
export const GROUND_READERS: Readers = {
  'mulch.onBark': first(({ profile: { mulch } }) => {
    if (!mulch || mulch.atBark === 0) return undefined;
    return {
      agrees: intervals(mulch.onBark.value, errorOf(mulch.onBark, mulch.atBark), [
        'mulchOnBarkMatters',
        'mulchDeep',
      ]),
      says:
        mulch.onBark.value < LIMITS.mulchOnBarkMatters.value
          ? 'mulch clear of the bark'
          : `mulch stands ${shortMark(mulch.onBark.value)} up the bark`,
    };
  }, asked('look.mulch')),
  'mulch.cone': ({ profile: { mulch } }) => {
    if (!mulch || mulch.atBark === 0) return undefined;
    const cone =
      mulch.onBark.value >= LIMITS.mulchDeep.value &&
      mulch.onBark.value > LIMITS.mulchCone.value * mulch.halfwayDepth;
    if (!cone && mulch.across < LIMITS.blanketBearings.value) return undefined;
    return {
      answer: cone ? 'cone' : 'blanket',
      says: cone
        ? `mulch rises to a cone, ${shortMark(mulch.onBark.value)} at the bark and ${shortMark(mulch.halfwayDepth)} halfway out`
        : 'mulch lies as a blanket, not a cone',
    };
  },
  'mulch.renewed': ({ visit }) => {
    const answer = answerTo(visit.findings, 'mulch.renewed')?.answer;
    return answer === 'none' || answer === 'yearly' ? { answer } : undefined;
  },
  'probe.collar': ({ profile: { collar, fill } }) => {
    if (!collar) return undefined;
    const agrees = intervals(collar.depth.value, errorOf(collar.depth, collar.byBearing.length), [
      'collarNormalMax',
      'collarVeryDeep',
    ]);
    const says = collarSays(collar.depth.value);
    if (!fill) return { agrees, says };
    // With the fill known the same reading speaks as the depth at planting: it is weighed once.
    const best = agrees.indexOf(Math.max(...agrees));
    return { agrees: [1, 1, 1], says, answer: ['shallow', 'deep', 'very deep'][best]! };
  },
  'probe.planted': ({ profile: { collar, fill } }) => {
    if (!collar || !fill) return undefined;
    const below = collar.depth.value - fill.atStem.value;
    return {
      agrees: intervals(
        below,
        Math.hypot(errorOf(collar.depth, collar.byBearing.length), LIMITS.rodError.value),
        ['collarNormalMax', 'collarVeryDeep'],
      ),
      says: plantingSays(below),
    };
  },
  'probe.fill': ({ profile: { fill } }) =>
    fill && {
      agrees: intervals(fill.atStem.value, errorOf(fill.atStem, fill.readings), ['fillMatters', 'fillMuch']),
      says:
        fill.atStem.value < LIMITS.fillMatters.value
          ? 'no soil added over the original grade'
          : `${shortMark(fill.atStem.value)} of soil added over the original grade`,
    },
  'probe.topsoil': first(
    depth('probe.topsoil', 'topsoil', ['topsoilNone', 'topsoilGood']),
    logged('topsoil', 'topsoil', ['topsoilNone', 'topsoilGood']),
  ),
  'probe.colour': first(asked('probe.colour'), ({ visit }) => {
    const { colour } = loggedGround(visit.soilLogs ?? []);
    return colour && { answer: colour };
  }),
  'probe.moisture': first(asked('probe.moisture'), ({ visit }) => {
    const { moisture } = loggedGround(visit.soilLogs ?? []);
    return moisture && { answer: moisture };
  }),
  'probe.oldGrade': first(asked('probe.oldGrade'), ({ visit }) => {
    const { oldGrade } = loggedGround(visit.soilLogs ?? []);
    return oldGrade === undefined
      ? undefined
      : { answer: 'seen', says: `the original grade lies ${shortMark(oldGrade)} down in the soil probe` };
  }),
  // What the penetrometer meets on both sides of the edge stands in for the rod.
  'probe.wall': first(asked('probe.wall'), ({ tree, visit }) =>
    penetrationOf(tree, visit)?.tightness === 'hole'
      ? { answer: 'felt', says: 'soil loose inside the planting hole and compacted beyond it' }
      : undefined,
  ),
  // The look a day later is what the test is for; a rate that was timed stands in for it.
  'probe.drain': first(asked('probe.drain'), ({ visit }) => {
    const rate = answerTo(visit.findings, 'soil.percolation')?.number;
    if (rate === undefined) return undefined;
    const error = Math.max(LIMITS.percolationStands.value, rate) * LIMITS.percolationError.value;
    return {
      agrees: falling(intervals(rate, error, ['percolationStands', 'percolationPoor'])),
      says: `water in the hole falls ${shortMark(rate / 100)} per hour`,
    };
  }),
  'probe.refusal': first(
    ({ tree, visit }) => {
      const read = penetrationOf(tree, visit);
      if (!read || read.tightness === 'few') return undefined;
      const { median, low, high } = read.depth;
      // The middle 80 % of a normal distribution spans 2.56 standard deviations.
      const dry = 1 + (LIMITS.dryPush.value - 1) * (read.dry / read.pushes);
      const error = dry * Math.max(LIMITS.rodError.value, (high - low) / 2.56 / Math.sqrt(read.pushes));
      return {
        agrees: falling(intervals(median, error, ['soilVeryTight', 'soilOpen'])),
        says: `${rootsStopMark} is reached at ${shortMark(median)}, the middle of ${read.pushes} pushes${read.dry > 0 ? `, ${read.dry} of them in dry soil` : ''}`,
      };
    },
    depth('soil.cone', `${rootsStopMark} is reached at`, ['soilVeryTight', 'soilOpen']),
    depth('probe.refusal', 'the rod stops at', ['soilVeryTight', 'soilOpen']),
    logged('refusal', 'the soil probe stops at', ['soilVeryTight', 'soilOpen']),
  ),
  'soil.density': ({ visit }) => {
    const { density, limits, texture } = sampleOf(visit.findings);
    if (!density || !limits) return undefined;
    const below = [limits.affected, limits.stopped].map((limit) =>
      normalBelow((limit - density.value) / DENSITY_ERROR),
    );
    return {
      agrees: between(below),
      says: `bulk density ${(density.value / 1000).toFixed(2)} g/cm³ in ${texture}; roots are stopped from ${(limits.stopped / 1000).toFixed(2)}`,
    };
  },
};
