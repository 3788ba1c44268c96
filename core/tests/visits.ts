import type { Finding, Visit } from '../src/records';

/** The collar probed on four sides, everywhere as deep, m. */
export const collarAt = (depth: number): Visit['probes'] =>
  [0, 90, 180, 270].map((bearing) => ({ bearing, distance: 0.1, depth, found: 'root', from: 'grade' }));

/** A visit with some findings and nothing else but what is given. */
export const visitOn = (
  date: string,
  findings: readonly Finding[] = [],
  more: Partial<Visit> = {},
): Visit => ({
  date,
  findings: [...findings],
  profiles: [],
  probes: [],
  decisions: [],
  ...more,
});
