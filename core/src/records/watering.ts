import type { Parts, ValuesOf } from './kind';

/** What was done on a round: what the probe found, and how much water was given. */
export const watering = ({ day, text, z }: Parts) =>
  z
    .strictObject({
      on: day,
      litres: z.number().min(0).max(20_000).optional().describe('given, L'),
      probe: z.enum(['moist', 'dry']).optional().describe('soil a hand deep, before any water'),
      by: text(120).optional(),
    })
    .refine(({ litres, probe }) => litres !== undefined || probe !== undefined, {
      path: ['litres'],
      error: 'absent, and no probe either; one of the two is needed',
    });

export type Watering = ValuesOf<typeof watering>;
