import { withUnit } from '../units/share';
import type { Finding } from '../records';
import { type Nutrient, NUTRIENTS } from '../practice/nutrients';
import { nutrientLevel } from './nutrients';

/** One line of a laboratory's file. */
export interface LabLine {
  parameter: string;
  value: string;
  unit: string;
}

export interface LabResults {
  /** What the visit takes from it. */
  findings: Finding[];
  /** What was read, in words, also where nothing follows from it. */
  told: string[];
  /** What was left out, with line, value and what is allowed. */
  notes: string[];
}

/** From which pH and salinity on an answer holds. Common practice, no source for pH by kinds of trees. */
const PH = [
  { from: 8, answer: 'very high' },
  { from: 7.2, answer: 'high' },
  { from: 0, answer: 'fits' },
] as const;
/** Electrical conductivity of the saturation extract, dS/m: sensitive plants suffer from 2, most from 4 (USDA Handbook 60, 1954; from memory). */
const SALT = [
  { from: 4, answer: 'high' },
  { from: 2, answer: 'raised' },
  { from: 0, answer: 'none' },
] as const;

/** Classes of soil reaction, from their lower end (USDA Soil Survey Manual, chapter 3; from memory). */
const REACTION = [
  { from: 9.1, words: 'very strongly alkaline' },
  { from: 8.5, words: 'strongly alkaline' },
  { from: 7.9, words: 'moderately alkaline' },
  { from: 7.4, words: 'slightly alkaline' },
  { from: 6.6, words: 'neutral' },
  { from: 6.1, words: 'slightly acid' },
  { from: 5.6, words: 'moderately acid' },
  { from: 5.1, words: 'strongly acid' },
  { from: 4.5, words: 'very strongly acid' },
  { from: 0, words: 'extremely acid' },
] as const;

/** @param ph as the laboratory gives it, to a tenth */
export const reactionClass = (ph: number): string =>
  REACTION.find((c) => Math.round(ph * 10) / 10 >= c.from)!.words;

/** Organic matter of topsoil, as a share: poor below the first, rich from the second. Common practice, no source. */
const ORGANIC = { poor: 0.02, rich: 0.05 };
const organicWords = (share: number): string =>
  share < ORGANIC.poor ? 'poor' : share >= ORGANIC.rich ? 'rich' : 'fair';

/** What a result means, where its parameter has classes of its own. */
function classOf(finding: Finding, value: number): string {
  const nutrient = NUTRIENTS.find((n) => n.key === finding.key);
  if (nutrient) return `, ${nutrientLevel(nutrient, finding.number!)}`;
  if (finding.key === 'soil.ph') return `, ${reactionClass(value)}`;
  return finding.key === 'soil.organic' ? `, ${organicWords(finding.number!)}` : '';
}

const SHARES: Record<string, number> = { '%': 0.01, 'g/kg': 0.001, '': 0.01 };
const SALINITY: Record<string, number> = {
  'ds/m': 1,
  'ms/cm': 1,
  'µs/cm': 0.001,
  'us/cm': 0.001,
  'mmho/cm': 1,
};

type Reader = (value: number, unit: string) => Finding | string;

const share =
  (key: string): Reader =>
  (value, unit) => {
    const per = SHARES[unit];
    if (per === undefined) return `unit “${unit}” is none of %, g/kg`;
    const number = Number((value * per).toFixed(6));
    return number >= 0 && number <= 1 ? { key, number } : `${withUnit(value, unit)} is not 0 to 100%`;
  };

const PER_MASS: Record<string, number> = { 'mg/kg': 1, ppm: 1, 'g/kg': 1000, '%': 10000 };

const nutrient =
  ({ key }: Nutrient): Reader =>
  (value, unit) => {
    const per = PER_MASS[unit.toLowerCase()];
    if (per === undefined) return `unit “${unit}” is none of mg/kg, ppm, g/kg, %`;
    const number = Number((value * per).toFixed(3));
    return number >= 0 && number <= 20000 ? { key, number } : `${value} ${unit} is not 0 to 20000 mg/kg`;
  };

/** What each parameter becomes; the first name that fits. */
const PARAMETERS: readonly [names: RegExp, reader: Reader][] = [
  [
    /^ph\b/i,
    (value) =>
      value >= 2 && value <= 12
        ? { key: 'soil.ph', answer: PH.find((p) => value >= p.from)!.answer }
        : `${value} is not a pH of 2 to 12`,
  ],
  [
    /^(ec|electrical conductivity|salinity|soluble salts)/i,
    (value, unit) => {
      const per = SALINITY[unit.toLowerCase()];
      if (per === undefined) return `unit “${unit}” is none of dS/m, mS/cm, µS/cm`;
      const dsPerM = value * per;
      return dsPerM >= 0 && dsPerM <= 100
        ? { key: 'soil.salt', answer: SALT.find((s) => dsPerM >= s.from)!.answer }
        : `${value} ${unit} is not 0 to 100 dS/m`;
    },
  ],
  [/^sand/i, share('soil.sand')],
  [/^clay/i, share('soil.clay')],
  [/^(organic matter|om\b|loi)/i, share('soil.organic')],
  ...NUTRIENTS.map((n): [RegExp, Reader] => [n.names, nutrient(n)]),
];

/**
 * What a soil laboratory's results come to. Nutrients are read by their ranges and kept out of the verdict; whatever else is named is told. A
 * value below detection ("<0.05") counts as nothing found.
 *
 * @param lines in the order of the file; line 1 is the heads
 */
export function readLab(lines: readonly LabLine[]): LabResults {
  const results: LabResults = { findings: [], told: [], notes: [] };
  const amounts = new Map<string, number>();
  lines.forEach(({ parameter, value, unit }, i) => {
    const where = `Row ${i + 2}`;
    const below = /^<\s*/.test(value);
    const number = Number(value.replace(/^<\s*/, '').replace(',', '.'));
    if (parameter === '' || value === '' || !Number.isFinite(number)) {
      results.notes.push(`${where} left out, ${parameter || 'no parameter'}: “${value}” is not a number.`);
      return;
    }
    const known = PARAMETERS.find(([names]) => names.test(parameter));
    const said = `${parameter}: ${withUnit(value, unit)}${below ? ', below detection' : ''}`;
    if (/^(sand|silt|clay)/i.test(parameter)) amounts.set(parameter.toLowerCase().slice(0, 4), number);
    if (!known) {
      results.told.push(said);
      return;
    }
    const read = known[1](below ? 0 : number, unit.trim());
    const level = typeof read === 'string' ? '' : classOf(read, number);
    results.told.push(said + level);
    if (typeof read === 'string') results.notes.push(`${where} left out, ${parameter}: ${read}.`);
    else if (results.findings.some((f) => f.key === read.key))
      results.notes.push(`${where} left out, ${parameter}: it is there twice.`);
    else results.findings.push(read);
  });
  const parts = ['sand', 'silt', 'clay'].map((p) => amounts.get(p));
  const all = parts.reduce<number>((sum, p) => sum + (p ?? 0), 0);
  if (parts.every((p) => p !== undefined) && Math.abs(all - 100) > 2 && Math.abs(all - 1000) > 20) {
    results.findings = results.findings.filter((f) => f.key !== 'soil.sand' && f.key !== 'soil.clay');
    results.notes.push(`Sand, silt and clay make ${all} together, not 100%: texture left out.`);
  }
  return results;
}
