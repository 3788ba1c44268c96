import type { z } from 'zod';
import type * as parts from './parts';

/** What schemas are made of. */
export type Parts = typeof parts;

/** Makes the schema of the values of one kind of record: a page that only shows a case goes without the code that checks one. */
export type SchemaOf = (parts: Parts) => z.ZodObject;

/** The values of a record, by its schema. */
export type ValuesOf<S extends (parts: Parts) => z.ZodType> = z.infer<ReturnType<S>>;
