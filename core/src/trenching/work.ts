import { TRENCH_LIMITS } from '../practice';
import { daysBetween } from '../vocabulary/dates';
import { shortMark } from '../units';
import type { TrenchPlan } from './plan';

/** Marks of buried lines lapse; days. Common practice, 10 to 30 by place; the local rule comes first. */
export const MARKS_DAYS = 14;

/** Whether the marks of buried lines may be worked by. */
export function marksHold(marked: string | undefined, today: string): { holds: boolean; says: string } {
  if (!marked) return { holds: false, says: 'Buried lines are not marked yet: no digging before they are.' };
  const days = daysBetween(marked, today);
  return days > MARKS_DAYS
    ? {
        holds: false,
        says: `Marks of ${marked} have lapsed (${MARKS_DAYS} days): have the lines marked again before digging.`,
      }
    : { holds: true, says: `Lines marked on ${marked}.` };
}

export interface WorkStep {
  says: string;
  /** Nothing goes on until someone has signed for it. */
  hold?: true;
}

/** Steps of the trenching in order. Local codes and licensed practice come first. */
export function orderOfWork({
  rules,
  spokes,
  seasons,
}: Pick<TrenchPlan, 'rules' | 'spokes' | 'seasons'>): WorkStep[] {
  const bridged = shortMark(TRENCH_LIMITS.bridged.value);
  const stepped = spokes.filter((s) => s.steps > 0).map((s) => s.label);
  return [
    {
      says: 'Buried lines located, marked and not lapsed; hand-dig near marks. Permits and nesting season checked.',
      hold: true,
    },
    { says: 'Soil neither wet nor frozen: a crumb from trench depth breaks and does not smear.', hold: true },
    ...(rules.school === 'air'
      ? [
          {
            says: 'Air tool: eye, face and hearing protection, dust mask against silica, bystanders away, tool grounded, hose tied against whip.',
          },
        ]
      : []),
    {
      says: `Open ${seasons > 1 ? 'the radial trenches of this season' : 'the radial trenches'} from the outer end inward, ${shortMark(rules.width)} wide and ${shortMark(rules.depth)} deep; roots from ${bridged} on are left whole across the trench, moist and shaded.`,
    },
    ...(stepped.length > 0
      ? [{ says: `Floor of trench ${stepped.join(', ')} in steps, so that it does not carry water away.` }]
      : []),
    {
      says: 'Torn ends cut back clean. No anchor root is cut; where one is met the trench ends.',
      hold: true,
    },
    {
      says: 'Fill the same day, loosely, no higher than the ground beside; never leave a trench open overnight. Fence it meanwhile.',
    },
    { says: 'Water in until it settles, top up, then mulch; none against the bark.' },
    { says: 'No fertiliser but by the chosen school; look again after the first growing season.' },
  ];
}
