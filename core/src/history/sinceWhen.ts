import { chanceWords, percent } from '../units/share';
import type { Tree, TreeEvent, Visit, WeatherRecord } from '../records';
import { answersTo, answerTo } from '../questions/question';
import { yearOf } from '../vocabulary/dates';
import { BURIED_BARK, LAGS } from '../practice/lags';
import { changePoints, YEARS_NEEDED, type ChangeReading } from './changePoint';
import { levelsOf, seriesOf, type Series } from './series';
import { dryYears } from './weather';

/** A dry year says more of the weather than of the tree, where no healthy tree was read beside it. Judgement. */
const DRY_YEAR = 0.25;

/** How likely the fall is to have come within the usual lag of an event. */
export interface EventLag {
  event: TreeEvent;
  year: number;
  from: number;
  to: number;
  /** Share of the chance of a fall that lies within the lag. */
  chance: number;
  /** What it would be if any year were as likely as another: a long lag takes in much by itself. */
  byLength: number;
  why: string;
}

/** What a tree is set against. */
export interface Beside {
  shoots?: readonly Series[];
  weather?: WeatherRecord;
}

/** The years between which the stem was covered, and what tells it. */
export interface FillYear {
  from?: number;
  to: number;
  /** One sentence for each sign. */
  why: string[];
  /** The signs contradict one another or the year of planting; each is still told. */
  clash: boolean;
}

export interface SinceWhen {
  series: Series[];
  /** Level of each year, m, as the shoots together make it; and whether it counts less. */
  years: { year: number; metres: number; count: number; discounted: boolean }[];
  change?: ChangeReading;
  events: EventLag[];
  /** When the stem was covered, where what lies in the ground tells it. */
  fill?: FillYear;
  /** What it comes to, or why it cannot be told. */
  summary: string;
  /** What was taken into account. */
  notes: string[];
}

/**
 * Since when the tree grows less, from its shoots and rings read back by year, and which dated event the fall followed.
 *
 * @param visits all of the tree; readings of those after `visit` are left out
 * @param beside what stands beside it: shoots of a healthy tree of its kind near by (years in which it grew less too are
 *   weather), and the rain of its grounds
 */
export function sinceWhen(
  tree: Tree,
  events: readonly TreeEvent[],
  visits: readonly Visit[],
  visit: Visit,
  { shoots = [], weather }: Beside = {},
): SinceWhen {
  const series = seriesOf(visits, visit.date);
  const plain = series.length > 0 ? levelsOf(series) : [];
  const beside = new Map((shoots.length > 0 ? levelsOf(shoots) : []).map((r) => [r.year, r.level]));
  const shared = plain.filter((l) => beside.has(l.year));
  const usual = shared.reduce((sum, l) => sum + beside.get(l.year)!, 0) / Math.max(1, shared.length);
  const against = shared.length >= YEARS_NEEDED;
  const recorded = weather ? dryYears(weather) : [];
  const dry = new Set([
    ...events.filter((e) => e.kind === 'drought').map((e) => yearOf(e.when)),
    ...recorded,
  ]);
  const dryRead = recorded.filter((year) => plain.some((l) => l.year === year));
  const levels = plain
    .filter((l) => !against || beside.has(l.year))
    .map((l) => ({
      ...l,
      level: against ? l.level - (beside.get(l.year)! - usual) : l.level,
      weight: !against && dry.has(l.year) ? l.weight * DRY_YEAR : l.weight,
    }));
  const change = changePoints(levels);
  const notes = [
    ...(series.length > 1
      ? [`${series.length} shoots and cores together, each with its own vigour taken out.`]
      : []),
    ...(against
      ? ['Compared with the healthy tree nearby; changes that both trees show are put down to the weather.']
      : []),
    ...(!against && plain.some((l) => dry.has(l.year))
      ? ['Dry years count a quarter: no healthy tree was read beside it.']
      : []),
    ...(!against && dryRead.length > 0
      ? [
          `Dry by the rain of ${weather!.seasons.length} growing seasons (${weather!.source}): ${dryRead.join(', ')}.`,
        ]
      : []),
  ];
  return {
    series,
    years: plain.map((l) => ({
      year: l.year,
      metres: Math.exp(l.level),
      count: l.weight,
      discounted: !against && dry.has(l.year),
    })),
    change,
    events: change ? lagsOf(tree, events, change) : [],
    fill: fillOf(tree, visit),
    summary: summarise(plain.length, change),
    notes,
  };
}

