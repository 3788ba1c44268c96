import type { Treated } from '@undrel/core/recovery';
import type { FirmRecord } from '../../protocol/time';
import type { Viewer } from '../accounts/session';
import { beside } from '../beside';
import { yardsticks } from '../cases/reference';
import type { Db } from '../database/transaction';
import { openDrafts } from '../reports/reports';
import { TREATED_TREES } from '../season/sql';
import { firmRecord } from '../../work/tree/treeTime';

/** Trees worked out in one go. */
const AT_ONCE = 20;
/** Most trees that a record is made of, those treated last first. */
const MOST_TREES = 2000;

type InFirm = <T>(work: (db: Db, viewer: Viewer) => Promise<T>) => Promise<T>;

/** How often each remedy worked at the trees of a firm, some trees at a time. */
export async function recordOfFirm(inFirm: InFirm, on: string): Promise<FirmRecord> {
  const { ids, viewer } = await inFirm(async (db, who) => ({
    ids: (await db.rows<{ id: string }>(TREATED_TREES, [MOST_TREES])).map((t) => t.id),
    viewer: who,
  }));
  const treated: Treated[] = [];
  for (let i = 0; i < ids.length; i += AT_ONCE) {
    const some = ids.slice(i, i + AT_ONCE);
    const trees = await inFirm(async (db, who) => {
      const beside = await yardsticks(db, some);
      return (await openDrafts(db, who, some, undefined, 'metric')).map(({ treeId, source }) => ({
        id: treeId,
        source,
        yardstick: beside.get(treeId),
      }));
    });
    treated.push(...(await beside('treated', { trees, on }, viewer)));
  }
  return firmRecord(treated);
}
