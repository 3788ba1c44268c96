import { byLabel } from '@undrel/core/labels';
import { byUrgency } from '@undrel/core/walk';
import { useMemo, useState } from 'react';
import { PageLink } from '@/ui/PageLink';
import type { PropertyPage, TreeRow } from '../../protocol/grounds';
import { UrgencyLegend, UrgencyMark, urgencyLabel } from '../../ui/UrgencyMark';
import { PlanView } from '../property/PlanView';

/** Most urgent first, with what to do next and what changed since the visit before. */
export function Ranked({ page }: { page: PropertyPage }) {
  const [marked, setMarked] = useState<string>();
  const ranked = useMemo(
    () => [...page.trees].sort((a, b) => byUrgency(a.triage, b.triage) || byLabel(a.label, b.label)),
    [page.trees],
  );
  const counts = ranked.reduce<Record<string, number>>((all, t) => {
    all[t.triage.urgency] = (all[t.triage.urgency] ?? 0) + 1;
    return all;
  }, {});
  return (
    <main className="flex-1 lg:flex-none grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_600px] lg:grid-rows-[minmax(0,1fr)] lg:h-[calc(100dvh-138px)]">
      <div className="h-[44dvh] lg:h-auto border-b-2 lg:border-b-0 lg:border-r-2 border-ink flex flex-col min-h-0">
        <div className="flex-1 min-h-0">
          <PlanView
            trees={page.trees}
            outlines={page.plan}
            marked={marked}
            onMark={setMarked}
            placing={undefined}
            onPlace={() => undefined}
            mark={(t, r) => <UrgencyMark urgency={t.triage.urgency} r={r} />}
          />
        </div>
        <UrgencyLegend />
      </div>
      <div className="bg-sheet p-4 lg:px-6 lg:overflow-y-auto">
        <h1>
          {counts.now ?? 0} now, {counts.season ?? 0} this season, {counts.look ?? 0} to inspect closely
        </h1>
        <p className="text-muted text-sm mb-2">
          Ordered by what is lost on average if nothing is done, by the table of practice judgements. No risk
          assessment.
        </p>
        <ol>
          {ranked.map((t) => (
            <RankedTree key={t.id} tree={t} marked={marked} setMarked={setMarked} />
          ))}
        </ol>
      </div>
    </main>
  );
}

function RankedTree({
  tree,
  marked,
  setMarked,
}: {
  tree: TreeRow;
  marked: string | undefined;
  setMarked: (next: string | undefined) => void;
}) {
  return (
    <li
      className={`flex gap-3 items-start border-b border-hair py-2 ${tree.id === marked ? 'bg-wash' : ''}`}
      onMouseEnter={() => setMarked(tree.id)}
    >
      <svg width="22" height="22" viewBox="-11 -11 22 22" className="mt-1 shrink-0" aria-hidden="true">
        <UrgencyMark urgency={tree.triage.urgency} r={8} />
      </svg>
      <div className="flex-1 min-w-0">
        <PageLink href={`/trees/${tree.id}?station=verdict`} className="font-semibold">
          {tree.label}
        </PageLink>{' '}
        <span className="text-sm text-muted">{tree.commonName ?? tree.species}</span>
        <span className="block">
          {tree.triage.urgency === 'unseen' || tree.triage.urgency === 'fine' ? (
            <span className="text-muted">{urgencyLabel(tree.triage.urgency)}</span>
          ) : (
            <>
              <strong className={tree.triage.urgency === 'now' ? 'text-harm' : ''}>
                {urgencyLabel(tree.triage.urgency)}
              </strong>
              : {tree.triage.action} ({tree.triage.why})
            </>
          )}
        </span>
        {tree.before && (
          <span className="block text-sm">
            <span aria-hidden="true">↻ </span>on {tree.before.date} it was “
            {urgencyLabel(tree.before.urgency)}”{tree.before.urgency !== 'fine' && `: ${tree.before.action}`}
          </span>
        )}
      </div>
    </li>
  );
}
