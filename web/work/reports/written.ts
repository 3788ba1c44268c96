import { documentIn, TIGHTEST } from '../../documents/documentIn';
import type { ReportStamp } from '../../documents/head';
import type { Language } from '../../language/languages';
import type { PictureFiles, ReadDocument } from '../../protocol/document';
import { LENGTH_WORDS, type Length } from '../../protocol/lengths';
import type { ReportContent } from '../../protocol/report';
import { OTHER } from './edition';
import { documentPdf } from './pdf';
import type { Proof } from './proof';

/** A report to write; without a stamp it says that it is a draft. */
export interface ToWrite {
  content: ReportContent;
  stamp?: ReportStamp;
  /** The full record where it is not said. */
  length?: Length;
  /** English where it is not said. */
  language?: Language;
  /** The files of its pictures, by hash. */
  files?: PictureFiles;
  /** What is attached to its full record. */
  proof?: Proof;
}

/** A report as it is written, made shorter so often. */
export const written = (
  { content, stamp, length = 'record', language = 'en' }: ToWrite,
  tight: number,
): ReadDocument => documentIn(length, content, stamp, tight, OTHER[language]);

/**
 * A report set as it fits the pages of its length: what is left out so that it does is in the full record. One that does not
 * fit with the least there is to say stays longer.
 *
 * @throws where it cannot be set, see {@link documentPdf}
 */
export function fitted(asked: ToWrite): { bytes: Uint8Array; pages: number; tight: number } {
  const { length = 'record', files, proof } = asked;
  const most = LENGTH_WORDS[length].pages ?? Infinity;
  for (let tight = 0; ; tight++) {
    const { bytes, pages } = documentPdf(written(asked, tight), files, proof);
    if (pages <= most || tight === TIGHTEST) return { bytes, pages, tight };
  }
}
