'use client';

import { idOf, type TrenchDesign } from '@undrel/core/records';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { obstacleKind } from '@undrel/core/practice';
import { writeLengths, type UnitSystem, type Quantity } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { DRAWING_PANE, EntryColumn } from '../EntryColumn';
import { Entry } from '../../../ui/controls/Entry';
import { QuantityList } from '../../../ui/controls/QuantityList';
import { apart, without } from '../trenches/bearings';
import { SiteThings } from '../trenches/SiteThings';
import { Spokes } from '../trenches/Spokes';
import { SpokeSection } from '../trenches/SpokeSection';
import { TrenchAlternatives } from '../trenches/TrenchAlternatives';
import { TrenchMeasured } from '../trenches/TrenchMeasured';
import { TrenchSchool } from '../trenches/TrenchSchool';
import { TrenchFiles } from '../trenches/TrenchFiles';
import { TrenchPlanView, type Drawn } from '../trenches/TrenchPlanView';
import { TrenchWork } from '../trenches/TrenchWork';
import { useLaidOut } from '../trenches/useTrenches';
import type { StationProps } from '../visitEntry';
import { TrenchHeadline } from '../trenches/TrenchHeadline';
import type { Trenches as TrenchesLaid } from '@undrel/core/trenching';

const NONE: TrenchDesign = {};
/** The trenches: spokes laid out for this tree on this ground, turned, locked and taken out by hand. */
export function Trenches({ foot, ...station }: StationProps & { foot: ReactNode }) {
  const { system, mayMeasure } = station;
  const hand = useTrenchHand(station);
  const { trenches, problem, kinds, stem, selected, drawn, setDrawn, setChosen, lock } = hand;
  const plan = trenches?.plan;
  const focused = useFocusKept(selected?.label);

  return (
    <>
      <div ref={focused} className={`${DRAWING_PANE} bg-paper`}>
        {plan && (
          <TrenchPlanView
            plan={plan}
            kinds={kinds}
            stemRadius={stem || undefined}
            selected={selected?.label}
            system={system}
            editable={mayMeasure}
            drawn={drawn}
            onDrawn={setDrawn}
            onSelect={(label) => setChosen(plan.spokes.find((s) => s.label === label)?.bearing)}
            onTurn={(spoke, bearing) => lock(bearing, spoke.bearing)}
          />
        )}
      </div>
      <EntryColumn foot={foot}>
        <Entry>
          <h1>Trenches</h1>
          {problem && (
            <p role="alert" className="wrong my-2">
              The trenches could not be planned: {problem}
            </p>
          )}
          {!trenches && !problem && <p role="status">Laying out…</p>}
          {trenches && plan && <LaidOut hand={hand} trenches={trenches} />}
        </Entry>
      </EntryColumn>
    </>
  );
}

/** What is planned here, which trench is chosen, and how both are changed. */
function useTrenchHand(station: StationProps) {
  const { control, visitId, visit, tree, site } = station;
  const design = visit.trenches ?? NONE;
  const { trenches, working, problem } = useLaidOut(station, design);
  const [drawn, setDrawn] = useState<readonly Drawn[] | undefined>(undefined);
  const [chosen, setChosen] = useState<number | undefined>(undefined);
  const kinds = useMemo(() => new Map(site.things.map((t) => [t.name, t.kind])), [site]);
  const plan = trenches?.plan;
  const selected = plan?.spokes.find((s) => chosen !== undefined && apart(s.bearing, chosen) < 0.5);
  const set = (change: Partial<TrenchDesign>, field: string) =>
    control.set('trenches', idOf('trenches', visitId), visitId, { ...design, ...change }, field);
  const lock = (bearing: number, instead?: number) => {
    const kept = instead === undefined ? design.locked : without(design.locked, instead);
    set(
      { locked: [...(without(kept, bearing) ?? []), bearing], avoid: without(design.avoid, bearing) },
      'locked',
    );
    setChosen(bearing);
  };
  const stem = (tree.stemDiameter ?? tree.dbh ?? 0) / 2;
  return {
    station,
    design,
    trenches,
    working,
    problem,
    kinds,
    stem,
    selected,
    drawn,
    setDrawn,
    setChosen,
    set,
    lock,
  };
}

