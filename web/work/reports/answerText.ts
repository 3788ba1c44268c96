import { answersTo, bearingName, type Question, SECTORS } from '@undrel/core/questions';
import type { Finding, Visit } from '@undrel/core/records';
import { formatValue, inUse, type UnitSystem } from '@undrel/core/units';

function sectorsText(question: Question & { kind: 'sectors' }, visit: Visit): string {
  return question.answers
    .flatMap((answer) => {
      const sides = answersTo(visit.findings, question.key).filter((f) => f.answer === answer.key);
      if (sides.length === 0) return [];
      const where = sides.length === 8 ? 'all round' : sides.map((f) => SECTORS[f.part!]).join(', ');
      return [`${answer.label}: ${where}`];
    })
    .join('; ');
}

/** Side and height on the stem, as far as they were read. */
const placeText = (finding: Finding | undefined, system: UnitSystem): string[] => [
  ...(finding?.bearing === undefined ? [] : [`${bearingName(finding.bearing)} side`]),
  ...(finding?.height === undefined
    ? []
    : [`${formatValue(finding.height, 'short length', system)} above grade`]),
];

export function answerText(question: Question, visit: Visit, system: UnitSystem): string {
  const given = answersTo(visit.findings, question.key);
  switch (question.kind) {
    case 'grade':
      return [
        question.answers.find((a) => a.key === given[0]?.answer)?.label ?? '',
        ...placeText(given[0], system),
      ].join(', ');
    case 'sectors':
      return sectorsText(question, visit);
    case 'percent':
      return formatValue(given[0]?.number ?? 0, 'share', system);
    case 'number':
      return inUse(given[0]?.number ?? 0, question.unit, system);
    case 'length':
      return formatValue(given[0]?.number ?? 0, 'short length', system);
    case 'years':
      return [...given]
        .sort((a, b) => b.part! - a.part!)
        .map((f) => `${f.part}: ${formatValue(f.number!, 'short length', system)}`)
        .join(', ');
  }
}
