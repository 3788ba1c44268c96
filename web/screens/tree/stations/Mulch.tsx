'use client';

import { type DepthReading, type GradeProfile, idOf } from '@undrel/core/records';
import { bearingName, GROUND_QUESTIONS, readBearing } from '@undrel/core/questions';
import { memo, useLayoutEffect, useRef, useState, type KeyboardEvent } from 'react';
import {
  longMark,
  METRES_PER_INCH,
  shortMark,
  shortUnit,
  writeLengths,
  type UnitSystem,
} from '@undrel/core/units';
import { NotedInput } from '../../../ui/controls/NotedInput';
import { Entry } from '../../../ui/controls/Entry';
import { LengthInput, lengthText } from '../../../ui/controls/LengthInput';
import { QuantityView } from '../../../ui/controls/QuantityView';
import type { StationProps } from '../visitEntry';
import { Contradictions } from './Contradictions';
import { Questions } from '../asked/Questions';

const FIRST_BEARINGS = [0, 90, 180, 270];

/** Distances at which the rod is read by habit, m. */
const usualDistances = (system: UnitSystem): number[] =>
  system === 'us' ? [0, 12, 24, 36].map((i) => i * METRES_PER_INCH) : [0, 0.3, 0.6, 0.9];

/** Two distances of the rod nearer to each other than this are one row, m. Judgement: a rod is set down no better. */
const NEXT_TO = 0.025;

const same = (a: number, b: number) => Math.abs(a - b) < 1e-6;

function withReading(
  readings: readonly DepthReading[],
  distance: number,
  depth: number | undefined,
): DepthReading[] {
  const rest = readings.filter((r) => !same(r.distance, distance));
  return depth === undefined ? rest : [...rest, { distance, depth }].sort((a, b) => a.distance - b.distance);
}

