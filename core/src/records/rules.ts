import { OPERATION_KEYS } from '../vocabulary/operations';
import type { Kind, Values } from './schemas';

/** What is told of a kind of record beside its schema. */
export interface KindRules<V> {
  /** What it belongs to. */
  parent: 'property' | 'tree' | 'visit';
  /** The member of its parent that holds it in a case file. */
  member: string;
  /** How many a parent may have; where it has one, the member is the record itself. */
  most: number | 'one';
  /** The member stands in a file though there is no record. */
  always?: true;
  /** In a file it stands within the one record of this kind below the same parent. */
  within?: string;
  /** What a record holds before anything was said of it, where others may stand within it without it. */
  fresh?: V;
  /** Where a record is what it is about: its name below its parent, so that two people who note it meet in one. */
  name?: (values: V) => string;
  /** Where it stands in a file among its kind; compared part by part. */
  order?: (values: V) => readonly (string | number)[];
}

/** The dig before anything was said of it. */
export const NEW_DIG: Values['dig'] = { measuredFrom: 'bark', north: 'true' };

/**
 * Every kind of record of a case; in a file they stand in this order below what they belong to. With the schema of its values
 * what is checked, stored, sent, read from files and written to them follows.
 */
export const RULES = {
  tree: { parent: 'property', member: 'tree', most: 'one' },
  event: { parent: 'tree', member: 'events', most: 500, always: true, order: (e) => [e.when, e.kind] },
  visit: { parent: 'tree', member: 'visits', most: 200, always: true, order: (v) => [v.date] },
  finding: {
    parent: 'visit',
    member: 'findings',
    most: 500,
    always: true,
    name: (f: { key: string; part?: number }) => (f.part === undefined ? f.key : `${f.key}.${f.part}`),
    order: (f) => [f.key, f.part ?? -1],
  },
  profile: {
    parent: 'visit',
    member: 'profiles',
    most: 72,
    always: true,
    name: (p: { bearing: number }) => String(p.bearing),
    order: (p) => [p.bearing],
  },
  probe: {
    parent: 'visit',
    member: 'probes',
    most: 500,
    always: true,
    order: (p) => [p.bearing, p.distance, p.depth],
  },
  decision: {
    parent: 'visit',
    member: 'decisions',
    most: OPERATION_KEYS.length,
    always: true,
    name: (d: { operation: string }) => d.operation,
    order: (d) => [d.operation],
  },
  dig: { parent: 'visit', member: 'dig', most: 'one', name: () => 'dig', fresh: NEW_DIG },
  root: {
    parent: 'visit',
    member: 'roots',
    within: 'dig',
    most: 500,
    always: true,
    order: (r) => [r.label],
  },
  trenches: { parent: 'visit', member: 'trenches', most: 'one', name: () => 'trenches' },
  cuts: { parent: 'visit', member: 'cuts', most: 'one', name: () => 'cuts' },
  push: { parent: 'visit', member: 'pushes', most: 200, order: (p) => [p.bearing, p.distance] },
  soilLog: { parent: 'visit', member: 'soilLogs', most: 40, order: (l) => [l.place, l.bearing, l.distance] },
  work: {
    parent: 'visit',
    member: 'work',
    most: 60,
    name: (w: { step: string }) => `work.${w.step}`,
    order: (w) => [w.step],
  },
  followUp: {
    parent: 'visit',
    member: 'followUps',
    most: 200,
    name: (f: { task: string }) => `followUp.${f.task}`,
    order: (f) => [f.task],
  },
  watering: {
    parent: 'visit',
    member: 'waterings',
    most: 400,
    name: (w: { on: string }) => `watering.${w.on}`,
    order: (w) => [w.on],
  },
  picture: {
    parent: 'visit',
    member: 'pictures',
    most: 200,
    name: (p: { hash: string }) => `picture.${p.hash.slice(0, 32)}`,
    order: (p) => [p.on, p.hash],
  },
} as const satisfies { [K in Kind]: KindRules<Values[K]> };

export const KIND_KEYS = Object.keys(RULES) as Kind[];

/** The rules of a kind, for those who go over all of them. */
export const rulesOf = <K extends Kind>(kind: K): KindRules<Values[K]> =>
  RULES[kind] as unknown as KindRules<Values[K]>;

/** Kinds that belong to this one, in the order of a file. */
export const kindsBelow = (parent: 'tree' | 'visit'): Kind[] =>
  KIND_KEYS.filter((kind) => RULES[kind].parent === parent);

export type Rules = typeof RULES;
type Named = { [K in Kind]: Rules[K] extends { name: (values: never) => string } ? K : never }[Kind];
type NameParts<K extends Named> = Rules[K] extends { name: (...values: infer V) => string } ? V : never;

const named = (kind: Kind, parent: string, values: unknown): string | undefined => {
  const { name } = RULES[kind] as { name?: (values: unknown) => string };
  return name && `${parent}.${name(values)}`;
};

/** The id of a record that is what it is about: told from that, before there is a record. */
export const idOf = <K extends Named>(kind: K, parent: string, ...[values]: NameParts<K>): string =>
  named(kind, parent, values)!;

/** The id of a record with these values; undefined for a kind that may have any. */
export const ownIdOf = <K extends Kind>(kind: K, parent: string, values: Values[K]): string | undefined =>
  named(kind, parent, values);

/** How deep below a tree a kind lies: what belongs to something is written after it. */
export const depthOf = (kind: Kind): number => ({ property: 0, tree: 1, visit: 2 })[RULES[kind].parent];
