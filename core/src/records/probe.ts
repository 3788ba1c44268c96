import type { Parts, ValuesOf } from './kind';

/** One push of the rod. `depth` is down from `from`; above it is negative. */
export const probe = ({ bearing, length, z }: Parts) =>
  z.strictObject({
    bearing,
    distance: length('distance'),
    depth: length('probeDepth'),
    found: z.enum(['root', 'nothing', 'obstacle']),
    from: z.enum(['grade', 'mulch']),
  });

export type ProbePoint = ValuesOf<typeof probe>;
