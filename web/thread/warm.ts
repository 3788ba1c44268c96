import type { Dig } from '@undrel/core/records';
import { reportContent } from '../work/reports/content';
import type { ReportSource } from '../work/tree/source';

/** One anchor and one root across the stem. */
const DIG: Dig = {
  measuredFrom: 'bark',
  north: 'true',
  roots: [
    {
      label: 'A',
      kind: 'structural',
      start: 'stem',
      points: [0, 0.3, 0.8].map((distance) => ({ bearing: 20, distance, depth: 0.1, diameter: 0.05 })),
    },
    {
      label: 'B',
      kind: 'girdling',
      start: 'outside',
      points: [90, 140, 190].map((bearing) => ({ bearing, distance: 0.02, depth: 0.05, diameter: 0.03 })),
    },
  ],
};
const VISIT = { date: '2026-01-01', findings: [], probes: [], profiles: [], decisions: [], dig: DIG };

/** A young tree and a visit that says little: what is loaded and compiled for it, every visit needs. */
const NOTHING: ReportSource = {
  tree: { label: 'Tree', species: 'Tilia cordata', plantedYear: 2020, stemDiameter: 0.06 },
  events: [],
  visit: VISIT,
  visits: [VISIT],
  property: '',
  client: '',
  firm: '',
  schools: {},
  wording: {},
  system: 'metric',
};

/** Its report, by which a thread gets ready for that of others. */
export const nothingTold = () => reportContent(NOTHING);
