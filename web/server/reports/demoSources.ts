import { visitToJudge } from '@undrel/core/walk';
import type { CaseFile } from '@undrel/core/format';
import type { Visit } from '@undrel/core/records';
import { CLOSED, RATES } from '../../../db/demo/rates';
import { PROPERTIES } from '../../../db/demo/world';
import type { ReportSource } from '../../work/tree/source';

/** A visited tree of the demo. */
export interface VisitedTree {
  id: string;
  property: string;
  caseFile: CaseFile;
  visit: Visit;
}

/** For tests: the visited trees of the demo, each with the visit that is judged. */
export const visitedTrees = (): VisitedTree[] =>
  PROPERTIES().flatMap((property) =>
    property.trees.flatMap(({ id, caseFile }) => {
      const visit = visitToJudge(caseFile.visits);
      return visit ? [{ id, property: property.name, caseFile, visit }] : [];
    }),
  );

/** What the report of such a tree is worked out from, with the rates of the demo. */
export const demoSource = (
  { caseFile, property, visit }: VisitedTree,
  system: ReportSource['system'],
): ReportSource => ({
  tree: caseFile.tree,
  events: caseFile.events,
  visit,
  visits: caseFile.visits,
  property,
  client: 'A client',
  firm: 'Quillrow Tree Advisory',
  schools: { weather: caseFile.weather },
  site: caseFile.site,
  wording: {},
  rates: RATES,
  closed: CLOSED,
  system,
});

/** What a report of a made-up young tree is worked out from, at a visit. */
export const sourceAt = (visit: Visit): ReportSource => ({
  tree: {
    label: 'Linden 1',
    species: 'Tilia cordata',
    plantedYear: 2022,
    stock: 'container',
    stemDiameter: 0.06,
    height: 5,
  },
  events: [],
  visit,
  visits: [visit],
  property: 'Place',
  client: 'A client',
  firm: 'Firm',
  schools: {},
  wording: {},
  rates: RATES,
  system: 'metric',
});
