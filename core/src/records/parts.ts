import * as zod from 'zod';
import { LENGTH_LIMITS, type LengthField } from '../units/limits';
import { yearOf } from '../vocabulary/dates';

/** What schemas of records are made with, one by one: passed on as a whole, the library would come with all its languages. */
export const z = {
  array: zod.array,
  boolean: zod.boolean,
  enum: zod.enum,
  int: zod.int,
  iso: zod.iso,
  literal: zod.literal,
  number: zod.number,
  record: zod.record,
  strictObject: zod.strictObject,
  string: zod.string,
  tuple: zod.tuple,
};

/** A length in metres within the limits of its field. */
export const length = (field: LengthField) =>
  z
    .number()
    .min(LENGTH_LIMITS[field].min)
    .max(LENGTH_LIMITS[field].max)
    .describe(`${LENGTH_LIMITS[field].name}, m`);

export const bearing = z.number().min(0).lt(360).describe('degrees clockwise from north');

export const text = (most: number) => z.string().max(most);

/** The name of a picture's file. */
export const pictureHash = z
  .string()
  .regex(/^[0-9a-f]{64}$/)
  .describe('SHA-256 of the file as it came, hexadecimal');

/** A step of the order of work. */
export const orderStep = z
  .string()
  .regex(/^[a-z][a-zA-Z-]{1,30}(-[1-5])?$/)
  .describe('an operation, a later part of it (prune-2, trench-2), or a point to sign (hold-dry)');

/** An ISO day that the calendar has. */
export const day = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/)
  .refine((when) => yearOf(when) !== undefined, { error: 'no such day; allowed: YYYY-MM-DD' });

/** A day of any year that the calendar has, MM-DD. */
export const monthDay = z
  .string()
  .refine((day) => /^\d{2}-\d{2}$/.test(day) && yearOf(`2023-${day}`) !== undefined, {
    error: 'no day of the year; allowed: MM-DD',
  });

/** No two of a list have the same of this. */
export const once =
  <T>(of: (one: T) => unknown) =>
  (all: readonly T[]): boolean =>
    new Set(all.map(of)).size === all.length;
