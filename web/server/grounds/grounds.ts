import { randomUUID } from 'node:crypto';
import type { Hit, Outline, PropertyPage, PropertyRow, ReadPlaces } from '../../protocol/grounds';
import { today } from '../cases/write';
import type { Db } from '../database/transaction';
import type { PropertyRows } from '../../work/property/page';
import { practiceOn } from './practice';
import * as sql from './sql';

export const listProperties = (db: Db): Promise<PropertyRow[]> => db.rows<PropertyRow>(sql.LIST_PROPERTIES);

/** Trees, properties, events and reports that mention the words; nothing for fewer than two characters. */
export async function search(db: Db, words: string): Promise<Hit[]> {
  const clean = words.trim();
  if (clean.length < 2) return [];
  const pattern = `%${clean.replace(/[\\%_]/g, '\\$&')}%`;
  return db.rows<Hit>(sql.SEARCH, [pattern]);
}

/** A property without its trees. */
export const propertyHead = (db: Db, id: string) =>
  db.row<Omit<PropertyPage, 'trees' | 'cohorts' | 'proposals'>>(sql.PROPERTY, [id]);

/** What is stored of a property and its trees; what it comes to is worked out from it, see `page.ts`. */
export async function propertyRows(db: Db, id: string, on = today()): Promise<PropertyRows | undefined> {
  const head = await propertyHead(db, id);
  if (!head) return undefined;
  return {
    head,
    ...(await db.row<Pick<PropertyRows, 'trees'>>(sql.TREES_OF, [id]))!,
    ...(await db.row<Pick<PropertyRows, 'visits'>>(sql.NEWEST_VISITS, [id]))!,
    practice: (await practiceOn(db, id))!,
    on,
  };
}

/** What bringing trees in has to know of those that are there. */
export interface TreeHead {
  id: string;
  label: string;
  version: number;
}

export const treeHeads = (db: Db, propertyId: string): Promise<TreeHead[]> =>
  db.rows<TreeHead>(sql.TREE_HEADS, [propertyId]);

/** Trees that have a place on the plan. */
export const placedTrees = (
  db: Db,
  propertyId: string,
): Promise<{ label: string; species: string; x: number; y: number }[]> =>
  db.rows(sql.PLACED_TREES, [propertyId]);

/** By what positions are told on the plan of a property. */
export const readPlaces = async (db: Db, propertyId: string): Promise<ReadPlaces> =>
  (await db.row<ReadPlaces>(sql.READ_PLACES, [propertyId]))!;

/** Begins a walk-round anew: every tree is to be looked at again. Gives the property's name. */
export const beginRound = async (db: Db, id: string): Promise<string | undefined> =>
  (await db.row<{ name: string }>(sql.BEGIN_ROUND, [id, today()]))?.name;

async function clientNamed(db: Db, name: string): Promise<string | null> {
  const clean = name.trim();
  if (!clean) return null;
  const known = await db.row<{ id: string }>(sql.FIND_CLIENT, [clean]);
  if (known) return known.id;
  const id = randomUUID();
  await db.rows(sql.ADD_CLIENT, [id, clean]);
  return id;
}

export async function addProperty(
  db: Db,
  given: { name: string; client: string; note: string },
): Promise<string> {
  const id = randomUUID();
  const client = await clientNamed(db, given.client);
  await db.rows(sql.ADD_PROPERTY, [id, client, given.name.trim(), given.note.trim() || null]);
  return id;
}

/** Saves name, client and note; false when someone changed the property since `version`. */
export async function setProperty(
  db: Db,
  id: string,
  given: { name: string; client: string; note: string },
  version: number,
): Promise<boolean> {
  const client = await clientNamed(db, given.client);
  const saved = await db.row(sql.SET_PROPERTY, [
    id,
    given.name.trim(),
    given.note.trim() || null,
    client,
    version,
  ]);
  return saved !== undefined;
}

export const setPlan = async (db: Db, id: string, plan: Outline[], version: number): Promise<boolean> =>
  (await db.row(sql.SET_PLAN, [id, JSON.stringify(plan), version])) !== undefined;

/**
 * Things join the plan of a property, those that are there already left out. Several who add at once all come in.
 *
 * @returns undefined where there is no such property
 */
export async function addToPlan(db: Db, id: string, things: readonly Outline[]): Promise<true | undefined> {
  if (!(await db.row(sql.HOLD_PROPERTY, [id]))) return undefined;
  const { plan, version } = (await propertyHead(db, id))!;
  const known = new Set((plan ?? []).map((o) => JSON.stringify(o.points)));
  const fresh = things.filter((o) => !known.has(JSON.stringify(o.points)));
  if (fresh.length > 0 && !(await setPlan(db, id, [...(plan ?? []), ...fresh], version)))
    throw new Error('a property that is held moved on');
  return true;
}

/** Takes a property out of view; nothing is lost, {@link restoreProperty} brings it back. Gives its name. */
export const removeProperty = async (db: Db, id: string): Promise<string | undefined> =>
  (await db.row<{ name: string }>(sql.DELETE_PROPERTY, [id]))?.name;

export const restoreProperty = async (db: Db, id: string): Promise<void> => {
  await db.rows(sql.RESTORE_PROPERTY, [id]);
};
