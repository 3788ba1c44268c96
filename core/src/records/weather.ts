import { z } from 'zod';
import { once } from './parts';

/** What is known of the rain where a tree stands, and who measured it. */
export const weatherSchema = z.strictObject({
  source: z.string().min(1).max(120),
  /** Rain of the growing seasons, April to September, m. */
  seasons: z
    .array(z.strictObject({ year: z.int().min(1800).max(2200), rain: z.number().min(0).max(5) }))
    .max(200)
    .refine(
      once((s: { year: number }) => s.year),
      'a year is given twice',
    ),
});

export type WeatherRecord = z.infer<typeof weatherSchema>;
export type SeasonRain = WeatherRecord['seasons'][number];
