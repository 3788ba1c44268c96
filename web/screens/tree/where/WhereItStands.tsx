'use client';

import { formatValue, type UnitSystem } from '@undrel/core/units';
import type { Tree } from '@undrel/core/records';
import { Said } from '../../../ui/Said';
import type { StationProps } from '../visitEntry';
import { PlaceView } from './PlaceView';
import { RESOLUTION, usePlacing } from './usePlacing';

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

/** Where the tree stands on the plan of its property: by hand, or by the position this phone reads beside it. */
export function WhereItStands(props: StationProps) {
  const { tree, site, system, mayMeasure } = props;
  const placing = usePlacing(props);
  const { position, fix } = tree;
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
          onMove={mayMeasure ? placing.move : undefined}
        />
      )}
      {mayMeasure && <PlaceActions tree={tree} placing={placing} system={system} />}
    </section>
  );
}

/** A position read from this device, and what becomes of it. */
function PlaceActions({
  tree: { position, fix },
  placing,
  system,
}: {
  tree: Tree;
  placing: ReturnType<typeof usePlacing>;
  system: UnitSystem;
}) {
  const { reading, read, asked, take, told } = placing;
  const long = (metres: number) => formatValue(metres, 'long length', system, RESOLUTION);
  return (
    <>
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
        {!position && fix && placing.mayPlace && (
          <button type="button" className="quiet" onClick={() => take(fix)}>
            Put it where its position says
          </button>
        )}
        {asked && (
          <>
            <button type="button" className="act" onClick={() => placing.placed(asked.to, asked.fix)}>
              Move it there
            </button>
            <button type="button" className="quiet" onClick={placing.keepPlace}>
              Keep its place
            </button>
          </>
        )}
      </div>
      <Said
        lines={3}
        problem={placing.problem}
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
    </>
  );
}
