'use client';

import { memo } from 'react';
import type { Tree, Visit } from '@undrel/core/records';
import type { MeasuredRef } from '../../ui/useMeasured';
import type { CutStage } from '@undrel/core/prescription';
import { type RootAdvice } from '@undrel/core/pruning';
import type { DigWork } from '../tree/dig/useDig';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import type { Drawing } from '../../drawings/shapes';

/** How much is cut, at which stage, and on what it rests. */
export function CrewHead({
  tree,
  work,
  cutRoots,
  stage,
  stages,
  at,
  setAt,
  property,
  visit,
}: {
  tree: Tree;
  work: DigWork;
  cutRoots: RootAdvice[];
  stage: CutStage | undefined;
  stages: CutStage[];
  at: number;
  setAt: (next: number) => void;
  property: string;
  visit: Visit;
}) {
  return (
    <header className="border-b-2 border-ink pb-2 mb-3">
      <h1>
        {tree.label}:{' '}
        {work.cuts.length === 0
          ? 'no cuts this season'
          : `${work.cuts.length} ${work.cuts.length === 1 ? 'cut' : 'cuts'} on ${cutRoots.length} ${cutRoots.length === 1 ? 'root' : 'roots'}`}
        {stage && stages.length > 1 && `, stage ${stage.stage}, ${stage.on ?? stage.year}`}
      </h1>
      {stages.length > 1 && (
        <nav aria-label="Stages of the cut plan" className="flex flex-wrap gap-2 my-1 no-print">
          {stages.map((s) => (
            <button
              key={s.stage}
              type="button"
              className={`min-h-[44px] px-4 border border-muted ${s.stage === at ? 'bg-ink text-sheet' : 'bg-sheet'}`}
              aria-pressed={s.stage === at}
              onClick={() => setAt(s.stage)}
            >
              Stage {s.stage}, {s.on ?? s.year}
            </button>
          ))}
        </nav>
      )}
      <p className="text-muted">
        {property}, {tree.species}; dig of {visit.date}
        {visit.by && ` by ${visit.by}`}. Bearings from true north; tape from the bark to the middle of the
        root.
      </p>
    </header>
  );
}

/** What is seen to before a cut, and while it is made. */
export const CutCautions = memo(function CutCautions() {
  return (
    <div className="text-sm border-l-4 border-harm pl-3 my-3 space-y-1">
      <p>
        Before anything is cut a qualified person assesses the tree’s stability. Clear the target area; stop
        in high wind or on saturated ground. Utilities located, hand-dig near marks.
      </p>
      <p>Air tool: eyes, face, ears, dust mask; bystanders away; tool grounded; hose secured.</p>
      <p>
        Cut clean with a sharp saw, at the number; what has grown into the bark stays in. Roots left open are
        kept moist and shaded; the pit is fenced. Local codes and permits come first.
      </p>
    </div>
  );
});

/** The plan with its cuts numbered. */
export const CutsFigure = memo(function CutsFigure({
  figure,
  plan,
}: {
  figure: MeasuredRef<HTMLElement>;
  plan: Drawing;
}) {
  return (
    <figure ref={figure}>
      <DrawingSvg
        drawing={plan}
        title="Plan of the roots with the cuts numbered"
        className="w-full h-auto border border-ink"
      />
      <figcaption className="text-sm text-muted">
        True scale, north up. Roots with a line along them stay.
      </figcaption>
    </figure>
  );
});
