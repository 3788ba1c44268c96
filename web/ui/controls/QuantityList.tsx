import type { Quantity, UnitSystem } from '@undrel/core/units';
import { QuantityView } from './QuantityView';

/** Quantities under each other, each opening to its working. */
export function QuantityList({
  quantities,
  system,
  ruled,
}: {
  quantities: readonly Quantity[];
  system: UnitSystem;
  /** With a hairline above each. */
  ruled?: boolean;
}) {
  const rule = ruled ? 'border-t border-hair ' : '';
  return (
    <dl className="grid grid-cols-[1fr_auto] items-center">
      {quantities.map((q) => (
        <div key={q.name} className="contents">
          <dt className={`${rule}self-stretch flex items-center pr-3`}>{q.name}</dt>
          <dd className={`${rule}text-right`}>
            <QuantityView quantity={q} system={system} />
          </dd>
        </div>
      ))}
    </dl>
  );
}
