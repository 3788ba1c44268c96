import type { LengthField } from '../units/limits';
import { kind, type Parts, type ValuesOf } from './kind';

/** A line of rod readings from the bark outward at one bearing. */
export const profile = kind(
  ({ bearing, length, z }: Parts) => {
    /** `distance` from the bark outward. */
    const depthReading = (field: LengthField) =>
      z.strictObject({ distance: length('distance'), depth: length(field) });
    return z.strictObject({
      bearing,
      mulch: z.array(depthReading('mulchDepth')).max(60),
      mulchEnds: length('mulchEnds').optional(),
      /** Soil added above the original grade. */
      fill: z.array(depthReading('fillDepth')).max(60),
    });
  },
  {
    parent: 'visit',
    member: 'profiles',
    most: 72,
    always: true,
    name: (p: { bearing: number }) => String(p.bearing),
    order: (p) => [p.bearing],
  },
);

export type GradeProfile = ValuesOf<typeof profile>;
export type DepthReading = GradeProfile['mulch'][number];
