'use client';

import { useMemo } from 'react';
import type { Dig, Tree } from '@undrel/core/records';
import { grownDig, type StemRate } from '@undrel/core/growth';
import { cutsFor, type CutRoot } from '@undrel/core/pruning';
import type { DigReading } from '@undrel/core/roots';
import type { UnitSystem } from '@undrel/core/units';
import { digPlanDrawing, fittingView } from '../../../drawings/digPlan';
import { DrawingSvg } from '../../../drawings/DrawingSvg';
import type { Drawing } from '../../../drawings/shapes';
import { useMeasured } from '../../../ui/useMeasured';
import { PickList } from '../../../ui/controls/Select';
import type { Moment } from './moments';

const COMPACT_BELOW = 420;
/** Room about the choice of the time, pixels. */
const MARGIN = 16;
const FULL_CIRCLE = 360;

/** The dig with the cuts of a stage, or as it will be some years on with and without them. */
export function CutPlanView(props: {
  dig: Dig;
  reading: DigReading;
  stem: StemRate;
  tree: Tree;
  roots: readonly CutRoot[];
  moments: readonly Moment[];
  at: number;
  onAt: (index: number) => void;
  /** Whether it is known which times there are to choose from; until then their place is kept. */
  settled: boolean;
  system: UnitSystem;
}) {
  const { dig, reading, stem, tree, roots, moments, at, system } = props;
  const [box, size, known] = useMeasured<HTMLDivElement>({ width: 632, height: 752 });
  const [over, taken] = useMeasured<HTMLDivElement>({ width: 420, height: 44 });
  const moment = moments[at] ?? moments[0]!;
  const grown = useMemo(() => grownDig(reading, moment.years, stem, moment.cuts), [reading, moment, stem]);
  const dbh = tree.dbh ?? tree.stemDiameter;
  const cuts = useMemo(
    () =>
      roots
        .filter((r) => r.stage !== undefined && r.stage === moment.stage)
        .flatMap((r) => {
          const root = reading.roots.find((x) => x.root.label === r.label)!;
          return cutsFor(root, reading, dbh, stem).map((cut) => ({ label: r.label, cut }));
        })
        .sort((a, b) => a.cut.bearing - b.cut.bearing)
        .map((c, i) => ({ ...c, number: i + 1 })),
    [roots, moment.stage, reading, dbh, stem],
  );
  const never = roots.filter((r) => r.anchor && r.stage === undefined).map((r) => r.label);
  const compact = size.width < COMPACT_BELOW;
  const drawing = useMemo(
    (): Drawing => {
      if (!known) return { ...size, shapes: [] };
      return digPlanDrawing({
        reading,
        ...grown,
        view: fittingView(reading, size.width, size.height),
        ...size,
        system,
        dbh,
        decay: dig.decay,
        barriers: dig.barriers,
        cuts,
        never,
        compact,
        corner: { width: taken.width + MARGIN, height: taken.height + MARGIN },
      });
    },
    // `never` is made anew with roots.
    // oxlint-disable-next-line react/exhaustive-deps
    [reading, grown, size, known, system, dbh, dig, cuts, roots, compact, taken],
  );
  const gone = Object.entries(moment.cuts).filter(([, year]) => year <= moment.years);
  const title = `Plan of the roots, ${moment.label}: ${Math.round(100 * grown.share)}% of the bark is compressed${
    gone.length > 0 ? `; gone: ${gone.map(([label]) => label).join(', ')}` : ''
  }${cuts.length > 0 ? `; ${cuts.length} cuts: ${cuts.map((c) => `${c.number} root ${c.label} at ${Math.round(c.cut.bearing) % FULL_CIRCLE}°`).join(', ')}` : ''}.`;
  return (
    <div ref={box} className="relative h-full w-full overflow-hidden bg-paper" data-testid="cut-plan">
      <DrawingSvg drawing={drawing} title={title} />
      <div ref={over} className="absolute left-2 lg:left-3 top-2 max-w-[calc(100%-76px)]">
        <label className="lg:hidden">
          <span className="sr-only">When to check it</span>
          <PickList
            aria-label="Review the plan"
            className="text-sm"
            options={moments.map((m, i) => ({ key: String(i), label: m.label }))}
            disabled={!props.settled}
            value={String(at)}
            onChange={(i) => props.onAt(Number(i))}
          />
        </label>
        {props.settled && <MomentButtons moments={moments} at={at} onAt={props.onAt} />}
      </div>
    </div>
  );
}

function MomentButtons({
  moments,
  at,
  onAt,
}: {
  moments: readonly Moment[];
  at: number;
  onAt: (index: number) => void;
}) {
  return (
    <div role="group" aria-label="When to check it" className="hidden lg:flex flex-wrap gap-1.5">
      {moments.map((m, i) => (
        <button
          key={m.label}
          type="button"
          aria-pressed={i === at}
          className={`min-h-[44px] px-3 border border-muted text-sm ${i === at ? 'bg-ink text-sheet' : 'bg-sheet'}`}
          onClick={() => onAt(i)}
        >
          {m.label}
        </button>
      ))}
    </div>
  );
}
