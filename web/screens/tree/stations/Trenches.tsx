'use client';

import Link from 'next/link';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { TrenchDesign } from '@undrel/core/casefile';
import { isStressed } from '@undrel/core/pruning';
import { obstacleKind } from '@undrel/core/practice';
import { openedShare, type PlannedSpoke, type TrenchPlan } from '@undrel/core/trenching';
import { formatValue, writeLengths } from '@undrel/core/units';
import { trenchesId } from '../../../protocol/item';
import { BearingInput } from '../../../ui/controls/BearingInput';
import { Entry } from '../../../ui/controls/Entry';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { QuantityView } from '../../../ui/controls/QuantityView';
import { SiteThings } from '../trenches/SiteThings';
import { TrenchAlternatives } from '../trenches/TrenchAlternatives';
import { TrenchFiles } from '../trenches/TrenchFiles';
import { TrenchPlanView } from '../trenches/TrenchPlanView';
import { TrenchWork } from '../trenches/TrenchWork';
import { useTrenches } from '../trenches/useTrenches';
import type { StationProps } from '../visitEntry';
import { NumberInput } from './NumberInput';

const NONE: TrenchDesign = {};
const percent = (share: number) => `${Math.round(100 * share)} %`;
const apart = (a: number, b: number) => Math.min((a - b + 720) % 360, (b - a + 720) % 360);

