import { sectorBearing } from '@undrel/core/questions';
import type { Finding, GradeProfile, ProbePoint, Visit } from '@undrel/core/records';
import { cm, variation } from './series';

/** What was found at one made-up visit, in the terms of the field sheet. Lengths in metres. */
export interface Found {
  date: string;
  by: string;
  note?: string;
  seed: number;
  /** Mulch at the bark and where it ends. */
  mulch?: { height: number; ends: number };
  fill?: number;
  /** Collar depth below present grade, and how many bearings were probed. */
  collar?: { depth: number; spread: number; bearings: number };
  /** Sectors where the stem goes in straight; the rest are flared. */
  straight?: number[];
  /** Sectors with soft and with dark bark. */
  soft?: number[];
  dark?: number[];
  /** Extension of the newest year first. */
  shoots?: number[];
  answers?: Record<string, string>;
  /** Where on the stem an answer's find is. */
  where?: Record<string, { bearing: number; height: number }>;
  shares?: Record<string, number>;
  lengths?: Record<string, number>;
  /** Further pushes as they were noted, gaps and contradictions left in. */
  pushes?: ProbePoint[];
  dig?: Visit['dig'];
  decisions?: Visit['decisions'];
  lookAgain?: Visit['lookAgain'];
  work?: Visit['work'];
  followUps?: Visit['followUps'];
}

/** The visit as it would have been entered. */
export function visitFound(found: Found): Visit {
  const vary = variation(found.seed);
  const year = Number(found.date.slice(0, 4));
  const findings: Finding[] = [
    ...Object.entries(found.answers ?? {}).map(([key, answer]) => ({ key, answer, ...found.where?.[key] })),
    ...Object.entries({ ...found.shares, ...found.lengths }).map(([key, number]) => ({ key, number })),
    ...(found.shoots ?? []).map((number, i) => ({ key: 'crown.extension', part: year - 1 - i, number })),
  ];
  if (found.straight) {
    for (let part = 0; part < 8; part++) {
      findings.push({
        key: 'base.entry',
        part,
        answer: found.straight.includes(part) ? 'straight' : 'flared',
      });
    }
  }
  if (found.soft || found.dark) {
    for (let part = 0; part < 8; part++) {
      const answer = found.soft?.includes(part) ? 'soft' : found.dark?.includes(part) ? 'dark' : 'sound';
      findings.push({ key: 'base.bark', part, answer });
    }
  }
  const profiles: GradeProfile[] =
    found.mulch || found.fill !== undefined
      ? [0, 90, 180, 270].map((bearing) => {
          const height = found.mulch ? Math.max(0, found.mulch.height + vary(0.02)) : 0;
          const ends = found.mulch ? found.mulch.ends + vary(0.05) : 0;
          return {
            bearing,
            mulch: found.mulch
              ? [0, 0.3, 0.6, 0.9]
                  .filter((d) => d < ends)
                  .map((distance) => ({ distance, depth: cm(height * (1 - distance / ends)) }))
              : [],
            ...(found.mulch ? { mulchEnds: cm(ends) } : {}),
            fill:
              found.fill === undefined
                ? []
                : [{ distance: 0, depth: cm(Math.max(0, found.fill + (found.fill > 0 ? vary(0.015) : 0))) }],
          };
        })
      : [];
  const probes: ProbePoint[] = found.collar
    ? Array.from({ length: found.collar.bearings }, (_, i) => ({
        bearing:
          found.collar!.bearings === 8 ? sectorBearing(i) : Math.round((360 * i) / found.collar!.bearings),
        distance: 0.1,
        depth: cm(found.collar!.depth + vary(found.collar!.spread)),
        found: 'root' as const,
        from: 'grade' as const,
      }))
    : [];
  return {
    date: found.date,
    by: found.by,
    note: found.note,
    lookAgain: found.lookAgain,
    ...(found.work && { work: found.work }),
    ...(found.followUps && { followUps: found.followUps }),
    findings,
    profiles,
    probes: [...probes, ...(found.pushes ?? [])],
    decisions: found.decisions ?? [],
    ...(found.dig && { dig: found.dig }),
  };
}
