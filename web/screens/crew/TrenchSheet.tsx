'use client';

import { useMemo, useState } from 'react';
import type { Site, Tree, TrenchDesign, Visit } from '@undrel/core/records';
import type { House } from '@undrel/core/house';
import {
  marksHold,
  orderOfWork,
  unsurePlace,
  type PlannedSpoke,
  type TrenchPlan,
} from '@undrel/core/trenching';
import {
  formatQuantity,
  formatValue,
  writeLengths,
  type UnitSystem,
  type Quantity,
} from '@undrel/core/units';
import { useToday, useVisitAsked } from '../../device/along/keptPage';
import { useCase } from '../../device/useCase';
import { itemsBelow, visitFrom } from '../../protocol/item';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { trenchDrawing } from '../../drawings/trenchPlan';
import { useMeasured, type MeasuredRef } from '../../ui/useMeasured';
import { usePreferences } from '../shell/preferences';
import { SheetBar } from './SheetBar';
import { useLaidOut } from '../tree/trenches/useTrenches';
import { TrenchTapes } from './TrenchTapes';

export interface TrenchSheetProps {
  treeId: string;
  items: string;
  visitId: string;
  property: string;
  house: House;
  site: Site;
  /** Who is signed in, for what is kept on the device. */
  person: string;
  today: string;
  /** The season that is shown first. */
  season: number;
}

const NONE: TrenchDesign = {};

/** One sheet for the crew: the spokes of a season with their tapes, what they take, the order of work and its hold points. */
export function TrenchSheet(props: TrenchSheetProps) {
  const { treeId, site, house } = props;
  const today = useToday(props.today, treeId);
  const { units: system } = usePreferences();
  const { items } = useCase(treeId, props.items, props.person);
  const visitId = useVisitAsked(props.visitId, items);
  const tree = items.find((i) => i.kind === 'tree')!.values as Tree;
  const visit = useMemo(() => {
    const item = itemsBelow(items, 'visit', treeId).find((v) => v.id === visitId)!;
    return visitFrom(items, item);
  }, [items, treeId, visitId]);
  const { trenches, problem } = useLaidOut({ tree, visit, site, house }, visit.trenches ?? NONE);
  const [asked, setSeason] = useState(props.season);
  const [figure, size] = useMeasured<HTMLElement>({ width: 520, height: 520 });
  const kinds = useMemo(() => new Map(site.things.map((t) => [t.name, t.kind])), [site]);
  const plan = trenches?.plan;
  const season = Math.min(asked, plan?.seasons ?? 1);
  const spokes = plan?.spokes.filter((s) => s.season === season) ?? [];
  const stem = (tree.stemDiameter ?? tree.dbh ?? 0) / 2;
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const marks = marksHold(visit.trenches?.marked, today);
  const quantities = trenches ? (trenches.bySeason[season - 1] ?? trenches.quantities) : [];
  return (
    <div className="min-h-dvh flex flex-col">
      <SheetBar
        label={tree.label}
        sheet="trenches, crew sheet"
        back={{ href: `/trees/${treeId}?station=trenches`, label: 'Trenches' }}
      />
      <main className="px-4 lg:px-8 py-4 max-w-[1100px] w-full mx-auto">
        {problem && (
          <p role="alert" className="wrong">
            The trenches could not be planned: {problem}
          </p>
        )}
        {!plan && !problem && <p role="status">Laying out…</p>}
        {plan && (
          <>
            <SheetHead
              tree={tree}
              spokes={spokes}
              plan={plan}
              season={season}
              property={props.property}
              visit={visit}
              short={short}
              setSeason={setSeason}
            />
            <MarksToldFirst marks={marks} tree={tree} system={system} />
            <div className="grid lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] print:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-4 items-start">
              <TrenchFigure
                figure={figure}
                plan={plan}
                spokes={spokes}
                kinds={kinds}
                stem={stem}
                system={system}
                size={size}
              />
              <div>
                <TrenchTapes tree={tree} site={site} spokes={spokes} stem={stem} system={system} />
              </div>
            </div>
            <div className="grid lg:grid-cols-2 print:grid-cols-2 gap-4 mt-4">
              <WhatItTakes quantities={quantities} system={system} />
              <InThisOrder plan={plan} spokes={spokes} system={system} />
            </div>
          </>
        )}
      </main>
    </div>
  );
}

