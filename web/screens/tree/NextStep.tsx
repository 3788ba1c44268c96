'use client';

import type { ReactNode } from 'react';
import type { StationProgress } from '@undrel/core/assessment';
import { PageLink } from '@/ui/PageLink';
import { useAlive } from '../../ui/controls/Entry';
import { STATIONS, type StationKey, type StationProps } from './visitEntry';

/** The next thing worth doing, and whether everything is saved. */
export function NextStep(
  props: Pick<StationProps, 'visitId' | 'treeId' | 'goTo'> & {
    progress: readonly StationProgress[];
    station: StationKey;
    children: ReactNode;
  },
) {
  const { progress, visitId, treeId, station, goTo } = props;
  const alive = useAlive();
  const order = STATIONS.map((s) => s.key);
  const after = [...order.slice(order.indexOf(station) + 1), ...order.slice(0, order.indexOf(station))];
  const open = after.find((key) => {
    const p = progress.find((row) => row.station === key);
    return p && p.answered < p.asked;
  });
  const next = station === 'verdict' ? 'prescription' : (open ?? 'verdict');
  const left = progress.find((p) => p.station === next);
  const label = STATIONS.find((s) => s.key === next)!.label;
  return (
    <div className="border-t-2 border-ink bg-wash px-4 lg:px-6 min-h-[66px] flex items-center gap-3">
      {station === 'prescription' ? (
        <PageLink className="act" href={`/trees/${treeId}/report?visit=${visitId}`}>
          Report
        </PageLink>
      ) : (
        <button type="button" className="act whitespace-nowrap" disabled={!alive} onClick={() => goTo(next)}>
          {label} next
        </button>
      )}
      <p className="text-sm flex-1 min-w-0 line-clamp-2 leading-tight invisible md:visible lg:invisible 2xl:visible">
        {station === 'prescription'
          ? 'preview, wording, issue'
          : left
            ? `${left.asked - left.answered} left to check at ${label}`
            : 'what it comes to'}
      </p>
      {props.children}
    </div>
  );
}
