import { randomUUID } from 'node:crypto';
import type { Finding, GradeProfile, ProbePoint, Tree, TreeEvent } from '@undrel/core/casefile';
import type { Schools } from '@undrel/core/practice';
import type { DueRow, Hit, Outline, PropertyPage, PropertyRow, TreeRow } from '../../protocol/grounds';
import type { ItemKind, VisitHead } from '../../protocol/item';
import { fromColumns } from '../cases/items';
import type { Db } from '../database/transaction';
import * as sql from './sql';
import { assessed } from '../assessed';

const DUE_DAYS = 60;

export const listProperties = (db: Db): Promise<PropertyRow[]> => db.rows<PropertyRow>(sql.LIST_PROPERTIES);

/** Trees to come back to within the next two months, overdue ones first. */
export const listDue = (db: Db, today: string): Promise<DueRow[]> => {
  const until = new Date(Date.parse(today) + DUE_DAYS * 86_400_000).toISOString().slice(0, 10);
  return db.rows<DueRow>(sql.LIST_DUE, [until]);
};

/** Trees, properties, events and reports that mention the words; nothing for fewer than two characters. */
export async function search(db: Db, words: string): Promise<Hit[]> {
  const clean = words.trim();
  if (clean.length < 2) return [];
  const pattern = `%${clean.replace(/[\\%_]/g, '\\$&')}%`;
  return db.rows<Hit>(sql.SEARCH, [pattern]);
}

type Stored = Record<string, unknown>;
type NewestVisit = { visit: Stored } & Record<'finding' | 'profile' | 'probe' | 'event', Stored[]>;

const valuesOf = <T>(kind: ItemKind, rows: Stored[]): T[] => rows.map((row) => fromColumns(kind, row) as T);

function treeRow(stored: Stored, newest: NewestVisit | undefined, schools: Schools): TreeRow {
  const tree = fromColumns('tree', stored) as unknown as Tree;
  const row: TreeRow = {
    id: stored.id as string,
    version: stored.version as number,
    label: tree.label,
    species: tree.species,
    commonName: tree.commonName,
    plantedYear: tree.plantedYear,
    stock: tree.stock,
    stemDiameter: tree.stemDiameter,
    height: tree.height,
    reference: tree.reference === true,
    x: tree.position?.x,
    y: tree.position?.y,
  };
  if (!newest) return row;
  const head = fromColumns('visit', newest.visit) as unknown as VisitHead;
  const { profile, verdict } = assessed(
    tree,
    valuesOf<TreeEvent>('event', newest.event),
    {
      ...head,
      findings: valuesOf<Finding>('finding', newest.finding),
      profiles: valuesOf<GradeProfile>('profile', newest.profile),
      probes: valuesOf<ProbePoint>('probe', newest.probe),
      decisions: [],
    },
    schools,
  );
  const first = verdict.causes[0]!;
  const named = first.standing === 'likely' || first.standing === 'possible';
  return {
    ...row,
    lastVisit: head.date,
    due: head.lookAgain?.on,
    collarDepth: profile.collar?.depth.value,
    onBark: profile.mulch?.onBark.value,
    ...(named ? { cause: first.cause, causeLabel: first.label, standing: first.standing } : {}),
  };
}

/** A property with its plan and trees, each with what its newest visit comes to. */
export async function loadProperty(db: Db, id: string): Promise<PropertyPage | undefined> {
  const head = await db.row<Omit<PropertyPage, 'trees'>>(sql.PROPERTY, [id]);
  if (!head) return undefined;
  const trees = await db.rows<Stored>(sql.TREES_OF, [id]);
  const newest = await db.rows<NewestVisit>(sql.NEWEST_VISITS, [id]);
  const firm = await db.row<{ schools: Schools }>(sql.FIRM_SCHOOLS);
  const byTree = new Map(newest.map((n) => [n.visit.tree_id, n]));
  return { ...head, trees: trees.map((t) => treeRow(t, byTree.get(t.id), firm?.schools ?? {})) };
}

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

/** Takes a property out of view; nothing is lost, {@link restoreProperty} brings it back. Gives its name. */
export const removeProperty = async (db: Db, id: string): Promise<string | undefined> =>
  (await db.row<{ name: string }>(sql.DELETE_PROPERTY, [id]))?.name;

export const restoreProperty = async (db: Db, id: string): Promise<void> => {
  await db.rows(sql.RESTORE_PROPERTY, [id]);
};
