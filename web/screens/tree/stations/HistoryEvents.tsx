'use client';

import { useState, type FormEvent } from 'react';
import { byDay, EVENT_KINDS, type EventKind, yearOf } from '@undrel/core/vocabulary';
import { dryYears, eventDateProblem } from '@undrel/core/history';
import { itemsBelow } from '../../../protocol/item';
import { NotedInput } from '../../../ui/controls/NotedInput';
import { newId } from '../newId';
import { type StationProps } from '../visitEntry';
import { asOptions, Select } from '../../../ui/controls/Select';
import type { TreeEvent, WeatherRecord } from '@undrel/core/records';
import type { CaseHand } from '../../../device/useCase';

export function Events({ control, treeId, tree, house, mayMeasure, today }: StationProps) {
  const { weather } = house;
  const events = itemsBelow(control.items, 'event', treeId).sort((a, b) =>
    byDay(a.values.when, b.values.when),
  );
  const dated = new Set(events.filter((e) => e.values.kind === 'drought').map((e) => yearOf(e.values.when)));
  const dry = (weather ? dryYears(weather) : []).filter(
    (year) => year >= (tree.plantedYear ?? 0) && !dated.has(year),
  );
  const [kind, setKind] = useState<EventKind>('soil added');
  const [when, setWhen] = useState('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const add = (event: FormEvent) => {
    event.preventDefault();
    const values = { kind, when: when.trim(), note: note.trim() || undefined };
    const wrong = eventDateProblem(values, tree, today);
    setProblem(wrong);
    if (wrong) return document.getElementById('event-when')?.focus();
    control.set('event', newId(), treeId, values);
    setWhen('');
    setNote('');
  };
  return (
    <section className="mt-4">
      <h2 className="mb-1">What happened, and when</h2>
      {events.length === 0 && (
        <p className="told">Nothing noted yet. When was soil added, paving laid, mulch renewed?</p>
      )}
      <ul>
        {events.map(({ id, values }) => (
          <EventEntry
            key={id}
            id={id}
            values={values}
            mayMeasure={mayMeasure}
            control={control}
            treeId={treeId}
          />
        ))}
      </ul>
      {mayMeasure && dry.length > 0 && (
        <DroughtsByRain dry={dry} control={control} treeId={treeId} weather={weather} />
      )}
      {mayMeasure && (
        <form onSubmit={add} className="grid grid-cols-[1fr_7.5rem] gap-2 mt-2">
          <Select
            label="Event"
            options={asOptions(EVENT_KINDS)}
            value={kind}
            onChange={(to) => to && setKind(to)}
          />
          <label className="block">
            <span className="block text-sm">When</span>
            <NotedInput
              note={problem}
              className="num w-full"
              id="event-when"
              placeholder="2018-04"
              value={when}
              onChange={(event) => setWhen(event.target.value)}
            />
          </label>
          <label className="block">
            <span className="block text-sm">Note</span>
            <input className="w-full" value={note} onChange={(event) => setNote(event.target.value)} />
          </label>
          <button className="quiet self-end">Add event</button>
        </form>
      )}
    </section>
  );
}

function EventEntry({
  id,
  values,
  mayMeasure,
  control,
  treeId,
}: {
  id: string;
  values: TreeEvent;
  mayMeasure: boolean;
  control: CaseHand;
  treeId: string;
}) {
  return (
    <li className="flex items-baseline gap-3 border-b border-hair py-1">
      <span className="num w-24 shrink-0">{values.when}</span>
      <span className="flex-1">
        {values.kind}
        {values.note && <span className="text-muted">: {values.note}</span>}
      </span>
      {mayMeasure && (
        <button
          type="button"
          className="link"
          aria-label={`Remove ${values.kind} ${values.when}`}
          onClick={() => control.set('event', id, treeId, null)}
        >
          Remove
        </button>
      )}
    </li>
  );
}

function DroughtsByRain({
  dry,
  control,
  treeId,
  weather,
}: {
  dry: number[];
  control: CaseHand;
  treeId: string;
  weather: WeatherRecord | undefined;
}) {
  return (
    <p className="text-sm py-1">
      By the rain record these growing seasons were dry; add{' '}
      {dry.map((year) => (
        <button
          key={year}
          type="button"
          className="link min-h-[44px] px-1"
          aria-label={`Add drought ${year}`}
          onClick={() =>
            control.set('event', newId(), treeId, {
              kind: 'drought',
              when: String(year),
              note: `by the rain record, ${weather!.source}`,
            })
          }
        >
          drought {year}
        </button>
      ))}
    </p>
  );
}
