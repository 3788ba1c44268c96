import * as z from 'zod';
import { monthDay, once } from './parts';

/** What is known of the rain where a tree stands, and who measured it. */
export const weatherSchema = z.strictObject({
  source: z.string().min(1).max(120),
  /** Where it is, as far as seasons follow from it. */
  place: z
    .strictObject({
      latitude: z.number().min(-90).max(90).describe('degrees, south below zero'),
      longitude: z.number().min(-180).max(180).optional().describe('degrees, west below zero'),
      lastFrost: monthDay.optional().describe('mean last frost of the cold season, MM-DD'),
      firstFrost: monthDay.optional().describe('mean first frost of the cold season, MM-DD'),
    })
    .optional(),
  /** Rain of the growing seasons, m: April to September, or October to March in the south by the year it ends in. */
  seasons: z
    .array(z.strictObject({ year: z.int().min(1800).max(2200), rain: z.number().min(0).max(5) }))
    .max(200)
    .refine(
      once((s: { year: number }) => s.year),
      'a year is given twice',
    ),
});

export type WeatherRecord = z.infer<typeof weatherSchema>;
export type WeatherPlace = NonNullable<WeatherRecord['place']>;
export type SeasonRain = WeatherRecord['seasons'][number];
