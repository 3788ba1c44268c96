'use client';

import { RING } from '@undrel/core/vocabulary';
import { Marked } from './Marked';
import { PlaceInReport } from './PlaceInReport';
import { pictureWords, sideOf } from '../../protocol/pictureWords';
import type { Living } from '../../protocol/item';
/** Places of the eight sides in three rows, the stem in the middle. */
const GRID = [315, 0, 45, 270, undefined, 90, 225, 180, 135] as const;
/** The collar from eight sides, each with its picture or a place for one. */
export function CollarRing({
  mayMeasure,
  setTaking,
  ring,
  setOpen,
  ask,
  places,
}: {
  mayMeasure: boolean;
  setTaking: (next: boolean) => void;
  ring: Map<number, Living<'picture'>>;
  setOpen: (next: string | undefined) => void;
  ask: (bearing: number | undefined) => void;
  places: Map<string, number>;
}) {
  return (
    <section aria-label="Collar from eight sides" className="mb-6">
      <div className="flex flex-wrap items-baseline justify-between gap-3 max-w-[25rem]">
        <h2>Collar from eight sides</h2>
        {mayMeasure && (
          <button
            type="button"
            className="act"
            disabled={ring.size === RING.length}
            onClick={() => setTaking(true)}
          >
            Use the camera
          </button>
        )}
      </div>
      <ol className="grid grid-cols-3 gap-1 max-w-[25rem] mt-2">
        {GRID.map((bearing) => {
          if (bearing === undefined)
            return (
              <li key="stem" className="aspect-square flex items-center justify-center text-center">
                <span>
                  <strong className="num text-2xl block">{ring.size} of 8</strong>
                  <span className="text-sm text-muted">stem</span>
                </span>
              </li>
            );
          const there = ring.get(bearing);
          const from = sideOf(bearing);
          return (
            <li key={bearing} className="aspect-square relative">
              <button
                type="button"
                className="w-full h-full border border-ink bg-sheet overflow-hidden"
                disabled={!there && !mayMeasure}
                aria-label={there ? `Picture from ${from}` : `Take the picture from ${from}`}
                onClick={() => (there ? setOpen(there.id) : ask(bearing))}
              >
                {there ? (
                  <Marked
                    picture={there.values}
                    about={pictureWords(there.values)}
                    size="small"
                    preserveAspectRatio="xMidYMid slice"
                  />
                ) : (
                  <span className="text-3xl text-muted">+</span>
                )}
                <span className="absolute left-[1px] bottom-[1px] bg-paper px-1 font-bold">{from}</span>
              </button>
              {there && <PlaceInReport place={places.get(there.values.hash)} />}
            </li>
          );
        })}
      </ol>
      <p className="text-sm text-muted mt-1 max-w-[25rem]">
        Stand on that side, the whole collar in view. The work is proved by all eight.
      </p>
    </section>
  );
}
