'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { progressOf, type Glance } from '@undrel/core/assessment';
import type { Site, Tree, TreeEvent } from '@undrel/core/records';
import type { FirmTable } from '@undrel/core/diagnosis';
import type { ClosedSeason } from '@undrel/core/prescription';
import type { House } from '@undrel/core/house';
import { profileOf } from '@undrel/core/profile';
import { visitToJudge } from '@undrel/core/walk';
import { itemsBelow, visitFrom, type ItemOf } from '../../protocol/item';
import type { ReferenceGround, ReferenceShoots } from '../../protocol/reference';
import type { ReadPlaces } from '../../protocol/grounds';
import { usePreferences } from '../shell/preferences';
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
import {
  CutPlan,
  Dig,
  fetchStations,
  OrderOfWorkView,
  SoilColumnsView,
  Station,
  Trenches,
  TwigsView,
  VerdictDiagramView,
} from './stationsLate';
import { TreeBar } from './TreeBar';
import { useJudgement } from './useJudgement';
import { useUndoKeys } from './useUndoKeys';
import { STATIONS, type StationKey, type StationProps } from './visitEntry';

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
    const timer = setTimeout(fetchStations, 1500);
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

  const bar = (
    <TreeBar
      treeId={treeId}
      tree={tree}
      property={props.property}
      visitId={current?.id}
      visits={visits.length}
      alone={alone}
      control={control}
      mayEnter={mayMeasure || mayJudge}
      system={units}
    />
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
