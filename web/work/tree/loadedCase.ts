import { glanceAt, type Glance } from '@undrel/core/assessment';
import type { FirmTable } from '@undrel/core/diagnosis';
import type { House } from '@undrel/core/house';
import type { ClosedSeason } from '@undrel/core/prescription';
import type { Site, Tree, TreeEvent } from '@undrel/core/records';
import { visitToJudge } from '@undrel/core/walk';
import { itemsBelow, visitFrom, type Item } from '../../protocol/item';
import { assessed } from './assessed';

/** A tree with its history and visits as separately versioned items, and what is followed where it stands. */
export interface LoadedCase {
  treeId: string;
  items: Item[];
  property: { id: string; name: string };
  client: string;
  house: House;
  firmTable: FirmTable | undefined;
  /** Seasons closed where the firm works. */
  closed: ClosedSeason[];
  site: Site;
}

/** A case whose items are one text: cheaper to hand over than as many small parts. */
export interface CaseText extends Omit<LoadedCase, 'items'> {
  items: string;
}

/** The newest visit's verdict and prescription in figures; undefined before the first visit. */
export const newestGlance = ({ items, ...rest }: CaseText) =>
  glanceOf({ ...rest, items: JSON.parse(items) as Item[] });

function glanceOf({
  treeId,
  items,
  house,
  firmTable,
}: LoadedCase): (Glance & { visitId: string }) | undefined {
  const visits = itemsBelow(items, 'visit', treeId).map((v) => ({ ...visitFrom(items, v), id: v.id }));
  const newest = visitToJudge(visits);
  if (!newest) return undefined;
  const tree = items.find((i) => i.kind === 'tree')!.values as Tree;
  const events = itemsBelow(items, 'event', treeId).map((e) => e.values as TreeEvent);
  const { id, ...visit } = newest;
  return {
    visitId: id,
    ...glanceAt(assessed(tree, events, visit, house, firmTable, visits), tree, visit),
  };
}
