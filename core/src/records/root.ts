import type { Parts, ValuesOf } from './kind';

/** One root of a dig as it was read in the pit: tape, rod and compass. Bearings as the compass gave them. */
export const root = ({ bearing, day, length, pictureHash, text, z }: Parts) =>
  z.strictObject({
    /** Its name in the pit: a letter or a number. */
    label: text(12).min(1),
    kind: z.enum(['structural', 'girdling', 'root on root', 'circling', 'adventitious', 'competing']),
    /** Where its first point is: at the stem, at another root, or at the edge of the pit. */
    start: z.enum(['stem', 'root', 'outside']),
    from: text(80).optional().describe('label of the root it starts at, or of the tree it belongs to'),
    /** From its start outward, or from the edge of the pit inward. */
    points: z
      .array(
        z.strictObject({
          bearing,
          /** From the bark (or the centre) to the middle of the root. */
          distance: length('rootDistance'),
          /** Top of the root below grade; above it is negative. */
          depth: length('rootDepth'),
          /** Across the root. */
          diameter: length('rootDiameter'),
        }),
      )
      .max(200),
    /** Labels of roots it was seen to pass over; the others are told by depth. */
    over: z.array(text(12)).max(300).optional(),
    condition: z.enum(['sound', 'cracked', 'decayed', 'dead']).optional(),
    contact: z.enum(['clear', 'touching', 'pressing', 'embedded', 'grafted']).optional(),
    /** How deep it has grown into the bark. */
    embedded: length('embedded').optional(),
    /** Whether it was found to leave the old pot, and the farthest it was followed from the centre of the stem. */
    leftPot: z.boolean().optional(),
    farthest: length('farthest').optional(),
    /** Rings counted on a cut, and the radius they were counted over. */
    rings: z.strictObject({ count: z.int().min(1).max(300), over: length('ringsOver') }).optional(),
    /** The picture on which it was traced. */
    traced: pictureHash.optional(),
    note: text(2000).optional(),
    /** What the crew did with it; diameters across the cuts as measured. */
    done: z
      .strictObject({
        on: day,
        by: text(120).optional(),
        how: z.enum(['as planned', 'otherwise', 'left']),
        diameters: z.array(length('rootDiameter')).max(4).optional(),
        note: text(2000).optional(),
      })
      .optional(),
  });

export type DugRoot = ValuesOf<typeof root>;
export type RootPoint = DugRoot['points'][number];
export type RootKind = DugRoot['kind'];
export type RootCondition = NonNullable<DugRoot['condition']>;
export type BarkContact = NonNullable<DugRoot['contact']>;
export type RootDone = NonNullable<DugRoot['done']>;
