import { byDay } from '@undrel/core/vocabulary';
import type { StationPlace, WeatherDay } from '@undrel/core/water';
import type { PropertyWater, TreeWater } from '../../protocol/water';
import { beside, type Asker } from '../beside';
import type { TreeSource } from '../../work/offers/treeWork';

/** Trees worked out in one go: the weather goes along with each, and no piece takes long. */
const AT_ONCE = 20;

/** The trees of a property that are under care on a day, those due first; worked out beside the server, piece by piece. */
export async function waterOfProperty(
  sources: readonly TreeSource[],
  weather: { place: StationPlace; known: readonly WeatherDay[]; on: string },
  asker: Asker,
): Promise<Pick<PropertyWater, 'trees' | 'wet' | 'unmeasured' | 'others'>> {
  const all = { trees: [] as TreeWater[], wet: [] as string[], unmeasured: [] as string[], others: 0 };
  for (let i = 0; i < sources.length; i += AT_ONCE) {
    const some = await beside('water', { sources: sources.slice(i, i + AT_ONCE), ...weather }, asker);
    all.trees.push(...some.trees);
    all.wet.push(...some.wet);
    all.unmeasured.push(...some.unmeasured);
    all.others += some.others;
  }
  const due = ({ next }: TreeWater) => next.on ?? '9999';
  all.trees.sort((a, b) => byDay(due(a), due(b)));
  return all;
}
