import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { obstacleKind } from '@undrel/core/practice';
import { along } from '@undrel/core/trenching';
import type { Drawn } from './TrenchPlanView';

export type Place = { bearing: number | undefined; distance: number | undefined };
const NOWHERE: Place = { bearing: undefined, distance: undefined };
const isSet = (p: Place): p is { bearing: number; distance: number } =>
  p.bearing !== undefined && p.distance !== undefined;

/** A place by bearing and tape, m from the stem. */
function atTape({ bearing, distance }: { bearing: number; distance: number }): Drawn {
  const [ux, uy] = along(bearing);
  return [distance * ux, distance * uy];
}

/** A thing as a plan of its own, in the frame of the property. */
const planOf = (kind: string, name: string, closed: boolean, coordinates: number[][]) => ({
  type: 'FeatureCollection',
  'undrel:frame': { unit: 'metre', x: 'east', y: 'north' },
  features: [
    {
      type: 'Feature',
      properties: { kind, name: name.trim() || obstacleKind(kind).label },
      geometry: closed
        ? { type: 'Polygon', coordinates: [[...coordinates, coordinates[0]]] }
        : { type: 'LineString', coordinates },
    },
  ],
});

/** Puts a plan to that of a property; gives why it was not, or undefined where it was. */
async function putOn(propertyId: string, plan: unknown): Promise<string | undefined> {
  const answer = await fetch(`/api/properties/${propertyId}/plan?add=1`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(plan),
  }).catch(() => undefined);
  if (answer?.ok) return undefined;
  const told = (await answer?.json().catch(() => undefined)) as { problem?: string } | undefined;
  return told?.problem ?? 'The server could not be reached; what you entered is still here. Try again.';
}

/** What stands in the way as it is put in: what it is, and where, by tape or drawn on the plan. */
export function useNewThing(
  {
    propertyId,
    position,
    drawn,
    onDraw,
  }: {
    propertyId: string;
    position: { x: number; y: number } | undefined;
    drawn: readonly Drawn[] | undefined;
    onDraw: (points: readonly Drawn[] | undefined) => void;
  },
  onDone: () => void,
) {
  const router = useRouter();
  const [typed, setTyped] = useState({
    kind: 'gas',
    name: '',
    from: NOWHERE,
    to: NOWHERE,
    shape: 'line' as 'line' | 'area',
  });
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const set = (part: Partial<typeof typed>) => setTyped((was) => ({ ...was, ...part }));
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const { kind, name, from, to, shape } = typed;
    const points = drawn ?? [from, to].filter(isSet).map(atTape);
    const closed = drawn !== undefined && shape === 'area';
    if (!position || points.length < (closed ? 3 : 2)) {
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
    const refused = await putOn(propertyId, planOf(kind, name, closed, coordinates));
    setBusy(false);
    if (refused) return setProblem(refused);
    onDone();
    onDraw(undefined);
    set({ name: '', from: NOWHERE, to: NOWHERE });
    router.refresh();
  };
  return { typed, set, drawn, onDraw, busy, problem, add };
}