/** The trenches: spokes laid out for this tree on this ground, turned, locked and taken out by hand. */
export function Trenches({ top, foot, ...station }: StationProps & { top: ReactNode; foot: ReactNode }) {
  const { control, visitId, visit, tree, treeId, treeItem, system, site, firmSchools } = station;
  const { mayMeasure, mayJudge, today } = station;
  const design = visit.trenches ?? NONE;
  const stressed = useMemo(() => isStressed(visit), [visit]);
  const { trenches, working, problem } = useTrenches({
    tree,
    date: visit.date,
    findings: visit.findings,
    design,
    dig: visit.dig,
    pushes: visit.pushes,
    site,
    firm: firmSchools,
    stressed,
  });
  const [chosen, setChosen] = useState<number | undefined>(undefined);
  const kinds = useMemo(() => new Map(site.things.map((t) => [t.name, t.kind])), [site]);
  const plan = trenches?.plan;
  const selected = plan?.spokes.find((s) => chosen !== undefined && apart(s.bearing, chosen) < 0.5);
  const set = (change: Partial<TrenchDesign>, field: string) =>
    control.set('trenches', trenchesId(visitId), visitId, { ...design, ...change }, field);
  const without = (list: readonly number[] | undefined, bearing: number) => {
    const left = (list ?? []).filter((b) => apart(b, bearing) > 0.5);
    return left.length > 0 ? left : undefined;
  };
  const lock = (bearing: number, instead?: number) => {
    const kept = instead === undefined ? design.locked : without(design.locked, instead);
    set(
      { locked: [...(without(kept, bearing) ?? []), bearing], avoid: without(design.avoid, bearing) },
      'locked',
    );
    setChosen(bearing);
  };
  const takeOut = (spoke: PlannedSpoke) => {
    set(
      {
        locked: without(design.locked, spoke.bearing),
        avoid: [...(design.avoid ?? []), Math.round(spoke.bearing) % 360],
      },
      'avoid',
    );
    setChosen(undefined);
  };
  const long = (metres: number) => formatValue(metres, 'long length', system);
  const short = (metres: number) => formatValue(metres, 'short length', system);
  const stem = (tree.stemDiameter ?? tree.dbh ?? 0) / 2;
  const utilities = site.things.filter((t) => obstacleKind(t.kind).utility);
  const notes = writeLengths(plan?.notes.join('; ') ?? '', system);
  const focused = useFocusKept(selected?.label);

  return (
    <>
      <div
        ref={focused}
        className="row-start-1 lg:col-start-2 min-h-0 border-b-2 lg:border-b-0 lg:border-x-2 border-ink bg-paper"
      >
        {plan && (
          <TrenchPlanView
            plan={plan}
            kinds={kinds}
            crownRadius={tree.crownRadius}
            stemRadius={stem || undefined}
            selected={selected?.label}
            system={system}
            editable={mayMeasure}
            onSelect={(label) => setChosen(plan.spokes.find((s) => s.label === label)?.bearing)}
            onTurn={(spoke, bearing) => lock(bearing, spoke.bearing)}
          />
        )}
      </div>
      <div className="min-h-0 flex flex-col bg-sheet">
        <div
          id="entry"
          className="relative flex-1 overflow-y-auto px-4 lg:px-6 py-4"
          tabIndex={0}
          role="region"
          aria-label="Entry"
        >
          {top}
          <Entry>
            <h1>Trenches</h1>
            {problem && (
              <p role="alert" className="wrong my-2">
                The trenches could not be laid out: {problem}
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
                    of the tight soil lies within {short(plan.zone.opened)} of a trench: {plan.spokes.length}{' '}
                    spokes, {long(plan.layout.length)} in all, {percent(plan.disturbed)} of the root zone dug
                    {plan.seasons > 1 ? ` in ${plan.seasons} seasons` : ''}.
                  </p>
                </div>
                {plan.blocked && (
                  <p role="alert" className="wrong my-2">
                    {plan.blocked} Weigh the other ways below.
                  </p>
                )}
                {plan.layout.refused.map((r) => (
                  <p key={r.bearing} role="alert" className="wrong my-2">
                    Locked spoke at {Math.round(r.bearing)}°: {r.why}.{' '}
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
                {plan.spokes.length > 0 && (
                  <table className="w-full my-2" aria-label="Spokes">
                    <thead>
                      <tr>
                        <th scope="col">spoke</th>
                        <th scope="col" className="text-right">
                          bearing
                        </th>
                        <th scope="col" className="text-right">
                          from bark
                        </th>
                        <th scope="col" className="text-right">
                          run
                        </th>
                        <th scope="col">ended by</th>
                      </tr>
                    </thead>
                    <tbody>
                      {plan.spokes.map((s) => (
                        <SpokeRow
                          key={s.label}
                          spoke={s}
                          seasons={plan.seasons}
                          chosen={s === selected}
                          from={long(s.from - stem)}
                          run={long(s.length)}
                          onSelect={() => setChosen(s === selected ? undefined : s.bearing)}
                        />
                      ))}
                    </tbody>
                  </table>
                )}
                {selected && mayMeasure && (
                  <div
                    className="flex flex-wrap gap-2 my-2"
                    role="group"
                    aria-label={`Spoke ${selected.label}`}
                  >
                    {selected.locked ? (
                      <button
                        type="button"
                        className="quiet"
                        onClick={() => set({ locked: without(design.locked, selected.bearing) }, 'locked')}
                      >
                        Unlock
                      </button>
                    ) : (
                      <button type="button" className="quiet" onClick={() => lock(selected.bearing)}>
                        Lock at {Math.round(selected.bearing)}°
                      </button>
                    )}
                    <button type="button" className="quiet" onClick={() => takeOut(selected)}>
                      Take out
                    </button>
                  </div>
                )}
                {mayMeasure && (
                  <AddSpoke
                    onAdd={(bearing) => lock(bearing)}
                    avoid={design.avoid ?? []}
                    onBack={(bearing) => set({ avoid: without(design.avoid, bearing) }, 'avoid')}
                  />
                )}
                <School
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
                  system={system}
                  disabled={!mayMeasure}
                />
                <section className="my-3">
                  <h2>Measured here</h2>
                  <div className="grid grid-cols-2 gap-x-3">
                    <LengthInput
                      field="holeRadius"
                      label="Hole edge from the centre"
                      system={system}
                      value={design.holeRadius}
                      disabled={!mayMeasure}
                      onChange={(holeRadius) => set({ holeRadius }, 'holeRadius')}
                    />
                    <LengthInput
                      field="crownRadius"
                      label="Crown radius"
                      system={system}
                      value={tree.crownRadius}
                      disabled={!mayMeasure}
                      onChange={(crownRadius) =>
                        control.set('tree', treeId, treeItem.parent, { ...tree, crownRadius }, 'crownRadius')
                      }
                    />
                  </div>
                  <NumberInput
                    label="Ground falls"
                    unit="%"
                    min={0}
                    max={100}
                    value={design.slope && Number((100 * design.slope.fall).toFixed(1))}
                    disabled={!mayMeasure}
                    onChange={(value) =>
                      set(
                        {
                          slope:
                            value === undefined
                              ? undefined
                              : { fall: value / 100, toward: design.slope?.toward ?? 0 },
                        },
                        'slope.fall',
                      )
                    }
                  />
                  {design.slope && (
                    <BearingInput
                      label="Falls toward"
                      value={design.slope.toward}
                      disabled={!mayMeasure}
                      onChange={(toward) =>
                        toward !== undefined && set({ slope: { ...design.slope!, toward } }, 'slope.toward')
                      }
                    />
                  )}
                  <p className="text-sm text-muted">{notes}.</p>
                </section>
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
                  <Link
                    className="act inline-flex"
                    href={`/trees/${treeId}/crew/trenches?visit=${visitId}`}
                    prefetch={false}
                  >
                    Crew sheet
                  </Link>
                )}
                <TrenchFiles
                  name={`${tree.label.replace(/[^\w-]+/g, '-').toLowerCase()}-trenches`}
                  plan={plan}
                  kinds={kinds}
                  crownRadius={tree.crownRadius}
                  stemRadius={stem || undefined}
                  system={system}
                />
              </>
            )}
          </Entry>
        </div>
        {foot}
      </div>
    </>
  );
}

/** A spoke that was turned by keys may get another number: the focus goes with it. */
function useFocusKept(label: string | undefined) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (label === undefined || !box.current?.contains(document.activeElement)) return;
    box.current
      .querySelector<SVGGElement>(`[aria-label^="Spoke ${label} at "]`)
      ?.focus({ preventScroll: true });
  }, [label]);
  return box;
}

