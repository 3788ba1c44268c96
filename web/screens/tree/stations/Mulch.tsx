'use client';

import { type GradeProfile, idOf } from '@undrel/core/records';
import { GROUND_QUESTIONS, readBearing } from '@undrel/core/questions';
import { useLayoutEffect, useRef, useState, type KeyboardEvent } from 'react';
import { METRES_PER_INCH, shortUnit, type UnitSystem } from '@undrel/core/units';
import { NotedInput } from '../../../ui/controls/NotedInput';
import { Entry } from '../../../ui/controls/Entry';
import type { StationProps } from '../visitEntry';
import { Contradictions } from './Contradictions';
import { Questions } from '../asked/Questions';
import { ProfilesTable, same } from './mulch/ProfilesTable';
import { MulchMet, FillMet } from './mulch/MulchMet';

const FIRST_BEARINGS = [0, 90, 180, 270];

/** Distances at which the rod is read by habit, m. */
const usualDistances = (system: UnitSystem): number[] =>
  system === 'us' ? [0, 12, 24, 36].map((i) => i * METRES_PER_INCH) : [0, 0.3, 0.6, 0.9];

/** Two distances of the rod nearer to each other than this are one row, m. Judgement: a rod is set down no better. */
const NEXT_TO = 0.025;

export function Mulch(props: StationProps) {
  const { control, visitId, visit, profile, judged, system, mayMeasure } = props;
  const [added, setAdded] = useState<number[]>([]);
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
        <ProfilesTable
          bearings={bearings}
          distances={distances}
          unit={unit}
          system={system}
          mayMeasure={mayMeasure}
          profileAt={profileAt}
          latest={latest}
          fillDistances={fillDistances}
        />
      </div>
      {mayMeasure && <AnotherBearing onAdd={(bearing) => setAdded([...added, bearing])} />}
      <Questions {...props} questions={GROUND_QUESTIONS.filter((q) => q.station === 'mulch')} />
      <Contradictions station="mulch" profile={profile} system={system} />
      <div className="space-y-3 my-4">
        {mulch && <MulchMet judged={judged} mulch={mulch} system={system} operation={operation} />}
        {fill && fill.atStem.value > 0 && <FillMet fill={fill} system={system} />}
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

/** One more bearing beside the usual ones. */
function AnotherBearing({ onAdd }: { onAdd: (bearing: number) => void }) {
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const add = () => {
    const bearing = readBearing(typed);
    if (bearing === undefined) {
      document.getElementById('new-bearing')?.focus();
      setProblem(`Bearing: “${typed}” is not one; allowed are N, NE, … or 0 to 360.`);
      return;
    }
    setProblem(undefined);
    onAdd(bearing);
    setTyped('');
  };
  return (
    <form
      className="flex items-end gap-2 mt-3"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <div>
        <label htmlFor="new-bearing" className="block text-sm">
          Another bearing
        </label>
        <NotedInput
          note={problem}
          id="new-bearing"
          className="num w-28"
          placeholder="NE or 45"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </div>
      <button className="quiet">Add</button>
    </form>
  );
}
