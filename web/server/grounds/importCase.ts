import { randomUUID } from 'node:crypto';
import type { CaseFile } from '@undrel/core/format';
import type { Viewer } from '../accounts/session';
import type { Db } from '../database/transaction';
import { withoutJudged } from '../../protocol/kinds';
import { itemsOf } from '../../protocol/item';
import { may } from '../../protocol/roles';
import { KEEP_WEATHER } from './sql';
import { saveChanges } from '../cases/write';

/**
 * Adds a case file to a property as a new tree; its rain record stays where the property has none yet.
 *
 * @returns id of the tree, and what was left out with the reason; events whose date contradicts the tree are left out,
 *   the rest is kept
 */
export async function importCase(
  db: Db,
  viewer: Viewer,
  propertyId: string,
  caseFile: CaseFile,
): Promise<{ treeId: string; leftOut: string[] }> {
  if (caseFile.weather) await db.rows(KEEP_WEATHER, [propertyId, JSON.stringify(caseFile.weather)]);
  const judges = may(viewer.role, 'judge');
  const items = itemsOf(caseFile, propertyId, randomUUID);
  const results = await saveChanges(
    db,
    viewer,
    items.map((item) => ({
      kind: item.kind,
      id: item.id,
      parent: item.parent,
      base: 0,
      values: judges
        ? (item.values as unknown as Record<string, unknown>)
        : withoutJudged(item.kind, item.values as unknown as Record<string, unknown>),
    })),
  );
  const leftOut = results.flatMap((r, i) =>
    r.status === 'refused' ? [`${items[i]!.kind}: ${r.problem}`] : [],
  );
  const first = results[0];
  if (first?.status !== 'saved') throw new Error(leftOut[0] ?? 'The tree could not be added.');
  return { treeId: first.id, leftOut };
}
