import type { Tree, TreeEvent, Visit } from '../casefile/model';
import { LAGS } from '../practice/lags';
import { changePoints, YEARS_NEEDED, type ChangeReading } from './changePoint';
import { yearOf } from './events';
import { levelsOf, seriesOf, type Series } from './series';

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

export interface SinceWhen {
  series: Series[];
  /** Level of each year, m, as the shoots together make it; and whether it counts less. */
  years: { year: number; metres: number; count: number; discounted: boolean }[];
  change?: ChangeReading;
  events: EventLag[];
  /** The fill is at least as old as the oldest root that grew from the buried stem. */
  fillBefore?: { year: number; root: string };
  /** What it comes to, or why it cannot be told. */
  summary: string;
  /** What was taken into account. */
  notes: string[];
}

/**
 * Since when the tree grows less, from its shoots and rings read back by year, and which dated event the fall followed.
 *
 * @param visits all of the tree; readings of those after `visit` are left out
 * @param reference the same of a healthy tree of its kind near by: years in which it grew less too are weather
 */
export function sinceWhen(
  tree: Tree,
  events: readonly TreeEvent[],
  visits: readonly Visit[],
  visit: Visit,
  reference: readonly Series[] = [],
): SinceWhen {
  const series = seriesOf(visits, visit.date);
  const plain = series.length > 0 ? levelsOf(series) : [];
  const beside = new Map((reference.length > 0 ? levelsOf(reference) : []).map((r) => [r.year, r.level]));
  const shared = plain.filter((l) => beside.has(l.year));
  const usual = shared.reduce((sum, l) => sum + beside.get(l.year)!, 0) / Math.max(1, shared.length);
  const against = shared.length >= YEARS_NEEDED;
  const dry = new Set(events.filter((e) => e.kind === 'drought').map((e) => yearOf(e.when)));
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
    ...(against ? ['Set against the healthy tree read beside it: what befell both is weather.'] : []),
    ...(!against && plain.some((l) => dry.has(l.year))
      ? ['Dry years count a quarter: no healthy tree was read beside it.']
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
    fillBefore: fillBeforeOf(visit),
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

/** Adventitious roots grow from bark that was covered: the oldest of them is younger than the fill. */
function fillBeforeOf(visit: Visit): SinceWhen['fillBefore'] {
  const aged = (visit.dig?.roots ?? []).filter((r) => r.kind === 'adventitious' && r.rings !== undefined);
  const oldest = aged.sort((a, b) => b.rings!.count - a.rings!.count)[0];
  return oldest && { year: Number(visit.date.slice(0, 4)) - oldest.rings!.count, root: oldest.label };
}

/** A span that takes in nearly every year says nothing of when. */
const TELLS_NOTHING = 0.9;

/** Events that the fall probably followed; none where no fall is told, or where the lag takes in nearly every year. */
export const eventsFollowed = ({ change, events }: Pick<SinceWhen, 'change' | 'events'>): EventLag[] =>
  change && change.fellAtAll >= 0.5
    ? events.filter((e) => e.chance >= 0.5 && e.byLength < TELLS_NOTHING)
    : [];

const percent = (share: number) => `${Math.round(100 * share)} %`;

function summarise(years: number, change: ChangeReading | undefined): string {
  if (years === 0) return 'No shoots read back yet: measure between the bud-scale scars, five years or more.';
  if (!change)
    return `Only ${years} ${years === 1 ? 'year' : 'years'} read: too few to tell when it began; read ${YEARS_NEEDED} or more.`;
  if (change.fellAtAll < 0.5)
    return `No fall can be told from chance (${percent(change.fellAtAll)} that there was one).`;
  const { best, from, to } = change.when!;
  const span = from === to ? `in ${best}` : `between ${from} and ${to}, most likely in ${best}`;
  const { ratio } = change;
  const level = ratio
    ? ` To ${percent(ratio.value)} of what it was (${percent(ratio.lower)} to ${percent(ratio.upper)}).`
    : '';
  return `Growth fell ${span} (${percent(change.fellAtAll)} that it fell).${level}`;
}
