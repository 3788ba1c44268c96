'use client';

import { Slider } from '../../ui/controls/Slider';
import { useRef, useState, type PointerEvent } from 'react';
import type { PictureAlignment } from '@undrel/core/records';
import type { PicturePair } from '../../protocol/time';
import { useAlive } from '../../ui/controls/Entry';
import { Said } from '../../ui/Said';
import { useMeasured } from '../../ui/useMeasured';
import { Marked } from '../pictures/Marked';
import { placeOn } from '../pictures/placeOn';
import { SheetOutline } from '../pictures/SheetOutline';
import { alignedBy } from './alignment';
import { Select } from '../../ui/controls/Select';

export type Align = (
  treeId: string,
  hash: string,
  aligned: PictureAlignment | undefined,
) => Promise<{ problem?: string }>;

type Spot = [number, number];
/** Places that were touched so far: in the earlier picture, and in the later one. */
interface Touched {
  there: Spot[];
  here: Spot[];
}
const NONE: Touched = { there: [], here: [] };
const COUNT = 4;

/** Two pictures of the same from the same side, years apart: side by side, and one wiped over the other. */
export function SameSide({
  treeId,
  pairs,
  align,
}: {
  treeId: string;
  pairs: readonly PicturePair[];
  align: Align | undefined;
}) {
  const [at, setAt] = useState(0);
  const [share, setShare] = useState(50);
  const [touched, setTouched] = useState<Touched>();
  const [problem, setProblem] = useState<string>();
  const [saving, setSaving] = useState(false);
  const alive = useAlive();
  const marked = [useRef<SVGSVGElement>(null), useRef<SVGSVGElement>(null)] as const;
  const pair = pairs[Math.min(at, pairs.length - 1)]!;
  const { before, after, aligned, byCards } = pair;
  const [frame, size] = useMeasured<HTMLDivElement>({ width: 640, height: 480 });
  const own = { width: size.width, height: (size.width * before.height) / before.width };
  const transform = aligned && alignedBy(aligned.there, aligned.here, own, size);
  const keep = async (next: PictureAlignment | undefined) => {
    setSaving(true);
    const answer = await align!(treeId, after.hash, next);
    setSaving(false);
    setProblem(answer.problem);
  };
  /** The same place in one picture after the other; the fourth pair aligns them, or says why not. */
  const touch = (which: 0 | 1, event: PointerEvent) => {
    if (!touched) return;
    const due = touched.there.length > touched.here.length ? 1 : 0;
    if (which !== due) return;
    const spot = placeOn(marked[which].current!, event);
    const next =
      due === 0
        ? { ...touched, there: [...touched.there, spot] }
        : { ...touched, here: [...touched.here, spot] };
    if (next.here.length < COUNT) return setTouched(next);
    setTouched(undefined);
    const { here, there } = next as unknown as Pick<PictureAlignment, 'here' | 'there'>;
    if (!alignedBy(there, here, own, size))
      return setProblem(
        'Three of the four places lie on a line. Touch four that are spread over the picture.',
      );
    void keep({ to: before.hash, here, there });
  };
  const count = touched ? touched.here.length + 1 : 0;
  return (
    <section aria-labelledby="same-side" className="my-6">
      <h2 id="same-side">Before and after, from the same side</h2>
      <Select
        label="Which"
        labelClass="inline-block my-2 no-print"
        className=""
        options={pairs.map((p, i) => ({ key: String(i), label: p.about }))}
        value={String(at)}
        onChange={(i) => {
          setAt(Number(i));
          setTouched(undefined);
          setProblem(undefined);
        }}
      />
      <div className="grid sm:grid-cols-2 gap-4">
        {([before, after] as const).map((p, i) => (
          <figure key={p.hash}>
            <div
              className={`border border-ink ${touched ? 'cursor-crosshair touch-none' : ''}`}
              style={{ aspectRatio: `${p.width} / ${p.height}` }}
            >
              <Marked
                ref={marked[i as 0 | 1]}
                picture={p}
                about={p.caption}
                size="page"
                onPointerDown={(event) => touch(i as 0 | 1, event)}
              >
                {touched && <SheetOutline picture={p} corners={i === 0 ? touched.there : touched.here} />}
              </Marked>
            </div>
            <figcaption className="text-sm text-muted">{p.on}</figcaption>
          </figure>
        ))}
      </div>
      {align && (
        <div className="no-print my-2">
          <div className="flex flex-wrap gap-3 items-center">
            <button
              type="button"
              className={touched ? 'act' : 'quiet'}
              aria-pressed={touched !== undefined}
              disabled={!alive || saving}
              onClick={() => {
                setProblem(undefined);
                setTouched(touched ? undefined : NONE);
              }}
            >
              Align the two
            </button>
            <button
              type="button"
              className="link min-h-[44px]"
              disabled={!alive || saving || !aligned || byCards}
              onClick={() => void keep(undefined)}
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
        </div>
      )}
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
    </section>
  );
}
