import type { Parts, ValuesOf } from './kind';

/** What was measured and decided for the trenches of a visit. Bearings in degrees clockwise from true north. */
export const trenches = ({ bearing, z }: Parts) => {
  const bearings = z.array(bearing).max(60);
  return z.strictObject({
    holeRadius: z
      .number()
      .positive()
      .max(5)
      .optional()
      .describe('old planting hole, from the centre of the stem, m'),
    /** How much the ground falls, as a ratio, and the bearing it falls toward. */
    slope: z.strictObject({ fall: z.number().min(0).max(1), toward: bearing }).optional(),
    /** Spokes set by hand; the layout goes round them. */
    locked: bearings.optional(),
    /** Taken out by hand. */
    avoid: bearings.optional(),
    /** Utilities were located and marked on that day; marks lapse. */
    marked: z.iso.date().optional(),
    /** Another remedy of the soil was chosen than the rules would, and why. */
    choice: z
      .strictObject({ remedy: z.string().min(1).max(40), why: z.string().trim().min(1).max(500) })
      .optional(),
    note: z.string().max(2000).optional(),
  });
};

export type TrenchDesign = ValuesOf<typeof trenches>;
