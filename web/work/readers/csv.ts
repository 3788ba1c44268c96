import type { Stock, Tree } from '@undrel/core/records';
import { readLength, type LengthField, type LengthUnit } from '@undrel/core/units';
import Papa from 'papaparse';
import type { TreeRow } from '../../protocol/grounds';
import { readCsvTable } from './csvTable';
import { labelProblem, treeWords } from './words';

/** Columns of the tree table as CSV: name with its unit, value in that unit. */
const OUT: readonly [string, (t: TreeRow) => string | number | undefined][] = [
  ['label', (t) => t.label],
  ['species', (t) => t.species],
  ['common name', (t) => t.commonName],
  ['year planted', (t) => t.plantedYear],
  ['stock', (t) => t.stock],
  ['planted by', (t) => t.planter],
  ['planted together', (t) => t.cohort],
  ['stem diameter (cm)', (t) => inCm(t.stemDiameter)],
  ['height (m)', (t) => t.height],
  ['x (m)', (t) => t.x],
  ['y (m)', (t) => t.y],
  ['reference', (t) => (t.reference ? 'yes' : '')],
  ['last visit', (t) => t.lastVisit],
  ['collar depth (cm)', (t) => inCm(t.collarDepth)],
  ['mulch on the bark (cm)', (t) => inCm(t.onBark)],
  ['first cause', (t) => t.causeLabel],
  ['standing', (t) => t.standing],
  ['how soon', (t) => t.triage.urgency],
  ['what next', (t) => t.triage.action],
  ['look again', (t) => t.due],
];

const inCm = (metres: number | undefined) =>
  metres === undefined ? undefined : Number((metres * 100).toFixed(1));

/** The tree table as CSV. A value that a spreadsheet would run as a formula is quoted as text. */
export const treesCsv = (trees: readonly TreeRow[]): string =>
  `\uFEFF${Papa.unparse(
    { fields: OUT.map(([name]) => name), data: trees.map((t) => OUT.map(([, of]) => of(t) ?? '')) },
    { escapeFormulae: true },
  )}\r\n`;

const LENGTHS: Record<string, [keyof Tree & LengthField, LengthUnit | undefined]> = {
  'stem diameter': ['stemDiameter', undefined],
  dbh: ['dbh', undefined],
  height: ['height', undefined],
  'crown radius': ['crownRadius', undefined],
};
/** Columns of words, by the field they are kept in. */
const WORDS = [
  ['common name', 'commonName'],
  ['planted by', 'planter'],
  ['planted together', 'cohort'],
] as const;
const STOCKS = ['container', 'balled-and-burlapped', 'bare-root', 'field-grown'] as const;
const isStock = (text: string): text is Stock => STOCKS.some((s) => s === text);
/** A unit in brackets at the end of a head. */
const UNIT_IN_HEAD = /\((mm|cm|m|in|ft)\)$/;

export type ReadTrees = { ok: true; trees: Tree[]; notes: string[] } | { ok: false; problem: string };

/**
 * Reads trees from CSV bytes; `label` is the one column that must be there. A bad value leaves its cell out and is
 * named with row, column and what is allowed; a row without a label is left out.
 */
export function readTrees(bytes: Uint8Array): ReadTrees {
  const table = readCsvTable(bytes, ['label']);
  if (!table.ok) return table;
  const { heads, notes } = table;
  const trees = table.rows.flatMap((row, i): Tree[] => {
    const where = `Row ${i + 2}`;
    const cell = (name: string) => unescaped(row[name] ?? '');
    const label = cell('label');
    const problem = labelProblem(label);
    if (problem) {
      notes.push(`${where} left out: ${problem}.`);
      return [];
    }
    const words = (name: string) => treeWords(cell(name), `${where}, ${name}`, notes);
    const tree: Tree = { label, species: words('species') };
    for (const [name, field] of WORDS) {
      const text = words(name);
      if (text) tree[field] = text;
    }
    const stock = cell('stock').toLowerCase();
    if (isStock(stock)) tree.stock = stock;
    else if (stock)
      notes.push(`${where}, stock: “${cell('stock')}” is none of ${STOCKS.join(', ')}; left empty.`);
    const year = cell('year planted');
    if (/^(1[7-9]|20|21)\d\d$/.test(year)) tree.plantedYear = Number(year);
    else if (year)
      notes.push(`${where}, year planted: “${year}” is not a year from 1700 to 2199; left empty.`);
    for (const head of heads) {
      const inHead = UNIT_IN_HEAD.exec(head);
      const name = inHead ? head.slice(0, inHead.index).trim() : head;
      const unit = inHead?.[1];
      const field = LENGTHS[name];
      if (!field || !cell(head)) continue;
      const read = unit
        ? readLength(field[0], cell(head), unit as LengthUnit)
        : readWithUnit(field[0], cell(head));
      if (read.state === 'wrong') notes.push(`${where}, ${read.message} Left empty.`);
      else Object.assign(tree, { [field[0]]: read.metres });
    }
    const [x, y] = [Number(cell('x (m)') || NaN), Number(cell('y (m)') || NaN)];
    if (Number.isFinite(x) && Number.isFinite(y)) tree.position = { x, y };
    return [tree];
  });
  return { ok: true, trees, notes: notes.told() };
}

/** What was written out as text so that no spreadsheet runs it comes in as it was. */
const unescaped = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** A length whose column names no unit must carry its own. */
function readWithUnit(field: LengthField, text: string) {
  return /[a-z"'″′]\s*$/i.test(text)
    ? readLength(field, text, 'cm')
    : ({
        state: 'wrong',
        message: `“${text}” has no unit; name it in the column, for example “height (m)”.`,
      } as const);
}
