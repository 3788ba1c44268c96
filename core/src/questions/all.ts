import { BASE_ALL } from './base';
import { CROWN_ALL, GROWTH_QUESTIONS } from './crown';
import { DIG_QUESTIONS } from './dig';
import { GROUND_QUESTIONS } from './ground';
import { HISTORY_ALL } from './history';
import { LOOK_QUESTIONS } from './looks';
import { NUTRIENT_QUESTIONS } from './nutrients';
import type { Question } from './question';
import { SOIL_QUESTIONS, WATER_QUESTIONS } from './soil';

/** Every question that a visit may answer. */
export const QUESTIONS: readonly Question[] = [
  ...HISTORY_ALL,
  ...CROWN_ALL,
  ...GROWTH_QUESTIONS,
  ...BASE_ALL,
  ...GROUND_QUESTIONS,
  ...SOIL_QUESTIONS,
  ...WATER_QUESTIONS,
  ...NUTRIENT_QUESTIONS,
  ...DIG_QUESTIONS,
  ...LOOK_QUESTIONS,
];

export const questionFor = (key: string): Question | undefined => QUESTIONS.find((q) => q.key === key);
