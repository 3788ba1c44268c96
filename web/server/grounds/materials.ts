import type { Tree } from '@undrel/core/casefile';
import { isStressed } from '@undrel/core/pruning';
import { assessTrenches } from '@undrel/core/trenching';
import type { TreeMaterials } from '../../protocol/grounds';
import { itemsBelow, visitFrom } from '../../protocol/item';
import { loadCase } from '../cases/load';
import type { Db } from '../database/transaction';
import { TREES_WITH_TRENCHES } from './sql';

/** What the trenches of each tree of a property take in their first season, from its newest visit that laid any out. */
export async function loadMaterials(db: Db, propertyId: string): Promise<TreeMaterials[]> {
  const rows = await db.rows<{ id: string }>(TREES_WITH_TRENCHES, [propertyId]);
  const all: TreeMaterials[] = [];
  for (const { id } of rows) {
    const loaded = await loadCase(db, id);
    if (!loaded) continue;
    const tree = loaded.items.find((i) => i.kind === 'tree')!.values as Tree;
    const [visit] = itemsBelow(loaded.items, 'visit', id)
      .map((v) => visitFrom(loaded.items, v))
      .filter((v) => v.trenches)
      .sort((a, b) => b.date.localeCompare(a.date));
    if (!visit) continue;
    const { plan, quantities, bySeason } = assessTrenches({
      tree,
      date: visit.date,
      findings: visit.findings,
      design: visit.trenches!,
      dig: visit.dig,
      pushes: visit.pushes,
      site: loaded.site,
      firm: loaded.firmSchools,
      stressed: isStressed(visit),
    });
    const otherWay = visit.trenches!.choice;
    all.push({
      id,
      label: tree.label,
      seasons: plan.seasons,
      spokes: plan.spokes.filter((s) => s.season === 1).length,
      quantities: bySeason[0] ?? quantities,
      ...(otherWay && otherWay.remedy !== 'spokes' && { instead: otherWay.remedy }),
      ...(plan.blocked && { blocked: plan.blocked }),
    });
  }
  return all;
}
