import { NUTRIENTS } from '../practice/nutrients';
import type { Question } from './question';

/** What a laboratory reports of the soil beside its texture. */
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
