import { yearOf } from '@undrel/core/vocabulary';
import { plannedWork, type Operation } from '@undrel/core/prescription';
import { sectionOf, type Profile } from '@undrel/core/profile';
import type { dugSection } from '@undrel/core/roots';
import type { Drawing } from '../../drawings/shapes';
import { sectionDrawing } from '../../drawings/section';
import type { ReportSource } from '../tree/source';

/** Size of a drawing in a report, pt. */
export const DRAWING = { width: 515, height: 285 };

/** The side on which the collar is deepest, from which the section is seen. */
export const deepestAt = (profile: Profile): number => profile.collar?.deepest.bearing ?? 90;

/** The section through the stem as it stands in a report. */
export function stemDrawing(
  { events, visit, system }: ReportSource,
  profile: Profile,
  planned: readonly Operation[],
  when: 'before' | 'after',
  dug?: ReturnType<typeof dugSection>,
): Drawing {
  const filled = events.find((e) => e.kind === 'soil added');
  return sectionDrawing({
    ...DRAWING,
    section: sectionOf(profile, deepestAt(profile)),
    profile,
    work: plannedWork(planned),
    when,
    system,
    compact: true,
    cornerTaken: false,
    topsoil: visit.findings.find((f) => f.key === 'probe.topsoil')?.number,
    refusal: visit.findings.find((f) => f.key === 'probe.refusal')?.number,
    dug,
    fillNote: filled ? `fill since ${yearOf(filled.when)}` : undefined,
  });
}
