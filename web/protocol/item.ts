import type {
  CaseFile,
  CutDesign,
  Dig,
  DugRoot,
  Decision,
  Finding,
  GradeProfile,
  ProbePoint,
  Push,
  SoilLog,
  Tree,
  TrenchDesign,
  TreeEvent,
  Visit,
  WorkDone,
} from '@undrel/core/casefile';

/** The head of a visit: what it holds beside its readings. */
export type VisitHead = Omit<
  Visit,
  | 'findings'
  | 'profiles'
  | 'probes'
  | 'decisions'
  | 'dig'
  | 'trenches'
  | 'cuts'
  | 'pushes'
  | 'soilLogs'
  | 'work'
>;

/** The stem in a dig and how it was measured; the roots are items of their own. */
export type DigHead = Omit<Dig, 'roots'>;

export interface ItemValues {
  tree: Tree;
  event: TreeEvent;
  visit: VisitHead;
  finding: Finding;
  profile: GradeProfile;
  probe: ProbePoint;
  decision: Decision;
  dig: DigHead;
  root: DugRoot;
  trenches: TrenchDesign;
  push: Push;
  soilLog: SoilLog;
  cuts: CutDesign;
  work: WorkDone;
}

export type ItemKind = keyof ItemValues;

/** One separately saved piece of a case. `version` is the one last seen on the server; 0 was never saved. */
export type Item = {
  [K in ItemKind]: { kind: K; id: string; parent: string; version: number; values: ItemValues[K] | null };
}[ItemKind];

export type ItemOf<K extends ItemKind> = Extract<Item, { kind: K }>;

/** A write: the whole new value of an item (null deletes it) and the version it was based on. */
export interface Change {
  kind: ItemKind;
  id: string;
  parent: string;
  base: number;
  values: Record<string, unknown> | null;
  /** What was sent for this item before and never answered: finding one of these stored is finding one's own. */
  inDoubt?: (Record<string, unknown> | null)[];
}

export interface Theirs {
  version: number;
  values: Record<string, unknown> | null;
  by: string | null;
  at: string;
}

export type ChangeResult =
  | { id: string; status: 'saved'; version: number }
  | { id: string; status: 'stale'; theirs: Theirs }
  | { id: string; status: 'refused'; problem: string };

/** Items whose identity is what they are about have it as their id, so that two people answering meet. */
export const findingId = (visitId: string, key: string, part?: number): string =>
  part === undefined ? `${visitId}.${key}` : `${visitId}.${key}.${part}`;
export const profileId = (visitId: string, bearing: number): string => `${visitId}.${bearing}`;
export const digId = (visitId: string): string => `${visitId}.dig`;
export const cutsId = (visitId: string): string => `${visitId}.cuts`;
export const trenchesId = (visitId: string): string => `${visitId}.trenches`;
export const decisionId = (visitId: string, operation: string): string => `${visitId}.${operation}`;

export const workId = (visitId: string, step: string): string => `${visitId}.work.${step}`;

/** All items of a case file, with ids from `newId` where identity is not given by the content. */
export function itemsOf(caseFile: CaseFile, propertyId: string, newId: () => string): Item[] {
  const treeId = newId();
  const fresh = <K extends ItemKind>(kind: K, id: string, parent: string, values: ItemValues[K]) =>
    ({ kind, id, parent, version: 0, values }) as Item;
  const items: Item[] = [fresh('tree', treeId, propertyId, caseFile.tree)];
  for (const event of caseFile.events) items.push(fresh('event', newId(), treeId, event));
  for (const visit of caseFile.visits) {
    const { findings, profiles, probes, decisions, dig, trenches, cuts, pushes, soilLogs, work, ...head } =
      visit;
    const visitId = newId();
    items.push(fresh('visit', visitId, treeId, head));
    for (const f of findings) items.push(fresh('finding', findingId(visitId, f.key, f.part), visitId, f));
    for (const p of profiles) items.push(fresh('profile', profileId(visitId, p.bearing), visitId, p));
    for (const p of probes) items.push(fresh('probe', newId(), visitId, p));
    for (const d of decisions) items.push(fresh('decision', decisionId(visitId, d.operation), visitId, d));
    for (const p of pushes ?? []) items.push(fresh('push', newId(), visitId, p));
    for (const l of soilLogs ?? []) items.push(fresh('soilLog', newId(), visitId, l));
    for (const w of work ?? []) items.push(fresh('work', workId(visitId, w.step), visitId, w));
    if (cuts) items.push(fresh('cuts', cutsId(visitId), visitId, cuts));
    if (trenches) items.push(fresh('trenches', trenchesId(visitId), visitId, trenches));
    if (dig) {
      const { roots, ...digHead } = dig;
      items.push(fresh('dig', digId(visitId), visitId, digHead));
      for (const r of roots) items.push(fresh('root', newId(), visitId, r));
    }
  }
  return items;
}

const isKind =
  <K extends ItemKind>(kind: K) =>
  (item: Item): item is ItemOf<K> & { values: ItemValues[K] } =>
    item.kind === kind && item.values !== null;

/** Living items of a kind below a parent. */
export const itemsBelow = <K extends ItemKind>(items: readonly Item[], kind: K, parent: string) =>
  items.filter(isKind(kind)).filter((item) => item.parent === parent);

/** A dig before anything was said of it. */
export const NEW_DIG: DigHead = { measuredFrom: 'bark', north: 'true' };

/** The visit as the core reads it. */
export function visitFrom(items: readonly Item[], visit: { id: string; values: VisitHead }): Visit {
  const below = <K extends ItemKind>(kind: K) => itemsBelow(items, kind, visit.id).map((item) => item.values);
  const [dig] = below('dig') as DigHead[];
  const roots = below('root') as DugRoot[];
  const [trenches] = below('trenches') as TrenchDesign[];
  const [cuts] = below('cuts') as CutDesign[];
  const pushes = below('push') as Push[];
  const soilLogs = below('soilLog') as SoilLog[];
  const work = below('work') as WorkDone[];
  return {
    ...visit.values,
    findings: below('finding') as Finding[],
    profiles: below('profile') as GradeProfile[],
    probes: below('probe') as ProbePoint[],
    decisions: below('decision') as Decision[],
    ...(dig || roots.length > 0 ? { dig: { ...(dig ?? NEW_DIG), roots } } : {}),
    ...(trenches && { trenches }),
    ...(cuts && { cuts }),
    ...(pushes.length > 0 && { pushes }),
    ...(soilLogs.length > 0 && { soilLogs }),
    ...(work.length > 0 && { work }),
  };
}
