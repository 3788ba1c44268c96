import { byDay } from '@undrel/core/vocabulary';
import type { WeatherDay } from '@undrel/core/water';
import type { Db } from '../database/transaction';

/** Most days that are kept of some grounds: more than fifty years. */
const MOST_DAYS = 20_000;

const OWN_DAYS = `select days, source from daily_weather where property_id = $1`;
const KEEP_DAYS = `insert into daily_weather (firm_id, property_id, days, source, updated_by)
  select current_firm(), p.id, $2::jsonb, $3, current_actor() from properties p where p.id = $1 and p.deleted_at is null
  on conflict (firm_id, property_id) do update set days = excluded.days, source = excluded.source
  returning property_id`;

export interface OwnDays {
  days: WeatherDay[];
  source: string;
}

/** Daily weather that was brought in for some grounds; undefined where there is none. */
export const ownDays = (db: Db, propertyId: string): Promise<OwnDays | undefined> =>
  db.row<OwnDays>(OWN_DAYS, [propertyId]);

/**
 * Days join those that are there: a year in two files comes together, and of a day that is in both the newer file counts. What was
 * filled gives way to what was measured.
 *
 * @returns how many days there are now; undefined where there is no such property
 */
export async function keepDays(
  db: Db,
  propertyId: string,
  brought: readonly WeatherDay[],
  source: string,
): Promise<{ days: number; changed: number } | { problem: string } | undefined> {
  const there = await ownDays(db, propertyId);
  const byDate = new Map((there?.days ?? []).map((d) => [d.date, d]));
  let changed = 0;
  for (const day of brought) {
    const known = byDate.get(day.date);
    if (known && day.filled && !known.filled) continue;
    if (known && !known.filled && JSON.stringify(known) !== JSON.stringify(day)) changed++;
    byDate.set(day.date, day);
  }
  if (byDate.size > MOST_DAYS) return { problem: `${byDate.size} days; at most ${MOST_DAYS} are kept.` };
  const days = [...byDate.values()].sort((a, b) => byDay(a.date, b.date));
  const kept = await db.row(KEEP_DAYS, [propertyId, JSON.stringify(days), source]);
  return kept && { days: days.length, changed };
}

/** Own days in place of those of a service, and where the two are from, in words. */
export function withOwn(
  own: OwnDays | undefined,
  known: readonly WeatherDay[],
  source: string,
  on: string,
): { known: WeatherDay[]; source: string } {
  const mine = (own?.days ?? []).filter((d) => d.date <= on);
  if (!own || mine.length === 0) return { known: [...known], source };
  const byDate = new Map([...known, ...mine].map((d) => [d.date, d]));
  const filled = mine.filter((d) => d.filled).length;
  const first = mine[0]!.date;
  const last = mine.at(-1)!.date;
  const holes = filled > 0 ? `, ${filled} of them filled` : '';
  return {
    known: [...byDate.values()].sort((a, b) => byDay(a.date, b.date)),
    source: `${own.source}, ${mine.length} days from ${first} to ${last}${holes}; other days: ${source}`,
  };
}
