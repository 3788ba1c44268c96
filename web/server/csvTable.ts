import Papa from 'papaparse';

export type CsvTable =
  | { ok: true; heads: string[]; rows: Record<string, string>[]; notes: string[] }
  | { ok: false; problem: string };

/**
 * Rows of a CSV file by their heads in lower case, each cell trimmed.
 *
 * @param bytes UTF-8, with or without byte order mark
 * @param needed heads that must be there
 */
export function readCsvTable(bytes: Uint8Array, needed: readonly string[]): CsvTable {
  let source: string;
  try {
    source = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return {
      ok: false,
      problem: 'The file is not UTF-8 text; save it as “CSV UTF-8” and try again. Nothing was changed.',
    };
  }
  const parsed = Papa.parse<Record<string, string>>(source, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
    transform: (cell) => cell.trim(),
  });
  const heads = parsed.meta.fields ?? [];
  const missing = needed.find((head) => !heads.includes(head));
  if (missing !== undefined) {
    return {
      ok: false,
      problem: `The column “${missing}” is missing; the file has: ${heads.join(', ') || 'nothing'}.`,
    };
  }
  return {
    ok: true,
    heads,
    rows: parsed.data,
    notes: parsed.errors.slice(0, 20).map((e) => `Row ${(e.row ?? 0) + 2}: ${e.message}.`),
  };
}
