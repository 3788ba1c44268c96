import { kind, type Parts, type ValuesOf } from './kind';

/** One push of the rod. `depth` is down from `from`; above it is negative. */
export const probe = kind(
  ({ bearing, length, z }: Parts) =>
    z.strictObject({
      bearing,
      distance: length('distance'),
      depth: length('probeDepth'),
      found: z.enum(['root', 'nothing', 'obstacle']),
      from: z.enum(['grade', 'mulch']),
    }),
  {
    parent: 'visit',
    member: 'probes',
    most: 500,
    always: true,
    order: (p) => [p.bearing, p.distance, p.depth],
  },
);

export type ProbePoint = ValuesOf<typeof probe>;
