import type { LengthField } from '../units/limits';
import type { Parts, ValuesOf } from './kind';

/** A line of rod readings from the bark outward at one bearing. */
export const profile = ({ bearing, length, z }: Parts) => {
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
};

export type GradeProfile = ValuesOf<typeof profile>;
export type DepthReading = GradeProfile['mulch'][number];
