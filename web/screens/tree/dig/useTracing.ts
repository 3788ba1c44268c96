'use client';

import {
  keptOnRays,
  laidFor,
  movedForDepth,
  shownBy,
  TRACED_WITHIN,
  type Point,
} from '@undrel/core/photogrammetry';
import type { Dig, DugRoot, Picture, Tree } from '@undrel/core/records';
import { addPoint, laidOnBark, liesOnBark, readingAt, type PitFrame } from '@undrel/core/roots';
import { toMillimetre } from '@undrel/core/units';
import { useEffect, useMemo, useRef, useState } from 'react';
import { NO_PICTURE, type UnderChoice } from './PicturesUnder';
import { useUnderlay } from './useUnderlay';

/** What a root is taken to be where it is touched for the first time, m: the edges tell with the second touch. */
const FIRST_DIAMETER = 0.03;

/** A traced root that was seen to lie on the bark lies on it, where the picture has it that near. */
const onBark = (root: DugRoot, frame: PitFrame): DugRoot =>
  root.traced && liesOnBark(root) ? laidOnBark(root, frame, TRACED_WITHIN) : root;

/**
 * Roots drawn on the plan, with or without a picture beneath it. On a picture, two touches are joined along the edges of the
 * root, which give its thickness; touches that come while the last is still being followed wait for it.
 */
export function useTracing({
  pictures,
  tree,
  dig,
  frame,
  save,
}: {
  pictures: readonly Picture[];
  tree: Tree;
  dig: Dig;
  frame: PitFrame;
  save: (id: string, root: DugRoot) => void;
}) {
  const [choice, setChoice] = useState<UnderChoice>(NO_PICTURE);
  const level = pictures.find((p) => p.hash === choice.chosen[0])?.cards?.level;
  // As deep as the cards: it lies on their ground.
  const top = choice.depth === level ? undefined : choice.depth;
  const laid = level === undefined ? undefined : laidFor(level, top);
  const underlay = useUnderlay(pictures, tree, dig, choice.chosen, laid);
  const under = useMemo(
    () => underlay.under && { ...underlay.under, strength: choice.strength },
    [underlay.under, choice.strength],
  );
  const last = useRef<{ id: string; points: number; at: Point } | undefined>(undefined);
  const line = useRef(Promise.resolve());
  // What stands now, for touches that waited.
  const now = useRef({ underlay, choice, top, frame, save });
  useEffect(() => {
    now.current = { underlay, choice, top, frame, save };
  });

  const touch = async (id: string, root: () => DugRoot | undefined, at: Point): Promise<void> => {
    const { underlay, choice, top, frame, save } = now.current;
    const before = root();
    if (!before) return;
    const plain = (more: Partial<DugRoot['points'][number]> = {}) => {
      const added = addPoint(before, readingAt(frame, ...at));
      const points = added.points.map((p, i) => (i === added.points.length - 1 ? { ...p, ...more } : p));
      save(id, { ...added, points });
      last.current = { id, points: points.length, at };
    };
    if (!underlay.under || choice.depth === undefined) return plain();
    const from = last.current;
    const first = before.points.length === 1;
    const goesOn = from?.id === id && from.points === before.points.length && before.points.length > 0;
    const depth = { depth: choice.depth };
    if (!choice.follow || !goesOn)
      return plain(before.points.length === 0 ? { ...depth, diameter: FIRST_DIAMETER } : depth);
    // Where it cannot be followed, the touch is a point all the same.
    const followed = await underlay
      .follow(from.at, at, top, first ? undefined : before.points[before.points.length - 1]!.diameter)
      .catch(() => undefined);
    // What was there when the touch was followed may be another by now.
    const there = root();
    if (!there || there.points.length !== before.points.length) return;
    if (!followed || followed.points.length < 2) return plain(depth);
    const read = followed.points.map(({ x, y, depth, diameter }) => ({
      ...readingAt(frame, x, y),
      ...{ depth: toMillimetre(depth), diameter: toMillimetre(diameter) },
    }));
    const points = first ? read : [...there.points, ...read.slice(1)];
    save(id, onBark({ ...there, points, traced: followed.hash }, frame));
    last.current = { id, points: points.length, at };
  };
  return {
    choice,
    setChoice,
    underlay,
    under,
    /** One more touch on a root, by its id; `root` tells what it is when the touch's turn comes. */
    tap: (id: string, root: () => DugRoot | undefined, at: Point) => {
      line.current = line.current.then(() => touch(id, root, at)).catch(() => undefined);
    },
    /** Where a touch on the picture lies if it is on the ground of the cards. */
    onGround: (at: Point): Point => {
      if (!underlay.under || laid === undefined) return at;
      const views = underlay.lies.flatMap((l) => (choice.chosen.includes(l.hash) && 'eye' in l ? [l] : []));
      const from = shownBy(views, at);
      return from ? movedForDepth(from, at, laid, from.level) : at;
    },
    /** A root after it was edited; one that was traced stays on the rays of its picture. */
    edited: (before: DugRoot, after: DugRoot): DugRoot => {
      if (before.contact !== after.contact) return onBark(after, frame);
      const from = after.traced && underlay.takenFrom(after.traced);
      return from ? keptOnRays(before, after, frame, from) : after;
    },
  };
}
