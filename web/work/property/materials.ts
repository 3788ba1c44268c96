import { byDay } from '@undrel/core/vocabulary';
import type { Tree } from '@undrel/core/records';
import { trenchesGiven } from '@undrel/core/assessment';
import { assessTrenches } from '@undrel/core/trenching';
import type { TreeMaterials } from '../../protocol/grounds';
import { itemsBelow, visitFrom } from '../../protocol/item';
import type { LoadedCase } from '../tree/loadedCase';

/** What the trenches of a tree take in their first season, from its newest visit that laid any out. */
export function materialsOfTree(loaded: LoadedCase): TreeMaterials | undefined {
  const { treeId: id } = loaded;
  const tree = loaded.items.find((i) => i.kind === 'tree')!.values as Tree;
  const [visit] = itemsBelow(loaded.items, 'visit', id)
    .map((v) => visitFrom(loaded.items, v))
    .filter((v) => v.trenches)
    .sort((a, b) => byDay(b.date, a.date));
  const given = visit && trenchesGiven(tree, visit, loaded.site, loaded.house);
  if (!given) return undefined;
  const { plan, quantities, bySeason } = assessTrenches(given);
  const otherWay = visit.trenches!.choice;
  return {
    id,
    label: tree.label,
    seasons: plan.seasons,
    spokes: plan.spokes.filter((s) => s.season === 1).length,
    quantities: bySeason[0] ?? quantities,
    ...(otherWay && otherWay.remedy !== 'spokes' && { instead: otherWay.remedy }),
    ...(plan.blocked && { blocked: plan.blocked }),
  };
}
