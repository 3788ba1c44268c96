'use client';

import { type DepthReading, type GradeProfile } from '@undrel/core/records';
import { bearingName } from '@undrel/core/questions';
import { memo, type RefObject } from 'react';
import type { UnitSystem, LengthUnit } from '@undrel/core/units';
import { LengthInput, lengthText } from '../../../../ui/controls/LengthInput';

/** Whether two distances are one. */
export const same = (a: number, b: number) => Math.abs(a - b) < 1e-6;
const alike = <T,>(a: readonly T[], b: readonly T[]) =>
  a.length === b.length && a.every((x, i) => x === b[i]);
interface RowProps {
  head: string;
  bearings: readonly number[];
  field: 'mulchDepth' | 'mulchEnds' | 'fillDepth';
  system: UnitSystem;
  disabled: boolean;
  /** At each bearing, m. */
  values: readonly (number | undefined)[];
  /** Does the same at any time. */
  onChange: (bearing: number, metres: number | undefined) => void;
}
const Row = memo(
  function Row(props: RowProps) {
    return (
      <tr>
        <th scope="row" className="font-normal pr-1 whitespace-nowrap text-[0.95rem]">
          {props.head}
        </th>
        {props.bearings.map((bearing, column) => (
          <td key={bearing} className="!p-0 align-top">
            <LengthInput
              bare
              field={props.field}
              label={`${props.head}, ${bearingName(bearing)}`}
              hideLabel
              cell={`0:${column}`}
              system={props.system}
              value={props.values[column]}
              onChange={(metres) => props.onChange(bearing, metres)}
              disabled={props.disabled}
            />
          </td>
        ))}
      </tr>
    );
  },
  (was, now) =>
    was.head === now.head &&
    was.field === now.field &&
    was.system === now.system &&
    was.disabled === now.disabled &&
    alike(was.bearings, now.bearings) &&
    alike(was.values, now.values),
);
function withReading(
  readings: readonly DepthReading[],
  distance: number,
  depth: number | undefined,
): DepthReading[] {
  const rest = readings.filter((r) => !same(r.distance, distance));
  return depth === undefined ? rest : [...rest, { distance, depth }].sort((a, b) => a.distance - b.distance);
}
/** Depths by bearing and distance. */
export function ProfilesTable({
  bearings,
  distances,
  unit,
  system,
  mayMeasure,
  profileAt,
  latest,
  fillDistances,
}: {
  bearings: number[];
  distances: number[];
  unit: LengthUnit;
  system: UnitSystem;
  mayMeasure: boolean;
  profileAt: (bearing: number) => GradeProfile;
  latest: RefObject<(bearing: number, change: (p: GradeProfile) => GradeProfile) => void>;
  fillDistances: number[];
}) {
  return (
    <table aria-label="Mulch and grade profiles">
      <thead>
        <tr>
          <th scope="col" className="font-normal text-sm">
            mulch depth
          </th>
          {bearings.map((b) => (
            <th key={b} scope="col" className="num text-right min-w-[3.6rem] lg:min-w-[4.6rem] !pr-2">
              {bearingName(b)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {distances.map((distance) => (
          <Row
            key={`d${distance}`}
            head={distance === 0 ? 'at the bark' : `${lengthText(distance, unit)} ${unit} out`}
            bearings={bearings}
            field="mulchDepth"
            system={system}
            disabled={!mayMeasure}
            values={bearings.map((b) => profileAt(b).mulch.find((m) => same(m.distance, distance))?.depth)}
            onChange={(b, depth) =>
              latest.current(b, (p) => ({ ...p, mulch: withReading(p.mulch, distance, depth) }))
            }
          />
        ))}
        <Row
          head="mulch ends at"
          bearings={bearings}
          field="mulchEnds"
          system={system}
          disabled={!mayMeasure}
          values={bearings.map((b) => profileAt(b).mulchEnds)}
          onChange={(b, mulchEnds) => latest.current(b, (p) => ({ ...p, mulchEnds }))}
        />
        {fillDistances.map((distance) => (
          <Row
            key={`f${distance}`}
            head={distance === 0 ? 'soil added' : `added, ${lengthText(distance, unit)} ${unit}`}
            bearings={bearings}
            field="fillDepth"
            system={system}
            disabled={!mayMeasure}
            values={bearings.map((b) => profileAt(b).fill.find((f) => same(f.distance, distance))?.depth)}
            onChange={(b, depth) =>
              latest.current(b, (p) => ({ ...p, fill: withReading(p.fill, distance, depth) }))
            }
          />
        ))}
      </tbody>
    </table>
  );
}
