import { answerTo } from '../base/question';
import type { Finding } from '../casefile/model';
import type { Question } from '../base/question';

/** A nutrient as a laboratory reports it, mg/kg of soil, and from where on it is no longer low. */
export interface Nutrient {
  key: string;
  label: string;
  /** Names a laboratory gives it. */
  names: RegExp;
  /** Low below the first, ample from the last; mg/kg. */
  enough: number;
  ample?: number;
  source: string;
}

const OREGON =
  'Marx, Hart & Stevens 1999, Soil Test Interpretation Guide, Oregon State University EC 1478 (from memory)';
const DTPA = 'Lindsay & Norvell 1978, Soil Sci. Soc. Am. J. 42:421, DTPA extract (from memory)';

/** Ranges were made for crops; a tree makes do with less, so low is a hint and ample a fact. */
export const NUTRIENTS: readonly Nutrient[] = [
  {
    key: 'soil.phosphorus',
    label: 'Phosphorus, Olsen',
    names: /^(p\b|phosphorus)/i,
    enough: 10,
    ample: 40,
    source: OREGON,
  },
  {
    key: 'soil.potassium',
    label: 'Potassium',
    names: /^(k\b|potassium)/i,
    enough: 150,
    ample: 800,
    source: OREGON,
  },
  {
    key: 'soil.magnesium',
    label: 'Magnesium',
    names: /^(mg\b|magnesium)/i,
    enough: 60,
    ample: 180,
    source: OREGON,
  },
  { key: 'soil.iron', label: 'Iron, DTPA', names: /^(fe\b|iron)/i, enough: 4.5, source: DTPA },
  { key: 'soil.manganese', label: 'Manganese, DTPA', names: /^(mn\b|manganese)/i, enough: 1, source: DTPA },
];

export const NUTRIENT_QUESTIONS: readonly Question[] = NUTRIENTS.map(({ key, label }) => ({
  key,
  station: 'soil',
  kind: 'number',
  unit: 'mg/kg',
  min: 0,
  max: 20000,
  ask: label,
  more: true,
}));

export type NutrientLevel = 'low' | 'enough' | 'ample';

/** @param amount mg/kg, at least 0 */
export const nutrientLevel = ({ enough, ample }: Nutrient, amount: number): NutrientLevel =>
  amount < enough ? 'low' : ample !== undefined && amount >= ample ? 'ample' : 'enough';

export interface NutrientReading {
  nutrient: Nutrient;
  amount: number;
  level: NutrientLevel;
}

/** What a visit holds of nutrients, each with its range. */
export const nutrientsOf = (findings: readonly Finding[]): NutrientReading[] =>
  NUTRIENTS.flatMap((nutrient) => {
    const amount = answerTo(findings, nutrient.key)?.number;
    return amount === undefined ? [] : [{ nutrient, amount, level: nutrientLevel(nutrient, amount) }];
  });

/**
 * What can be said on pale leaves from what the laboratory found; nothing where leaves are not pale.
 *
 * @returns one sentence to each point; while pH is not tested only that it has to be
 */
export function chlorosisAdvice(findings: readonly Finding[]): string[] {
  const colour = answerTo(findings, 'crown.colour')?.answer;
  if (colour !== 'veins' && colour !== 'pale') return [];
  const leaves = colour === 'veins' ? 'Leaves are pale between green veins' : 'Leaves are evenly pale';
  const ph = answerTo(findings, 'soil.ph')?.answer;
  if (ph === undefined) return [`${leaves}: advice waits for the soil test, pH first.`];
  const low = (key: string) =>
    nutrientsOf(findings).find((n) => n.nutrient.key === key && n.level === 'low') !== undefined;
  const metals = ['soil.iron', 'soil.manganese'].filter(low);
  const alkaline = ph === 'high' || ph === 'very high';
  if (alkaline)
    return [
      `${leaves} and the soil is alkaline: iron and manganese are there and held back${metals.length > 0 ? '; the extract finds little of them' : ''}.`,
      'More of them on the ground is held back too. Compost and mulch over the roots first; a chelate or a stem treatment is a passing help, by a licensed applicator where the law asks for one.',
    ];
  if (metals.length > 0)
    return [
      `${leaves}, the pH fits, and the extract finds little ${metals.map((k) => (k === 'soil.iron' ? 'iron' : 'manganese')).join(' and ')}: confirm with a leaf sample before anything is given.`,
    ];
  return [`${leaves} and the soil test does not explain it: look to roots, water and air before feeding.`];
}
