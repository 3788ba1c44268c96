'use client';

import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { OBSTACLE_KINDS, obstacleKind } from '@undrel/core/practice';
import { along } from '@undrel/core/trenching';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { Said } from '../../../ui/Said';
import { BearingInput } from '../../../ui/controls/BearingInput';
import type { Drawn } from './TrenchPlanView';
import { LengthInput } from '../../../ui/controls/LengthInput';
import type { Site } from '@undrel/core/records';
import { ServerButton } from '../../../ui/FromServer';
import { Select } from '../../../ui/controls/Select';

const HOW = [
  { key: 'tape', label: 'By bearing and tape' },
  { key: 'line', label: 'Draw a line' },
  { key: 'area', label: 'Draw an area' },
] as const;

type Place = { bearing: number | undefined; distance: number | undefined };
const NOWHERE: Place = { bearing: undefined, distance: undefined };
const isSet = (p: Place): p is { bearing: number; distance: number } =>
  p.bearing !== undefined && p.distance !== undefined;

/** A place by bearing and tape, m from the stem. */
function atTape({ bearing, distance }: { bearing: number; distance: number }): Drawn {
  const [ux, uy] = along(bearing);
  return [distance * ux, distance * uy];
}

/** What lies about the tree with its clearance, and one more put in: drawn on the plan, or by bearings and tape from the stem. */
export function SiteThings(props: {
  site: Site;
  propertyId: string;
  position: { x: number; y: number } | undefined;
  /** What is being drawn on the plan, m from the stem; undefined when nothing is. */
  drawn: readonly Drawn[] | undefined;
  onDraw: (points: readonly Drawn[] | undefined) => void;
  system: UnitSystem;
  disabled: boolean;
}) {
  const { site, position, system, drawn, onDraw } = props;
  const router = useRouter();
  const [adding, setAdding] = useState(false);
  const [kind, setKind] = useState('gas');
  const [name, setName] = useState('');
  const [from, setFrom] = useState<Place>(NOWHERE);
  const [to, setTo] = useState<Place>(NOWHERE);
  const [shape, setShape] = useState<'line' | 'area'>('line');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const points = drawn ?? [from, to].filter(isSet).map(atTape);
    const fewest = drawn && shape === 'area' ? 3 : 2;
    if (!position || points.length < fewest) {
      setProblem(
        drawn
          ? `${points.length} points: ${shape === 'area' ? 'an area needs 3' : 'a line needs 2'} or more.`
          : 'Bearing and distance of both ends are needed.',
      );
      return;
    }
    setBusy(true);
    setProblem(undefined);
    const coordinates = points.map(([x, y]) => [position.x + x, position.y + y]);
    const answer = await fetch(`/api/properties/${props.propertyId}/plan?add=1`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        type: 'FeatureCollection',
        'undrel:frame': { unit: 'metre', x: 'east', y: 'north' },
        features: [
          {
            type: 'Feature',
            properties: { kind, name: name.trim() || obstacleKind(kind).label },
            geometry:
              fewest === 3
                ? { type: 'Polygon', coordinates: [[...coordinates, coordinates[0]]] }
                : { type: 'LineString', coordinates },
          },
        ],
      }),
    }).catch(() => undefined);
    setBusy(false);
    if (!answer?.ok) {
      const told = (await answer?.json().catch(() => undefined)) as { problem?: string } | undefined;
      setProblem(
        told?.problem ?? 'The server could not be reached; what you entered is still here. Try again.',
      );
      return;
    }
    setAdding(false);
    onDraw(undefined);
    setName('');
    setFrom(NOWHERE);
    setTo(NOWHERE);
    router.refresh();
  };
  const end = (label: string, place: Place, set: (p: Place) => void) => (
    <>
      <BearingInput
        label={`${label}, bearing`}
        value={place.bearing}
        onChange={(bearing) => set({ ...place, bearing })}
      />
      <LengthInput
        field="siteDistance"
        label={`${label}, from the stem`}
        system={system}
        value={place.distance}
        onChange={(distance) => set({ ...place, distance })}
      />
    </>
  );
  return (
    <section className="my-3">
      <h2>What to keep clear of</h2>
      {site.things.length === 0 && site.others.length === 0 ? (
        <p className="told my-1">
          Nothing is on the plan near this tree: paving, walls, buried lines? Draw them in below, or import a
          plan on the page of the property (GeoJSON, DXF).
        </p>
      ) : (
        <ul>
          {site.things.map((t, i) => {
            const known = obstacleKind(t.kind);
            return (
              <li key={i} className="flex gap-3 border-b border-hair py-1">
                <span className="flex-1">
                  {t.name}
                  {t.name.toLowerCase() !== known.label && (
                    <span className="text-muted">, {known.label}</span>
                  )}
                </span>
                <span className="num">{formatValue(known.clearance, 'short length', system)} clear</span>
              </li>
            );
          })}
        </ul>
      )}
      {!props.disabled && position && !adding && (
        <button type="button" className="link min-h-[44px]" onClick={() => setAdding(true)}>
          Add something in the way
        </button>
      )}
      {adding && (
        <form className="bg-wash p-3 my-2 grid grid-cols-2 gap-2" onSubmit={(event) => void add(event)}>
          <Select
            label="What it is"
            options={OBSTACLE_KINDS}
            value={kind}
            onChange={(to) => to && setKind(to)}
          />
          <label className="block">
            <span className="block text-sm">Name</span>
            <input
              className="w-full"
              maxLength={80}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <div className="col-span-2 flex flex-wrap gap-1.5" role="group" aria-label="How it is put in">
            {HOW.map((how) => {
              const on = how.key === 'tape' ? !drawn : drawn !== undefined && shape === how.key;
              return (
                <button
                  key={how.key}
                  type="button"
                  aria-pressed={on}
                  className={`min-h-[44px] px-3 border border-muted ${on ? 'bg-ink text-sheet' : 'bg-sheet'}`}
                  onClick={() => {
                    if (how.key === 'tape') return onDraw(undefined);
                    setShape(how.key);
                    onDraw(drawn ?? []);
                  }}
                >
                  {how.label}
                </button>
              );
            })}
          </div>
          {drawn ? (
            <div className="col-span-2">
              <p>
                Press on the plan at each corner: {drawn.length} {drawn.length === 1 ? 'point' : 'points'} so
                far.
              </p>
              {drawn.length > 0 && (
                <button
                  type="button"
                  className="link min-h-[44px]"
                  onClick={() => onDraw(drawn.slice(0, -1))}
                >
                  Remove the last point
                </button>
              )}
            </div>
          ) : (
            <>
              {end('One end', from, setFrom)}
              {end('Other end', to, setTo)}
            </>
          )}
          <div className="col-span-2 flex gap-2">
            <ServerButton type="submit" className="act" disabled={busy}>
              Put it on the plan
            </ServerButton>
            <button
              type="button"
              className="quiet"
              onClick={() => {
                setAdding(false);
                onDraw(undefined);
              }}
            >
              Leave it
            </button>
          </div>
          <Said problem={problem} className="col-span-2" />
        </form>
      )}
    </section>
  );
}
