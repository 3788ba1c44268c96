import type { ChosenBy } from '@undrel/core/practice';

/** Who chose the school that is followed, in words. */
export const CHOSEN_BY: Record<ChosenBy, string> = {
  default: 'default',
  firm: 'the firm’s choice',
  property: 'chosen for the property',
  tree: 'chosen for this tree',
};
