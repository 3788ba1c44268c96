'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import { tidy } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import type { RowJob } from './crewJobs';
import { dayWords } from './words';
import { PickList } from '../../ui/controls/Select';

const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

/** A day of a crew: where it goes, what it does, and the hours that takes. */
export function CrewDay({
  on,
  hours,
  taken,
  jobs,
  days,
  lock,
}: {
  on: string;
  hours: number;
  taken: number;
  jobs: RowJob[];
  days: string[];
  lock: (id: string, on: string | undefined) => void;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: on });
  const grounds = [...new Set(jobs.map((j) => j.row.property))];
  return (
    <li
      ref={setNodeRef}
      aria-label={on}
      className={`border-t-[1.5px] border-ink py-2 min-h-[64px] break-inside-avoid ${isOver ? 'bg-wash' : ''}`}
    >
      <p className="flex flex-wrap items-baseline gap-x-2">
        <strong className={jobs.length === 0 ? 'text-muted font-normal' : ''}>
          {WEEKDAYS[new Date(on).getUTCDay()]} {dayWords(on)}
        </strong>
        {jobs.length > 0 && (
          <span
            className={`num text-sm ml-auto ${taken > hours + 1e-9 ? 'text-harm font-bold' : 'text-muted'}`}
          >
            {tidy(taken, 1)} of {tidy(hours, 1)} h
          </span>
        )}
      </p>
      {jobs.length > 0 && (
        <p className="text-sm text-muted">
          {grounds.join(', ')}
          {jobs.some((j) => j.air) && ' · air tool'}
        </p>
      )}
      <ul>
        {jobs.map((job) => (
          <Job key={job.id} job={job} on={on} days={days} lock={lock} />
        ))}
      </ul>
    </li>
  );
}

function Job({
  job,
  on,
  days,
  lock,
}: {
  job: RowJob;
  on: string;
  days: string[];
  lock: (id: string, on: string | undefined) => void;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: job.id });
  return (
    <li
      ref={setNodeRef}
      className={`py-1 flex flex-wrap items-center gap-x-2 ${isDragging ? 'relative z-20 bg-sheet outline outline-todo' : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      <span
        {...listeners}
        className="cursor-grab touch-none min-w-[24px] min-h-[24px] text-muted select-none"
        aria-hidden="true"
      >
        ⠿
      </span>
      <span className="flex-1 min-w-[9rem]">
        <PageLink className="font-semibold" href={`/trees/${job.row.treeId}/order`}>
          {job.row.label}
        </PageLink>{' '}
        {job.row.what}
        {job.pieces > 1 && `, day ${job.piece} of ${job.pieces}`}
        <span className="num text-sm text-muted"> {tidy(job.hours, 1)} h</span>
      </span>
      <PickList
        aria-label={`Day of ${job.row.what}, ${job.row.label}`}
        className="num text-sm no-print"
        options={days.map((key) => ({ key, label: `${key}, set` }))}
        empty={job.lock ? 'any day' : `${on}, free`}
        value={job.lock}
        onChange={(day) => lock(job.id, day)}
      />
    </li>
  );
}
