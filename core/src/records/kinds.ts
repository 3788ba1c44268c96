import { cuts } from './cuts';
import { decision } from './decision';
import { dig } from './dig';
import { event } from './event';
import { finding } from './finding';
import { followUp } from './followUp';
import type { KindRules, ValuesOf } from './kind';
import { picture } from './picture';
import { probe } from './probe';
import { profile } from './profile';
import { push } from './push';
import { root } from './root';
import { soilLog } from './soilLog';
import { tree } from './tree';
import { trenches } from './trenches';
import { visit } from './visit';
import { watering } from './watering';
import { work } from './work';

/** Every kind of record of a case; in a file they stand in this order below what they belong to. */
export const KINDS = {
  tree,
  event,
  visit,
  finding,
  profile,
  probe,
  decision,
  dig,
  root,
  trenches,
  cuts,
  push,
  soilLog,
  work,
  followUp,
  watering,
  picture,
} as const;

export type Kind = keyof typeof KINDS;
/** The values of a record of each kind. */
export type Values = { [K in Kind]: ValuesOf<(typeof KINDS)[K]> };

export const KIND_KEYS = Object.keys(KINDS) as Kind[];

/** The rules of a kind, for those who go over all of them. */
export const rulesOf = <K extends Kind>(kind: K): KindRules<Values[K]> =>
  KINDS[kind] as unknown as KindRules<Values[K]>;

/** Kinds that belong to this one, in the order of a file. */
export const kindsBelow = (parent: 'tree' | 'visit'): Kind[] =>
  KIND_KEYS.filter((kind) => KINDS[kind].parent === parent);

export type Rules = typeof KINDS;
type Named = { [K in Kind]: Rules[K] extends { name: (values: never) => string } ? K : never }[Kind];
type NameParts<K extends Named> = Rules[K] extends { name: (...values: infer V) => string } ? V : never;

const named = (kind: Kind, parent: string, values: unknown): string | undefined => {
  const { name } = KINDS[kind] as { name?: (values: unknown) => string };
  return name && `${parent}.${name(values)}`;
};

/** The id of a record that is what it is about: told from that, before there is a record. */
export const idOf = <K extends Named>(kind: K, parent: string, ...[values]: NameParts<K>): string =>
  named(kind, parent, values)!;

/** The id of a record with these values; undefined for a kind that may have any. */
export const ownIdOf = <K extends Kind>(kind: K, parent: string, values: Values[K]): string | undefined =>
  named(kind, parent, values);

/** How deep below a tree a kind lies: what belongs to something is written after it. */
export const depthOf = (kind: Kind): number => ({ property: 0, tree: 1, visit: 2 })[KINDS[kind].parent];
