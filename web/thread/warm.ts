import { documentIn } from '../documents/documentIn';
import { reportContent } from '../server/reports/content';
import type { ReportSource } from '../server/reports/source';

const VISIT = { date: '2026-01-01', findings: [], probes: [], profiles: [], decisions: [] };

/** A young tree and a visit that says nothing: what is loaded and compiled for it, every visit needs. */
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
export const nothingWritten = () => documentIn('record', nothingTold(), undefined);
