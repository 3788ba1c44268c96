import { keeping } from '@undrel/core/kept';
import { assessDig, type DigAssessment } from '@undrel/core/pruning';
import type { ReportSource } from './source';

/** Digs of as many visits stay read: a preview opened again is not worked out anew. */
const DIGS_KEPT = 30;
const digs = keeping<DigAssessment>(DIGS_KEPT);

/** The dig of a visit, read and forecast. */
export const assessDigKept = ({ tree, visits, visit, schools }: ReportSource): DigAssessment | undefined =>
  visit.dig &&
  digs([tree, visit, schools, visits.map((v) => [v.date, v.dig?.radii, v.dig?.diameters])], () =>
    assessDig(tree, visits, visit, schools)!,
  );
