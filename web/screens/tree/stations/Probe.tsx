'use client';

import { bearingName, GROUND_QUESTIONS, readBearing } from '@undrel/core/questions';
import type { ProbePoint } from '@undrel/core/records';
import { useRef, useState, type FormEvent } from 'react';
import { Pencil, Trash2 } from 'lucide-react';
import { formatValue, readLength, shortUnit } from '@undrel/core/units';
import { NotedInput } from '../../../ui/controls/NotedInput';
import { Entry } from '../../../ui/controls/Entry';
import { itemsBelow } from '../../../protocol/item';
import { lengthText } from '../../../ui/controls/LengthInput';
import { QuantityView } from '../../../ui/controls/QuantityView';
import { newId } from '../newId';
import type { StationProps } from '../visitEntry';
import { Contradictions } from './Contradictions';
import { FromPictures } from './probe/FromPictures';
import { Questions } from '../asked/Questions';

const FOUND: readonly { key: ProbePoint['found']; label: string }[] = [
  { key: 'root', label: 'root' },
  { key: 'nothing', label: 'nothing' },
  { key: 'obstacle', label: 'stone' },
];

interface Draft {
  bearing: string;
  distance: string;
  depth: string;
  found: ProbePoint['found'];
  from: ProbePoint['from'];
}

