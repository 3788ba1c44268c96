import { groundVerdict, type GroundVerdict } from '../soil/verdict';
import type { Situation } from './operation';

/** Kinds of ground in which roots find no room. */
const TIGHT = ['hole', 'saucer', 'pan', 'whole', 'dense', 'surface'];

/** The ground as it was measured, where roots find no room in it. */
export function tightGround({ tree, visit }: Pick<Situation, 'tree' | 'visit'>): GroundVerdict | undefined {
  const ground = groundVerdict(tree, visit);
  return ground && TIGHT.includes(ground.kind) ? ground : undefined;
}
