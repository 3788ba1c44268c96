import Papa from 'papaparse';
import { CSV, PLAN } from './limits';
import { Notes } from './notes';
import { decoded } from './text';

export type CsvTable =
  | { ok: true; heads: string[]; rows: Record<string, string>[]; notes: Notes }
  | { ok: false; problem: string };

/** Characters of a head that are looked at; no column has a longer name. */
const MOST_HEAD = 80;

/** What may be wrong with the form of a row; that a file of one column has nothing between its columns is no fault. */
const FAULTS: Readonly<Record<string, string>> = {
  MissingQuotes: 'a quotation mark is opened and never closed',
  InvalidQuotes: 'a quotation mark stands within a cell and is not doubled',
  TooFewFields: 'fewer cells than columns; the others are empty',
  TooManyFields: 'more cells than columns; what is over was left out',
};

/** A row without its cells that are longer than any may be, each named. */
function withinCells(
  row: Record<string, string>,
  heads: readonly string[],
  where: string,
  notes: Notes,
): Record<string, string> {
  const long = heads.filter((head) => (row[head]?.length ?? 0) > CSV.cell);
  for (const head of long)
    notes.push(
      `${where}, ${head}: ${row[head]!.length} characters; at most ${CSV.cell} are allowed; left empty.`,
    );
  return long.length > 0 ? { ...row, ...Object.fromEntries(long.map((head) => [head, ''])) } : row;
}

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
  /** Where each head stands first; those that stand again are read under no name. */
  const at = new Map<string, number>();
  const again = new Set<string>();
  const named = (head: string, column: number): string => {
    const name = head.trim().slice(0, MOST_HEAD).toLowerCase();
    if (!at.has(name)) at.set(name, column);
    if (at.get(name) === column) return name;
    again.add(name);
    return `${name}\u0000${column}`;
  };
  const parsed = Papa.parse<Record<string, string>>(source, {
    header: true,
    skipEmptyLines: 'greedy',
    // One more than is allowed tells that there are more, and no more is read.
    preview: CSV.rows + 1,
    transformHeader: named,
    transform: (cell) => cell.trim(),
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
  const heads = [...at.keys()];
  const missing = needed.find((head) => !heads.includes(head));
  if (missing !== undefined) {
    return {
      ok: false,
      problem: `The column “${missing}” is missing; the file has: ${heads.slice(0, 20).join(', ') || 'nothing'}.`,
    };
  }
  const notes = new Notes(PLAN.notes);
  for (const twice of again)
    if (twice) notes.push(`The column “${twice}” stands more than once; the first is read.`);
  for (const { code, type, row = 0 } of parsed.errors) {
    const told = FAULTS[code];
    // Faults of quotation are counted from the heads on, the others from the row below.
    if (told) notes.push(`Row ${row + (type === 'Quotes' ? 1 : 2)}: ${told}.`);
  }
  const rows = parsed.data.map((row, i) => withinCells(row, heads, `Row ${i + 2}`, notes));
  return { ok: true, heads, rows, notes };
}
