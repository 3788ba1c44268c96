import type { ReadDocument, Section } from '../protocol/document';
import type { ReportContent } from '../protocol/report';

export interface ReportStamp {
  number: string;
  issued: string;
}

/** What stands behind the first pages of a full record, numbered so that others may point to it. */
export const annexes = (sections: readonly Section[]): Section[] =>
  sections.map((section, i) => ({ ...section, title: `Annex ${i + 1}: ${section.title}` }));

/** What stands over and under a report in whatever length. @param stamp absent for a draft */
export const headOf = (c: ReportContent, stamp: ReportStamp | undefined): Omit<ReadDocument, 'sections'> => ({
  firm: c.firm,
  stamp: stamp ? `Report ${stamp.number}, issued ${stamp.issued}` : 'DRAFT, not issued',
  title: c.tree,
  lines: [
    `${c.species}. ${c.property}${c.client ? `, for ${c.client}` : ''}`,
    `Visit of ${c.visitDate}${c.visitor ? ` by ${c.visitor}` : ''}; ${c.facts.join(', ')}`,
  ],
  foot: `${stamp?.number ?? 'Draft'} · ${c.tree}, ${c.property} · engines ${c.engines}`,
  paper: c.paper ?? 'A4',
});
