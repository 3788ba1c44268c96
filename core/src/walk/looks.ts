import { byDay } from '../vocabulary/dates';
import { LOOK_QUESTIONS } from '../questions/looks';
import type { Question } from '../questions/question';
import type { Visit } from '../records';
import { BASE_QUESTIONS } from '../questions/base';
import { CROWN_QUESTIONS } from '../questions/crown';
import { isWalk } from './toJudge';
import { isDangerSign, type Evidence, type JudgementTable } from '../diagnosis';

const also = (questions: readonly Question[], key: string) => questions.find((q) => q.key === key)!;

/**
 * The eight quick looks of a walk-round, base first, in the order of the eye. The first answer of each is "nothing to
 * see".
 */
export const QUICK_LOOKS: readonly (Question & { kind: 'grade' })[] = [
  LOOK_QUESTIONS[0]!,
  LOOK_QUESTIONS[1]!,
  also(BASE_QUESTIONS, 'base.girdling'),
  also(BASE_QUESTIONS, 'base.conks'),
  also(BASE_QUESTIONS, 'base.lean'),
  also(CROWN_QUESTIONS, 'crown.colour'),
  LOOK_QUESTIONS[2]!,
  LOOK_QUESTIONS[3]!,
] as (Question & { kind: 'grade' })[];

/** Findings of the network that the walk-round's own looks stand in for. */
const STANDS_FOR: Record<string, string> = {
  'look.flare': 'base.entry',
  'look.mulch': 'mulch.onBark',
  'look.density': 'crown.density',
  'look.dieback': 'crown.dieback',
};

/** All eight looks taken and nothing to see. */
export const nothingSeen = (table: JudgementTable): Evidence[] =>
  QUICK_LOOKS.flatMap(({ key }): Evidence[] => {
    const finding = table.findings.find((f) => f.key === (STANDS_FOR[key] ?? key));
    if (!finding) return [];
    const [answer, says] = finding.answers[0]!;
    const agrees = finding.answers.map((_, g) => (g === 0 ? 1 : 0));
    return [{ key: finding.key, agrees, answer, says, unsure: false }];
  });

export const isQuickLook = (key: string): boolean => QUICK_LOOKS.some((q) => q.key === key);

/** What a walk-round saw, and of the visit before what it did not look at again. */
export const withWalk = (walk: readonly Evidence[], before: readonly Evidence[]): Evidence[] => [
  ...walk,
  ...before.filter((e) => !walk.some((w) => w.key === e.key)),
];

/**
 * A visit with the signs of danger that walk-rounds saw after it: what is prescribed at it waits for them, though the
 * round was only a look. Nothing else of a round changes what the visit found.
 */
export function withLaterDanger<V extends Visit>(visit: V, visits: readonly Visit[]): V {
  const later = visits
    .filter((v) => isWalk(v) && v.date > visit.date)
    .sort((a, b) => byDay(a.date, b.date))
    .flatMap((v) => v.findings.filter((f) => isDangerSign(f.key, f.answer)));
  if (later.length === 0) return visit;
  const newest = new Map(later.map((f) => [f.key, f]));
  return {
    ...visit,
    findings: [...visit.findings.filter((f) => !newest.has(f.key)), ...newest.values()],
  };
}
