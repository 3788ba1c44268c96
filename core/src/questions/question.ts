import type { LengthField } from '../units/limits';

export type Station = 'history' | 'crown' | 'base' | 'mulch' | 'probe' | 'dig' | 'soil';

/**
 * A question of a station; the kind says how it is answered and what `part` of a finding means.
 * `more`: beyond what a visit asks for; it is not counted as left open.
 */
export type Question = {
  key: string;
  station: Station;
  ask: string;
  hint?: string;
  more?: true;
  /** Met at few trees: it stands folded away below the others until somebody opens it. */
  seldom?: true;
} &
  /** `placed`: what is found has a side and a height on the stem. */
  (
    | { kind: 'grade'; answers: readonly Answer[]; placed?: boolean }
    | { kind: 'sectors'; answers: readonly Answer[] }
    | { kind: 'percent' }
    | { kind: 'number'; unit: string; min: number; max: number }
    | { kind: 'length'; field: LengthField }
    | { kind: 'years'; field: LengthField }
  );

export interface Answer {
  key: string;
  label: string;
}

export const SECTORS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const;

/** Middle bearing of a sector, degrees. */
export const sectorBearing = (sector: number): number => sector * 45;
/** The sector a bearing lies in, 0 to 7. */
export const sectorOf = (bearing: number): number => Math.round((((bearing % 360) + 360) % 360) / 45) % 8;

/** What an answer is about. */
interface Answered {
  key: string;
  part?: number;
}

export const answerTo = <F extends Answered>(
  findings: readonly F[],
  key: string,
  part?: number,
): F | undefined => findings.find((f) => f.key === key && f.part === part);

export const answersTo = <F extends Answered>(findings: readonly F[], key: string): F[] =>
  findings.filter((f) => f.key === key);
