'use client';

import { useState } from 'react';
import type { PicturePair } from '../../protocol/time';
import { Marked } from '../pictures/Marked';

/** Two pictures of the same from the same side, years apart: side by side, and one wiped over the other. */
export function SameSide({ pairs }: { pairs: readonly PicturePair[] }) {
  const [at, setAt] = useState(0);
  const [share, setShare] = useState(50);
  const pair = pairs[Math.min(at, pairs.length - 1)]!;
  const { before, after } = pair;
  return (
    <section aria-labelledby="same-side" className="my-6">
      <h2 id="same-side">Before and after, from the same side</h2>
      <label className="inline-block my-2 no-print">
        <span className="block text-sm">Which</span>
        <select value={at} onChange={({ target }) => setAt(Number(target.value))}>
          {pairs.map((p, i) => (
            <option key={p.before.hash} value={i}>
              {p.about}
            </option>
          ))}
        </select>
      </label>
      <div className="grid sm:grid-cols-2 gap-4">
        {[before, after].map((p) => (
          <figure key={p.hash}>
            <div className="border border-ink" style={{ aspectRatio: `${p.width} / ${p.height}` }}>
              <Marked picture={p} about={p.caption} size="page" />
            </div>
            <figcaption className="text-sm text-muted">{p.on}</figcaption>
          </figure>
        ))}
      </div>
      <figure className="my-3 max-w-[46rem] no-print">
        <div
          className="border border-ink relative"
          style={{ aspectRatio: `${before.width} / ${before.height}` }}
        >
          <Marked picture={before} about={before.caption} size="page" />
          <div className="absolute inset-0" style={{ clipPath: `inset(0 0 0 ${100 - share}%)` }}>
            <Marked picture={after} about={after.caption} size="page" preserveAspectRatio="xMidYMid slice" />
          </div>
        </div>
        <label className="block">
          <span className="text-sm">
            Wipe from {before.on} to {after.on}
          </span>
          <input
            type="range"
            className="w-full"
            min={0}
            max={100}
            value={share}
            onChange={({ target }) => setShare(Number(target.value))}
          />
        </label>
      </figure>
    </section>
  );
}