function lagsOf(tree: Tree, events: readonly TreeEvent[], change: ChangeReading): EventLag[] {
  const all = change.fell.reduce((a, b) => a + b, 0);
  const possible = change.years.slice(1);
  const planted: TreeEvent[] =
    tree.plantedYear !== undefined && !events.some((e) => e.kind === 'planted')
      ? [{ kind: 'planted', when: String(tree.plantedYear) }]
      : [];
  return [...planted, ...events]
    .flatMap((event): EventLag[] => {
      const lag = LAGS.find((l) => l.kind === event.kind);
      const year = yearOf(event.when);
      if (!lag || year === undefined) return [];
      const [from, to] = [year + lag.least, year + lag.most];
      const within = (y: number) => y >= from && y <= to;
      const held = change.fell.reduce((sum, p, i) => (within(change.years[i]!) ? sum + p : sum), 0);
      return [
        {
          event,
          year,
          from,
          to,
          chance: all > 0 ? held / all : 0,
          byLength: possible.filter(within).length / possible.length,
          why: lag.why,
        },
      ];
    })
    .sort((a, b) => a.year - b.year);
}

/**
 * When the stem was covered: not after the oldest root that grew from the covered bark began, and as long ago as bark
 * below the old line takes to look as it does. Silent where neither an adventitious root was aged nor a line was found.
 */
function fillOf(tree: Tree, visit: Visit): FillYear | undefined {
  const seen = Number(visit.date.slice(0, 4));
  const aged = (visit.dig?.roots ?? []).filter((r) => r.kind === 'adventitious' && r.rings !== undefined);
  const oldest = aged.sort((a, b) => b.rings!.count - a.rings!.count)[0];
  const line = answerTo(visit.findings, 'probe.oldGrade')?.answer === 'seen';
  const looks = new Set(answersTo(visit.findings, 'base.bark').map((f) => f.answer));
  // What has gone furthest was covered longest.
  const bark = line ? BURIED_BARK.filter((b) => looks.has(b.answer)).at(-1) : undefined;
  if (!oldest && !bark) return undefined;
  const begun = oldest && seen - oldest.rings!.count;
  const to = Math.min(begun ?? Infinity, bark ? seen - bark.least : Infinity);
  const from = Math.max(tree.plantedYear ?? -Infinity, bark ? seen - bark.most : -Infinity);
  return {
    ...(Number.isFinite(from) && { from }),
    to,
    clash: from > to,
    why: [
      ...(oldest ? [`Root ${oldest.label} grew from the covered stem: the fill lay by ${begun}.`] : []),
      ...(bark
        ? [`Bark below the old line is ${bark.answer}: covered by ${seen - bark.least}. ${bark.why}`]
        : []),
    ],
  };
}

/** Between which years the stem was covered, in words. */
export const fillWords = ({ from, to, clash }: FillYear): string =>
  clash
    ? `The signs of when the stem was covered contradict one another (not before ${from}, not after ${to}): look again.`
    : from === undefined
      ? `The stem was covered in ${to} or before.`
      : `The stem was covered ${from === to ? `in ${to}` : `between ${from} and ${to}`}.`;

/** A span that takes in nearly every year says nothing of when. */
const TELLS_NOTHING = 0.9;

/** Events that the fall probably followed; none where no fall is told, or where the lag takes in nearly every year. */
export const eventsFollowed = ({ change, events }: Pick<SinceWhen, 'change' | 'events'>): EventLag[] =>
  change && change.fellAtAll >= 0.5
    ? events.filter((e) => e.chance >= 0.5 && e.byLength < TELLS_NOTHING)
    : [];

function summarise(years: number, change: ChangeReading | undefined): string {
  if (years === 0) return 'No shoots read back yet: measure between the bud-scale scars, five years or more.';
  if (!change)
    return `Only ${years} ${years === 1 ? 'year' : 'years'} read: too few to tell when it began; read ${YEARS_NEEDED} or more.`;
  if (change.fellAtAll < 0.5)
    return `No fall can be told from chance (${chanceWords(change.fellAtAll)} that there was one).`;
  const { best, from, to } = change.when!;
  const span = from === to ? `in ${best}` : `between ${from} and ${to}, most likely in ${best}`;
  const { ratio } = change;
  const spread = ratio && `(${percent(ratio.lower)} to ${percent(ratio.upper)})`;
  const level = !ratio
    ? ''
    : ratio.value < 1
      ? ` To ${percent(ratio.value)} of what it was ${spread}.`
      : ` It has come back since: the last years stand at ${percent(ratio.value)} of those before the fall ${spread}.`;
  return `Growth fell ${span} (${chanceWords(change.fellAtAll)} that it fell).${level}`;
}
