import type { ReadDocument } from '../protocol/document';
import type { Length } from '../protocol/lengths';
import type { ReportContent } from '../protocol/report';
import { documentInLanguage } from './inLanguage';
import type { Tongue } from '../language/translate';
import { withLongDays } from './dates';
import type { ReportStamp } from './head';
import { letterOf } from './letter';
import { documentOf } from './reportDocument';
import { shortReportOf } from './shortReport';

/** How often a document is made shorter before it is set as it is. */
export const TIGHTEST = 3;

/** A document without the parts that the consultant left out. */
const without = (doc: ReadDocument, left: readonly string[] = []): ReadDocument => ({
  ...doc,
  sections: doc.sections.filter(({ key }) => key === undefined || !left.includes(key)),
});

/** Another language than English, and who says texts in it. */
export interface InOther extends Tongue {
  language: 'de';
  /** Is told each text that is not known. */
  missed?: (text: string) => void;
}

/** Texts that the consultant wrote: they stay as they are. */
const ownWords = ({ wording, prescribed, property, client, tree, clientSees }: ReportContent): Set<string> =>
  new Set(
    [
      wording.opening,
      wording.verdict,
      wording.closing,
      property,
      client,
      tree,
      clientSees,
      ...prescribed.map((o) => o.wording),
    ].filter((text) => text !== undefined),
  );

/**
 * A report in one of its lengths.
 *
 * @param stamp absent for a draft
 * @param other its language, where it is not English
 * @param tight how much is left out so that it fits its pages, from 0 to {@link TIGHTEST}; the full record leaves out nothing
 */
export function documentIn(
  length: Length,
  written: ReportContent,
  stamp: ReportStamp | undefined,
  tight = 0,
  other?: InOther,
): ReadDocument {
  const content = other ? { ...written, species: other.species(written.species) } : written;
  const whole = (doc: ReadDocument): ReadDocument => ({
    ...(other
      ? documentInLanguage(doc, other.language, other.say, ownWords(content), other.missed)
      : withLongDays(doc)),
    ...(tight > 0 && length !== 'record' && { shortened: tight }),
  });
  switch (length) {
    case 'letter':
      return whole(without(letterOf(content, stamp, tight), content.wording.leave?.letter));
    case 'report':
      return whole(without(shortReportOf(content, stamp, tight), content.wording.leave?.report));
    case 'record':
      return whole(documentOf(content, stamp));
  }
}
