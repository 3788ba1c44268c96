import type { FirmTable } from '@undrel/core/diagnosis';
import type { House } from '@undrel/core/house';
import type { ClosedSeason } from '@undrel/core/prescription';
import { DAYS_ALONG, SITE_PAGES, type AlongList } from '../../protocol/along';
import { pictureUrl } from '../../protocol/pictureUrl';
import type { Db } from '../database/transaction';
import { propertyHead } from '../grounds/grounds';
import { HOUSE } from '../house';
import * as sql from './sql';

export interface AlongTree {
  id: string;
  label: string;
  code: string;
  visit: string | null;
  /** Newest visits with a dig and with trenches. */
  dug: string | null;
  trenched: string | null;
  pictures: string[];
}

/** In the order of their labels, 2 before 10. */
export async function treesAlong(db: Db, property: string): Promise<AlongTree[]> {
  const { compare } = new Intl.Collator('en', { numeric: true });
  return (await db.rows<AlongTree>(sql.ALONG, [property])).sort((a, b) => compare(a.label, b.label));
}

/** Everything a device needs of a property; undefined where the firm has no such property. */
export async function alongList(db: Db, property: string): Promise<AlongList | undefined> {
  const head = await propertyHead(db, property);
  if (!head) return undefined;
  const trees = await treesAlong(db, property);
  const at = `/grounds/${property}`;
  return {
    name: head.name,
    labels: Object.fromEntries(trees.map((t) => [t.code, t.id])),
    names: Object.fromEntries(trees.map((t) => [t.id, t.label])),
    trees: trees.length,
    pages: [
      at,
      ...trees.map((t) => `/trees/${t.id}`),
      ...SITE_PAGES.map((page) => `${at}/${page}`),
      `/trees/new?property=${property}`,
      `/trees/new/pictures?property=${property}`,
      ...trees.flatMap(({ id, visit }) =>
        visit ? [`/trees/${id}/order?visit=${visit}`, `/trees/${id}/pictures?visit=${visit}`] : [],
      ),
      ...trees.flatMap(({ id, dug, trenched }) => [
        ...(dug ? [`/trees/${id}/crew?visit=${dug}`] : []),
        ...(trenched ? [`/trees/${id}/crew/trenches?visit=${trenched}`] : []),
      ]),
      ...trees.flatMap(({ id, visit }) => (visit ? [`/trees/${id}/time`] : [])),
      '/grounds',
      '/season',
    ],
    pictures: [...new Set(trees.flatMap((t) => t.pictures))].map((hash) => pictureUrl(hash, 'small')),
  };
}

/** The tree that a label names, within the firm. */
export const treeOfCode = async (db: Db, code: string): Promise<string | undefined> =>
  (await db.row<{ id: string }>(sql.TREE_OF_CODE, [code]))?.id;

/** A property as a tree that is still to be entered needs it. */
export interface BlankTree {
  property: { id: string; name: string };
  house: House;
  firmTable: FirmTable | undefined;
  closed: ClosedSeason[];
}

export async function blankTree(db: Db, property: string): Promise<BlankTree | undefined> {
  const row = await db.row<{
    id: string;
    name: string;
    house: House;
    firm_table: FirmTable | null;
    closed: ClosedSeason[] | null;
  }>(sql.BLANK_TREE(HOUSE), [property]);
  return (
    row && {
      property: { id: row.id, name: row.name },
      house: row.house,
      firmTable: row.firm_table ?? undefined,
      closed: row.closed ?? [],
    }
  );
}

/** Notes what the device of a session took along, or that it was taken off it. */
export const noteHeld = (db: Db, sessionId: string, property: string, here: boolean): Promise<unknown> =>
  db.rows(sql.HOLDS, [sessionId, property, here]);

/** A device that somebody is signed in on. */
export interface DeviceRow {
  id: string;
  person: string;
  agent: string;
  seen: Date;
  /** Names of properties. */
  holds: string[];
}

export const listDevices = (db: Db): Promise<DeviceRow[]> => db.rows<DeviceRow>(sql.DEVICES, [DAYS_ALONG]);
