import type { z } from 'zod';
import { cuts } from './cuts';
import { decision } from './decision';
import { dig } from './dig';
import { event } from './event';
import { finding } from './finding';
import { followUp } from './followUp';
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
import type { SchemaOf, ValuesOf } from './kind';
import * as parts from './parts';

/** The schema of every kind of record of a case; what else is told of a kind stands in {@link RULES}. */
const SCHEMAS = {
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
} satisfies Record<string, SchemaOf>;

export type Kind = keyof typeof SCHEMAS;
/** The values of a record of each kind. */
export type Values = { [K in Kind]: ValuesOf<(typeof SCHEMAS)[K]> };

const made = new Map<Kind, z.ZodObject>();

/** The schema of the values of a kind, made when one is first checked. */
export function schemaOf(kind: Kind): z.ZodObject {
  const schema = made.get(kind) ?? SCHEMAS[kind](parts);
  made.set(kind, schema);
  return schema;
}
