'use client';

import { bearingName } from '@undrel/core/questions';
import { Pencil, Trash2 } from 'lucide-react';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { FOUND } from './draft';
import type { ProbePoint } from '@undrel/core/records';
import type { Living } from '../../../../protocol/item';

/** Every push of the rod, to be corrected or removed. */
export function ProbeTable({
  points,
  editing,
  system,
  mayMeasure,
  onCorrect,
  onRemove,
}: {
  points: Living<'probe'>[];
  editing: string | undefined;
  system: UnitSystem;
  mayMeasure: boolean;
  onCorrect: (id: string, push: ProbePoint) => void;
  onRemove: (id: string) => void;
}) {
  return (
    <table className="my-3" aria-label="Pushes of the rod">
      <thead>
        <tr>
          <th scope="col">bearing</th>
          <th scope="col" className="text-right">
            from bark
          </th>
          <th scope="col" className="text-right">
            depth
          </th>
          <th scope="col" className="pl-2">
            found
          </th>
          <th scope="col">
            <span className="sr-only">change</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {points.map(({ id, values: p }) => (
          <tr key={id} className={editing === id ? 'bg-wash' : ''}>
            <td className="num">{bearingName(p.bearing)}</td>
            <td className="num text-right whitespace-nowrap">
              {formatValue(p.distance, 'short length', system)}
            </td>
            <td className="num text-right whitespace-nowrap">
              {formatValue(p.depth, 'short length', system, 0.005)}
            </td>
            <td className="pl-2">
              {FOUND.find((f) => f.key === p.found)?.label}
              {p.from === 'mulch' && <span className="text-muted"> from mulch</span>}
            </td>
            <td className="text-right whitespace-nowrap">
              {mayMeasure && (
                <>
                  <button
                    type="button"
                    className="link min-w-[44px] lg:min-w-0 px-2"
                    aria-label={`Correct the push at ${bearingName(p.bearing)}`}
                    onClick={() => onCorrect(id, p)}
                  >
                    <Pencil aria-hidden="true" className="lg:hidden inline" size={20} />
                    <span className="hidden lg:inline">Correct</span>
                  </button>
                  <button
                    type="button"
                    className="link min-w-[44px] lg:min-w-0 px-2"
                    aria-label={`Remove the push at ${bearingName(p.bearing)}`}
                    onClick={() => onRemove(id)}
                  >
                    <Trash2 aria-hidden="true" className="lg:hidden inline" size={20} />
                    <span className="hidden lg:inline">Remove</span>
                  </button>
                </>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
