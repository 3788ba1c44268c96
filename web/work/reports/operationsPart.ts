import type { Visit } from '@undrel/core/records';
import {
  HOLD_POINTS,
  isPlanned,
  isTaken,
  lookFirstText,
  plannedOf,
  type LookFirst,
  type Operation,
} from '@undrel/core/prescription';
import {
  formatQuantity,
  tradeLengths,
  writeLengths,
  type Quantity,
  type UnitSystem,
} from '@undrel/core/units';
import type { ReportContent, ReportOperation } from '../../protocol/report';

function workingText({ working }: Quantity): string {
  const school = working.school ? ` School: ${working.school.school}.` : '';
  const notes = working.notes.length > 0 ? ` ${working.notes.join(' ')}` : '';
  return `${working.formula}. Source: ${working.source}.${school}${notes}`;
}

function operationIn(operation: Operation, visit: Visit, system: UnitSystem): ReportOperation {
  const say = (text: string) => writeLengths(text, system);
  const decision = visit.decisions.find((d) => d.operation === operation.key);
  return {
    title: operation.title,
    summary: say(operation.summary),
    wording: decision?.wording,
    ...(decision?.on && { on: decision.on }),
    why: say(operation.why.join('; ')),
    quantities: operation.quantities.map((q) => ({
      name: q.name,
      text: formatQuantity(q, system),
      working: workingText(q),
    })),
    method: operation.method.map(say),
    cautions: operation.cautions.map(say),
    acceptance: operation.acceptance.map(say),
    against: operation.against.map(say),
    first: operation.first.map((hold) => HOLD_POINTS[hold]),
    after: operation.followUp,
    season: operation.season,
    schools: operation.schools.map(
      (s) => `${s.matterLabel}: ${tradeLengths(s.label, system)}${s.warning ? ` (${s.warning})` : ''}`,
    ),
  };
}

/** What is prescribed, and what was considered and is not; what waits for a look says so. */
export function operationsPart(
  operations: readonly Operation[],
  visit: Visit,
  waiting: readonly LookFirst[],
  system: UnitSystem,
): Pick<ReportContent, 'prescribed' | 'considered'> {
  const waits = ({ key }: Operation) => {
    const wait = waiting.find((w) => w.operation === key);
    return wait && lookFirstText(wait);
  };
  return {
    prescribed: plannedOf(operations, visit).map((o) => {
      const lookFirst = waits(o);
      return { ...operationIn(o, visit, system), ...(lookFirst && { lookFirst }) };
    }),
    considered: operations
      .filter((o) => !isPlanned(o, visit))
      .map((o) => {
        if (isTaken(o, visit.decisions)) return { title: o.title, reason: 'The tree was taken down.' };
        const reason = writeLengths(o.why.length > 0 ? o.why.join('; ') : o.summary, system);
        return { title: o.title, reason: [waits(o), reason].filter(Boolean).join(' ') };
      }),
  };
}
