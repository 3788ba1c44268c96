'use client';

import dynamic from 'next/dynamic';
import { createContext, memo, useContext, useEffect, type ComponentType } from 'react';
import { beginInTurn } from '../../device/idle';
import type { StationKey, StationProps } from './visitEntry';

/** Told once a station takes what is entered. */
export const StationHere = createContext<() => void>(() => undefined);

function Here() {
  const isHere = useContext(StationHere);
  useEffect(isHere, [isHere]);
  return null;
}

/** A station that tells when it is here, together with its fields. */
const saidHere = (Shown: ComponentType<StationProps>) => (props: StationProps) => (
  <>
    <Shown {...props} />
    <Here />
  </>
);

/*
 * Stations come one by one. The build reads each `import()` where `dynamic` is called, and has a page fetch the code of the
 * station that it shows together with its own.
 */
const History = dynamic(() => import('./stations/History').then((m) => saidHere(m.History)));
const Crown = dynamic(() => import('./stations/Crown').then((m) => saidHere(m.Crown)));
const Base = dynamic(() => import('./stations/Base').then((m) => saidHere(m.Base)));
const Mulch = dynamic(() => import('./stations/Mulch').then((m) => saidHere(m.Mulch)));
const Probe = dynamic(() => import('./stations/Probe').then((m) => saidHere(m.Probe)));
export const Dig = dynamic(() => import('./stations/Dig').then((m) => m.Dig));
const Soil = dynamic(() => import('./stations/Soil').then((m) => saidHere(m.Soil)));
export const SoilColumnsView = dynamic(() => import('./soil/SoilColumnsView').then((m) => m.SoilColumnsView));
export const VerdictDiagramView = dynamic(() =>
  import('./VerdictDiagramView').then((m) => m.VerdictDiagramView),
);
export const TwigsView = dynamic(() => import('./TwigsView').then((m) => m.TwigsView));
export const OrderOfWorkView = dynamic(() => import('./OrderOfWorkView').then((m) => m.OrderOfWorkView));
export const Trenches = dynamic(() => import('./stations/Trenches').then((m) => m.Trenches));
const Verdict = dynamic(() => import('./stations/Verdict').then((m) => saidHere(m.Verdict)));
export const CutPlan = dynamic(() => import('./stations/CutPlan').then((m) => m.CutPlan));
const Prescription = dynamic(() => import('./stations/Prescription').then((m) => saidHere(m.Prescription)));

/** The same once more, to be fetched before they are shown. */
const CODE = {
  history: () => import('./stations/History'),
  crown: () => import('./stations/Crown'),
  base: () => import('./stations/Base'),
  mulch: () => import('./stations/Mulch'),
  probe: () => import('./stations/Probe'),
  dig: () => import('./stations/Dig'),
  soil: () => import('./stations/Soil'),
  trenches: () => import('./stations/Trenches'),
  verdict: () => import('./stations/Verdict'),
  cuts: () => import('./stations/CutPlan'),
  prescription: () => import('./stations/Prescription'),
  soilColumns: () => import('./soil/SoilColumnsView'),
  verdictDiagram: () => import('./VerdictDiagramView'),
  twigs: () => import('./TwigsView'),
  orderOfWork: () => import('./OrderOfWorkView'),
} satisfies Record<StationKey, () => Promise<unknown>> & Record<string, () => Promise<unknown>>;

/** Begins to fetch a station that is about to be shown, beside all else that the page does. */
export function beginStation(station: StationKey): void {
  if (typeof window !== 'undefined') CODE[station]().catch(() => undefined);
}

/** Fetches all of them, once the page is at rest: with the signal gone they would not come any more. */
export const fetchStations = (): void => Object.values(CODE).forEach(beginInTurn);

/** The entry of a station that has the section beside it. */
export const Station = memo(function Station({
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
