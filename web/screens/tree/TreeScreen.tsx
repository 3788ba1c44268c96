'use client';

import dynamic from 'next/dynamic';
import { Camera, Undo2 } from 'lucide-react';
import { memo, useCallback, useEffect, useMemo, useState } from 'react';
import { progressOf, type Glance } from '@undrel/core/assessment';
import type { Site, Tree, TreeEvent } from '@undrel/core/records';
import type { FirmTable } from '@undrel/core/diagnosis';
import type { ClosedSeason } from '@undrel/core/prescription';
import type { House } from '@undrel/core/house';
import { profileOf } from '@undrel/core/profile';
import { visitToJudge } from '@undrel/core/walk';
import { formatLength, shortUnit } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { itemsBelow, visitFrom, type ItemOf } from '../../protocol/item';
import type { ReferenceGround, ReferenceShoots } from '../../protocol/reference';
import type { ReadPlaces } from '../../protocol/grounds';
import { usePreferences } from '../shell/preferences';
import { TopBar } from '../shell/TopBar';
import { useToday } from '../../device/along/keptPage';
import { useCase } from '../../device/useCase';
import { DRAWING_PANE, EntryColumn, toEntry } from './EntryColumn';
import { NextStep } from './NextStep';
import { newId } from './newId';
import { SaveState } from './SaveState';
import { shootsIn } from '@undrel/core/history';
import type { Twig } from '../../drawings/twigs';
import { SectionView } from './SectionView';
import { StationLine } from './StationLine';
import { useJudgement } from './useJudgement';
import { STATIONS, type StationKey, type StationProps } from './visitEntry';
import { treeHref } from '../../protocol/treeHref';

/** Stations come one by one, the one opened first; the others are fetched once the page is at rest. */
const loaders = {
  History: () => import('./stations/History'),
  Crown: () => import('./stations/Crown'),
  Base: () => import('./stations/Base'),
  Mulch: () => import('./stations/Mulch'),
  Probe: () => import('./stations/Probe'),
  Dig: () => import('./stations/Dig'),
  Soil: () => import('./stations/Soil'),
  SoilColumns: () => import('./soil/SoilColumnsView'),
  VerdictDiagram: () => import('./VerdictDiagramView'),
  Twigs: () => import('./TwigsView'),
  OrderOfWork: () => import('./OrderOfWorkView'),
  Trenches: () => import('./stations/Trenches'),
  Verdict: () => import('./stations/Verdict'),
  CutPlan: () => import('./stations/CutPlan'),
  Prescription: () => import('./stations/Prescription'),
};
const History = dynamic(() => loaders.History().then((m) => m.History));
const Crown = dynamic(() => loaders.Crown().then((m) => m.Crown));
const Base = dynamic(() => loaders.Base().then((m) => m.Base));
const Mulch = dynamic(() => loaders.Mulch().then((m) => m.Mulch));
const Probe = dynamic(() => loaders.Probe().then((m) => m.Probe));
const Dig = dynamic(() => loaders.Dig().then((m) => m.Dig));
const Soil = dynamic(() => loaders.Soil().then((m) => m.Soil));
const SoilColumnsView = dynamic(() => loaders.SoilColumns().then((m) => m.SoilColumnsView));
const VerdictDiagramView = dynamic(() => loaders.VerdictDiagram().then((m) => m.VerdictDiagramView));
const TwigsView = dynamic(() => loaders.Twigs().then((m) => m.TwigsView));
const OrderOfWorkView = dynamic(() => loaders.OrderOfWork().then((m) => m.OrderOfWorkView));
const Trenches = dynamic(() => loaders.Trenches().then((m) => m.Trenches));
const Verdict = dynamic(() => loaders.Verdict().then((m) => m.Verdict));
const CutPlan = dynamic(() => loaders.CutPlan().then((m) => m.CutPlan));
const Prescription = dynamic(() => loaders.Prescription().then((m) => m.Prescription));

const NO_WORK = {};
const NONE: never[] = [];
const NO_PLACES: ReadPlaces = { ties: [], placed: false };

