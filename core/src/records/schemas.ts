import type { z } from 'zod';
import { KINDS, type Kind } from './kinds';
import * as parts from './parts';

const made = new Map<Kind, z.ZodObject>();

/** The schema of the values of a kind, made when one is first checked. */
export function schemaOf(kind: Kind): z.ZodObject {
  const schema = made.get(kind) ?? KINDS[kind].values(parts);
  made.set(kind, schema);
  return schema;
}