function SpokeRow(props: {
  spoke: PlannedSpoke;
  seasons: number;
  chosen: boolean;
  from: string;
  run: string;
  onSelect: () => void;
}) {
  const { spoke } = props;
  const notes = [
    spoke.limit,
    ...(spoke.locked ? ['locked'] : []),
    ...(props.seasons > 1 ? [`season ${spoke.season}`] : []),
    ...(spoke.steps > 0 ? [`${spoke.steps} ${spoke.steps === 1 ? 'step' : 'steps'}`] : []),
    ...(spoke.bridges.length > 0 ? [`root ${spoke.bridges.join(', ')} left whole`] : []),
  ];
  return (
    <tr className={props.chosen ? 'bg-wash' : ''}>
      <td>
        <button
          type="button"
          aria-pressed={props.chosen}
          className="link min-h-[44px] min-w-[44px] text-left font-semibold"
          aria-label={`Spoke ${spoke.label} in the table`}
          onClick={props.onSelect}
        >
          {spoke.label}
        </button>
      </td>
      <td className="num text-right">{Math.round(spoke.bearing)}°</td>
      <td className="num text-right whitespace-nowrap">{props.from}</td>
      <td className="num text-right whitespace-nowrap pl-2">{props.run}</td>
      <td className="pl-3">{notes.join(', ')}</td>
    </tr>
  );
}

/** A spoke at a bearing of one's own, and those that were taken out. */
function AddSpoke(props: {
  onAdd: (bearing: number) => void;
  avoid: readonly number[];
  onBack: (bearing: number) => void;
}) {
  const [bearing, setBearing] = useState<number | undefined>(undefined);
  return (
    <div className="my-2">
      <div className="flex items-end gap-2">
        <BearingInput label="A spoke at" value={bearing} onChange={setBearing} className="w-40" />
        <button
          type="button"
          className="quiet"
          disabled={bearing === undefined}
          onClick={() => {
            props.onAdd(bearing!);
            setBearing(undefined);
          }}
        >
          Add and lock
        </button>
      </div>
      {props.avoid.length > 0 && (
        <p className="text-sm mt-1">
          Taken out:{' '}
          {props.avoid.map((b) => (
            <button key={b} type="button" className="link min-h-[44px] px-1" onClick={() => props.onBack(b)}>
              bring back {Math.round(b)}°
            </button>
          ))}
        </p>
      )}
    </div>
  );
}

/** Both kinds of spokes on this ground, so that the difference is seen before one is taken. */
function School(props: {
  plan: TrenchPlan;
  other: TrenchPlan;
  chosenBy: string;
  disabled: boolean;
  onTake: (school: 'hand' | 'air') => void;
}) {
  const { plan, other } = props;
  return (
    <section className="my-3">
      <h2>School</h2>
      <p>
        {plan.rules.label} <span className="text-muted">(by {props.chosenBy})</span>. {plan.rules.why}
      </p>
      <p className="mt-1">
        The other way, {other.rules.label}: {other.spokes.length} spokes open {percent(openedShare(other))}{' '}
        and dig {percent(other.disturbed)}, where these open {percent(openedShare(plan))} and dig{' '}
        {percent(plan.disturbed)}; each over its own zone.{' '}
        {!props.disabled && (
          <button
            type="button"
            className="link min-h-[44px]"
            onClick={() => props.onTake(other.rules.school)}
          >
            Take it for this tree
          </button>
        )}
      </p>
    </section>
  );
}
