import { recoveryOf } from '@undrel/core/recovery';
import type { ReportSource } from './source';

/**
 * Why a later stage waits: the tree is worse since the work, or did not answer, by what its newest visit measured; undefined
 * where nothing holds it.
 */
export function heldBy({ visits, schools, beside }: ReportSource): string | undefined {
  const newest = visits.reduce((last, v) => (v.date > last ? v.date : last), '');
  const told = recoveryOf(
    visits,
    schools,
    newest,
    beside?.shoots && { label: 'the reference tree', shoots: beside.shoots, looks: [] },
  );
  return told && (told.answer === 'declines' || told.answer === 'unanswered') ? told.next : undefined;
}
