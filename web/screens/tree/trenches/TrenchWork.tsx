'use client';

import { marksHold, orderOfWork, type TrenchPlan } from '@undrel/core/trenching';
import { writeLengths, type UnitSystem } from '@undrel/core/units';

/** The order of the work with its hold points, and the date the buried lines were marked. */
export function TrenchWork(props: {
  plan: TrenchPlan;
  utilities: readonly string[];
  marked: string | undefined;
  today: string;
  system: UnitSystem;
  disabled: boolean;
  onMarked: (marked: string | undefined) => void;
}) {
  const { plan, utilities, marked, today, system } = props;
  const held = marksHold(marked, today);
  return (
    <section className="my-3">
      <h2>Order of work</h2>
      <label className="block my-1">
        <span className="block text-sm">Buried lines marked on</span>
        <input
          type="date"
          max={today}
          disabled={props.disabled}
          value={marked ?? ''}
          onChange={(event) => props.onMarked(event.target.value || undefined)}
        />
      </label>
      {!held.holds && (
        <p role="alert" className="wrong my-1">
          {held.says}
          {utilities.length > 0 && ` On the plan: ${utilities.join(', ')}.`}
        </p>
      )}
      <ol className="list-decimal pl-5 my-1">
        {orderOfWork(plan).map((step) => (
          <li key={step.says} className="py-0.5">
            {step.hold && <strong className="text-harm">Hold: </strong>}
            {writeLengths(step.says, system)}
          </li>
        ))}
      </ol>
    </section>
  );
}
