'use client';

import { Slider } from '../../ui/controls/Slider';
import { Said } from '../../ui/Said';
import { Marked } from '../pictures/Marked';
import type { PicturePair } from '../../protocol/time';
import { useState, type RefObject } from 'react';
type Spot = [number, number];
/** Places that were touched so far: in the earlier picture, and in the later one. */
export interface Touched {
  there: Spot[];
  here: Spot[];
}

export const COUNT = 4;

const NONE: Touched = { there: [], here: [] };
/** The two pictures brought over one another by four places that both show. */
export function Aligning({
  pair: { before, after, aligned, byCards },
  touched,
  problem,
  disabled,
  onBegin,
  onNone,
}: {
  pair: PicturePair;
  touched: Touched | undefined;
  problem: string | undefined;
  disabled: boolean;
  onBegin: (touched: Touched | undefined) => void;
  onNone: () => void;
}) {
  const count = touched ? touched.here.length + 1 : 0;
  return (
    <>
      <div className="flex flex-wrap gap-3 items-center">
        <button
          type="button"
          className={touched ? 'act' : 'quiet'}
          aria-pressed={touched !== undefined}
          disabled={disabled}
          onClick={() => onBegin(touched ? undefined : NONE)}
        >
          Align the two
        </button>
        <button
          type="button"
          className="link min-h-[44px]"
          disabled={disabled || !aligned || byCards}
          onClick={onNone}
        >
          Not aligned
        </button>
      </div>
      <Said
        lines={3}
        problem={problem}
        told={
          touched
            ? touched.there.length > touched.here.length
              ? `Now touch the same place in the picture of ${after.on}: ${count} of ${COUNT}.`
              : `Touch a place that both show, in the picture of ${before.on}: ${count} of ${COUNT}. A knot, a scar, the fork of a root; four spread wide.`
            : aligned
              ? byCards
                ? 'Aligned by the marker cards in both.'
                : 'Aligned by four places that both show.'
              : 'Not taken from quite the same spot? Four places that both show lay one over the other.'
        }
      />
    </>
  );
}

/** One picture over the other, wiped from side to side. */
export function Wipe({
  frame,
  after,
  own,
  transform,
  before,
}: {
  frame: RefObject<HTMLDivElement | null>;
  after: PicturePair['after'];
  own: { width: number; height: number };
  transform: string | undefined;
  before: PicturePair['after'];
}) {
  const [share, setShare] = useState(50);
  return (
    <figure className="my-3 max-w-[46rem] no-print">
      <div
        ref={frame}
        className="border border-ink relative overflow-hidden"
        style={{ aspectRatio: `${after.width} / ${after.height}` }}
      >
        <div
          data-testid="before-beneath"
          className="absolute left-0 top-0"
          style={{
            width: own.width,
            height: own.height,
            transformOrigin: '0 0',
            ...(transform && { transform }),
          }}
        >
          <Marked picture={before} about={before.caption} size="page" />
        </div>
        <div className="absolute inset-0" style={{ clipPath: `inset(0 0 0 ${100 - share}%)` }}>
          <Marked picture={after} about={after.caption} size="page" preserveAspectRatio="xMidYMid slice" />
        </div>
      </div>
      <div>
        <span className="text-sm">
          Wipe from {before.on} to {after.on}
        </span>
        <Slider
          label={`Wipe from ${before.on} to ${after.on}`}
          min={0}
          max={100}
          value={share}
          onChange={setShare}
        />
      </div>
    </figure>
  );
}
