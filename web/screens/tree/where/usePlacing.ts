import { useEffect, useRef, useState } from 'react';
import { placedBy, type Fix, type OnPlan } from '@undrel/core/geometry';
import type { Tree } from '@undrel/core/records';
import { formatValue, LENGTH_LIMITS, writeLengths, type UnitSystem } from '@undrel/core/units';
import { useKeptSince } from '../../../device/along/keptPage';
import { keepDeclination } from '../../../device/sensors/declination';
import { readPosition } from '../../../device/sensors/position';
import { ONE_STEP } from '../../../device/store';
import type { StationProps } from '../visitEntry';

/** Positions are told to so much, m. */
export const RESOLUTION = 0.1;

type Placed = OnPlan & { error: number };

/** Farther than a plan reaches, or surer of nothing. */
const isBeyond = ({ x, y, error }: Placed): boolean =>
  Math.max(Math.abs(x), Math.abs(y)) > LENGTH_LIMITS.position.max || error > LENGTH_LIMITS.positionError.max;

/** Reads the position of this device, better and better, until it is good enough or stopped. */
function useReading(system: UnitSystem, onFix: (by: Fix) => void, onProblem: (problem: string) => void) {
  const [reading, setReading] = useState<{ best: number | undefined; stop: () => void } | undefined>(
    undefined,
  );
  const stopReading = useRef<AbortController | undefined>(undefined);
  useEffect(() => () => stopReading.current?.abort(), []);
  const read = () => {
    const stop = new AbortController();
    stopReading.current = stop;
    setReading({ best: undefined, stop: () => stop.abort() });
    readPosition((best) => setReading({ best, stop: () => stop.abort() }), stop.signal)
      .then(
        (by) => {
          void keepDeclination(by);
          onFix(by);
        },
        (error: Error) => !stop.signal.aborted && onProblem(writeLengths(error.message, system)),
      )
      .finally(() => setReading(undefined));
  };
  return { reading, read };
}

/** Places a tree on the plan by the position of this device, or by hand. */
export function usePlacing({ control, treeId, tree, treeItem, places, system }: StationProps) {
  const [told, setTold] = useState<string | undefined>(undefined);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  /** Read beside a tree that has a place: which of the two holds is asked. */
  const [asked, setAsked] = useState<{ fix: Fix; to: Placed; off: number } | undefined>(undefined);
  const latest = useRef(tree);
  latest.current = tree;
  const write = (change: Pick<Partial<Tree>, 'position' | 'fix'>, field = ONE_STEP) =>
    control.set('tree', treeId, treeItem.parent, { ...latest.current, ...change }, field);
  const others = places.ties.filter((t) => t.id !== treeId);
  const long = (metres: number) => formatValue(metres, 'long length', system, RESOLUTION);
  const kept = useKeptSince() !== undefined;
  /** A plan that is empty begins with this tree, if the server has said that it is: two begun without signal would lie at one place. */
  const mayBegin = !kept && treeItem.version > 0;
  const placed = (to: Placed, by: Fix) => {
    const rounded = (metres: number) => Math.round(metres * 10) / 10;
    write({ fix: by, position: { x: rounded(to.x), y: rounded(to.y), error: rounded(to.error) } });
    setTold(`Placed to ±\u00a0${long(to.error)}. Drag its mark where you know better.`);
    setAsked(undefined);
  };
  const keepFix = (fix: Fix, says: string) => {
    write({ fix });
    setTold(says);
  };
  const take = (by: Fix) => {
    const now = latest.current.position;
    const anyPlaced = others.length > 0 || (places.placed && now === undefined);
    const made = placedBy(by, now, others, anyPlaced);
    if (made.kind === 'place' && others.length === 0 && !mayBegin) {
      keepFix(by, 'The position is kept. With signal, open this tree again and put it on the plan by it.');
    } else if (made.kind === 'place' && isBeyond(made.position)) {
      setProblem(
        `By its position it stands ${long(Math.hypot(made.position.x, made.position.y))} from the plan’s origin, sure to ±\u00a0${long(made.position.error)}; a plan reaches ${long(LENGTH_LIMITS.position.max)}, to ±\u00a0${long(LENGTH_LIMITS.positionError.max)}. Is this the right property?`,
      );
    } else if (made.kind === 'untied') {
      keepFix(
        by,
        'The position is kept. The plan is not tied to positions yet: read one beside a tree that is on the plan, and this one can be placed.',
      );
    } else if (made.kind === 'tie') {
      keepFix(
        by,
        `Its place stays, and ties the plan to positions to ±\u00a0${long(by.accuracy)}: other trees can be placed by theirs.`,
      );
    } else if (now && now.error === undefined) {
      setTold(undefined);
      setAsked({ fix: by, to: made.position, off: made.off! });
    } else placed(made.position, by);
  };
  const { reading, read } = useReading(system, take, setProblem);
  return {
    ...{ told, problem, asked, reading, placed, take },
    mayPlace: others.length > 0 || (!places.placed && mayBegin),
    read: () => {
      setTold(undefined);
      setProblem(undefined);
      setAsked(undefined);
      read();
    },
    /** Of the two that are asked for, the place that was there. */
    keepPlace: () => {
      if (!asked) return;
      setAsked(undefined);
      keepFix(asked.fix, 'Its place on the plan stays; the position is kept beside it.');
    },
    /** Steps of the arrow keys are undone together, a drag alone. */
    move: (x: number, y: number, byKey: boolean) => {
      setTold(undefined);
      write({ position: { x, y } }, byKey ? 'position' : ONE_STEP);
    },
  };
}
