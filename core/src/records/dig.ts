import type { Parts, ValuesOf } from './kind';

/** How many places of the wall of an old pot are touched at most. */
export const MOST_POT = 24;

/** The stem in a dig as it was read in the pit, and how it was measured; the roots are records of their own. */
export const dig = ({ bearing, length, text, z }: Parts) =>
  z.strictObject({
    /** Radii of the stem at the level of the collar; none: round, as thick as the stem was measured. */
    radii: z
      .array(z.strictObject({ bearing, radius: length('outlineRadius') }))
      .max(72)
      .optional(),
    /** Or two diameters: one along a bearing, one across it. */
    diameters: z
      .strictObject({ bearing, along: length('outlineDiameter'), across: length('outlineDiameter') })
      .optional(),
    /** Swelling of the outline where a root runs up the stem: beyond the outline, and across at it. */
    buttresses: z
      .array(z.strictObject({ bearing, reach: length('buttressReach'), width: length('buttressWidth') }))
      .max(24)
      .optional(),
    /**
     * Decayed bark or wood of the collar, from one bearing clockwise to the other; up the stem from the collar, and into
     * it as far as it was sounded.
     */
    decay: z
      .array(
        z.strictObject({
          from: bearing,
          to: bearing,
          height: length('decayHeight'),
          depth: length('decayDepth').optional(),
        }),
      )
      .max(24)
      .optional(),
    /** Round the stem, and will not grow with it; diameter inside. */
    barriers: z
      .array(
        z.strictObject({
          kind: z.enum(['root-control ring', 'grate', 'tie', 'guard']),
          diameter: length('barrier'),
        }),
      )
      .max(12)
      .optional(),
    /** Places of the wall of the old pot, from the centre of the stem. */
    pot: z
      .array(z.strictObject({ bearing, distance: length('potWall') }))
      .max(MOST_POT)
      .optional(),
    measuredFrom: z.enum(['bark', 'centre']),
    /** Which north the compass bearings of the whole dig are from. */
    north: z.enum(['true', 'magnetic']),
    declination: z
      .number()
      .min(-60)
      .max(60)
      .optional()
      .describe('degrees, magnetic north east of true north'),
    /** From the centre of the stem. */
    pitRadius: length('pitRadius').optional(),
    note: text(4000).optional(),
  });

export type DigHead = ValuesOf<typeof dig>;
export type Buttress = NonNullable<DigHead['buttresses']>[number];
export type DecaySector = NonNullable<DigHead['decay']>[number];
export type Barrier = NonNullable<DigHead['barriers']>[number];
