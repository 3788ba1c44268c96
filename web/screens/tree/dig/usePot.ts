import type { Point } from '@undrel/core/photogrammetry';
import { type DigHead, idOf, MOST_POT } from '@undrel/core/records';
import { wallAt, wallPlaces } from '@undrel/core/roots';
import { outsideLimits, type UnitSystem } from '@undrel/core/units';
import { useState } from 'react';
import { ONE_STEP } from '../../../device/store';
import type { StationProps } from '../visitEntry';

/** The wall of the old pot drawn on the plan, place by place; each touch is kept at once, and undone by itself. */
export function usePot({
  control,
  visitId,
  head,
  turn,
  system,
  onGround,
}: {
  control: StationProps['control'];
  visitId: string;
  head: DigHead;
  /** Degrees added to the compass bearings of the dig to make them true. */
  turn: number;
  system: UnitSystem;
  /** Where a touch on a picture lies if it is on the ground. */
  onGround: (at: Point) => Point;
}) {
  const [drawing, setDrawing] = useState(false);
  const [refused, setRefused] = useState<{ says: string; touched: number } | undefined>(undefined);
  const pot = head.pot ?? [];
  return {
    drawing,
    places: wallPlaces(pot, turn),
    refused: refused?.touched === pot.length ? refused.says : undefined,
    begin: () => setDrawing(true),
    end: () => {
      setDrawing(false);
      setRefused(undefined);
    },
    touch: (at: Point) => {
      const place = wallAt(onGround(at), turn);
      const says =
        pot.length >= MOST_POT
          ? `Wall of the pot: ${MOST_POT} places are touched, and no more are needed.`
          : outsideLimits('potWall', place.distance, system);
      if (says) return setRefused({ says, touched: pot.length });
      setRefused(undefined);
      control.set('dig', idOf('dig', visitId), visitId, { ...head, pot: [...pot, place] }, ONE_STEP);
    },
  };
}
