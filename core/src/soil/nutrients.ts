import { NUTRIENTS, type Nutrient } from '../practice/nutrients';
import { answerTo } from '../questions/question';
import { leafColour } from '../crown/leafColour';
import type { Finding, Visit } from '../records';

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
export function chlorosisAdvice(visit: Pick<Visit, 'findings' | 'pictures'>): string[] {
  const { findings } = visit;
  const colour = leafColour(visit);
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
