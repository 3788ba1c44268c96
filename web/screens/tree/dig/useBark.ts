'use client';

import type { Point } from '@undrel/core/photogrammetry';
import { type DigHead, type DugRoot, idOf, type Tree } from '@undrel/core/records';
import {
  barkBefore,
  keptOnPlan,
  outlineOf,
  radiiThrough,
  radiusAt,
  stillTouched,
  type BarkBefore,
  type DigReading,
} from '@undrel/core/roots';
import { outsideLimits, type UnitSystem } from '@undrel/core/units';
import { useState } from 'react';
import type { Item } from '../../../protocol/item';
import type { StationProps } from '../visitEntry';

/** What the bark is drawn over: the outline before, and what was touched since. */
interface Begun {
  before: BarkBefore;
  places: Point[];
}

/**
 * The bark of the stem drawn on the plan, place by place, with or without a picture beneath. Each touch is kept at once;
 * one that is undone is gone. Roots that were traced on a picture stay where they lie.
 */
export function useBark({
  control,
  visitId,
  tree,
  head,
  reading,
  roots,
  system,
  onGround,
}: {
  control: StationProps['control'];
  visitId: string;
  tree: Tree;
  head: DigHead;
  reading: DigReading;
  roots: readonly (Item & { values: DugRoot })[];
  system: UnitSystem;
  /** Where a touch on a picture lies if it is on the ground. */
  onGround: (at: Point) => Point;
}) {
  const [begun, setBegun] = useState<Begun | undefined>(undefined);
  const [refused, setRefused] = useState<{ says: string; touched: number } | undefined>(undefined);
  const touched = begun ? stillTouched(begun.places, head.radii, begun.before) : [];
  const touch = (at: Point) => {
    if (!begun) return;
    const place = onGround(at);
    const { radius } = radiusAt(place, begun.before);
    const says = outsideLimits('outlineRadius', radius, system);
    if (says) return setRefused({ says, touched: touched.length });
    setRefused(undefined);
    const places = [...touched, place];
    const { turn } = reading;
    setBegun({ ...begun, places });
    const radii = radiiThrough(places, begun.before);
    const next = { ...head, radii, diameters: undefined };
    const frame = { dig: head, turn, outline: reading.outline };
    const after = { dig: head, turn, outline: outlineOf(next, turn, undefined) };
    control.setAll([
      { kind: 'dig', id: idOf('dig', visitId), parent: visitId, values: next },
      ...roots
        .filter((r) => r.values.traced && head.measuredFrom === 'bark')
        .map((r) => ({
          kind: 'root' as const,
          id: r.id,
          parent: visitId,
          values: keptOnPlan(r.values, frame, after),
        })),
    ]);
  };
  return {
    drawing: begun !== undefined,
    places: touched,
    /** Why the last touch is no radius, until something else is done. */
    refused: refused?.touched === touched.length ? refused.says : undefined,
    begin: () => setBegun({ before: barkBefore(tree, head), places: [] }),
    end: () => {
      setBegun(undefined);
      setRefused(undefined);
    },
    touch,
  };
}
