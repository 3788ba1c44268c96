import type { z } from 'zod';
import type * as parts from './parts';

/** What schemas are made of. */
export type Parts = typeof parts;

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

/**
 * Declares one kind of record of a case: what is checked, stored, sent, read from files and written to them follows.
 *
 * @param values makes the schema of its values of what it is given: a page that only shows a case goes without the code that
 * checks one. The type of a record is inferred from it.
 */
export const kind = <S extends z.ZodObject, const R extends KindRules<z.infer<S>>>(
  values: (parts: Parts) => S,
  rules: R,
) => ({ ...rules, values });

/** The values of a record, by its declaration. */
export type ValuesOf<D extends { values: (parts: Parts) => z.ZodType }> = z.infer<ReturnType<D['values']>>;
