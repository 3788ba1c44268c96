import { withLongDays } from '../../documents/dates';
import type { InOther } from '../../documents/documentIn';
import { GERMAN } from '../../language/german';
import { documentInLanguage } from '../../documents/inLanguage';
import { isLanguage, LANGUAGES, type Language } from '../../language/languages';
import type { ReadDocument } from '../../protocol/document';
import { isLength, LENGTHS, type Length } from '../../protocol/lengths';
import { isReportFormat, REPORT_FORMATS, type ReportFormat } from './formats';

/** Who says texts in each language; English is what they are written in. */
export const OTHER: Record<Language, InOther | undefined> = {
  en: undefined,
  de: { language: 'de', ...GERMAN },
};

/** A document as it is read: days with their months, in its language. @param named what else stays as it is */
export function asRead(
  { own = [], ...doc }: ReadDocument,
  language: Language,
  named: readonly string[] = [],
): ReadDocument {
  const other = OTHER[language];
  return other
    ? documentInLanguage(doc, other.language, other.say, new Set([...own, ...named]))
    : withLongDays(doc);
}

/** In which form a report is asked for. */
export interface Edition {
  format: ReportFormat;
  length: Length;
  language: Language;
}

/** What the address of a request asks for; PDF of the full record where it does not say. */
export function editionOf(asked: URLSearchParams): Edition | { problem: string } {
  const format = asked.get('format') ?? 'pdf';
  if (!isReportFormat(format))
    return { problem: `Format: not one of ${Object.keys(REPORT_FORMATS).join(', ')}.` };
  const length = asked.get('length') ?? 'record';
  if (!isLength(length)) return { problem: `Length: not one of ${LENGTHS.join(', ')}.` };
  const language = asked.get('language') ?? 'en';
  if (!isLanguage(language)) return { problem: `Language: not one of ${LANGUAGES.join(', ')}.` };
  return { format, length, language };
}