export interface TreeScreenProps {
  treeId: string;
  /** The case's items as one JSON text: cheaper to send and to read than as many small parts. */
  items: string;
  property: { id: string; name: string };
  house: House;
  firmTable: FirmTable | undefined;
  closed: readonly ClosedSeason[];
  mayMeasure: boolean;
  mayJudge: boolean;
  viewer: string;
  /** Who that is, for what is kept on the device. */
  person: string;
  today: string;
  station: string | undefined;
  /** The newest visit's verdict and prescription in figures, from the server. */
  glance: (Glance & { visitId: string }) | undefined;
  /** Shoots of a healthy tree of its kind near by. */
  reference: ReferenceShoots | undefined;
  /** The soil beside a healthy tree near by. */
  referenceGround: ReferenceGround | undefined;
  /** What stands and lies about the tree. */
  site: Site;
  /** By what positions are told on the plan of the property; missing on pages kept by an earlier version. */
  places?: ReadPlaces;
  /** It is on this device alone: the server does not have it yet. */
  alone?: boolean;
}

/** The tree as a visit along the ground line: stations on the left, the section always in view, entry on the right. */
export function TreeScreen(props: TreeScreenProps) {
  const { treeId, house, firmTable, mayMeasure, mayJudge } = props;
  const alone = props.alone ? props.property.id : undefined;
  const today = useToday(props.today, treeId);
  const control = useCase(treeId, props.items, props.person);
  const { units } = usePreferences();
  const treeItem = control.items.find((i): i is ItemOf<'tree'> => i.kind === 'tree')!;
  const [label] = useState((treeItem.values as Tree).label);
  const tree = useMemo(() => (treeItem.values ?? { label, species: '' }) as Tree, [treeItem.values, label]);
  const events = useMemo(
    () => itemsBelow(control.items, 'event', treeId).map((i) => i.values as TreeEvent),
    [control.items, treeId],
  );
  const visits = useMemo(
    () =>
      itemsBelow(control.items, 'visit', treeId).sort((a, b) => b.values.date.localeCompare(a.values.date)),
    [control.items, treeId],
  );
  const allVisits = useMemo(() => visits.map((v) => visitFrom(control.items, v)), [control.items, visits]);
  const [chosenVisit, setChosenVisit] = useState<string | undefined>(undefined);
  const [station, setStation] = useState<StationKey>(
    STATIONS.find((s) => s.key === props.station)?.key ?? 'mulch',
  );
  useEffect(() => {
    // A page kept on this device was made for another station than the address names now.
    const asked = new URLSearchParams(window.location.search).get('station');
    const known = STATIONS.find((s) => s.key === asked);
    if (known) setStation(known.key);
  }, []);
  const [bearing, setBearing] = useState(90);
  const [when, setWhen] = useState<'before' | 'after'>('before');
  const goTo = useCallback((next: StationKey) => {
    setStation(next);
    window.history.replaceState(null, '', `?station=${next}`);
    toEntry();
  }, []);
  useUndoKeys(control.undo, control.redo);
  useEffect(() => {
    const timer = setTimeout(() => Object.values(loaders).forEach((load) => void load()), 1500);
    return () => clearTimeout(timer);
  }, []);

  const { set } = control;
  const newVisit = useCallback(() => {
    const id = newId();
    set('visit', id, treeId, { date: today, by: props.viewer });
    setChosenVisit(id);
    goTo('history');
  }, [set, treeId, today, props.viewer, goTo]);
  const dates = useMemo(
    () => visits.map((v) => ({ id: v.id, date: v.values.walk ? `${v.values.date} walk` : v.values.date })),
    [visits],
  );
  const toJudge = visitToJudge(allVisits);
  const current =
    visits.find((v) => v.id === chosenVisit) ?? visits[toJudge ? allVisits.indexOf(toJudge) : 0];
  const visit = useMemo(
    () => (current ? visitFrom(control.items, current) : undefined),
    [control.items, current],
  );
  const profile = useMemo(() => (visit ? profileOf(tree, visit) : undefined), [tree, visit]);
  const progress = useMemo(() => (visit ? progressOf(tree, events, visit) : NONE), [tree, events, visit]);
  const before = useMemo(
    () => visit && allVisits.find((v) => !v.walk && v.date < visit.date),
    [allVisits, visit],
  );
  const weighed = useJudgement(
    tree,
    events,
    visit,
    current?.id,
    allVisits,
    station === 'prescription' ? before : undefined,
    units,
    house,
    firmTable,
    station === 'verdict' || station === 'prescription',
  );
  const judged = useMemo(
    () => (weighed && profile ? { ...weighed, profile } : undefined),
    [weighed, profile],
  );
  const revision = useMemo(
    () => before && weighed?.revision && { since: before.date, revision: weighed.revision },
    [before, weighed?.revision],
  );
  const glance = weighed?.glance ?? (props.glance?.visitId === current?.id ? props.glance : undefined);

  const facts = [
    tree.stock && `${tree.stock} ${tree.plantedYear ?? ''}`,
    !tree.stock && tree.plantedYear && `planted ${tree.plantedYear}`,
    tree.stemDiameter && `stem ${formatLength(tree.stemDiameter, shortUnit(units))}`,
    visits.length > 0 && `${visits.length} visit${visits.length > 1 ? 's' : ''}`,
  ].filter(Boolean);
  const bar = (
    <TopBar
      menu={[
        { label: 'Redo', act: control.redo, disabled: control.state.redo.length === 0 },
        { label: 'Through time', href: `/trees/${treeId}/time` },
        ...(current ? [{ label: 'Report', href: `/trees/${treeId}/report?visit=${current.id}` }] : []),
        { label: props.property.name, href: `/grounds/${props.property.id}` },
      ]}
      right={
        <>
          {(mayMeasure || mayJudge) && (
            <button
              type="button"
              className="min-h-[48px] min-w-[44px] sm:min-w-0 inline-flex items-center justify-center"
              disabled={control.state.undo.length === 0}
              onClick={control.undo}
            >
              <Undo2
                aria-hidden="true"
                size={24}
                className={`sm:hidden ${control.state.undo.length === 0 ? 'text-muted opacity-50' : ''}`}
              />
              <span
                className={`sr-only sm:not-sr-only ${control.state.undo.length === 0 ? 'text-muted' : ''}`}
              >
                Undo
              </span>
            </button>
          )}
          <PageLink
            href={`/trees/${treeId}/time`}
            className="plain min-h-[44px] hidden sm:inline-flex items-center"
          >
            Through time
          </PageLink>
          {current && (
            <PageLink
              href={treeHref(treeId, { page: 'pictures', visit: current.id, alone })}
              className="plain min-h-[48px] min-w-[44px] sm:min-w-0 inline-flex items-center justify-center"
            >
              <Camera aria-hidden="true" size={24} className="sm:hidden" />
              <span className="sr-only sm:not-sr-only">Pictures</span>
            </PageLink>
          )}
          {current && (
            <PageLink
              href={`/trees/${treeId}/report?visit=${current.id}`}
              className="plain min-h-[44px] hidden sm:inline-flex items-center"
            >
              Report
            </PageLink>
          )}
        </>
      }
    >
      <nav aria-label="Where" className="flex items-baseline gap-x-2 flex-wrap leading-tight">
        <PageLink href={`/grounds/${props.property.id}`} className="plain hidden sm:inline">
          {props.property.name}
        </PageLink>
        <span aria-hidden="true" className="hidden sm:inline">
          ›
        </span>
        <strong>{tree.label}</strong>
        <span className="text-sm text-muted hidden lg:inline">{facts.join(', ')}</span>
      </nav>
    </TopBar>
  );
  if (!current || !visit || !profile) {
    return (
      <div className="min-h-dvh flex flex-col">
        {bar}
        <main className="p-6 max-w-xl">
          <h1>{tree.label} has not been visited</h1>
          <p className="my-3">{tree.species}. A visit holds what is seen and measured on one day.</p>
          {mayMeasure ? (
            <button type="button" className="act" onClick={newVisit}>
              Begin a visit today
            </button>
          ) : (
            <p className="told">Your role can read, not measure.</p>
          )}
        </main>
      </div>
    );
  }
  const stationProps: StationProps = {
    control,
    treeId,
    tree,
    treeItem,
    events,
    visits: allVisits,
    reference: props.reference,
    referenceGround: props.referenceGround,
    site: props.site,
    places: props.places ?? NO_PLACES,
    alone,
    visitId: current.id,
    visit,
    profile,
    judged,
    glance,
    explanation: weighed?.explanation,
    revision,
    house,
    firmTable,
    closed: props.closed,
    system: units,
    mayMeasure,
    mayJudge,
    today,
    goTo,
  };
  // Read back at this visit, each shoot by its own, and those of the healthy tree beside them.
  const twigs: Twig[] = [
    ...shootsIn(visit.findings).map((s, i) => ({
      name: i === 0 ? tree.label : `Shoot ${i + 1}`,
      values: s.values,
    })),
    ...(props.reference?.series ?? [])
      .filter((s) => s.of === 'shoot')
      .slice(0, 1)
      .map((s) => ({ name: props.reference!.label, values: s.values })),
  ].filter((t) => t.values.length > 0);
  /** What the section has nothing to say about: what led to what, and what is done when. */
  const picture =
    judged && station === 'verdict' ? (
      <VerdictDiagramView verdict={judged.verdict} firmTable={firmTable} system={units} />
    ) : judged && station === 'prescription' ? (
      <OrderOfWorkView {...stationProps} judged={judged} />
    ) : undefined;
  const foot = (
    <NextStep {...stationProps} station={station}>
      <SaveState control={control} system={units} />
    </NextStep>
  );
  return (
    <div className="h-dvh flex flex-col">
      {bar}
      <main className="flex-1 min-h-0 flex flex-col overflow-y-auto scroll-pb-[84px] lg:overflow-visible lg:scroll-p-0 lg:grid lg:grid-rows-1 lg:grid-cols-[168px_minmax(0,1fr)_480px]">
        <StationLine
          station={station}
          goTo={goTo}
          progress={progress}
          profile={profile}
          glance={glance}
          visit={visit}
          system={units}
          visits={dates}
          visitId={current.id}
          onVisit={setChosenVisit}
          onNewVisit={mayMeasure ? newVisit : undefined}
        />
        {station === 'dig' ? (
          <Dig key={current.id} {...stationProps} foot={foot} />
        ) : station === 'trenches' ? (
          <Trenches key={current.id} {...stationProps} foot={foot} />
        ) : station === 'cuts' ? (
          <CutPlan key={current.id} {...stationProps} foot={foot} />
        ) : (
          <>
            <div className={DRAWING_PANE}>
              {station === 'soil' && (visit.soilLogs || visit.pushes) ? (
                <SoilColumnsView
                  logs={visit.soilLogs ?? NONE}
                  elsewhere={props.referenceGround?.logs ?? NONE}
                  pushes={visit.pushes ?? NONE}
                  system={units}
                />
              ) : station === 'crown' && twigs.length > 0 ? (
                <TwigsView twigs={twigs} system={units} />
              ) : (
                <>
                  {picture && <div className="hidden lg:block h-full">{picture}</div>}
                  <div className={picture ? 'h-full lg:hidden' : 'h-full'}>
                    <SectionView
                      profile={profile}
                      work={glance?.work ?? NO_WORK}
                      tree={tree}
                      visit={visit}
                      events={events}
                      bearing={bearing}
                      onTurn={setBearing}
                      when={when}
                      onWhen={setWhen}
                      system={units}
                    />
                  </div>
                </>
              )}
            </div>
            <EntryColumn foot={foot}>
              <Station key={`${current.id}.${station}`} station={station} {...stationProps} />
            </EntryColumn>
          </>
        )}
      </main>
    </div>
  );
}

const Station = memo(function Station({
  station,
  ...props
}: StationProps & { station: Exclude<StationKey, 'dig' | 'trenches' | 'cuts'> }) {
  switch (station) {
    case 'history':
      return <History {...props} />;
    case 'crown':
      return <Crown {...props} />;
    case 'base':
      return <Base {...props} />;
    case 'mulch':
      return <Mulch {...props} />;
    case 'probe':
      return <Probe {...props} />;
    case 'soil':
      return <Soil {...props} />;
    case 'verdict':
      return <Verdict {...props} />;
    case 'prescription':
      return <Prescription {...props} />;
  }
});

/** Ctrl+Z and Ctrl+Shift+Z (or Y) outside a field that has its own undo. */
function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const name = event.key.toLowerCase();
      if (name !== 'z' && name !== 'y') return;
      if (event.target instanceof HTMLTextAreaElement) return;
      event.preventDefault();
      if (event.target instanceof HTMLInputElement) event.target.blur();
      if (name === 'y' || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [undo, redo]);
}
