import type { ReadDocument } from '../protocol/document';
import type { Length } from '../protocol/lengths';
import type { ReportContent } from '../protocol/report';
import { withLongDays } from './dates';
import type { ReportStamp } from './head';
import { letterOf } from './letter';
import { documentOf } from './reportDocument';
import { shortReportOf } from './shortReport';

/** How often a document is made shorter before it is set as it is. */
export const TIGHTEST = 3;

/**
 * A report in one of its lengths.
 *
 * @param stamp absent for a draft
 * @param tight how much is left out so that it fits its pages, from 0 to {@link TIGHTEST}; the full record leaves out nothing
 */
export function documentIn(
  length: Length,
  content: ReportContent,
  stamp: ReportStamp | undefined,
  tight = 0,
): ReadDocument {
  switch (length) {
    case 'letter':
      return withLongDays(letterOf(content, stamp, tight));
    case 'report':
      return withLongDays(shortReportOf(content, stamp, tight));
    case 'record':
      return documentOf(content, stamp);
  }
}
