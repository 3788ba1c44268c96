import {
  CASE_FORMAT,
  CASE_VERSION,
  type CaseFile,
  type DepthReading,
  type Finding,
  type GradeProfile,
  type Tree,
  type TreeEvent,
  type Visit,
} from './model';

/** Drops absent members, so that a case from the database and one from a file compare equal. */
function compact<T extends object>(value: T): T {
  return Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined && v !== null)) as T;
}

/** Members in the order of the format, whatever the store did to them. */
const reading = ({ distance, depth }: DepthReading): DepthReading => ({ distance, depth });
const profile = (p: GradeProfile): GradeProfile =>
  compact({ ...p, mulch: p.mulch.map(reading), fill: p.fill.map(reading) });

const byFinding = (a: Finding, b: Finding) => a.key.localeCompare(b.key) || (a.part ?? -1) - (b.part ?? -1);

/** The case in its canonical order: events and visits by date, findings by key and part, profiles by bearing. */
export function caseOf(tree: Tree, events: readonly TreeEvent[], visits: readonly Visit[]): CaseFile {
  return {
    format: CASE_FORMAT,
    version: CASE_VERSION,
    tree: compact(tree),
    events: events.map(compact).sort((a, b) => a.when.localeCompare(b.when) || a.kind.localeCompare(b.kind)),
    visits: visits
      .map((visit) =>
        compact({
          ...visit,
          findings: visit.findings.map(compact).sort(byFinding),
          profiles: visit.profiles.map(profile).sort((a, b) => a.bearing - b.bearing),
          probes: visit.probes
            .map(compact)
            .sort((a, b) => a.bearing - b.bearing || a.distance - b.distance || a.depth - b.depth),
          decisions: visit.decisions.map(compact).sort((a, b) => a.operation.localeCompare(b.operation)),
        }),
      )
      .sort((a, b) => a.date.localeCompare(b.date)),
  };
}
