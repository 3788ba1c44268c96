import Papa from 'papaparse';
import { CSV, PLAN } from './limits';
import { Notes } from './notes';
import { decoded } from './text';

export type CsvTable =
  | { ok: true; heads: string[]; rows: Record<string, string>[]; notes: Notes }
  | { ok: false; problem: string };

/** Characters of a head that are looked at; no column has a longer name. */
const MOST_HEAD = 80;

/**
 * Rows of a CSV file by their heads in lower case, each cell trimmed.
 *
 * @param bytes UTF-8, with or without byte order mark
 * @param needed heads that must be there
 */
export function readCsvTable(bytes: Uint8Array, needed: readonly string[]): CsvTable {
  const source = decoded(bytes);
  if (source === undefined)
    return {
      ok: false,
      problem: 'The file is not UTF-8 text; save it as “CSV UTF-8” and try again. Nothing was changed.',
    };
  const parsed = Papa.parse<Record<string, string>>(source, {
    header: true,
    skipEmptyLines: 'greedy',
    // One more than is allowed tells that there are more, and no more is read.
    preview: CSV.rows + 1,
    transformHeader: (head) => head.slice(0, MOST_HEAD).trim().toLowerCase(),
    transform: (cell) => cell.slice(0, CSV.cell).trim(),
  });
  if (parsed.data.length > CSV.rows)
    return {
      ok: false,
      problem: `The file has more than ${CSV.rows} rows, which is the most allowed; send it in parts. Nothing was changed.`,
    };
  if ((parsed.meta.fields?.length ?? 0) > CSV.columns)
    return {
      ok: false,
      problem: `The file has ${parsed.meta.fields!.length} columns; at most ${CSV.columns} are allowed. Nothing was changed.`,
    };
  const heads = parsed.meta.fields ?? [];
  const missing = needed.find((head) => !heads.includes(head));
  if (missing !== undefined) {
    return {
      ok: false,
      problem: `The column “${missing}” is missing; the file has: ${heads.slice(0, 20).join(', ') || 'nothing'}.`,
    };
  }
  const notes = new Notes(PLAN.notes);
  for (const e of parsed.errors) notes.push(`Row ${(e.row ?? 0) + 2}: ${e.message}.`);
  return { ok: true, heads, rows: parsed.data, notes };
}
