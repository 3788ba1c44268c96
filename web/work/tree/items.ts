import { KIND_KEYS, rulesOf, schemaOf, type Kind, type Values } from '@undrel/core/records';
import * as z from 'zod';
import { KIND_ENTRIES } from '../../protocol/kinds';

/** How one kind of record is stored: its table, the column of its parent, and its fields in the order of their columns. */
export interface Stored {
  table: string;
  parent: string;
  schema: z.ZodObject;
  fields: readonly Field[];
  columns: readonly string[];
}

interface Field {
  column: string;
  head: string;
  /** Where a field has a column for each of its parts. */
  part?: string;
  json: boolean;
}

/** Lists and objects are kept as JSON, where they have one column. */
const isJson = (schema: unknown): boolean =>
  schema instanceof z.ZodOptional
    ? isJson(schema.unwrap())
    : schema instanceof z.ZodArray || schema instanceof z.ZodObject || schema instanceof z.ZodRecord;

function storedOf(kind: Kind): Stored {
  const { parent } = rulesOf(kind);
  const schema = schemaOf(kind);
  const { table, columns } = KIND_ENTRIES[kind];
  const fields = Object.entries<string | Record<string, string>>(columns).flatMap(([head, to]): Field[] =>
    typeof to === 'string'
      ? [{ column: to, head, json: isJson(schema.shape[head]) }]
      : Object.entries(to).map(([part, column]) => ({ column, head, part, json: false })),
  );
  return { table, parent: `${parent}_id`, schema, fields, columns: fields.map((f) => f.column) };
}

/** Every kind of record of a case as it is stored; reading, writing and import all follow it. */
export const STORED = Object.fromEntries(KIND_KEYS.map((kind) => [kind, storedOf(kind)])) as Record<
  Kind,
  Stored
>;

/** Defaults a column falls back to, so that an absent field and its default read the same. */
const EMPTY: Record<string, unknown> = { schools: {}, reference: false, mulch: [], fill: [] };

/** Column values of a record's fields, in the order of its columns. */
export function toColumns(kind: Kind, values: Record<string, unknown>): unknown[] {
  return STORED[kind].fields.map(({ head, part, json }) => {
    const whole = values[head];
    const value = part ? (whole as Record<string, unknown> | undefined)?.[part] : whole;
    const kept = value ?? EMPTY[head] ?? null;
    return json && kept !== null ? JSON.stringify(kept) : kept;
  });
}

/** Fields of a record from its columns by name; absent ones are left out, as in the case format. */
export const fromColumns = <K extends Kind>(kind: K, row: Record<string, unknown>): Values[K] =>
  fromList(
    kind,
    STORED[kind].columns.map((column) => row[column]),
  );

/** A record as a list has its id, its parent's and its version before its columns. */
export const idIn = ([id]: readonly unknown[]): string => id as string;
export const parentIn = ([, parent]: readonly unknown[]): string => parent as string;
export const versionIn = ([, , version]: readonly unknown[]): number => version as number;

/** Fields of a record from such a list. */
export const valuesIn = <K extends Kind>(kind: K, list: readonly unknown[]): Values[K] =>
  fromList(kind, list.slice(3));

/** The same from the values of its columns in their order. */
export function fromList<K extends Kind>(kind: K, row: readonly unknown[]): Values[K] {
  const values: Record<string, unknown> = {};
  const { fields } = STORED[kind];
  for (let i = 0; i < fields.length; i++) {
    const { head, part } = fields[i]!;
    const value = row[i];
    if (value === null || value === undefined) continue;
    const absent =
      head === 'schools'
        ? Object.keys(value as object).length === 0
        : head === 'reference' && value === false;
    if (absent) continue;
    if (part) values[head] = { ...(values[head] as object | undefined), [part]: value };
    else values[head] = value;
  }
  return values as Values[K];
}
