'use client';

import { useEffect, useRef, useState } from 'react';
import { placedBy, type Fix, type OnPlan } from '@undrel/core/geometry';
import { formatValue, LENGTH_LIMITS, writeLengths, type UnitSystem } from '@undrel/core/units';
import type { Tree } from '@undrel/core/records';
import { useKeptSince } from '../../../device/along/keptPage';
import { keepDeclination } from '../../../device/sensors/declination';
import { ONE_STEP } from '../../../device/store';
import { readPosition } from '../../../device/sensors/position';
import { Said } from '../../../ui/Said';
import type { StationProps } from '../visitEntry';
import { PlaceView } from './PlaceView';

/** Positions are told to so much, m. */
const RESOLUTION = 0.1;

/** A place on the plan in words. */
export function inWords({ x, y, error }: NonNullable<Tree['position']>, system: UnitSystem): string {
  const long = (metres: number) => formatValue(Math.abs(metres), 'long length', system, RESOLUTION);
  return [
    `${long(x)} ${x < 0 ? 'west' : 'east'}, ${long(y)} ${y < 0 ? 'south' : 'north'} of the plan’s origin`,
    error !== undefined && `±\u00a0${long(error)}`,
  ]
    .filter(Boolean)
    .join(' ');
}

/** Farther than a plan reaches, or surer of nothing. */
const isBeyond = ({ x, y, error }: OnPlan & { error: number }): boolean =>
  Math.max(Math.abs(x), Math.abs(y)) > LENGTH_LIMITS.position.max || error > LENGTH_LIMITS.positionError.max;

/** Where the tree stands on the plan of its property: by hand, or by the position this phone reads beside it. */
export function WhereItStands({
  control,
  treeId,
  tree,
  treeItem,
  site,
  places,
  system,
  mayMeasure,
}: StationProps) {
  const [reading, setReading] = useState<{ best: number | undefined; stop: () => void } | undefined>(
    undefined,
  );
  const [told, setTold] = useState<string | undefined>(undefined);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  /** Read beside a tree that has a place: which of the two holds is asked. */
  const [asked, setAsked] = useState<{ fix: Fix; to: OnPlan & { error: number }; off: number } | undefined>(
    undefined,
  );
  const latest = useRef(tree);
  latest.current = tree;
  const write = (change: Pick<Partial<Tree>, 'position' | 'fix'>, field = ONE_STEP) =>
    control.set('tree', treeId, treeItem.parent, { ...latest.current, ...change }, field);
  const others = places.ties.filter((t) => t.id !== treeId);
  const long = (metres: number) => formatValue(metres, 'long length', system, RESOLUTION);
  const { position, fix } = tree;
  const kept = useKeptSince() !== undefined;
  /** A plan that is empty begins with this tree, if the server has said that it is: two begun without signal would lie at one place. */
  const mayBegin = !kept && treeItem.version > 0;
  const stopReading = useRef<AbortController | undefined>(undefined);
  useEffect(() => () => stopReading.current?.abort(), []);

  const placed = (to: OnPlan & { error: number }, by: Fix) => {
    const rounded = (metres: number) => Math.round(metres * 10) / 10;
    write({ fix: by, position: { x: rounded(to.x), y: rounded(to.y), error: rounded(to.error) } });
    setTold(`Placed to ±\u00a0${long(to.error)}. Drag its mark where you know better.`);
    setAsked(undefined);
  };
  const take = (by: Fix) => {
    const now = latest.current.position;
    const anyPlaced = others.length > 0 || (places.placed && now === undefined);
    const made = placedBy(by, now, others, anyPlaced);
    if (made.kind === 'place' && others.length === 0 && !mayBegin) {
      write({ fix: by });
      setTold('The position is kept. With signal, open this tree again and put it on the plan by it.');
    } else if (made.kind === 'place' && isBeyond(made.position)) {
      setProblem(
        `By its position it stands ${long(Math.hypot(made.position.x, made.position.y))} from the plan’s origin, sure to ±\u00a0${long(made.position.error)}; a plan reaches ${long(LENGTH_LIMITS.position.max)}, to ±\u00a0${long(LENGTH_LIMITS.positionError.max)}. Is this the right property?`,
      );
    } else if (made.kind === 'untied') {
      write({ fix: by });
      setTold(
        'The position is kept. The plan is not tied to positions yet: read one beside a tree that is on the plan, and this one can be placed.',
      );
    } else if (made.kind === 'tie') {
      write({ fix: by });
      setTold(
        `Its place stays, and ties the plan to positions to ±\u00a0${long(by.accuracy)}: other trees can be placed by theirs.`,
      );
    } else if (now && now.error === undefined) {
      setTold(undefined);
      setAsked({ fix: by, to: made.position, off: made.off! });
    } else placed(made.position, by);
  };
  /** Steps of the arrow keys are undone together, a drag alone. */
  const move = (x: number, y: number, byKey: boolean) => {
    setTold(undefined);
    write({ position: { x, y } }, byKey ? 'position' : ONE_STEP);
  };
  const read = () => {
    const stop = new AbortController();
    stopReading.current = stop;
    setTold(undefined);
    setProblem(undefined);
    setAsked(undefined);
    setReading({ best: undefined, stop: () => stop.abort() });
    readPosition((best) => setReading({ best, stop: () => stop.abort() }), stop.signal)
      .then(
        (by) => {
          void keepDeclination(by);
          take(by);
        },
        (error: Error) => !stop.signal.aborted && setProblem(writeLengths(error.message, system)),
      )
      .finally(() => setReading(undefined));
  };
  return (
    <section className="mt-4" aria-label="Where it stands">
      <h2 className="mb-1">Where it stands</h2>
      <p className="num">
        {position
          ? inWords(position, system)
          : fix
            ? 'Not on the plan yet; its position is kept.'
            : 'Not on the plan yet.'}
      </p>
      {position && (
        <PlaceView
          label={tree.label}
          position={position}
          site={site}
          system={system}
          onMove={mayMeasure ? move : undefined}
        />
      )}
      {mayMeasure && (
        <div className="flex flex-wrap gap-2 mt-2">
          {reading ? (
            <button type="button" className="quiet" onClick={reading.stop}>
              Stop
            </button>
          ) : (
            <button type="button" className="quiet" onClick={read}>
              Position from this device
            </button>
          )}
          {!position && fix && (others.length > 0 || (!places.placed && mayBegin)) && (
            <button type="button" className="quiet" onClick={() => take(fix)}>
              Put it where its position says
            </button>
          )}
          {asked && (
            <>
              <button type="button" className="act" onClick={() => placed(asked.to, asked.fix)}>
                Move it there
              </button>
              <button
                type="button"
                className="quiet"
                onClick={() => {
                  write({ fix: asked.fix });
                  setAsked(undefined);
                  setTold('Its place on the plan stays; the position is kept beside it.');
                }}
              >
                Keep its place
              </button>
            </>
          )}
        </div>
      )}
      {mayMeasure && (
        <Said
          lines={3}
          problem={problem}
          told={
            reading
              ? `Stand beside the stem… ${reading.best === undefined ? 'waiting for a position.' : `within ${long(reading.best)}, waiting for a better one.`}`
              : asked
                ? `By its position it stands ${long(asked.off)} from its place on the plan; the position is sure to ±\u00a0${long(asked.to.error)}.`
                : (told ?? (
                    <span className="text-sm text-muted">
                      Under a crown or beside walls a phone can be out by the width of a crown.
                    </span>
                  ))
          }
        />
      )}
    </section>
  );
}
