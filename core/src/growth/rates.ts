import { byDay } from '../vocabulary/dates';
import type { Dig, DugRoot, Tree, Visit } from '../records';
import { answerTo } from '../questions/question';
import { speciesFor, type GrowthClass, type Species } from '../species';
import { outlineOf, turnOf } from '../roots';

/** Growth of a radius, m a year, with its coefficient of variation, and where it comes from. */
export interface Rate {
  perYear: number;
  variation: number;
  from: string;
}

/** The stem's growth, and beside it that of each root that was measured twice, by its label. */
export interface StemRate extends Rate {
  roots?: Record<string, Rate>;
}

export interface RateClass {
  /** Growth of the stem's radius, m a year. */
  stem: number;
  variation: number;
  reason: string;
}

/**
 * Growth of a young planted tree's stem where nothing was measured, by the growth of its species. Judgement numbers: common practice, no
 * source; a ring that a stem reaches in 15 to 18 years is met by the fast class.
 */
export const RATE_CLASSES: Record<GrowthClass, RateClass> = {
  slow: {
    stem: 0.0025,
    variation: 0.45,
    reason: 'Five to six millimetres of diameter a year in open ground; often less in a planting square.',
  },
  medium: {
    stem: 0.004,
    variation: 0.45,
    reason: 'Eight millimetres of diameter a year once established.',
  },
  fast: {
    stem: 0.0065,
    variation: 0.45,
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
/** Standard error of a stem's radius by tape and of a root's by caliper, m. Common practice, no source. */
const RADIUS_ERROR = { stem: 0.002, root: 0.0007 } as const;
/** Growth differs from year to year, so what a few years showed holds no better than this for the next ones. */
const LEAST_VARIATION = 0.2;

const yearsBetween = (a: string, b: string): number =>
  (Date.parse(b) - Date.parse(a)) / (365.25 * 86_400_000);

/** The class a species belongs to; medium for one that is in no list. */
export function rateClassOf(
  species: string,
  own: readonly Species[] = [],
): { key: GrowthClass; known: boolean } {
  const found = speciesFor(species, own);
  return { key: found?.species.growth ?? 'medium', known: found !== undefined };
}

const digOf = (visit: Visit): Dig | undefined => visit.dig;
const hasOutline = (dig: Dig | undefined): dig is Dig =>
  dig !== undefined && ((dig.radii?.length ?? 0) > 0 || dig.diameters !== undefined);

/** A radius measured on a day. */
interface Sized {
  date: string;
  radius: number;
}

/** Growth between the first and the last of several measurements; none where they lie too close or did not grow. */
function measured(sizes: readonly Sized[], error: number, what: string): Rate | undefined {
  const [first, last] = [sizes[0], sizes[sizes.length - 1]];
  if (!first || !last) return undefined;
  const years = yearsBetween(first.date, last.date);
  const perYear = (last.radius - first.radius) / years;
  if (years < MIN_YEARS || perYear <= 0) return undefined;
  return {
    perYear,
    variation: Math.min(1, Math.hypot(LEAST_VARIATION, (Math.SQRT2 * error) / years / perYear)),
    from: `${what}, ${first.date} and ${last.date}`,
  };
}

/** Each root that stands in more than one dig under the same label, by the mean of its diameters. */
function measuredRoots(byDate: readonly Visit[]): Record<string, Rate> {
  const sizes = new Map<string, Sized[]>();
  for (const { date, dig } of byDate) {
    for (const { label, points } of dig?.roots ?? []) {
      if (points.length === 0) continue;
      const radius = points.reduce((sum, p) => sum + p.diameter / 2, 0) / points.length;
      sizes.set(label, [...(sizes.get(label) ?? []), { date, radius }]);
    }
  }
  return Object.fromEntries(
    [...sizes].flatMap(([label, list]) => {
      const rate = measured(list, RADIUS_ERROR.root, 'two digs');
      return rate ? [[label, rate]] : [];
    }),
  );
}

/**
 * Growth of the stem's radius: from the outlines of two digs, else from DBH at two visits, else by species; and of the
 * roots that two digs hold.
 */
export function stemRate(
  tree: Tree,
  visits: readonly Visit[],
  ownSpecies: readonly Species[] = [],
): StemRate {
  const byDate = [...visits].sort((a, b) => byDay(a.date, b.date));
  const outlines = byDate
    .filter((v) => hasOutline(digOf(v)))
    .map((v) => ({ date: v.date, radius: outlineOf(v.dig!, turnOf(v.dig!), undefined).meanRadius }));
  const girths = byDate.flatMap(({ date, findings }) => {
    const dbh = answerTo(findings, 'base.dbh')?.number;
    return dbh === undefined ? [] : [{ date, radius: dbh / 2 }];
  });
  const roots = measuredRoots(byDate);
  const stem =
    measured(outlines, RADIUS_ERROR.stem, 'two outlines') ??
    measured(girths, RADIUS_ERROR.stem, 'DBH at two visits') ??
    bySpecies(tree.species, ownSpecies);
  return Object.keys(roots).length > 0 ? { ...stem, roots } : stem;
}

function bySpecies(species: string, own: readonly Species[]): Rate {
  const { key, known } = rateClassOf(species, own);
  const rate = RATE_CLASSES[key];
  return {
    perYear: rate.stem,
    variation: rate.variation,
    from: known ? `${key} growing by species` : 'species in no list: medium growing',
  };
}

/** Growth of a root's radius: from rings counted on it, else from two digs, else as a share of the stem's. */
export function rootRate(root: DugRoot, stem: StemRate): Rate & { own: boolean } {
  if (root.rings && root.rings.count > 0) {
    return {
      perYear: root.rings.over / root.rings.count,
      variation: Math.max(0.15, 1 / Math.sqrt(root.rings.count)),
      from: `${root.rings.count} rings counted`,
      own: true,
    };
  }
  const twice = stem.roots?.[root.label];
  if (twice) return { ...twice, own: true };
  return {
    perYear: ROOT_TO_STEM.share * stem.perYear,
    variation: ROOT_TO_STEM.variation,
    from: 'share of the stem’s growth',
    own: false,
  };
}
