import Papa from 'papaparse';
import type { Finding, Tree, Visit } from '../src/records';
import { verdictOf } from '../src/diagnosis';
import { rateClassOf } from '../src/growth';
import { profileOf } from '../src/profile';
import { byUrgency, QUICK_LOOKS, triage, type Triage } from '../src/walk';

/** Columns of an inventory beside the quick looks; heads are read without regard to case. */
const COLUMNS = ['label', 'species', 'common name', 'year planted', 'stock', 'date'];
const STOCK = ['container', 'balled-and-burlapped', 'bare-root', 'field-grown'];
/** A look's column by its short name: `flare`, `mulch`, `girdling`, `conks`, `lean`, `colour`, `density`, `dieback`. */
const LOOKS = QUICK_LOOKS.map((question) => ({ name: question.key.split('.')[1]!, question }));

export interface WalkedTree {
  row: number;
  label: string;
  species: string;
  looked: number;
  triage: Triage;
}

export interface Walked {
  trees: WalkedTree[];
  /** What was left out, with row, column, value and what is allowed. */
  warnings: string[];
}

/**
 * Triages an inventory: one row a tree, one column a look; an empty cell was not looked at.
 *
 * @param today ISO date that stands where a row has none
 * @throws Error when the file has no column `label`
 */
export function walkInventory(source: string, today: string): Walked {
  const parsed = Papa.parse<Record<string, string>>(source.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  });
  const heads = parsed.meta.fields ?? [];
  if (!heads.includes('label'))
    throw new Error(`column label: missing; the file has ${heads.join(', ') || 'nothing'}`);
  const known = [...COLUMNS, ...LOOKS.map((l) => l.name)];
  const warnings = [
    ...heads
      .filter((head) => !known.includes(head))
      .map((head) => `column ${head}: not known, left out; known are ${known.join(', ')}`),
    ...parsed.errors.map((e) => `row ${(e.row ?? 0) + 2}: ${e.message}`),
  ];
  const trees = parsed.data.flatMap((cells, i): WalkedTree[] => {
    const row = i + 2;
    const cell = (name: string) => cells[name]?.trim() ?? '';
    const bad = (column: string, allowed: string) =>
      warnings.push(`row ${row}, ${column}: “${cell(column)}”: allowed ${allowed}; left empty`);
    if (cell('label') === '') {
      warnings.push(`row ${row}: no label; left out`);
      return [];
    }
    const tree: Tree = { label: cell('label'), species: cell('species') };
    if (cell('species') !== '' && !rateClassOf(cell('species')).known)
      warnings.push(
        `row ${row}, species: “${cell('species')}”: in no list of species; examined like any other`,
      );
    const date = cell('date');
    const day = /^\d{4}-\d{2}-\d{2}$/.test(date) && !Number.isNaN(Date.parse(date)) ? date : today;
    if (date !== '' && day !== date) bad('date', 'YYYY-MM-DD');
    const year = cell('year planted');
    if (/^\d{4}$/.test(year) && Number(year) >= 1700 && year <= day.slice(0, 4))
      tree.plantedYear = Number(year);
    else if (year !== '') bad('year planted', `1700 to ${day.slice(0, 4)}`);
    const stock = cell('stock').toLowerCase();
    if (STOCK.includes(stock)) tree.stock = stock as Tree['stock'];
    else if (stock !== '') bad('stock', STOCK.join(', '));
    const findings = LOOKS.flatMap(({ name, question }): Finding[] => {
      const answer = cell(name).toLowerCase();
      if (answer === '') return [];
      const allowed = question.answers.map((a) => a.key);
      if (allowed.includes(answer)) return [{ key: question.key, answer }];
      bad(name, allowed.join(', '));
      return [];
    });
    const visit: Visit = { date: day, findings, profiles: [], probes: [], decisions: [] };
    return [
      {
        row,
        label: tree.label,
        species: tree.species,
        looked: findings.length,
        triage: triage(verdictOf(tree, [], visit, profileOf(tree, visit))),
      },
    ];
  });
  return { trees: trees.sort((a, b) => byUrgency(a.triage, b.triage)), warnings };
}

/** The same for people, most urgent first. */
export const walkText = ({ trees }: Walked): string =>
  trees
    .map(({ label, species, looked, triage: t }) => {
      const first = t.first
        ? `; ${t.first.label.toLowerCase()} ${Math.round(100 * t.first.probability)}%`
        : '';
      return `${t.urgency.toUpperCase().padEnd(7)}${label}${species ? `, ${species}` : ''}: ${t.action} (${t.why}${first}; ${looked} of ${LOOKS.length} looks)\n`;
    })
    .join('');