/** What the plan comes to: its trenches, what they keep clear of, what they take, and other ways. */
function LaidOut({ hand, trenches }: { hand: ReturnType<typeof useTrenchHand>; trenches: TrenchesLaid }) {
  const { station, design, working, stem, selected, drawn, setDrawn, setChosen, set, lock } = hand;
  const { control, visit, tree, treeId, treeItem, system, site, mayMeasure, mayJudge } = station;
  const { plan } = trenches;
  const notes = writeLengths(plan.notes.join('; '), system);
  return (
    <>
      <TrenchHeadline
        system={system}
        disabled={!mayMeasure}
        working={working}
        plan={plan}
        set={set}
        design={design}
        notes={notes}
      />
      <Spokes
        plan={plan}
        design={design}
        selected={selected}
        stemRadius={stem}
        system={system}
        disabled={!mayMeasure}
        onSelect={setChosen}
        onLock={lock}
        onChange={set}
      />
      {selected && (
        <SpokeSection
          plan={plan}
          spoke={selected}
          slope={design.slope}
          stemRadius={stem}
          compost={trenches.compost}
          pushes={visit.pushes}
          system={system}
        />
      )}
      <TrenchSchool
        plan={plan}
        other={trenches.other}
        chosenBy={trenches.school.chosenBy}
        disabled={!mayJudge}
        onTake={(school) =>
          control.set('tree', treeId, treeItem.parent, {
            ...tree,
            schools: { ...tree.schools, trenches: school },
          })
        }
      />
      <SiteThings
        site={site}
        propertyId={station.treeItem.parent}
        position={tree.position}
        drawn={drawn}
        onDraw={setDrawn}
        system={system}
        disabled={!mayMeasure}
      />
      <TrenchMeasured
        design={design}
        tree={tree}
        notes={notes}
        system={system}
        disabled={!mayMeasure}
        onChange={set}
        onTree={(change, field) =>
          control.set('tree', treeId, treeItem.parent, { ...tree, ...change }, field)
        }
      />
      <TrenchWays hand={hand} trenches={trenches} />
    </>
  );
}

/** What the trenches take, other ways, and the work itself with its papers. */
function TrenchWays({ hand, trenches }: { hand: ReturnType<typeof useTrenchHand>; trenches: TrenchesLaid }) {
  const { station, design, kinds, stem, set } = hand;
  const { visitId, tree, treeId, system, site, mayMeasure, mayJudge, today } = station;
  const { plan } = trenches;
  const utilities = site.things.filter((t) => obstacleKind(t.kind).utility);
  return (
    <>
      {plan.spokes.length > 0 && <Quantities quantities={trenches.quantities} system={system} />}
      <TrenchAlternatives
        alternatives={trenches.alternatives}
        choice={design.choice}
        disabled={!mayJudge}
        onChoose={(choice) => set({ choice }, 'choice')}
      />
      <TrenchWork
        plan={plan}
        utilities={utilities.map((u) => u.name)}
        propertyId={station.treeItem.parent}
        position={tree.position}
        marked={design.marked}
        today={today}
        system={system}
        disabled={!mayMeasure}
        onMarked={(marked) => set({ marked }, 'marked')}
      />
      {plan.spokes.length > 0 && (
        <PageLink className="act inline-flex" href={`/trees/${treeId}/crew/trenches?visit=${visitId}`}>
          Crew sheet
        </PageLink>
      )}
      <TrenchFiles
        name={`${tree.label.replace(/[^\w-]+/g, '-').toLowerCase()}-trenches`}
        plan={plan}
        kinds={kinds}
        stemRadius={stem || undefined}
        system={system}
      />
    </>
  );
}

/** A spoke that was turned by keys may get another number: the focus goes with it. */
function useFocusKept(label: string | undefined) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (label === undefined || !box.current?.contains(document.activeElement)) return;
    box.current
      .querySelector<SVGGElement>(`[aria-label^="Trench ${label} at "]`)
      ?.focus({ preventScroll: true });
  }, [label]);
  return box;
}

function Quantities({ quantities, system }: { quantities: readonly Quantity[]; system: UnitSystem }) {
  return (
    <section className="my-3">
      <h2>Quantities</h2>
      <QuantityList quantities={quantities} system={system} />
    </section>
  );
}
