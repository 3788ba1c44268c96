import * as z from 'zod';
import type { LengthField } from '../units/limits';
import { kind } from './kind';
import { bearing, length } from './parts';

/** `distance` from the bark outward. */
const depthReading = (field: LengthField) =>
  z.strictObject({ distance: length('distance'), depth: length(field) });

/** A line of rod readings from the bark outward at one bearing. */
export const profile = kind(
  () =>
    z.strictObject({
      bearing,
      mulch: z.array(depthReading('mulchDepth')).max(60),
      mulchEnds: length('mulchEnds').optional(),
      /** Soil added above the original grade. */
      fill: z.array(depthReading('fillDepth')).max(60),
    }),
  {
    parent: 'visit',
    member: 'profiles',
    most: 72,
    always: true,
    name: (p: { bearing: number }) => String(p.bearing),
    order: (p) => [p.bearing],
  },
);

export type GradeProfile = z.infer<typeof profile.schema>;
export type DepthReading = GradeProfile['mulch'][number];
