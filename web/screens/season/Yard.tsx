'use client';

import { useState, useTransition, type FormEvent } from 'react';
import type { Place } from '@undrel/core/crewDays';
import { count } from '../../ui/count';
import { Said } from '../../ui/Said';
import { ServerButton } from '../../ui/FromServer';

/** Notes where the crews start from. */
export type NoteYard = (typed: {
  latitude: string;
  longitude: string;
}) => Promise<{ problem: string } | { yard: Place | undefined }>;

const FIELDS = [
  { key: 'latitude', label: 'Latitude, south below zero', hint: '51.2' },
  { key: 'longitude', label: 'Longitude, west below zero', hint: '6.8' },
] as const;

/** Where the crews start from: with it, and with the places of the grounds, drives are worked out. */
export function Yard({
  yard,
  unplaced,
  note,
}: {
  yard: Place | undefined;
  /** Grounds with work whose place is not known. */
  unplaced: readonly string[];
  note: NoteYard;
}) {
  const [typed, setTyped] = useState<{ latitude?: string; longitude?: string }>({});
  const [told, setTold] = useState<{ problem?: string; told?: string }>({});
  const [busy, start] = useTransition();
  const now = (key: 'latitude' | 'longitude') => typed[key] ?? String(yard?.[key] ?? '');
  const save = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      const answer = await note({ latitude: now('latitude'), longitude: now('longitude') }).catch(() => ({
        problem: 'The server could not be reached; nothing was saved. Try again.',
      }));
      setTold('problem' in answer ? answer : { told: 'Saved.' });
    });
  };
  return (
    <details className="no-print mb-2">
      <summary className="min-h-[44px] flex items-center cursor-pointer underline">
        {yard
          ? `Crews start from ${yard.latitude}, ${yard.longitude}`
          : 'Where the crews start from: not noted, each drive counts alike'}
      </summary>
      <form onSubmit={save} className="flex flex-wrap items-end gap-3 pb-1">
        {FIELDS.map(({ key, label, hint }) => (
          <label key={key} className="block">
            <span className="block text-sm">{label}</span>
            <input
              className="num w-36"
              inputMode="text"
              placeholder={hint}
              value={now(key)}
              onChange={({ target }) => setTyped({ ...typed, [key]: target.value })}
            />
          </label>
        ))}
        <ServerButton type="submit" className="quiet" disabled={busy}>
          Save the yard
        </ServerButton>
      </form>
      <Said lines={1} problem={told.problem} told={told.told ?? ''} />
      {unplaced.length > 0 && (
        <p className="text-sm text-muted">
          {unplaced.join(', ')}: longitude or latitude not noted on the property, so{' '}
          {count(unplaced.length, 'place')} {unplaced.length === 1 ? 'takes' : 'take'} the usual hour.
        </p>
      )}
    </details>
  );
}