export function Mulch(props: StationProps) {
  const { control, visitId, visit, profile, judged, system, mayMeasure } = props;
  const [added, setAdded] = useState<number[]>([]);
  const [newBearing, setNewBearing] = useState('');
  const [bearingProblem, setBearingProblem] = useState<string | undefined>(undefined);
  const unit = shortUnit(system);

  const bearings = [...new Set([...FIRST_BEARINGS, ...visit.profiles.map((p) => p.bearing), ...added])].sort(
    (a, b) => a - b,
  );
  const read = visit.profiles.flatMap((p) => p.mulch.map((m) => m.distance));
  // A row that was read stands for the usual one next to it, in whichever units it was read.
  const usual = usualDistances(system).filter((d) => !read.some((r) => Math.abs(r - d) < NEXT_TO));
  const distances = [...usual, ...read]
    .sort((a, b) => a - b)
    .filter((d, i, all) => i === 0 || !same(d, all[i - 1]!));
  const fillDistances = [
    ...new Set([0, ...visit.profiles.flatMap((p) => p.fill.map((f) => f.distance))]),
  ].sort((a, b) => a - b);

  const profileAt = (bearing: number): GradeProfile =>
    visit.profiles.find((p) => p.bearing === bearing) ?? { bearing, mulch: [], fill: [] };
  const write = (bearing: number, change: (p: GradeProfile) => GradeProfile) => {
    const next = change(profileAt(bearing));
    const empty = next.mulch.length === 0 && next.fill.length === 0 && next.mulchEnds === undefined;
    control.set('profile', idOf('profile', visitId, { bearing }), visitId, empty ? null : next);
  };
  // Rows that did not change are not drawn again, so what they call is the newest.
  const latest = useRef(write);
  useLayoutEffect(() => {
    latest.current = write;
  });
  const addBearing = () => {
    const bearing = readBearing(newBearing);
    if (bearing === undefined) {
      document.getElementById('new-bearing')?.focus();
      setBearingProblem(`Bearing: “${newBearing}” is not one; allowed are N, NE, … or 0 to 360.`);
      return;
    }
    setBearingProblem(undefined);
    setAdded([...added, bearing]);
    setNewBearing('');
  };
  const { mulch, fill } = profile;
  const operation = judged?.operations.find((o) => o.key === 'mulch');
  return (
    <Entry>
      <h1>Mulch and grade</h1>
      <p className="text-muted mb-3">
        Rod and tape, from the bark outward, in {unit === 'in' ? 'inches' : unit}. Enter moves on; the drawing
        follows.
      </p>
      <div onKeyDown={downTheColumn} className="overflow-x-auto">
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
                values={bearings.map(
                  (b) => profileAt(b).mulch.find((m) => same(m.distance, distance))?.depth,
                )}
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
      </div>
      {mayMeasure && (
        <form
          className="flex items-end gap-2 mt-3"
          onSubmit={(event) => {
            event.preventDefault();
            addBearing();
          }}
        >
          <div>
            <label htmlFor="new-bearing" className="block text-sm">
              Another bearing
            </label>
            <NotedInput
              note={bearingProblem}
              id="new-bearing"
              className="num w-28"
              placeholder="NE or 45"
              value={newBearing}
              onChange={(event) => setNewBearing(event.target.value)}
            />
          </div>
          <button className="quiet">Add</button>
        </form>
      )}
      <Questions {...props} questions={GROUND_QUESTIONS.filter((q) => q.station === 'mulch')} />
      <Contradictions station="mulch" profile={profile} system={system} />
      <div className="space-y-3 my-4">
        {mulch && (
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
            <dl className="grid grid-cols-[1fr_auto] items-center">
              {[mulch.volume, mulch.ringRadius, mulch.clearance].map((q) => (
                <div key={q.name} className="contents">
                  <dt>{q.name}</dt>
                  <dd className="text-right">
                    <QuantityView quantity={q} system={system} />
                  </dd>
                </div>
              ))}
            </dl>
            {/* Comes late, with the prescription: nothing that can be pressed stands below its line. */}
            <p className="min-h-[1.6rem]">
              {operation?.quantities[0] &&
                writeLengths(
                  `Spread out it covers a ring of ${longMark(operation.quantities[0].value)}.`,
                  system,
                )}
            </p>
          </div>
        )}
        {fill && fill.atStem.value > 0 && (
          <div className="border-l-[6px] border-buried pl-3">
            <p>
              <strong>
                {writeLengths(`${shortMark(fill.atStem.value)} of soil over the original grade`, system)}
              </strong>
            </p>
            <dl className="grid grid-cols-[1fr_auto] items-center">
              {[fill.atStem, fill.volume].map((q) => (
                <div key={q.name} className="contents">
                  <dt>{q.name}</dt>
                  <dd className="text-right">
                    <QuantityView quantity={q} system={system} />
                  </dd>
                </div>
              ))}
            </dl>
          </div>
        )}
      </div>
    </Entry>
  );
}

/** Enter goes down the column, then to the top of the next; the arrow keys move among neighbours. */
function downTheColumn(event: KeyboardEvent<HTMLElement>): void {
  const from = event.target as HTMLElement;
  const [row, column] = (from.dataset.cell ?? '').split(':').map(Number);
  if (row === undefined || column === undefined || Number.isNaN(row)) return;
  const rows = [...event.currentTarget.querySelectorAll('tbody tr')];
  const cell = (r: number, c: number) => rows[r]?.querySelectorAll<HTMLElement>('input[data-cell]')[c];
  const at = rows.indexOf(from.closest('tr')!);
  const next =
    event.key === 'Enter'
      ? (cell(at + 1, column) ?? cell(0, column + 1))
      : event.key === 'ArrowDown'
        ? cell(at + 1, column)
        : event.key === 'ArrowUp'
          ? cell(at - 1, column)
          : undefined;
  if (event.key === 'Enter') event.preventDefault();
  next?.focus();
}

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

const alike = <T,>(a: readonly T[], b: readonly T[]) =>
  a.length === b.length && a.every((x, i) => x === b[i]);

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
