'use client';

import { useRef, useState, type PointerEvent, type RefObject } from 'react';
import type { PictureAlignment } from '@undrel/core/records';
import type { PicturePair } from '../../protocol/time';
import { useAlive } from '../../ui/controls/Entry';
import { useMeasured } from '../../ui/useMeasured';
import { Marked } from '../pictures/Marked';
import { placeOn } from '../pictures/placeOn';
import { SheetOutline } from '../pictures/SheetOutline';
import { alignedBy } from './alignment';
import { Select } from '../../ui/controls/Select';
import { Aligning, COUNT, Wipe, type Touched } from './SameSideParts';

export type Align = (
  treeId: string,
  hash: string,
  aligned: PictureAlignment | undefined,
) => Promise<{ problem?: string }>;

interface SameSideProps {
  treeId: string;
  pairs: readonly PicturePair[];
  align: Align | undefined;
}

/** Two pictures of the same from the same side, years apart: side by side, and one wiped over the other. */
export function SameSide({ treeId, pairs, align }: SameSideProps) {
  const [at, setAt] = useState(0);
  const [touched, setTouched] = useState<Touched>();
  const [problem, setProblem] = useState<string>();
  const [saving, setSaving] = useState(false);
  const alive = useAlive();
  const marked = [useRef<SVGSVGElement>(null), useRef<SVGSVGElement>(null)] as const;
  const pair = pairs[Math.min(at, pairs.length - 1)]!;
  const { before, after, aligned } = pair;
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
      <BothPictures before={before} after={after} touched={touched} marked={marked} touch={touch} />
      {align && (
        <div className="no-print my-2">
          <Aligning
            pair={pair}
            touched={touched}
            problem={problem}
            disabled={!alive || saving}
            onBegin={(begun) => {
              setProblem(undefined);
              setTouched(begun);
            }}
            onNone={() => void keep(undefined)}
          />
        </div>
      )}
      <Wipe frame={frame} after={after} own={own} transform={transform} before={before} />
    </section>
  );
}

function BothPictures({
  before,
  after,
  touched,
  marked,
  touch,
}: {
  before: PicturePair['after'];
  after: PicturePair['after'];
  touched: Touched | undefined;
  marked: readonly [RefObject<SVGSVGElement | null>, RefObject<SVGSVGElement | null>];
  touch: (which: 0 | 1, event: PointerEvent) => void;
}) {
  return (
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
  );
}
