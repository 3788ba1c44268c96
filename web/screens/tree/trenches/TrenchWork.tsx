'use client';

import { DayInput } from '../../../ui/controls/DayInput';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { marksHold, orderOfWork, type TrenchPlan } from '@undrel/core/trenching';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import { Said } from '../../../ui/Said';
import { ServerButton } from '../../../ui/FromServer';

/** The order of the work with its hold points, and the date the buried lines were marked. */
export function TrenchWork(props: {
  plan: TrenchPlan;
  utilities: readonly string[];
  propertyId: string;
  position: { x: number; y: number } | undefined;
  marked: string | undefined;
  today: string;
  system: UnitSystem;
  disabled: boolean;
  onMarked: (marked: string | undefined) => void;
}) {
  const { plan, utilities, marked, today, system } = props;
  const held = marksHold(marked, today);
  const router = useRouter();
  const [told, setTold] = useState<string | undefined>(undefined);
  const [busy, setBusy] = useState(false);
  const ask = async () => {
    setBusy(true);
    const answer = await fetch(`/api/properties/${props.propertyId}/locate`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(props.position),
    }).catch(() => undefined);
    setBusy(false);
    const read = (await answer?.json().catch(() => undefined)) as
      | { marked?: string; lines?: string[]; problem?: string }
      | undefined;
    if (!answer?.ok || !read?.marked) {
      setTold(read?.problem ?? 'The locate service could not be reached; nothing was changed. Try again.');
      return;
    }
    const lines = read.lines ?? [];
    setTold(
      lines.length > 0 ? `Marked: ${lines.join(', ')}. They are on the plan.` : 'No buried lines near by.',
    );
    props.onMarked(read.marked);
    router.refresh();
  };
  return (
    <section className="my-3">
      <h2>Order of work</h2>
      <DayInput
        className="my-1"
        label="Buried lines marked on"
        max={today}
        disabled={props.disabled}
        value={marked ?? ''}
        onChange={(day) => props.onMarked(day || undefined)}
      />
      {props.position && !props.disabled && (
        <ServerButton type="button" className="link min-h-[44px]" disabled={busy} onClick={() => void ask()}>
          Ask the locate service
        </ServerButton>
      )}
      <Said
        lines={3}
        told={`${told ?? ''} A simulated service answers here: on a real site call the one of the place.`}
      />
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
