import { memo } from 'react';
import type { NumberedCut } from '@undrel/core/pruning';
import { formatValue, shortUnit, tidy, type UnitSystem } from '@undrel/core/units';

/** Each cut by its number: where it is, how deep and how thick. */
export const CutTable = memo(function CutTable({
  cuts,
  system,
}: {
  cuts: readonly NumberedCut[];
  system: UnitSystem;
}) {
  const unit = shortUnit(system);
  const figure = (metres: number) =>
    formatValue(metres, 'short length', system, 0.001).replace(` ${unit}`, '');
  return (
    <table className="w-full" aria-label="Cuts">
      <thead>
        <tr>
          <th scope="col">cut</th>
          <th scope="col">root</th>
          <th scope="col" className="text-right">
            bearing
          </th>
          <th scope="col" className="text-right">
            from bark, {unit}
          </th>
          <th scope="col" className="text-right">
            deep, {unit}
          </th>
          <th scope="col" className="text-right">
            across, {unit}
          </th>
          <th scope="col" className="text-right">
            × DBH
          </th>
        </tr>
      </thead>
      <tbody>
        {cuts.map(({ number, label, cut }) => (
          <tr key={number}>
            <td>
              <span className="inline-flex w-7 h-7 items-center justify-center rounded-full bg-todo text-sheet font-bold">
                {number}
              </span>
            </td>
            <td className="font-semibold">{label}</td>
            <td className="num text-right">{Math.round(cut.bearing)}°</td>
            <td className="num text-right">{figure(cut.fromBark)}</td>
            <td className="num text-right">{figure(cut.depth)}</td>
            <td className="num text-right">{figure(cut.diameter)}</td>
            <td className="num text-right">{cut.timesDbh === undefined ? '' : tidy(cut.timesDbh, 1)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
});
