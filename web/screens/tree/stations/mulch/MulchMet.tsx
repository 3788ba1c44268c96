'use client';

import { longMark, shortMark, writeLengths, type UnitSystem } from '@undrel/core/units';
import { QuantityList } from '../../../../ui/controls/QuantityList';
import type { Assessment } from '@undrel/core/assessment';
import type { MulchResult, FillResult } from '@undrel/core/profile';
import type { Operation } from '@undrel/core/weighing';

/** How high the mulch stands, how much it is, and what it would cover. */
export function MulchMet({
  judged,
  mulch,
  system,
  operation,
}: {
  judged: Omit<Assessment, 'situation'> | undefined;
  mulch: MulchResult;
  system: UnitSystem;
  operation: Operation | undefined;
}) {
  return (
    <div
      className={
        judged?.verdict.facts.mulchOnBark.state === 'yes' ? 'border-l-[6px] border-buried pl-3' : 'told'
      }
    >
      <p>
        <strong>
          {writeLengths(
            mulch.onBark.value >= 0.005
              ? `Mulch stands ${shortMark(mulch.onBark.value)} up the bark`
              : `Mulch clear of the bark by ${shortMark(mulch.clearance.value)}`,
            system,
          )}
        </strong>
      </p>
      <QuantityList quantities={[mulch.volume, mulch.ringRadius, mulch.clearance]} system={system} />
      {/* Comes late, with the prescription: nothing that can be pressed stands below its line. */}
      <p className="min-h-[1.6rem]">
        {operation?.quantities[0] &&
          writeLengths(`Spread out it covers a ring of ${longMark(operation.quantities[0].value)}.`, system)}
      </p>
    </div>
  );
}

/** How much soil was added over the original grade. */
export function FillMet({ fill, system }: { fill: FillResult; system: UnitSystem }) {
  return (
    <div className="border-l-[6px] border-buried pl-3">
      <p>
        <strong>
          {writeLengths(`${shortMark(fill.atStem.value)} of soil over the original grade`, system)}
        </strong>
      </p>
      <QuantityList quantities={[fill.atStem, fill.volume]} system={system} />
    </div>
  );
}
