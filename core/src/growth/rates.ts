import type { Dig, DugRoot } from '../casefile/dig';
import type { Tree, Visit } from '../casefile/model';
import { outlineOf, turnOf } from '../roots';

/** Growth of a radius, m a year, with its coefficient of variation, and where it comes from. */
export interface Rate {
  perYear: number;
  variation: number;
  from: string;
}

export interface RateClass {
  /** Growth of the stem's radius, m a year. */
  stem: number;
  variation: number;
  genera: readonly string[];
  reason: string;
}

/**
 * Growth of a young planted tree's stem where nothing was measured, by genus. Judgement numbers: common practice, no
 * source; a ring that a stem reaches in 15 to 18 years is met by the fast class.
 */
export const RATE_CLASSES: Record<'slow' | 'medium' | 'fast', RateClass> = {
  slow: {
    stem: 0.0025,
    variation: 0.45,
    genera: ['Cercidiphyllum', 'Carpinus', 'Ginkgo', 'Fagus', 'Ostrya', 'Taxus', 'Cornus', 'Acer palmatum'],
    reason: 'Five to six millimetres of diameter a year in open ground; often less in a planting square.',
  },
  medium: {
    stem: 0.004,
    variation: 0.45,
    genera: ['Tilia', 'Acer', 'Quercus', 'Zelkova', 'Fraxinus', 'Ulmus', 'Prunus', 'Malus', 'Aesculus'],
    reason: 'Eight millimetres of diameter a year once established.',
  },
  fast: {
    stem: 0.0065,
    variation: 0.45,
    genera: [
      'Liriodendron',
      'Liquidambar',
      'Platanus',
      'Populus',
      'Salix',
      'Robinia',
      'Catalpa',
      'Paulownia',
    ],
    reason: 'Thirteen millimetres of diameter a year and more on good ground.',
  },
};

/** Roots by the collar thicken more slowly than the stem. Common practice, no source. */
export const ROOT_TO_STEM = {
  share: 0.6,
  variation: 0.35,
  reason: 'A root by the collar adds about six tenths of what the stem adds, a third more or less.',
} as const;

/** Years between two measurements under which their error outweighs the growth. */
const MIN_YEARS = 1;
/** Standard error of a radius by tape, m. */
const RADIUS_ERROR = 0.002;

const yearsBetween = (a: string, b: string): number =>
  (Date.parse(b) - Date.parse(a)) / (365.25 * 86_400_000);

/** The class a species belongs to; medium for one that is in no list. */
export function rateClassOf(species: string): { key: keyof typeof RATE_CLASSES; known: boolean } {
  for (const key of ['slow', 'medium', 'fast'] as const) {
    if (RATE_CLASSES[key].genera.some((genus) => species.toLowerCase().startsWith(genus.toLowerCase())))
      return { key, known: true };
  }
  return { key: 'medium', known: false };
}

const digOf = (visit: Visit): Dig | undefined => visit.dig;
const hasOutline = (dig: Dig | undefined): dig is Dig =>
  dig !== undefined && ((dig.radii?.length ?? 0) > 0 || dig.diameters !== undefined);

/**
 * Growth of the stem's radius: from the outlines of two digs, else from the thickness it has reached since planting,
 * else by species.
 */
export function stemRate(tree: Tree, visits: readonly Visit[]): Rate {
  const dug = visits
    .filter((v) => hasOutline(digOf(v)))
    .sort((a, b) => a.date.localeCompare(b.date))
    .map((v) => ({ date: v.date, radius: outlineOf(v.dig!, turnOf(v.dig!), undefined).meanRadius }));
  const [first, last] = [dug[0], dug[dug.length - 1]];
  if (first && last && yearsBetween(first.date, last.date) >= MIN_YEARS && last.radius > first.radius) {
    const years = yearsBetween(first.date, last.date);
    const perYear = (last.radius - first.radius) / years;
    return {
      perYear,
      variation: Math.min(1, Math.hypot(0.2, (Math.SQRT2 * RADIUS_ERROR) / years / perYear)),
      from: `two outlines, ${first.date} and ${last.date}`,
    };
  }
  const { key, known } = rateClassOf(tree.species);
  const rate = RATE_CLASSES[key];
  return {
    perYear: rate.stem,
    variation: rate.variation,
    from: known ? `${key} growing by species` : 'species in no list: medium growing',
  };
}

/** Growth of a root's radius: from rings counted on it, else as a share of the stem's. */
export function rootRate(root: DugRoot, stem: Rate): Rate {
  if (root.rings && root.rings.count > 0) {
    return {
      perYear: root.rings.over / root.rings.count,
      variation: Math.max(0.15, 1 / Math.sqrt(root.rings.count)),
      from: `${root.rings.count} rings counted`,
    };
  }
  return {
    perYear: ROOT_TO_STEM.share * stem.perYear,
    variation: ROOT_TO_STEM.variation,
    from: 'share of the stem’s growth',
  };
}
