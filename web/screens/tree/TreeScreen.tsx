'use client';

import { useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { Glance } from '@undrel/core/assessment';
import type { About } from '../../protocol/caseNow';
import type { ReadPlaces } from '../../protocol/grounds';
import { usePreferences } from '../shell/preferences';
import { useAbout, useToday } from '../../device/along/keptPage';
import { useCase, type Saving } from '../../device/useCase';
import { TakenAhead } from '../../ui/controls/Entry';
import { AtStation } from './AtStation';
import { newId } from './newId';
import { NotVisited } from './NotVisited';
import { SavingOf } from './SaveState';
import { StationLine } from './StationLine';
import { beginStation, fetchStations } from './stationsLate';
import { TreeBar } from './TreeBar';
import { useJudged, useJudgement } from './useJudgement';
import { useStation } from './useStation';
import { useCounted, useTreeInHand, useVisitInHand, type Counted } from './useTreeInHand';
import { useUndoKeys } from './useUndoKeys';
import type { StationProps } from './visitEntry';

const NO_PLACES: ReadPlaces = { ties: [], placed: false };

export interface TreeScreenProps extends About {
  treeId: string;
  /** The case's items as one JSON text: cheaper to send and to read than as many small parts. */
  items: string;
  mayMeasure: boolean;
  mayJudge: boolean;
  viewer: string;
  /** Who that is, for what is kept on the device. */
  person: string;
  today: string;
  /** Missing on pages kept by an earlier version. */
  counted?: Counted;
  station: string | undefined;
  /** The newest visit's verdict and prescription in figures, from the server. */
  glance: (Glance & { visitId: string }) | undefined;
  /** It is on this device alone: the server does not have it yet. */
  alone?: boolean;
}

/** The tree as a visit along the ground line: stations on the left, the section always in view, entry on the right. */
export function TreeScreen(props: TreeScreenProps) {
  const { treeId, mayMeasure, mayJudge } = props;
  const hand = useTreePage(props);
  const { control, treeItem, tree, visits, current, visit, profile, station, goTo } = hand;
  // The line answers the press at once; the station, which may take a moment on a phone, follows.
  const shown = useDeferredValue(station);
  const { units, alone, today, newVisit, about } = hand;
  const bar = (
    <TreeBar
      treeId={treeId}
      tree={tree}
      property={about.property}
      visitId={current?.id}
      visits={visits.length}
      alone={alone}
      undo={control.state.undo.length > 0 ? control.undo : undefined}
      redo={control.state.redo.length > 0 ? control.redo : undefined}
      mayEnter={mayMeasure || mayJudge}
      system={units}
    />
  );
  if (!current || !visit || !profile)
    return <NotVisited bar={bar} tree={tree} onNewVisit={mayMeasure ? newVisit : undefined} />;
  const stationProps: StationProps = {
    control: control.hand,
    treeId,
    tree,
    treeItem,
    events: hand.events,
    visits: hand.allVisits,
    reference: about.reference,
    referenceGround: about.referenceGround,
    site: about.site,
    places: about.places ?? NO_PLACES,
    alone,
    visitId: current.id,
    visit,
    profile,
    ...hand.weighedNow,
    house: about.house,
    firmTable: about.firmTable,
    closed: about.closed,
    system: units,
    mayMeasure,
    mayJudge,
    today,
    goTo,
  };
  return (
    <div className="h-dvh flex flex-col">
      {bar}
      <main className="flex-1 min-h-0 flex flex-col overflow-y-auto scroll-pb-[84px] lg:overflow-visible lg:scroll-p-0 lg:grid lg:grid-rows-1 lg:grid-cols-[168px_minmax(0,1fr)_480px]">
        <StationLine
          station={station}
          goTo={goTo}
          progress={hand.progress}
          profile={profile}
          glance={hand.weighedNow.glance}
          visit={visit}
          system={units}
          visits={hand.dates}
          visitId={current.id}
          onVisit={hand.choose}
          onNewVisit={mayMeasure ? newVisit : undefined}
        />
        <SavingOf value={control}>
          <TakenAhead listens={hand.listens}>
            <AtStation {...stationProps} progress={hand.progress} station={shown} />
          </TakenAhead>
        </SavingOf>
      </main>
    </div>
  );
}

/** What the page says of what the tree is judged by, as one object; as the server has it where the page was kept. */
function useAboutTree({ treeId, ...said }: TreeScreenProps): About {
  const { property, house, firmTable, closed, site, places, reference, referenceGround } = said;
  const about = useMemo<About>(
    () => ({ property, house, firmTable, closed, site, places, reference, referenceGround }),
    [property, house, firmTable, closed, site, places, reference, referenceGround],
  );
  return useAbout(about, treeId);
}

/** What waits on this device may take a while to be had, where another page is sending it: typing waits no longer, ms. Judgement. */
const LATEST_MS = 2000;

/** Whether what is typed is taken: it is known what else was entered on this device, or that takes too long. */
function useListens(saving: Saving): boolean {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), LATEST_MS);
    return () => clearTimeout(timer);
  }, []);
  return late || saving !== 'unknown';
}

/** The visit in hand with all that is read from it, and the station one is at. */
function useTreePage(props: TreeScreenProps) {
  const { treeId } = props;
  const about = useAboutTree(props);
  const { house, firmTable } = about;
  const alone = props.alone ? props.property.id : undefined;
  const today = useToday(props.today, treeId);
  const control = useCase(treeId, props.items, props.person);
  const listens = useListens(control.saving);
  const { units } = usePreferences();
  const { treeItem, tree, events, visits, allVisits } = useTreeInHand(control, treeId);
  const [station, goTo] = useStation(props.station);
  // Its code comes while the page around it is made.
  useState(() => beginStation(station));
  useUndoKeys(control.undo, control.redo);
  useEffect(() => {
    const timer = setTimeout(fetchStations, 1500);
    return () => clearTimeout(timer);
  }, []);

  const { current, visit, profile, progress, before, choose } = useVisitInHand(
    tree,
    events,
    visits,
    allVisits,
    useCounted(props.counted),
  );
  const { set } = control;
  const newVisit = useCallback(() => {
    const id = newId();
    set('visit', id, treeId, { date: today, by: props.viewer });
    choose(id);
    goTo('history');
  }, [set, treeId, today, props.viewer, goTo, choose]);
  const dates = useMemo(
    () => visits.map((v) => ({ id: v.id, date: v.values.walk ? `${v.values.date} walk` : v.values.date })),
    [visits],
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
  const weighedNow = useJudged(weighed, profile, before, current?.id, props.glance);
  return {
    ...{ control, treeItem, tree, events, visits, allVisits, current, visit, profile, progress, choose },
    listens,
    ...{ station, goTo, units, alone, about, today, newVisit, dates, weighedNow },
  };
}
