import type { PictureFiles } from '../../protocol/document';
import type { ReportContent } from '../../protocol/report';
import type { ReportStamp } from '../../documents/head';
import type { Language } from '../../language/languages';
import type { Length } from '../../protocol/lengths';
import { ALONE, type Asker } from '../beside';
import { REPORT_FORMATS, type ReportFormat } from './formats';
import { documentMarkdown } from './markdown';
import { reportDocument, reportPdf, setDocx } from './setDocument';

/** A report as a file; the PDF of an issued one is not made anew but kept, see `storedPdf`. */
export async function reportFile(
  content: ReportContent,
  stamp: ReportStamp | undefined,
  format: ReportFormat,
  asker: Asker = ALONE,
  files: PictureFiles = {},
  length: Length = 'record',
  language: Language = 'en',
): Promise<Uint8Array<ArrayBuffer> | string> {
  switch (format) {
    case 'pdf':
      return reportPdf(content, stamp, asker, files, length, language);
    case 'docx':
      return setDocx(await reportDocument(content, stamp, asker, files, length, language), asker, files);
    case 'md':
      return documentMarkdown(await reportDocument(content, stamp, asker, files, length, language));
    case 'json':
      return JSON.stringify(
        length === 'record'
          ? { stamp, ...content }
          : await reportDocument(content, stamp, asker, files, length, language),
        null,
        1,
      );
  }
}

/** A file as an answer to a request, named after the report and its length. */
export function fileAnswer(
  file: Uint8Array<ArrayBuffer> | string,
  about: string,
  length: Length,
  format: ReportFormat,
): Response {
  const name = `${about}${length === 'record' ? '' : ` ${length}`}`.replace(/[^\w -]/g, '');
  const how = format === 'pdf' ? 'inline' : 'attachment';
  return new Response(file, {
    headers: {
      'content-type': REPORT_FORMATS[format],
      'content-disposition': `${how}; filename="${name}.${format}"`,
    },
  });
}

/** A report as an answer to a request, named after its number or the tree. */
export const reportAnswer = async (
  content: ReportContent,
  stamp: ReportStamp | undefined,
  format: ReportFormat,
  asker: Asker,
  files: PictureFiles,
  length: Length,
  language: Language = 'en',
): Promise<Response> =>
  fileAnswer(
    await reportFile(content, stamp, format, asker, files, length, language),
    stamp?.number ?? `draft ${content.tree}`,
    length,
    format,
  );
