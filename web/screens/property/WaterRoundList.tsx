import { LIMITS } from '@undrel/core/practice';
import { formatLength, formatValue, longUnit, type UnitSystem } from '@undrel/core/units';
import { waterRound } from '@undrel/core/water';
import type { TreeWater } from '../../protocol/water';
import { count } from '../../ui/count';

const LITRES_PER_M3 = 1000;

/** The trees that are due, in the order in which the least is driven between them, by fillings of the tank. */
export function WaterRoundList({ due, system }: { due: readonly TreeWater[]; system: UnitSystem }) {
  const byId = new Map(due.map((tree) => [tree.id, tree]));
  const { loads, metres, unplaced } = waterRound(
    due.map(({ id, at, next }) => ({ id, at, litres: next.litres })),
    LITRES_PER_M3 * LIMITS.waterTank.value,
  );
  const litres = (value: number) => formatValue(value, 'litres', system);
  return (
    <section aria-label="The round" className="my-3">
      <h2>The round</h2>
      <ol className="my-1">
        {loads.map((load, i) => (
          <li key={load.stops.map((s) => s.id).join(' ')} className="border-t border-hair py-1">
            <strong>
              {loads.length > 1 ? `Load ${i + 1}: ` : ''}
              {litres(load.litres)}
            </strong>{' '}
            {load.stops.map(({ id, litres: given }, n) => (
              <span key={id}>
                {n > 0 && ', then '}
                {byId.get(id)!.label} <span className="text-muted">{litres(given)}</span>
              </span>
            ))}
          </li>
        ))}
      </ol>
      <p className="text-sm text-muted">
        {due.length - unplaced.length > 1 &&
          `${formatLength(metres, longUnit(system), system === 'us' ? 3.048 : 10)} from tree to tree in this order. `}
        {unplaced.length > 0 &&
          `${count(unplaced.length, 'tree')} at the end ${unplaced.length === 1 ? 'is' : 'are'} not on the plan of the property.`}
      </p>
    </section>
  );
}
