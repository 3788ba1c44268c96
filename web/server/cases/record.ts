import { KIND_KEYS } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { calledOf } from '../../protocol/kinds';
import type { RecordEntry } from '../../protocol/record';
import { fieldName, fieldTold } from '../../protocol/told';
import type { Db } from '../database/transaction';
import { fromColumns, STORED } from '../../work/tree/items';
import { TREE_RECORD } from './sql';

interface AuditRow {
  id: string;
  at: string;
  by: string | null;
  subject: string;
  before: Record<string, unknown> | null;
  after: Record<string, unknown> | null;
}

const KIND_OF = new Map(KIND_KEYS.map((kind) => [STORED[kind].table, kind]));
/** Fields that say nothing to a person: what names a record, and how a picture is stored. */
const UNTOLD: ReadonlySet<string> = new Set(['key', 'part', 'hash', 'width', 'height']);
/** What is longer than this when it is written out is counted or named instead, letters. */
const LONGEST = 160;
const briefly = (name: string, value: unknown, told: string): string =>
  told.length <= LONGEST || typeof value === 'string'
    ? `${name} ${told}`
    : Array.isArray(value)
      ? `${name} (${value.length})`
      : `${name} set`;

const offerTold = (after: AuditRow['after']): string =>
  after?.approved_at
    ? `approved by ${String(after.approved_name)}: ${String(after.approved_option)}`
    : after?.revoked_at
      ? 'revoked'
      : 'made';

/** Everything written to a tree and what belongs to it, newest first, each with what it replaced. */
export async function treeRecord(db: Db, treeId: string, system: UnitSystem): Promise<RecordEntry[]> {
  const rows = await db.rows<AuditRow>(TREE_RECORD, [treeId]);
  return rows.map((row): RecordEntry => {
    const kind = KIND_OF.get(row.subject);
    const stamp = { id: row.id, at: row.at, by: row.by };
    if (!kind) {
      return {
        ...stamp,
        ...(row.subject === 'offers'
          ? { what: 'link for the client', to: offerTold(row.after) }
          : {
              what: `report ${String(row.after?.number ?? 'draft')}`,
              to: row.after?.issued_at ? 'issued' : 'worded',
            }),
        from: '',
      };
    }
    const living = (stored: AuditRow['before']): Record<string, unknown> | undefined =>
      stored && !stored.deleted_at ? fromColumns(kind, stored) : undefined;
    const [before, after] = [living(row.before), living(row.after)];
    const fields = [...new Set([...Object.keys(before ?? {}), ...Object.keys(after ?? {})])].filter(
      (f) => JSON.stringify(before?.[f]) !== JSON.stringify(after?.[f]),
    );
    const side = (values: Record<string, unknown> | undefined) =>
      values
        ? fields
            .filter((f) => values[f] !== undefined && !UNTOLD.has(f))
            .map((f) => briefly(fieldName(f), values[f], fieldTold(kind, values, f, system)))
            .join('; ')
        : '';
    return {
      ...stamp,
      what: calledOf(kind, after ?? before ?? {}),
      from: side(before),
      to: after ? side(after) : 'removed',
    };
  });
}
