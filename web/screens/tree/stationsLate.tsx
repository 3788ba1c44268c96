'use client';

import dynamic from 'next/dynamic';
import { memo } from 'react';
import type { StationKey, StationProps } from './visitEntry';

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
export const Dig = dynamic(() => loaders.Dig().then((m) => m.Dig));
const Soil = dynamic(() => loaders.Soil().then((m) => m.Soil));
export const SoilColumnsView = dynamic(() => loaders.SoilColumns().then((m) => m.SoilColumnsView));
export const VerdictDiagramView = dynamic(() => loaders.VerdictDiagram().then((m) => m.VerdictDiagramView));
export const TwigsView = dynamic(() => loaders.Twigs().then((m) => m.TwigsView));
export const OrderOfWorkView = dynamic(() => loaders.OrderOfWork().then((m) => m.OrderOfWorkView));
export const Trenches = dynamic(() => loaders.Trenches().then((m) => m.Trenches));
const Verdict = dynamic(() => loaders.Verdict().then((m) => m.Verdict));
export const CutPlan = dynamic(() => loaders.CutPlan().then((m) => m.CutPlan));
const Prescription = dynamic(() => loaders.Prescription().then((m) => m.Prescription));

/** Fetches all of them. */
export const fetchStations = (): void => Object.values(loaders).forEach((load) => void load());

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
