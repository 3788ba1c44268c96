import type { WhoDoes } from '@undrel/core/schedule';
import type { UnitSystem } from '@undrel/core/units';
import type { TreeWater } from '../../protocol/water';
import type { DecisionRow, SeasonLine, TaskRow, WaterRow, WorkRow, LargeRow } from '../../protocol/season';
import type { Asked } from '../accounts/request';
import { beside, type Asker } from '../beside';
import { waterOfProperty } from '../grounds/waterOfProperty';
import { weatherUntil } from '../grounds/waterToday';
import { listProperties } from '../grounds/grounds';
import type { CalendarGiven } from './icalendar';
import { listTasks } from './tasks';
import { propertySources } from '../offers/propertyWork';

/** In whose firm, and whose work it is. */
export interface Given {
  inFirm: Asked['inFirm'];
  asker: Asker & { signal: AbortSignal };
}

/** Trees worked out in one go. */
const AT_ONCE = 20;

const waterRow = ({ id, label, next, why }: TreeWater, propertyId: string, property: string): WaterRow => ({
  treeId: id,
  label,
  propertyId,
  property,
  next,
  why,
});

/**
 * What is prescribed and not done, and what needs water, grounds by grounds; after each a line.
 *
 * @param only of these grounds alone
 */
export async function* seasonLines(
  { inFirm, asker }: Given,
  system: UnitSystem,
  on: string,
  signal: AbortSignal,
  only: string | null = null,
): AsyncGenerator<Exclude<SeasonLine, { problem: string }>> {
  const properties = (await inFirm((db) => listProperties(db))).filter((p) => only === null || p.id === only);
  const mine = { ...asker, signal };
  let done = 0;
  for (const { id, name } of properties) {
    const found = await inFirm((db, who) => propertySources(db, who, id, system));
    const works: WorkRow[] = [];
    const rests: TaskRow[] = [];
    const decisions: DecisionRow[] = [];
    const { sources, large } = found ?? { sources: [], large: [] };
    for (let i = 0; i < sources.length; i += AT_ONCE) {
      const some = await beside('prescribed', { sources: sources.slice(i, i + AT_ONCE), on }, mine);
      for (const { id: treeId, works: own, rests: kept, undecided, ...at } of some) {
        const place = { ...at, treeId, propertyId: id, property: name };
        works.push(...own.map((w) => ({ ...w, ...place })));
        rests.push(...kept.map((t) => ({ ...t, ...place })));
        if (undecided.length > 0) decisions.push({ ...place, who: 'consultant', undecided });
      }
    }
    const weather = sources.length > 0 ? await weatherUntil(inFirm, id, on) : undefined;
    const water = weather && (await waterOfProperty(sources, { ...weather, on }, mine));
    const spells = weather && (await beside('spells', weather, mine));
    done++;
    yield {
      done,
      of: properties.length,
      works,
      rests,
      decisions,
      spells: spells ? [{ propertyId: id, spells }] : [],
      large: large.map((tree) => ({ ...tree, propertyId: id, property: name })),
      water: (water?.trees ?? []).map((tree) => waterRow(tree, id, name)),
    };
  }
}

/** All of a calendar for another program: what follows, what is prescribed and what needs water. */
export async function calendarGiven(
  given: Given,
  name: string,
  who: WhoDoes | null,
  propertyId: string | null,
  on: string,
): Promise<CalendarGiven> {
  const calendar = {
    name,
    tasks: await given.inFirm((db) => listTasks(db, on, propertyId)),
    works: [] as WorkRow[],
    water: [] as WaterRow[],
    large: [] as LargeRow[],
  };
  for await (const line of seasonLines(given, 'metric', on, given.asker.signal, propertyId)) {
    calendar.tasks.push(...line.rests);
    calendar.works.push(...line.works);
    calendar.water.push(...line.water);
    calendar.large.push(...line.large);
  }
  const mine = <T extends { who: WhoDoes }>(rows: T[]): T[] =>
    who === null ? rows : rows.filter((t) => t.who === who);
  return {
    name,
    tasks: mine(calendar.tasks),
    works: mine(calendar.works),
    // Whoever is about the grounds waters.
    water: who === null || who === 'owner' || who === 'crew' ? calendar.water : [],
    large: calendar.large,
    on,
  };
}
