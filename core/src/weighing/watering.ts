import { amount } from './amounts';
import { METRES_PER_INCH } from '../units/length';
import type { Quantity } from '../units/quantity';
import { LIMITS, type SchoolInForce } from '../practice';
import type { Species, Tolerance } from '../species';
import { limit, schoolNote, schoolValue } from './operation';

/**
 * Water for one watering by the five-gallon rule, litres, in whole 5-gallon buckets.
 *
 * @param stemDiameter m
 * @example wateringByRule(1.5 * 0.0254) // 37.9 L, 10 US gal: 7.5 rounded up
 */
export function wateringByRule(stemDiameter: number): number {
  const perBucket = limit('litresPerInch');
  return Math.ceil((stemDiameter / METRES_PER_INCH) * (1 - 1e-12)) * perBucket;
}

/**
 * Water of one watering of a transplant, with its working.
 *
 * @param manner the school of watering: how much at a time, how often
 * @param lasting the school of how long to water
 */
export const wateringQuantity = (
  stemDiameter: number,
  manner: SchoolInForce,
  lasting: SchoolInForce,
): Quantity =>
  amount(
    'waterAtEachWatering',
    wateringByRule(stemDiameter) * schoolValue(manner, 'times'),
    'litres',
    '5 US gal for each inch of stem, in whole buckets, × times by school',
    [
      { name: 'stem diameter', value: stemDiameter, dimension: 'short length' },
      { name: 'times', value: schoolValue(manner, 'times'), dimension: 'ratio' },
    ],
    {
      school: schoolNote(manner),
      notes: [`For ${schoolValue(lasting, 'seasons')} growing season(s); probe first, skip when moist.`],
    },
  );

/**
 * Water of one watering of an established tree: an inch over the ground that was opened, at least a metre from the bark
 * and no farther than the crown.
 *
 * @param opened radius of the ground that was opened, from the middle of the stem, m
 */
export function wateringOfGround(
  stemDiameter: number,
  crownRadius: number | undefined,
  opened: number | undefined,
  lasting: SchoolInForce,
): Quantity {
  const stem = stemDiameter / 2;
  const wanted = Math.max(opened ?? 0, stem + limit('wateredOut'));
  const radius = crownRadius === undefined ? wanted : Math.max(stem, Math.min(crownRadius, wanted));
  return amount(
    'waterAtEachWatering',
    1000 * Math.PI * (radius ** 2 - stem ** 2) * limit('wateringDepth'),
    'litres',
    'pi × (radius² − stem radius²) × depth of water',
    [
      { name: 'radius watered', value: radius, dimension: 'long length' },
      { name: 'stem radius', value: stem, dimension: 'short length' },
      { name: 'depth of water', value: limit('wateringDepth'), dimension: 'short length' },
    ],
    { school: schoolNote(lasting), notes: [LIMITS.bucketStem.reason, 'Probe first, skip when moist.'] },
  );
}

/** Whether a stem is a transplant's, watered by the inch and often; one that was not measured may be. */
export const isYoungStem = (stemDiameter: number | undefined): boolean =>
  stemDiameter === undefined || stemDiameter <= limit('bucketStem');

/**
 * Waterings of an established tree, as times those of the school, by how its species stands drought. A transplant has
 * the roots it was left with, whatever its species. Common practice, no source.
 */
const BY_DROUGHT: Readonly<Record<Tolerance, number>> = { poor: 1.5, fair: 1, good: 0.5 };

/**
 * Rounds of watering over the seasons of the school.
 *
 * @param tree a transplant, or one that is established
 * @param species what is known of it
 */
export function wateringRounds(
  manner: SchoolInForce,
  lasting: SchoolInForce,
  tree: 'young' | 'established' = 'young',
  species?: Species,
): Quantity {
  const how = tree === 'established' ? species?.stands.drought : undefined;
  const times = how === undefined ? 1 : BY_DROUGHT[how];
  return amount(
    'waterings',
    Math.ceil(schoolValue(lasting, 'seasons') * schoolValue(manner, tree) * times),
    'count',
    times === 1 ? 'seasons × waterings a season' : 'seasons × waterings a season × times by species',
    [
      { name: 'seasons', value: schoolValue(lasting, 'seasons'), dimension: 'count' },
      { name: 'waterings a season', value: schoolValue(manner, tree), dimension: 'count' },
      ...(times === 1
        ? []
        : [
            {
              name: `${species!.name} tolerates drought ${how === 'poor' ? 'poorly' : 'well'}`,
              value: times,
              dimension: 'ratio' as const,
            },
          ]),
    ],
    {
      school: schoolNote(manner),
      notes: [
        'The probe decides each time.',
        ...(species?.foliage === 'evergreen'
          ? ['Evergreen: it loses water in winter too; water before the ground freezes.']
          : []),
      ],
    },
  );
}
