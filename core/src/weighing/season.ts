import { climateOf, frostMonths, monthHere, monthOn, type Climate } from '../house';
import { vectorOf } from '../species';
import { monthName } from '../vocabulary/dates';
import type { Situation } from './operation';
import type { RemedyRules, SeasonWindow } from './rules';

/**
 * When a tree is planted, reset or moved, by the school followed. Autumn: three months from the first frost on, while the
 * soil is warm; evergreens a month before it. Spring: the two months up to the last frost; evergreens a month later. By
 * climate: autumn, but spring where winters are hard or the species roots slowly. Common practice, no source.
 */
function plantingWindow(s: Situation, climate: Climate): SeasonWindow {
  const school = s.school('plantingSeason');
  const evergreen = s.species?.foliage === 'evergreen';
  const slow = s.species?.tender === true;
  const spring = school.key === 'spring' || (school.key === 'climate' && (climate.hardWinters || slow));
  const { first, last } = frostMonths(climate);
  const by =
    school.key !== 'climate'
      ? `by the school followed: ${school.label}`
      : slow
        ? `${s.species!.name} roots slowly once moved`
        : climate.hardWinters
          ? 'winters are hard here'
          : 'the ground stays open here';
  if (spring) {
    const to = evergreen ? monthOn(last, 1) : last;
    return {
      from: monthOn(to, -1),
      to,
      why: evergreen
        ? `Evergreens in spring, as the soil warms: ${by}.`
        : `In early spring, before the buds open: ${by}.`,
    };
  }
  const from = evergreen ? monthOn(first, -1) : first;
  return {
    from,
    to: monthOn(from, evergreen ? 1 : 2),
    why: evergreen
      ? `Evergreens in early autumn, while the soil is warm: ${by}.`
      : `In autumn, once the leaves fall and while the ground is open: ${by}.`,
  };
}

/** When a tree is planted, reset, raised or moved here, in words. */
export function plantingSeason(s: Situation): string {
  const { from, to, why } = plantingWindow(s, climateOf(s.house.weather));
  return `${monthName(from)} to ${monthName(to)}. ${why}`;
}

/** The months of an operation for this tree, where it stands; undefined where any day will do. */
export function windowHere(window: RemedyRules['window'], s: Situation): SeasonWindow | undefined {
  if (!window) return undefined;
  const climate = climateOf(s.house.weather);
  if (window === 'planting') return plantingWindow(s, climate);
  return { ...window, from: monthHere(window.from, climate), to: monthHere(window.to, climate) };
}

/** When cuts are not made on a tree of its genus, where the disease occurs that insects carry to them. */
export function vectorSeason(s: Situation): string[] {
  const vector = vectorOf(s.tree.species);
  if (!vector) return [];
  const climate = climateOf(s.house.weather);
  const [from, to] = [vector.from, vector.to].map((month) => monthName(monthHere(month, climate)));
  return [`No fresh cuts from ${from} to ${to} where the disease occurs: ${vector.carries}.`];
}
