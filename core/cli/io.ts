import { createReadStream } from 'node:fs';
import type { CaseFile } from '../src/format/case';
import { readCase } from '../src/format/read';
import { writeLengths, type UnitSystem } from '../src/units';
import { yearOf } from '../src/vocabulary';

/** A command that cannot be run as it was given; the usage is told after it. */
export class BadCall extends Error {}

/** A whole file as text, or standard input where its name is -. @throws TypeError where it is not UTF-8 */
export async function slurp(file: string): Promise<string> {
  const chunks: Buffer[] = [];
  const stream = file === '-' ? process.stdin : createReadStream(file);
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(chunks));
}

/** Writes with back-pressure, so that a thousand files stream. */
export const write = (text: string) =>
  new Promise<void>((done, fail) => process.stdout.write(text, (error) => (error ? fail(error) : done())));

/** A line on standard error. */
export const complain = (message: string): void => void process.stderr.write(`${message}\n`);

/** What went wrong, in words. */
export function problemOf(error: unknown): string {
  if (error instanceof TypeError && 'code' in error && error.code === 'ERR_ENCODING_INVALID_ENCODED_DATA')
    return 'not UTF-8 text; save the file as UTF-8';
  return error instanceof Error ? error.message : String(error);
}

export const systemOf = (units: string): UnitSystem => (units === 'us' ? 'us' : 'metric');

/** Writes the lengths of every sentence in the units asked for, as JSON goes out. */
export const writtenIn = (units: string) => (_: string, value: unknown) =>
  typeof value === 'string' ? writeLengths(value, systemOf(units)) : value;

/** A case file as it stands on a day; what is wrong with it is named, and then there is none. */
export async function caseFrom(file: string, on: string): Promise<CaseFile | undefined> {
  const read = readCase(await slurp(file), on);
  if (read.ok) return read.caseFile;
  for (const p of read.problems)
    complain(`${file}: ${p.path}: ${JSON.stringify(p.value) ?? 'absent'}: ${p.message}`);
  return undefined;
}

/** @throws BadCall naming flag, value and what is allowed */
export const oneOf = (name: string, value: string, allowed: string[]): void => {
  if (!allowed.includes(value)) throw new BadCall(`--${name} ${value}: allowed are ${allowed.join(', ')}`);
};

/** A number of a flag within its range. @throws BadCall naming flag, value and range */
export function numberOf(flag: string, typed: string, [least, most]: readonly [number, number]): number {
  const value = Number(typed);
  if (typed.trim() !== '' && value >= least && value <= most) return value;
  throw new BadCall(`--${flag} ${typed}: allowed ${least} to ${most}`);
}

/** A day that was given, or today. */
export function dayOf(given: string | undefined): string {
  if (given !== undefined && (given.length !== 10 || yearOf(given) === undefined))
    throw new BadCall(`--on ${given}: allowed YYYY-MM-DD`);
  return given ?? new Date().toISOString().slice(0, 10);
}
