import { leafColour } from '../crown/leafColour';
import { levelsOf, seriesOf, type Series } from '../history';
import {
  ANSWER_MEASURES,
  APART,
  BESIDE_DAYS,
  GIRTH_ERROR,
  GREEN_SINCE,
  KNOWN_SEASONS,
  MOST_SEASONS_BEFORE,
  SEASONS_BEFORE,
  STEM_DAYS,
  type AnswerKey,
  type AnswerMeasure,
} from '../practice/recovery';
import type { Finding, Visit } from '../records';
import { daysBetween } from '../vocabulary/dates';
import { beforeAfter, type BeforeAfter } from './baci';

/** What a visit read of a crown. */
export interface CrownLook {
  date: string;
  density?: number;
  dieback?: number;
  leaf?: number;
  /** Stem at breast height, m. */
  dbh?: number;
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
  const dbh = numberOf(findings, 'base.dbh');
  if ([density, dieback, leaf, dbh].every((x) => x === undefined)) return undefined;
  return {
    date,
    ...(density !== undefined && { density }),
    ...(dieback !== undefined && { dieback }),
    ...(leaf !== undefined && { leaf }),
    ...(dbh !== undefined && { dbh }),
  };
}

/** What one season scatters: alone, or as the difference of two trees. */
function deviationOf({ season }: AnswerMeasure, reading: number, against: boolean): number {
  return against ? Math.hypot(reading * Math.SQRT2, season * APART) : Math.hypot(reading, season);
}

const reading = (
  key: AnswerKey,
  before: readonly number[],
  after: readonly number[],
  against: boolean,
  off: number = ANSWER_MEASURES[key].reading,
): AnswerReading | undefined => {
  const measure: AnswerMeasure = ANSWER_MEASURES[key];
  const deviation = deviationOf(measure, off, against);
  const told = beforeAfter(before, after, { deviation, seasons: KNOWN_SEASONS });
  return (
    told && {
      ...told,
      key,
      label: measure.label,
      scale: measure.scale,
      against,
      wider: deviation / deviationOf(measure, off, true),
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

type LookKey = keyof Omit<CrownLook, 'date'>;

/** A look at the reference tree in the same part of the season. */
const nearLook = (
  yardstick: Pick<Yardstick, 'looks'> | undefined,
  date: string,
  key: LookKey,
): CrownLook | undefined =>
  yardstick?.looks.find((l) => l[key] !== undefined && Math.abs(daysBetween(l.date, date)) <= BESIDE_DAYS);

/** Growth of the stem between two looks, m a year, and how far the tape may be off in it, as a standard deviation. */
function stemRate(from: CrownLook, to: CrownLook): { rate: number; off: number } {
  const years = daysBetween(from.date, to.date) / 365.25;
  return { rate: (to.dbh! - from.dbh!) / years, off: (GIRTH_ERROR * Math.hypot(from.dbh!, to.dbh!)) / years };
}

/**
 * Growth of the stem from one measurement to the next, before the work and after it, less that of the reference tree where
 * it was measured beside each.
 */
export function girthAnswer(
  looks: readonly CrownLook[],
  treatedOn: string,
  yardstick: Pick<Yardstick, 'looks'> | undefined,
): AnswerReading | undefined {
  const measured: CrownLook[] = [];
  for (const look of looks.filter((l) => l.dbh !== undefined)) {
    const last = measured.at(-1);
    if (!last || daysBetween(last.date, look.date) >= STEM_DAYS) measured.push(look);
  }
  const spans = measured.slice(1).map((to, i) => ({ from: measured[i]!, to }));
  // A span that begins or ends in the season of the work counts with the side it lies on.
  const before = spans.filter((s) => daysBetween(treatedOn, s.to.date) <= BESIDE_DAYS);
  const after = spans.filter(
    (s) => daysBetween(s.from.date, treatedOn) <= BESIDE_DAYS && !before.includes(s),
  );
  const beside = (s: { from: CrownLook; to: CrownLook }) => {
    const [from, to] = [nearLook(yardstick, s.from.date, 'dbh'), nearLook(yardstick, s.to.date, 'dbh')];
    return from && to && from !== to ? stemRate(from, to) : undefined;
  };
  const against = [...before, ...after].every((s) => beside(s) !== undefined);
  const rates = (of: typeof spans) =>
    of.map((s) => stemRate(s.from, s.to).rate - (against ? beside(s)!.rate : 0));
  const off = Math.max(0, ...[...before, ...after].map((s) => stemRate(s.from, s.to).off));
  return reading('girth', rates(before), rates(after), against, off);
}

/** Leaf colour before the work and at the newest look since: how much more it is expected of a tree that answers, and of one that falls. */
export interface ColourAnswer {
  before: string;
  after: string;
  answers: number;
  falls: number;
}

export function colourAnswer(
  visits: readonly Pick<Visit, 'date' | 'findings' | 'pictures'>[],
  treatedOn: string,
  fromOn: string,
): ColourAnswer | undefined {
  const seen = visits.flatMap((visit) => {
    const answer = leafColour(visit, true);
    return answer === undefined ? [] : [{ date: visit.date, answer }];
  });
  const before = seen.filter((s) => s.date <= treatedOn).at(-1)?.answer;
  const after = seen.filter((s) => s.date >= fromOn).at(-1)?.answer;
  if (before === undefined || after === undefined) return undefined;
  const { answers, stays, falls } = GREEN_SINCE[before === 'good' ? 'green' : 'notGreen'];
  const green = after === 'good';
  const chance = (p: number) => (green ? p : 1 - p);
  return {
    before,
    after,
    answers: chance(answers) / chance(stays),
    falls: chance(falls) / chance(stays),
  };
}

/** What the looks at the crown tell: the newest before the work against all since, less what befell the reference tree. */
export function looksAnswer(
  looks: readonly CrownLook[],
  treatedOn: string,
  fromOn: string,
  yardstick: Pick<Yardstick, 'looks'> | undefined,
): AnswerReading[] {
  const near = (date: string, key: LookKey) => nearLook(yardstick, date, key)?.[key];
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
