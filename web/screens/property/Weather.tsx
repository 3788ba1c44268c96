'use client';

import { useState, type FormEvent } from 'react';
import type { WeatherPlace, WeatherRecord } from '@undrel/core/records';
import { dayOfYearWords } from '@undrel/core/vocabulary';
import { dryYears, growingSeason, isSouth, SEASONS_NEEDED } from '@undrel/core/history';
import { FilePick } from '../../ui/FilePick';
import { ServerButton } from '../../ui/FromServer';

/** Rain of the grounds: which growing seasons were dry, where it was measured, and reading it anew. */
export function Weather(props: {
  record: WeatherRecord | null;
  busy: boolean;
  onRead?: (file?: File) => void;
  onPlace?: (typed: PlaceTyped) => void;
}) {
  const { record, onRead } = props;
  if (!record && !onRead) return null;
  return (
    <section className="text-sm mb-2 flex flex-wrap items-center gap-x-3" aria-label="Rain on this property">
      <p className="basis-80 grow">
        {record ? told(record) : 'No record of the rain here yet: it tells dry years from failing trees.'}
      </p>
      {onRead && (
        <>
          <ServerButton
            type="button"
            className="link min-h-[44px]"
            disabled={props.busy}
            onClick={() => onRead()}
          >
            {record ? 'Read the weather record again' : 'Read the weather record'}
          </ServerButton>
          <FilePick
            server
            about="Monthly rain as CSV: month (YYYY-MM), rain (mm)"
            label="Rain from CSV"
            accept=".csv"
            className="link min-h-[44px]"
            disabled={props.busy}
            onFile={onRead}
          />
        </>
      )}
      {props.onPlace && <Place place={record?.place} busy={props.busy} onSave={props.onPlace} />}
    </section>
  );
}

function told(record: WeatherRecord): string {
  const { seasons, source, place } = record;
  if (seasons.length === 0) return 'No record of the rain here yet: it tells dry years from failing trees.';
  const span = `${growingSeason(place)} rain ${seasons[0]!.year}–${seasons.at(-1)!.year}, ${source}.`;
  if (seasons.length < SEASONS_NEEDED)
    return `${span} ${seasons.length} seasons: too few to call one dry; ${SEASONS_NEEDED} are needed.`;
  return `Dry growing seasons: ${dryYears(record).join(', ') || 'none'}. ${span}`;
}

/** Where the grounds lie, as it is typed. */
export interface PlaceTyped {
  latitude: string;
  longitude: string;
  lastFrost: string;
  firstFrost: string;
}

const FIELDS = [
  { key: 'latitude', label: 'Latitude, south below zero', hint: '51.2' },
  { key: 'longitude', label: 'Longitude, west below zero', hint: '6.8' },
  { key: 'lastFrost', label: 'Mean last frost, MM-DD', hint: '04-24' },
  { key: 'firstFrost', label: 'Mean first frost, MM-DD', hint: '10-21' },
] as const;

/** Latitude and frosts: the seasons of planting and of other work follow them. */
function Place(props: {
  place: WeatherPlace | undefined;
  busy: boolean;
  onSave: (typed: PlaceTyped) => void;
}) {
  const { place } = props;
  const [typed, setTyped] = useState<Partial<PlaceTyped>>({});
  const now = (key: keyof PlaceTyped) => typed[key] ?? String(place?.[key] ?? '');
  const save = (event: FormEvent) => {
    event.preventDefault();
    props.onSave({
      latitude: now('latitude'),
      longitude: now('longitude'),
      lastFrost: now('lastFrost'),
      firstFrost: now('firstFrost'),
    });
  };
  return (
    <details className="w-full">
      <summary className="min-h-[44px] flex items-center cursor-pointer underline">
        {place
          ? `Lies at ${Math.abs(place.latitude)}° ${isSouth(place) ? 'south' : 'north'}${place.longitude === undefined ? '' : `, ${Math.abs(place.longitude)}° ${place.longitude < 0 ? 'west' : 'east'}`}${place.firstFrost && place.lastFrost ? `; frosts from ${dayOfYearWords(place.firstFrost)} to ${dayOfYearWords(place.lastFrost)}` : ', no frost noted'}`
          : 'Location and frost dates not noted: northern seasons are assumed'}
      </summary>
      <form onSubmit={save} className="flex flex-wrap items-end gap-3 pb-2">
        {FIELDS.map(({ key, label, hint }) => (
          <label key={key} className="block">
            <span className="block">{label}</span>
            <input
              className="num w-32"
              placeholder={hint}
              value={now(key)}
              onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
            />
          </label>
        ))}
        <ServerButton type="submit" className="quiet" disabled={props.busy}>
          Save the place
        </ServerButton>
      </form>
    </details>
  );
}
