import type { z } from 'zod';
import { eventDateProblem } from '../history/events';
import { CASE_FORMAT, CASE_VERSION, caseSchema, type CaseFile } from './case';
import { brought, type Old } from './migrate';

export interface CaseProblem {
  path: string;
  value: unknown;
  message: string;
}

export type ReadCase =
  | { ok: true; caseFile: CaseFile; warnings: CaseProblem[] }
  | { ok: false; problems: CaseProblem[] };

const at = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (out, part) => (typeof part === 'number' ? `${out}[${part}]` : `${out}.${String(part)}`),
    '$',
  );

const valueAt = (root: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((value, key) => (value as Record<PropertyKey, unknown> | undefined)?.[key], root);

/** Zod's issues as path, value and what is allowed. */
export function problemsFrom(error: z.ZodError, root: unknown): CaseProblem[] {
  return error.issues.map((issue) => ({
    path: at(issue.path),
    value: valueAt(root, issue.path),
    message: issue.message,
  }));
}

/**
 * Reads a case from text.
 *
 * @param source JSON text; a file cut off, a newer version and every field out of range are refused with the path,
 *   the value and what is allowed; older versions are migrated
 * @param today ISO date, to tell events in the future
 * @returns the case and warnings (event dates that contradict it), or the problems
 */
export function readCase(source: string, today: string): ReadCase {
  const refuse = (path: string, value: unknown, message: string): ReadCase => ({
    ok: false,
    problems: [{ path, value, message }],
  });
  let raw: unknown;
  try {
    raw = JSON.parse(source.replace(/^\uFEFF/, ''));
  } catch (error) {
    const open = !/[}\]]\s*$/.test(source);
    const detail = error instanceof Error ? error.message : String(error);
    return refuse(
      '$',
      `${source.length} characters`,
      open ? 'The file is cut off: it does not end in }.' : `Not JSON: ${detail}.`,
    );
  }
  if (typeof raw !== 'object' || raw === null || (raw as Old).format !== CASE_FORMAT) {
    return refuse('$.format', (raw as Old | null)?.format, `not a case file; allowed: "${CASE_FORMAT}"`);
  }
  const version = (raw as Old).version;
  if (typeof version === 'number' && version > CASE_VERSION) {
    return refuse(
      '$.version',
      version,
      `made by a newer Undrel; this one reads versions 1 to ${CASE_VERSION}`,
    );
  }
  const current = brought(raw as Old);
  const read = caseSchema.safeParse(current, { reportInput: true });
  if (!read.success) return { ok: false, problems: problemsFrom(read.error, current) };
  const caseFile = read.data as unknown as CaseFile;
  const warnings = caseFile.events.flatMap((event, i): CaseProblem[] => {
    const message = eventDateProblem(event, caseFile.tree, today);
    return message ? [{ path: `$.events[${i}].when`, value: event.when, message }] : [];
  });
  return { ok: true, caseFile, warnings };
}
