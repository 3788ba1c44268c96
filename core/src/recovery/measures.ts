import { levelsOf, seriesOf, type Series } from '../history';
import {
  ANSWER_MEASURES,
  APART,
  BESIDE_DAYS,
  KNOWN_SEASONS,
  MOST_SEASONS_BEFORE,
  SEASONS_BEFORE,
  type AnswerKey,
  type AnswerMeasure,
} from '../practice/recovery';
import type { Finding, Visit } from '../records';
import { beforeAfter, type BeforeAfter } from './baci';

/** What a visit read of a crown. */
export interface CrownLook {
  date: string;
  density?: number;
  dieback?: number;
  leaf?: number;
}

/** A healthy tree of the same genus on the same grounds, as the yardstick. */
export interface Yardstick {
  label: string;
  shoots: readonly Series[];
  looks: readonly CrownLook[];
  /** The day on which it was itself treated: then it is none. */
  treated?: string;
}

/** One measure before and after, against the yardstick where there is one. */
export interface AnswerReading extends BeforeAfter {
  key: AnswerKey;
  label: string;
  scale: AnswerMeasure['scale'];
  /** Set against the reference tree. */
  against: boolean;
  /** How many times narrower the band is beside a reference tree; 1 where there is one. */
  wider: number;
}

const numberOf = (findings: readonly Finding[], key: string): number | undefined =>
  findings.find((f) => f.key === key && f.number !== undefined)?.number;

/** What a visit read of the crown; undefined where it read nothing of it. */
export function crownLook({ date, findings }: Pick<Visit, 'date' | 'findings'>): CrownLook | undefined {
  const density = numberOf(findings, 'crown.density');
  const dieback = numberOf(findings, 'crown.dieback');
  const leaf = numberOf(findings, 'crown.leafLength');
  if (density === undefined && dieback === undefined && leaf === undefined) return undefined;
  return {
    date,
    ...(density !== undefined && { density }),
    ...(dieback !== undefined && { dieback }),
    ...(leaf !== undefined && { leaf }),
  };
}

/** What one season scatters: alone, or as the difference of two trees. */
function deviationOf({ reading, season }: AnswerMeasure, against: boolean): number {
  return against ? Math.hypot(reading * Math.SQRT2, season * APART) : Math.hypot(reading, season);
}

const reading = (
  key: AnswerKey,
  before: readonly number[],
  after: readonly number[],
  against: boolean,
): AnswerReading | undefined => {
  const measure: AnswerMeasure = ANSWER_MEASURES[key];
  const deviation = deviationOf(measure, against);
  const told = beforeAfter(before, after, { deviation, seasons: KNOWN_SEASONS });
  return (
    told && {
      ...told,
      key,
      label: measure.label,
      scale: measure.scale,
      against,
      wider: deviation / deviationOf(measure, true),
    }
  );
};

/** Level of each year of some shoots, as the logarithm of a length. */
const levels = (series: readonly Series[]): Map<number, number> =>
  new Map((series.length > 0 ? levelsOf(series) : []).map((l) => [l.year, l.level]));

/** A year of shoots as a client sees it: of the tree, and of the tree beside it, m. */
export interface ShootYear {
  year: number;
  tree?: number;
  beside?: number;
}

/** Shoots by year, of both trees. */
export function shootYears(
  visits: readonly Visit[],
  until: string,
  yardstick: Pick<Yardstick, 'shoots'> | undefined,
): ShootYear[] {
  const own = levels(seriesOf(visits, until).filter((s) => s.of === 'shoot'));
  const beside = levels(yardstick?.shoots ?? []);
  const years = [...new Set([...own.keys(), ...beside.keys()])].sort((a, b) => a - b);
  return years.map((year) => ({
    year,
    ...(own.has(year) && { tree: Math.exp(own.get(year)!) }),
    ...(beside.has(year) && { beside: Math.exp(beside.get(year)!) }),
  }));
}

/**
 * Shoots before and after: differences to the yardstick in years that both have, where enough of them lie on both sides of the work; else the tree alone.
 *
 * @param last last year that counts as before @param first first year that counts as after
 */
export function shootsAnswer(
  years: readonly ShootYear[],
  last: number,
  first: number,
): AnswerReading | undefined {
  const from = last - MOST_SEASONS_BEFORE + 1;
  const of = (value: (y: ShootYear) => number | undefined) => {
    const known = years.flatMap((y) => {
      const v = value(y);
      return v === undefined ? [] : [{ year: y.year, v }];
    });
    return {
      before: known.filter((y) => y.year <= last && y.year >= from).map((y) => y.v),
      after: known.filter((y) => y.year >= first).map((y) => y.v),
    };
  };
  const pairs = of((y) =>
    y.tree !== undefined && y.beside !== undefined ? Math.log(y.tree / y.beside) : undefined,
  );
  if (pairs.before.length >= SEASONS_BEFORE && pairs.after.length > 0)
    return reading('shoots', pairs.before, pairs.after, true);
  const alone = of((y) => (y.tree === undefined ? undefined : Math.log(y.tree)));
  return alone.before.length >= SEASONS_BEFORE
    ? reading('shoots', alone.before, alone.after, false)
    : undefined;
}

/** What the looks at the crown tell: the newest before the work against all since, less what befell the reference tree. */
export function looksAnswer(
  looks: readonly CrownLook[],
  treatedOn: string,
  fromOn: string,
  yardstick: Pick<Yardstick, 'looks'> | undefined,
): AnswerReading[] {
  const near = (date: string, key: keyof Omit<CrownLook, 'date'>) =>
    yardstick?.looks.find(
      (l) =>
        l[key] !== undefined && Math.abs(Date.parse(l.date) - Date.parse(date)) <= BESIDE_DAYS * 86_400_000,
    )?.[key];
  return (['density', 'dieback', 'leaf'] as const).flatMap((key) => {
    const { scale } = ANSWER_MEASURES[key];
    const value = (v: number) => (scale === 'ratio' ? Math.log(v) : v);
    const own = looks.filter((l) => l[key] !== undefined);
    const before = own.filter((l) => l.date <= treatedOn).slice(-1);
    const after = own.filter((l) => l.date >= fromOn);
    if (before.length === 0 || after.length === 0) return [];
    const against = [...before, ...after].every((l) => near(l.date, key) !== undefined);
    const of = (all: readonly CrownLook[]) =>
      all.map((l) => value(l[key]!) - (against ? value(near(l.date, key)!) : 0));
    const told = reading(key, of(before), of(after), against);
    return told ? [told] : [];
  });
}
