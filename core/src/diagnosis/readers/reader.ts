import { percent } from '../../units/share';
import { answerTo } from '../../questions/question';
import type { EventKind } from '../../vocabulary/events';
import type { Tree, TreeEvent, Visit } from '../../records';
import { yearOf } from '../../vocabulary/dates';
import { normalBelow } from '../../geometry/normal';
import { student90 } from '../../geometry/spread';
import { LIMITS, type LimitKey } from '../../practice/limits';
import type { Profile } from '../../profile';
import type { DigReading } from '../../roots';
import { loggedGround } from '../../soil/verdict';
import { shortMark } from '../../units/marks';

/** Years for which a dry or flooded year counts. Common practice, no source. */
const RECENT_YEARS = 3;

/** A visit with all that is known when it is read. */
export interface Case {
  tree: Tree;
  events: readonly TreeEvent[];
  visit: Visit;
  profile: Profile;
  dig: DigReading | undefined;
  year: number;
}

/**
 * What a reader returns: an answer, or how well each answer agrees with a measurement. One that agrees with all of them
 * alike was looked at and says nothing of its own; `answer` then names it.
 */
export type Read =
  | { answer: string; says?: string; unsure?: boolean }
  | { agrees: number[]; says: string; answer?: string };
export type Reader = (given: Case) => Read | undefined;

/** How well a measured value agrees with each interval between rising cuts: the share of its error that lies there. */
export function intervals(value: number, error: number, cuts: readonly LimitKey[]): number[] {
  return between(cuts.map((cut) => normalBelow((LIMITS[cut].value - value) / error)));
}

/** The shares between what lies below each of rising cuts. */
export const between = (below: readonly number[]): number[] =>
  [...below, 1].map((upTo, i) => Math.max(1e-6, upTo - (below[i - 1] ?? 0)));

export const falling = (agrees: number[]): number[] => [...agrees].reverse();

/** A graded answer as it stands in the case. */
export const asked =
  (key: string, also: Record<string, string> = {}): Reader =>
  ({ visit }) => {
    const finding = answerTo(visit.findings, key);
    return finding?.answer === undefined
      ? undefined
      : { answer: also[finding.answer] ?? finding.answer, unsure: finding.unsure };
  };

export const told =
  (kind: EventKind, answer: string, says: (when: string) => string): Reader =>
  ({ events }) => {
    const event = events.find((e) => e.kind === kind);
    return event && { answer, says: says(event.when) };
  };

export const lately =
  (kind: EventKind, says: (when: string) => string): Reader =>
  ({ events, year }) => {
    const event = events.find((e) => {
      const past = year - (yearOf(e.when) ?? -Infinity);
      return e.kind === kind && past >= 0 && past <= RECENT_YEARS;
    });
    return event && { answer: 'yes', says: says(event.when) };
  };

export const first =
  (...readers: Reader[]): Reader =>
  (given) => {
    for (const read of readers) {
      const found = read(given);
      if (found) return found;
    }
    return undefined;
  };

/** A share that was estimated, full first. */
export const share =
  (key: string, says: string, cuts: readonly LimitKey[], falls: boolean): Reader =>
  ({ visit }) => {
    const number = answerTo(visit.findings, key)?.number;
    if (number === undefined) return undefined;
    const agrees = intervals(number, LIMITS.shareError.value, cuts);
    return { agrees: falls ? falling(agrees) : agrees, says: `${says} ${percent(number)}` };
  };

export const depth =
  (key: string, says: string, cuts: readonly LimitKey[]): Reader =>
  ({ visit }) => {
    const number = answerTo(visit.findings, key)?.number;
    return number === undefined
      ? undefined
      : {
          agrees: falling(intervals(number, LIMITS.rodError.value, cuts)),
          says: `${says} ${shortMark(number)}`,
        };
  };

/** A depth that the holes of the soil probe about the tree come to. */
export const logged =
  (key: 'topsoil' | 'refusal', says: string, cuts: readonly LimitKey[]): Reader =>
  ({ visit }) => {
    const number = loggedGround(visit.soilLogs ?? [])[key];
    return number === undefined
      ? undefined
      : {
          agrees: falling(intervals(number, LIMITS.rodError.value, cuts)),
          says: `${says} ${shortMark(number)}`,
        };
  };

export const dug =
  (read: (dig: DigReading, given: Case) => Read | undefined): Reader =>
  (given) =>
    given.dig && read(given.dig, given);

/**
 * Standard error of a mean round the stem, m: what sides usually differ by, pooled with what the readings differed by, so
 * that two that roughly agree are surer than one.
 *
 * @param readings bearings that were read, at least 1
 */
export function errorOf({ plusMinus }: { plusMinus?: number }, readings: number): number {
  const [usual, weight] = [LIMITS.collarError.value, LIMITS.collarErrorReadings.value];
  if (plusMinus === undefined || readings < 2) return usual;
  const own = readings * (plusMinus / student90(readings - 1)) ** 2;
  const pooled = (weight * usual ** 2 + (readings - 1) * own) / (weight + readings - 1);
  return Math.max(LIMITS.rodError.value, Math.sqrt(pooled / readings));
}

/** How findings of the network are read from a case, by their key. */
export type Readers = Readonly<Record<string, Reader>>;
