import { inSentence } from '@undrel/core/vocabulary';
import type { ReportContent, ReportDig, ReportSoil, ReportTrenches } from '../protocol/report';

/** What is under the drawing of the holes of the soil probe. */
export const SOIL_CAPTION = 'Holes of the soil probe by depth, and how hard the ground is to push into.';

// What each drawing shows, in a sentence, for those who do not see it.

/** The section through the stem before the work, with what was measured in it. */
export const asFoundShown = (measured: readonly { name: string; text: string }[]): string =>
  measured.length > 0
    ? `Section through the stem, as found: ${measured.map((m) => `${inSentence(m.name)} ${m.text}`).join(', ')}.`
    : 'Section through the stem, as found; nothing was measured.';

/** The same once the work is done, with what that is. */
export const afterShown = ({ prescribed }: Pick<ReportContent, 'prescribed'>): string =>
  `Section through the stem, after the work: ${prescribed.map((o) => inSentence(o.title)).join('; ')}.`;

export const digShown = ({ headline, never }: ReportDig): string =>
  `Plan of the roots at the collar, north up. ${headline}${never.length > 0 ? ` Never cut: ${never.join(', ')}.` : ''}`;

export const soilShown = ({ headline }: ReportSoil): string => `${SOIL_CAPTION} ${headline}.`;

export const trenchesShown = ({ headline }: ReportTrenches): string =>
  `Plan of the trenches on their site, north up. ${headline}`;
