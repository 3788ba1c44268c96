import { percent } from '@undrel/core/units';
import { openedShare, type TrenchPlan } from '@undrel/core/trenching';

/** Both kinds of spokes on this ground, so that the difference is seen before one is taken. */
export function TrenchSchool(props: {
  plan: TrenchPlan;
  other: TrenchPlan;
  chosenBy: string;
  disabled: boolean;
  onTake: (school: 'hand' | 'air') => void;
}) {
  const { plan, other } = props;
  return (
    <section className="my-3">
      <h2>School</h2>
      <p>
        {plan.rules.label} <span className="text-muted">(by {props.chosenBy})</span>. {plan.rules.why}
      </p>
      <p className="mt-1">
        The other way, {other.rules.label}: {other.spokes.length} radial trenches open{' '}
        {percent(openedShare(other))} and dig {percent(other.disturbed)}, where these open{' '}
        {percent(openedShare(plan))} and dig {percent(plan.disturbed)}; each over its own zone.{' '}
        {!props.disabled && (
          <button
            type="button"
            className="link min-h-[44px]"
            onClick={() => props.onTake(other.rules.school)}
          >
            Take it for this tree
          </button>
        )}
      </p>
    </section>
  );
}
