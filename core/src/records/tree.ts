import { MATTERS } from '../practice/schools';
import type { Parts, ValuesOf } from './kind';

/** A position less sure than this does not place a tree, m. */
export const FIX_WITHIN = 100;

/** Characters of the label of a tree, and of its other words. */
export const TREE_LETTERS = { label: 80, words: 120 } as const;

const knownSchool = (matter: string, school: string): boolean =>
  MATTERS.some((m) => m.key === matter && m.schools.some((s) => s.key === school));

export const tree = ({ bearing, length, once, text, z }: Parts) => {
  /** An amount of money in decimals as text. */
  const amount = z.string().regex(/^\d{1,8}(\.\d{1,2})?$/);
  return z.strictObject({
    label: text(TREE_LETTERS.label).min(1),
    species: text(TREE_LETTERS.words),
    commonName: text(TREE_LETTERS.words).optional(),
    plantedYear: z.int().min(1700).max(2200).optional(),
    stock: z.enum(['container', 'balled-and-burlapped', 'bare-root', 'field-grown']).optional(),
    planter: text(TREE_LETTERS.words).optional().describe('who planted it'),
    /** Once it was confirmed. */
    cohort: text(TREE_LETTERS.words).optional().describe('name of the trees it was planted with'),
    /** Across the stem just above the flare or above what buries it. */
    stemDiameter: length('stemDiameter').optional(),
    /** Across the stem at 1.3 m (4.5 ft). */
    dbh: length('dbh').optional(),
    height: length('height').optional(),
    crownRadius: length('crownRadius').optional(),
    /** Where the drip line was measured bearing by bearing; stands before `crownRadius`. */
    crownSpread: z
      .array(z.strictObject({ bearing, radius: length('crownRadius') }))
      .min(1)
      .max(8)
      .refine(
        once((s: { bearing: number }) => s.bearing),
        'a bearing is given twice',
      )
      .optional(),
    /** Room for a mulch ring, from the centre of the stem to paving or another limit. */
    mulchRoom: length('mulchRoom').optional(),
    /** On the plan of its property: x east, y north. With the error in 95 of 100 where it came from a position that was read. */
    position: z
      .strictObject({
        x: length('position'),
        y: length('position'),
        error: length('positionError').optional(),
      })
      .optional(),
    /** Its position as a phone or another receiver read it. */
    fix: z
      .strictObject({
        latitude: z.number().min(-90).max(90).describe('degrees, south below zero'),
        longitude: z.number().min(-180).max(180).describe('degrees, west below zero'),
        accuracy: z.number().min(0).max(FIX_WITHIN).describe('radius that holds it in 95 of 100, m'),
      })
      .optional(),
    /** A healthy tree kept as the yardstick for others of its species. */
    reference: z.boolean().optional(),
    /** What it is worth to its owner as it stands, and what a young one in its place would be, as they said it. */
    worth: z
      .strictObject({
        currency: z.string().regex(/^[A-Z]{3}$/),
        asIs: amount,
        young: amount.optional(),
      })
      .optional(),
    /** Schools of practice chosen for this tree alone, by matter. */
    schools: z
      .record(z.string(), z.string())
      .refine((schools) => Object.entries(schools).every(([matter, school]) => knownSchool(matter, school)), {
        error: 'unknown matter or school of practice',
      })
      .optional(),
    note: text(4000).optional(),
  });
};

export type Tree = ValuesOf<typeof tree>;
export type Stock = NonNullable<Tree['stock']>;
export type Worth = NonNullable<Tree['worth']>;
