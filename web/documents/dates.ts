import type { Paper, ReadDocument } from '../protocol/document';

/** How days are written where a paper is used. */
const LOCALES: Record<Paper, string> = { A4: 'en-GB', letter: 'en-US' };

/** A day with the name of its month: 19 May 2026, or May 19, 2026. */
export const longDay = (day: string, paper: Paper): string =>
  new Intl.DateTimeFormat(LOCALES[paper], {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${day}T00:00:00Z`));

/** A month with its name: May 2027. */
const longMonth = (month: string): string =>
  new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${month}-01T00:00:00Z`),
  );

/** A month of a year by itself; numbers of reports are none. */
const MONTH = /(?<![-\d])(19|20)\d{2}-(?:0[1-9]|1[0-2])(?![-\d])/g;
const DAY = /\b\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])\b/g;

/** The same document with every day written out, but for the days within drawings and hashes. */
export function withLongDays(doc: ReadDocument): ReadDocument {
  const written = (_: string, part: unknown): unknown =>
    typeof part === 'string'
      ? part.replace(DAY, (day) => longDay(day, doc.paper)).replace(MONTH, (month) => longMonth(month))
      : part;
  const sections = doc.sections.map((section) => ({
    ...section,
    blocks: section.blocks.map((block) =>
      block.as === 'figure' ? block : (JSON.parse(JSON.stringify(block), written) as typeof block),
    ),
  }));
  const { sections: _, ...head } = doc;
  return { ...(JSON.parse(JSON.stringify(head), written) as typeof head), sections };
}
