import type { CaseFile } from '../src/format/case';
import type { Visit } from '../src/records';
import { trenchesGiven } from '../src/assessment';
import { groundVerdict, readLogs } from '../src/soil';
import { assessTrenches, openedShare, type Trenches } from '../src/trenching';
import { formatQuantity, formatValue, writeLengths, type UnitSystem } from '../src/units';

/** The ground of a visit: what kind it is, its layers, and the trenches where they were laid out. */
export interface Ground {
  verdict: ReturnType<typeof groundVerdict>;
  logs: ReturnType<typeof readLogs> | undefined;
  trenches: Trenches | undefined;
}

export function groundOf({ tree, site = { things: [], others: [] } }: CaseFile, visit: Visit): Ground {
  const given = trenchesGiven(tree, visit, site);
  return {
    verdict: groundVerdict(tree, visit),
    logs: visit.soilLogs && readLogs(visit.soilLogs),
    trenches: given && assessTrenches(given),
  };
}

/** The same for a program: the plan without its helper figures for drawing. */
export const groundSummary = ({ verdict, logs, trenches }: Ground) => ({
  verdict,
  logs,
  ...(trenches && {
    trenches: {
      rules: trenches.plan.rules,
      spokes: trenches.plan.spokes,
      seasons: trenches.plan.seasons,
      opened: openedShare(trenches.plan),
      disturbed: trenches.plan.disturbed,
      blocked: trenches.plan.blocked,
      notes: trenches.plan.notes,
      missing: trenches.plan.missing,
      quantities: trenches.quantities,
      alternatives: trenches.alternatives,
    },
  }),
});

export function groundText({ verdict, logs, trenches }: Ground, system: UnitSystem): string {
  const long = (metres: number) => formatValue(metres, 'long length', system);
  const lines = [
    ...(verdict ? [`Ground: ${verdict.title}`, ...verdict.reasons.map((r) => `  + ${r}`)] : []),
    ...(logs?.compared ?? []).map((c) => `  ${c}`),
  ];
  if (trenches) {
    const { plan } = trenches;
    lines.push(
      plan.blocked ??
        `Trenches: ${plan.spokes.length} radial trenches, ${long(plan.layout.length)}, open ${Math.round(100 * openedShare(plan))}% of the compacted soil`,
      ...plan.spokes.map(
        (s) =>
          `  ${s.label}: ${Math.round(s.bearing)}°, ${long(s.from)} to ${long(s.to)} from the centre of the stem, ${s.limit}`,
      ),
      ...trenches.quantities.map((q) => `  ${q.name}: ${formatQuantity(q, system)}`),
    );
  }
  return lines.map((line) => `${writeLengths(line, system)}\n`).join('');
}
