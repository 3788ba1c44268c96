import { crownReach } from '../crown';
import { used, schoolValue, type Situation, type Weighed } from '../weighing/operation';
import { shortMark } from '../units/marks';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';
import { plannedOf, plannedWork } from '../weighing/planned';
import { isYoungStem, wateringOfGround, wateringQuantity, wateringRounds } from '../weighing/watering';

/** How deep the soil probe looks before a watering. Common practice, no source. */
const PROBED = shortMark(0.2);

/** Watering after work at the roots, or in drought; never where water stands. */
function weigh(s: Situation, { advice, why, barred: wet }: Ruled, before: readonly Weighed[]): Weighed {
  const manner = s.school('watering');
  const lasting = s.school('wateringYears');
  const seasons = schoolValue(lasting, 'seasons');
  const stem = s.tree.stemDiameter ?? s.tree.dbh;
  const wanted = advice === 'do';
  const young = isYoungStem(stem);
  const opened = plannedWork(plannedOf(before, s.visit)).bowlRadius;
  const each =
    stem === undefined
      ? []
      : [
          young
            ? wateringQuantity(stem, manner, lasting)
            : wateringOfGround(stem, crownReach(s.tree), opened, lasting),
        ];
  const quantities = wanted
    ? [...each, wateringRounds(manner, lasting, young ? 'young' : 'established', s.species)]
    : [];
  return {
    key: 'water',
    title: 'Watering',
    advice,
    summary: wet
      ? 'Not while water stands: more trees die of wet than of dry.'
      : wanted
        ? `Water whenever the soil probe comes up dry, for ${seasons === 1 ? 'one growing season' : `${seasons} growing seasons`}; amounts ${manner.label}.`
        : advice === 'option'
          ? `Look with a soil probe at ${PROBED} in dry spells; water where it is dry.`
          : 'Rain is enough as long as the roots are left alone.',
    why: advice === 'not' && !wet ? ['No work at the roots and no drought.'] : why,
    quantities,
    method: [
      `Look before each watering with a soil probe at ${PROBED}; skip it when that is moist.`,
      'Slowly, over the root zone, off the bark.',
    ],
    cautions: ['A saucer in clay can drown a tree: check a day later whether water stands.'],
    acceptance: [`Soil moist at ${PROBED} the day after, not wet.`],
    schools: [used(manner), used(lasting)],
    season: 'From the work until leaf fall, and through dry spells of the years after.',
    missing: wanted && stem === undefined ? ['stem diameter'] : [],
  };
}

export const water: Remedy = {
  treats: ['drought', 'severed', 'transplantShock'],
  settles: [],
  do: [
    {
      when: [{ node: 'transplantShock', standing: 'likely' }],
      why: 'The roots it has reach no farther than its ball: they are watered there.',
    },
    { when: [{ node: 'drought', standing: 'likely' }], why: 'Roots cannot be fed from dry soil.' },
    { when: [{ node: 'severed', standing: 'likely' }], why: 'The remaining roots supply the whole tree.' },
    { when: [{ planned: 'excavate' }], why: 'Bared roots dry first.' },
    { when: [{ planned: 'prune' }], why: 'Fewer roots have to supply the whole tree.' },
    { when: [{ planned: 'reset' }], why: 'Fewer roots have to supply the whole tree.' },
    { when: [{ planned: 'raise' }], why: 'A mound dries from the side.' },
    { when: [{ planned: 'openBall' }], why: 'Fewer roots have to supply the whole tree.' },
    { when: [{ planned: 'move' }], why: 'Its roots have to regrow into different soil.' },
    { when: [{ planned: 'ring' }], why: 'Roots were cut where it was opened.' },
    { when: [{ planned: 'trench' }], why: 'Loose fill dries and settles.' },
  ],
  option: [
    {
      when: [{ node: 'transplantShock', standing: 'possible' }],
      why: 'Probe the ball itself: it dries while the ground beside it is moist.',
    },
    { when: [{ node: 'drought', standing: 'possible' }], why: 'Use the probe: dry a hand deep is dry.' },
    {
      when: [{ node: 'severed', standing: 'possible' }],
      why: 'In a dry spell the tree lacks the roots it lost.',
    },
  ],
  bars: [
    {
      when: [{ node: 'waterlogging', standing: 'likely' }],
      why: 'More trees die of wet than of dry; let the water out first.',
    },
  ],
  against: [],
  first: [],
  risks: ['Watering by the clock can drown a tree that stands in a saucer.'],
  followUp: 'The probe before each watering.',
  weigh,
};