function SheetHead({
  tree,
  spokes,
  plan,
  season,
  property,
  visit,
  short,
  setSeason,
}: {
  tree: Tree;
  spokes: PlannedSpoke[];
  plan: TrenchPlan;
  season: number;
  property: string;
  visit: Visit;
  short: (metres: number) => string;
  setSeason: (next: number) => void;
}) {
  return (
    <header className="border-b-2 border-ink pb-2 mb-3">
      <h1>
        {tree.label}: {spokes.length} {spokes.length === 1 ? 'trench' : 'trenches'}
        {plan.seasons > 1 && `, season ${season} of ${plan.seasons}`}
      </h1>
      <p className="text-muted">
        {property}, {tree.species}; as measured {visit.date}
        {visit.by && ` by ${visit.by}`}. Each {short(plan.rules.width)} wide and {short(plan.rules.depth)}{' '}
        deep. Bearings from true north.
      </p>
      {plan.seasons > 1 && (
        <div role="group" aria-label="Season" className="flex flex-wrap gap-1.5 mt-2 print:hidden">
          {Array.from({ length: plan.seasons }, (_, i) => (
            <button
              key={i}
              type="button"
              aria-pressed={season === i + 1}
              className={`min-h-[44px] px-4 border border-muted ${season === i + 1 ? 'bg-ink text-sheet' : 'bg-sheet'}`}
              onClick={() => setSeason(i + 1)}
            >
              Season {i + 1}
            </button>
          ))}
        </div>
      )}
    </header>
  );
}

function TrenchFigure({
  figure,
  plan,
  spokes,
  kinds,
  stem,
  system,
  size,
}: {
  figure: MeasuredRef<HTMLElement>;
  plan: TrenchPlan;
  spokes: PlannedSpoke[];
  kinds: Map<string, string>;
  stem: number;
  system: UnitSystem;
  size: { width: number; height: number };
}) {
  return (
    <figure ref={figure}>
      <DrawingSvg
        drawing={trenchDrawing({
          plan: { ...plan, spokes, seasons: 1 },
          kinds,
          stemRadius: stem || undefined,
          selected: undefined,
          system,
          width: size.width,
          height: size.width,
        })}
        title="Plan of the trenches of this season, numbered"
        className="w-full h-auto border border-ink"
      />
      <figcaption className="text-sm text-muted">True scale, north up.</figcaption>
    </figure>
  );
}

function WhatItTakes({ quantities, system }: { quantities: Quantity[]; system: UnitSystem }) {
  return (
    <section>
      <h2>What it takes</h2>
      <dl className="grid grid-cols-[1fr_auto] gap-x-3">
        {quantities.map((q) => (
          <div key={q.name} className="contents">
            <dt className="py-0.5">{q.name}</dt>
            <dd className="num text-right">{formatQuantity(q, system)}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function InThisOrder({
  plan,
  spokes,
  system,
}: {
  plan: TrenchPlan;
  spokes: PlannedSpoke[];
  system: UnitSystem;
}) {
  return (
    <section>
      <h2>In this order</h2>
      <ol className="list-decimal pl-5">
        {orderOfWork({ ...plan, spokes }).map((step) => (
          <li key={step.says} className="py-0.5">
            {step.hold && <strong className="text-harm">Hold: </strong>}
            {writeLengths(step.says, system)}
            {step.hold && (
              <span className="block border-b border-ink w-56 h-7 mb-1 text-sm text-muted">signed</span>
            )}
          </li>
        ))}
      </ol>
      <p className="text-sm text-muted mt-2">Local codes, permits and licensed practice come first.</p>
    </section>
  );
}

function MarksToldFirst({
  marks,
  tree,
  system,
}: {
  marks: { holds: boolean; says: string };
  tree: Tree;
  system: UnitSystem;
}) {
  return (
    <>
      <p
        className={`border-[3px] px-3 py-2 mb-3 text-lg font-bold ${marks.holds ? 'border-ink' : 'border-harm'}`}
        data-testid="marks"
      >
        {marks.says}
      </p>
      {tree.position?.error !== undefined && (
        <p className="border-[3px] border-harm px-3 py-2 mb-3 text-lg font-bold first-letter:uppercase">
          {writeLengths(unsurePlace(tree.position.error), system)}.
        </p>
      )}
    </>
  );
}
