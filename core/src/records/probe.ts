import * as z from 'zod';
import { kind } from './kind';
import { bearing, length } from './parts';

/** One push of the rod. `depth` is down from `from`; above it is negative. */
export const probe = kind(
  () =>
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

export type ProbePoint = z.infer<typeof probe.schema>;
