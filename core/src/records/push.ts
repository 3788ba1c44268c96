import type { Parts, ValuesOf } from './kind';

/** One push of a recording penetrometer. Bearing in degrees clockwise from true north. */
export const push = ({ bearing, z }: Parts) =>
  z.strictObject({
    bearing,
    distance: z.number().min(0).max(30).describe('from the bark outward, m'),
    readings: z
      .array(
        z.strictObject({
          depth: z.number().min(0).max(1.5).describe('below grade, m'),
          pressure: z.number().min(0).max(2e7).describe('cone index, Pa'),
        }),
      )
      .max(400)
      .refine(
        (readings) => readings.every((r, i) => i === 0 || r.depth > readings[i - 1]!.depth),
        'depths jump back: each reading lies deeper than the one before',
      ),
    stopped: z.number().min(0).max(1.5).optional().describe('depth at which the cone would go no farther, m'),
    /** How moist the soil was: resistance is read with it. */
    moisture: z.enum(['dry', 'moist', 'wet']).optional(),
    note: z.string().max(500).optional(),
  });

export type Push = ValuesOf<typeof push>;
