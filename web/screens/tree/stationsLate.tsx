'use client';

import dynamic from 'next/dynamic';
import { memo } from 'react';
import { beginInTurn } from '../../device/idle';
import type { StationKey, StationProps } from './visitEntry';

/*
 * Stations come one by one. The build reads each `import()` where `dynamic` is called, and has a page fetch the code of the
 * station that it shows together with its own.
 */
const History = dynamic(() => import('./stations/History').then((m) => m.History));
const Crown = dynamic(() => import('./stations/Crown').then((m) => m.Crown));
const Base = dynamic(() => import('./stations/Base').then((m) => m.Base));
const Mulch = dynamic(() => import('./stations/Mulch').then((m) => m.Mulch));
const Probe = dynamic(() => import('./stations/Probe').then((m) => m.Probe));
export const Dig = dynamic(() => import('./stations/Dig').then((m) => m.Dig));
const Soil = dynamic(() => import('./stations/Soil').then((m) => m.Soil));
export const SoilColumnsView = dynamic(() => import('./soil/SoilColumnsView').then((m) => m.SoilColumnsView));
export const VerdictDiagramView = dynamic(() =>
  import('./VerdictDiagramView').then((m) => m.VerdictDiagramView),
);
export const TwigsView = dynamic(() => import('./TwigsView').then((m) => m.TwigsView));
export const OrderOfWorkView = dynamic(() => import('./OrderOfWorkView').then((m) => m.OrderOfWorkView));
export const Trenches = dynamic(() => import('./stations/Trenches').then((m) => m.Trenches));
const Verdict = dynamic(() => import('./stations/Verdict').then((m) => m.Verdict));
export const CutPlan = dynamic(() => import('./stations/CutPlan').then((m) => m.CutPlan));
const Prescription = dynamic(() => import('./stations/Prescription').then((m) => m.Prescription));

/** Fetches all of them, once the page is at rest: with the signal gone they would not come any more. */
export const fetchStations = (): void =>
  [
    () => import('./stations/History'),
    () => import('./stations/Crown'),
    () => import('./stations/Base'),
    () => import('./stations/Mulch'),
    () => import('./stations/Probe'),
    () => import('./stations/Dig'),
    () => import('./stations/Soil'),
    () => import('./soil/SoilColumnsView'),
    () => import('./VerdictDiagramView'),
    () => import('./TwigsView'),
    () => import('./OrderOfWorkView'),
    () => import('./stations/Trenches'),
    () => import('./stations/Verdict'),
    () => import('./stations/CutPlan'),
    () => import('./stations/Prescription'),
  ].forEach(beginInTurn);

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
