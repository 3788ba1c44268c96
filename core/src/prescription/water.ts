import { schoolValue, used, type Weighed, type Situation } from './operation';
import { isTaken } from './planned';
import { wateringQuantity, wateringRounds } from './reset';

/** Watering after work at the roots, or in drought; never where water stands. */
export function waterOperation(s: Situation, rootWork: readonly Weighed[]): Weighed {
  const manner = s.school('watering');
  const lasting = s.school('wateringYears');
  const seasons = schoolValue(lasting, 'seasons');
  const likely = (cause: string) =>
    s.verdict.causes.some((c) => c.cause === cause && c.standing === 'likely');
  const [wet, dry] = [likely('waterlogging'), likely('drought')];
  const after = rootWork.filter((o) => isTaken(o, s.visit.decisions)).map((o) => o.title.toLowerCase());
  const stem = s.tree.stemDiameter ?? s.tree.dbh;
  const wanted = !wet && (dry || after.length > 0);
  const quantities = wanted
    ? [...(stem === undefined ? [] : [wateringQuantity(stem, lasting)]), wateringRounds(lasting)]
    : [];
  return {
    key: 'water',
    title: 'Watering',
    advice: wanted ? 'do' : 'not',
    summary: wet
      ? 'Not while water stands: more trees die of wet than of dry.'
      : wanted
        ? `When the probe finds it dry, over ${seasons === 1 ? 'one growing season' : `${seasons} growing seasons`}, ${manner.label}.`
        : 'Rain does, as long as the roots are left alone.',
    why: wet
      ? ['waterlogged soil is likely']
      : wanted
        ? [...(dry ? ['drought is likely'] : []), ...after.map((title) => `after ${title}`)]
        : ['No work at the roots and no drought.'],
    quantities,
    method: [
      'Look before each watering with a soil probe at 20 cm; skip it when that is moist.',
      'Slowly, over the root zone, off the bark.',
    ],
    cautions: [
      'Clay in a saucer drowns a tree with the best of intentions: look a day later where it stands.',
    ],
    acceptance: ['Soil moist at 20 cm the day after, not wet.'],
    schools: [used(manner), used(lasting)],
    season: 'From the work until leaf fall, and through dry spells of the years after.',
    missing: wanted && stem === undefined ? ['stem diameter'] : [],
  };
}
