'use client';

import { formatLength, shortUnit } from '@undrel/core/units';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { mulchNotice } from '../../drawings/mulchNotice';
import type { NoticeContent } from '../../protocol/notice';
import { usePreferences } from '../shell/preferences';

/** The notice as it is read and printed: one page. */
export function NoticeBody({ content: c }: { content: NoticeContent }) {
  const { units: system } = usePreferences();
  const long = (m: number) => formatLength(m, shortUnit(system), 0.005);
  return (
    <article className="max-w-2xl">
      <p className="text-muted">
        {c.firm}, {c.made}
      </p>
      <h1>Mulching and mowing at the trees of {c.property}</h1>
      <DrawingSvg
        drawing={mulchNotice(c.depth, c.clearance, system)}
        title="Mulch in a flat ring clear of the bark, and a cone on the bark crossed out"
        className="w-full h-auto my-3"
      />
      <p className="text-lg">
        Mulch lies flat, {long(c.depth)} thick, and ends {long(c.clearance)} before the bark. Where there is
        too much it goes outward, not up.
      </p>
      <h2 className="mt-4">Never</h2>
      <ul className="list-disc ml-5">
        {c.never.map((n) => (
          <li key={n}>{n}</li>
        ))}
      </ul>
      {c.trees.length > 0 && (
        <>
          <h2 className="mt-4">Trees that were treated</h2>
          <p>
            {c.trees
              .map((t) => `${t.label}${t.noFoodUntil ? ` (no fertiliser before ${t.noFoodUntil})` : ''}`)
              .join(', ')}
            .
          </p>
        </>
      )}
      {c.nextCheck && (
        <p className="mt-4">
          <strong>Next check: from {c.nextCheck} on.</strong>
        </p>
      )}
    </article>
  );
}
