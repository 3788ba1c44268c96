import { answerTo } from '../questions/question';
import type { Tree, Visit } from '../records';
import { AGE_CLASSES } from '../vocabulary/ages';

/** Years since planting at a visit. */
export interface Age {
  years: number;
  /** By a class that somebody judged: the year is not known. */
  about: boolean;
}

/** How long a tree has stood where it does: by the year it was planted, else by the class that was noted. */
export function ageAt(
  { plantedYear }: Pick<Tree, 'plantedYear'>,
  { date, findings }: Pick<Visit, 'date' | 'findings'>,
): Age | undefined {
  if (plantedYear !== undefined) return { years: Number(date.slice(0, 4)) - plantedYear, about: false };
  const noted = answerTo(findings, 'history.age')?.answer;
  const known = AGE_CLASSES.find((c) => c.key === noted);
  return known && { years: known.years, about: true };
}

/** As it may stand in a sentence: `8 years`, `about 18 years`. */
export const ageSays = ({ years, about }: Age): string =>
  `${about ? 'about ' : ''}${years} ${years === 1 ? 'year' : 'years'}`;

/**
 * The tree with a year of planting to reckon with where only the class of its age was noted. For sums, never to be shown.
 */
export function withAge<T extends Pick<Tree, 'plantedYear'>>(
  tree: T,
  visit: Pick<Visit, 'date' | 'findings'>,
): T {
  const age = ageAt(tree, visit);
  return age?.about ? { ...tree, plantedYear: Number(visit.date.slice(0, 4)) - age.years } : tree;
}