/** A push of the rod in a line: bearing, distance, depth, Enter; the bearing moves on to the next eighth. */
export function Probe(props: StationProps) {
  const { control, visitId, profile, system, mayMeasure } = props;
  const unit = shortUnit(system);
  const points = itemsBelow(control.items, 'probe', visitId).sort(
    (a, b) => a.values.bearing - b.values.bearing || a.values.distance - b.values.distance,
  );
  const first: Draft = {
    bearing: 'N',
    distance: lengthText(0.1, unit),
    depth: '',
    found: 'root',
    from: 'grade',
  };
  const [draft, setDraft] = useState<Draft>(first);
  const [editing, setEditing] = useState<string | undefined>(undefined);
  const [problems, setProblems] = useState<{ field: keyof Draft; message: string }[]>([]);
  const depthInput = useRef<HTMLInputElement>(null);

  const save = (event: FormEvent) => {
    event.preventDefault();
    const bearing = readBearing(draft.bearing);
    const distance = readLength('distance', draft.distance, unit);
    const depth = readLength('probeDepth', draft.depth, unit);
    const found = [
      ...(bearing === undefined
        ? [
            {
              field: 'bearing' as const,
              message: `Bearing: “${draft.bearing}” is not one; allowed are N, NE, … or 0 to 360.`,
            },
          ]
        : []),
      ...(distance.state === 'ok' ? [] : [{ field: 'distance' as const, message: distance.message }]),
      ...(depth.state === 'ok' ? [] : [{ field: 'depth' as const, message: depth.message }]),
    ];
    setProblems(found);
    if (found[0]) document.getElementById(`probe-${found[0].field}`)?.focus();
    if (bearing === undefined || distance.state !== 'ok' || depth.state !== 'ok') return;
    control.set('probe', editing ?? newId(), visitId, {
      bearing,
      distance: distance.metres,
      depth: depth.metres,
      found: draft.found,
      from: draft.from,
    });
    const next = (Math.round(bearing / 45) * 45 + 45) % 360;
    setDraft({ ...draft, bearing: editing ? draft.bearing : bearingName(next), depth: '', found: 'root' });
    setEditing(undefined);
    depthInput.current?.focus();
  };
  const field = (name: 'bearing' | 'distance' | 'depth', label: string, hint: string) => {
    const wrong = problems.find((p) => p.field === name)?.message;
    return (
      <div>
        <label htmlFor={`probe-${name}`} className="block text-sm">
          {label}
        </label>
        <NotedInput
          note={wrong}
          id={`probe-${name}`}
          ref={name === 'depth' ? depthInput : undefined}
          className="num w-full text-right"
          inputMode={name === 'bearing' ? 'text' : 'decimal'}
          autoComplete="off"
          placeholder={hint}
          value={draft[name]}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setDraft({ ...draft, [name]: event.target.value })}
        />
      </div>
    );
  };
  const { collar } = profile;
  const toGo = Math.max(0, 8 - new Set(points.map((p) => p.values.bearing)).size);
  return (
    <Entry>
      <h1>Probe</h1>
      <p className="text-muted mb-3">
        Thin rod to the first woody root, depths below grade. Above grade is negative.
      </p>
      {mayMeasure && (
        <form
          onSubmit={save}
          className="bg-wash border-y-2 border-ink py-3 px-3 -mx-3"
          aria-label={editing ? 'Correct a push' : 'A push of the rod'}
        >
          <div className="grid grid-cols-3 gap-2 items-end">
            {field('bearing', 'Bearing', 'N')}
            {field('distance', `From the bark (${unit})`, '10')}
            {field('depth', `Depth (${unit})`, '')}
          </div>
          <div className="flex flex-wrap items-center gap-2 mt-2">
            <div role="group" aria-label="Found" className="flex">
              {FOUND.map((option) => (
                <button
                  key={option.key}
                  type="button"
                  aria-pressed={draft.found === option.key}
                  className={`min-h-[44px] px-3 border border-muted -ml-px ${draft.found === option.key ? 'bg-ink text-sheet' : 'bg-sheet'}`}
                  onClick={() => setDraft({ ...draft, found: option.key })}
                >
                  {option.label}
                </button>
              ))}
            </div>
            <label className="flex items-center gap-2 min-h-[44px]">
              <input
                type="checkbox"
                checked={draft.from === 'mulch'}
                onChange={(event) => setDraft({ ...draft, from: event.target.checked ? 'mulch' : 'grade' })}
              />
              read from the mulch
            </label>
            <button className="act ml-auto">{editing ? 'Save correction' : 'Next'}</button>
          </div>
        </form>
      )}
      {collar ? (
        <div className="border-l-[6px] border-buried pl-3 my-4">
          <p className="flex flex-wrap items-baseline gap-x-2">
            <strong>Collar depth</strong> <QuantityView quantity={collar.depth} system={system} big />
          </p>
          <p>
            from {formatValue(collar.shallowest.value, 'short length', system)} (
            {bearingName(collar.shallowest.bearing)}) to{' '}
            {formatValue(collar.deepest.value, 'short length', system)} ({bearingName(collar.deepest.bearing)}
            ), {collar.byBearing.length} bearings
          </p>
          {toGo > 0 && <p className="text-muted">{toGo} more bearings would narrow it.</p>}
        </div>
      ) : (
        <p className="told my-4">No root met yet. Start close to the bark and work round, eight bearings.</p>
      )}
      <FromPictures {...props} points={points.map((p) => p.values)} />
      {points.length > 0 && <Contradictions station="probe" profile={profile} system={system} reserved />}
      {points.length > 0 && (
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
                        onClick={() => {
                          setEditing(id);
                          setDraft({
                            bearing: bearingName(p.bearing).replace('°', ''),
                            distance: lengthText(p.distance, unit),
                            depth: lengthText(p.depth, unit),
                            found: p.found,
                            from: p.from,
                          });
                          depthInput.current?.focus();
                        }}
                      >
                        <Pencil aria-hidden="true" className="lg:hidden inline" size={20} />
                        <span className="hidden lg:inline">Correct</span>
                      </button>
                      <button
                        type="button"
                        className="link min-w-[44px] lg:min-w-0 px-2"
                        aria-label={`Remove the push at ${bearingName(p.bearing)}`}
                        onClick={() => control.set('probe', id, visitId, null)}
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
      )}
      <Questions {...props} questions={GROUND_QUESTIONS.filter((q) => q.station === 'probe')} />
    </Entry>
  );
}
