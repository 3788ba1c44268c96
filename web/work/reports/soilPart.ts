import { chlorosisAdvice, groundVerdict, nutrientsOf, profileOfPushes, readLogs } from '@undrel/core/soil';
import { writeLengths } from '@undrel/core/units';
import type { ReportSoil } from '../../protocol/report';
import { soilColumns } from '../../drawings/soilColumns';
import type { ReportSource } from '../tree/source';

/** Points of a page, as the holes stand in the PDF. */
const COLUMNS = { width: 515, height: 330 };

/** What the report says of the ground; undefined where nothing was measured of it. */
export function soilPart({ tree, visit, referenceLogs = [], system }: ReportSource): ReportSoil | undefined {
  const verdict = groundVerdict(tree, visit);
  const logs = visit.soilLogs ?? [];
  const pushes = visit.pushes ?? [];
  const nutrients = nutrientsOf(visit.findings);
  if (!verdict && logs.length === 0 && nutrients.length === 0) return undefined;
  const lines = [
    ...(verdict?.reasons ?? []),
    ...readLogs(logs, referenceLogs).compared,
    ...nutrients.map(
      ({ nutrient, amount, level }) => `${nutrient.label}: ${amount} mg/kg, ${level} (${nutrient.source}).`,
    ),
    ...chlorosisAdvice(visit),
  ];
  return {
    headline: verdict?.title ?? 'The ground as the soil probe showed it',
    lines: lines.map((line) => writeLengths(line, system)),
    ...((logs.length > 0 || pushes.length > 0) && {
      drawing: soilColumns({
        logs,
        elsewhere: referenceLogs,
        profile: profileOfPushes(pushes),
        system,
        ...COLUMNS,
      }),
    }),
  };
}
