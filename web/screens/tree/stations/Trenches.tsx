'use client';

import { idOf, type TrenchDesign } from '@undrel/core/records';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { obstacleKind } from '@undrel/core/practice';
import { openedShare } from '@undrel/core/trenching';
import { formatValue, writeLengths, percent } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { DRAWING_PANE, EntryColumn } from '../EntryColumn';
import { Entry } from '../../../ui/controls/Entry';
import { QuantityView } from '../../../ui/controls/QuantityView';
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

const NONE: TrenchDesign = {};
/** The trenches: spokes laid out for this tree on this ground, turned, locked and taken out by hand. */
export function Trenches({ foot, ...station }: StationProps & { foot: ReactNode }) {
  const { control, visitId, visit, tree, treeId, treeItem, system, site } = station;
  const { mayMeasure, mayJudge, today } = station;
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
  const long = (metres: number) => formatValue(metres, 'long length', system);
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const stem = (tree.stemDiameter ?? tree.dbh ?? 0) / 2;
  const utilities = site.things.filter((t) => obstacleKind(t.kind).utility);
  const notes = writeLengths(plan?.notes.join('; ') ?? '', system);
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
          {trenches && plan && (
            <>
              <div className="flex items-baseline gap-4 my-2" aria-busy={working}>
                <p className="num text-5xl font-bold whitespace-nowrap" data-testid="opened">
                  {percent(openedShare(plan))}
                </p>
                <p>
                  of the compacted soil lies within {short(plan.zone.opened)} of a trench:{' '}
                  {plan.spokes.length} radial trenches, {long(plan.layout.length)} in all,{' '}
                  {percent(plan.disturbed)} of the root zone dug
                  {plan.seasons > 1 ? ` in ${plan.seasons} seasons` : ''}.
                </p>
              </div>
              {plan.blocked && (
                <p role="alert" className="wrong my-2">
                  {plan.blocked} Compare the other ways below.
                </p>
              )}
              {plan.layout.refused.map((r) => (
                <p key={r.bearing} role="alert" className="wrong my-2">
                  Locked trench at {Math.round(r.bearing)}°: {r.why}.{' '}
                  {mayMeasure && (
                    <button
                      type="button"
                      className="link"
                      onClick={() => set({ locked: without(design.locked, r.bearing) }, 'locked')}
                    >
                      Unlock it
                    </button>
                  )}
                </p>
              ))}
              {plan.missing.length > 0 && (
                <p className="told my-2">
                  Not known: {plan.missing.join(', ')}. {notes}.
                </p>
              )}
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
              {plan.spokes.length > 0 && (
                <section className="my-3">
                  <h2>Quantities</h2>
                  <dl className="grid grid-cols-[1fr_auto] gap-x-3 items-center">
                    {trenches.quantities.map((q) => (
                      <div key={q.name} className="contents">
                        <dt>{q.name}</dt>
                        <dd className="text-right">
                          <QuantityView quantity={q} system={system} />
                        </dd>
                      </div>
                    ))}
                  </dl>
                </section>
              )}
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
                <PageLink
                  className="act inline-flex"
                  href={`/trees/${treeId}/crew/trenches?visit=${visitId}`}
                >
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
          )}
        </Entry>
      </EntryColumn>
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
