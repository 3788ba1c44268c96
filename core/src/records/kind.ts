import type { z } from 'zod';

/** What is told of a kind of record beside its schema. */
export interface KindRules<S extends z.ZodType> {
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
  fresh?: z.infer<S>;
  /** Where a record is what it is about: its name below its parent, so that two people who note it meet in one. */
  name?: (values: z.infer<S>) => string;
  /** Where it stands in a file among its kind; compared part by part. */
  order?: (values: z.infer<S>) => readonly (string | number)[];
}

/**
 * Declares one kind of record of a case: what is checked, stored, sent, read from files and written to them follows.
 *
 * @param values makes the schema of its values, when one is first checked: a page that only shows a case need not wait for it.
 * The type of a record is inferred from it.
 */
export const kind = <S extends z.ZodObject, const R extends KindRules<S>>(values: () => S, rules: R) => {
  let made: S | undefined;
  return {
    ...rules,
    get schema(): S {
      return (made ??= values());
    },
  };
};
