import type { PictureFiles } from '../../protocol/document';
import type { ReportContent } from '../../protocol/report';
import type { ReportStamp } from '../../documents/head';
import type { Length } from '../../protocol/lengths';
import { ALONE, type Asker } from '../beside';
import { documentMarkdown } from './markdown';
import { reportDocument, reportPdf, setDocx } from './setDocument';

/** The ways in which a report leaves the application. */
export const REPORT_FORMATS = {
  pdf: 'application/pdf',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  md: 'text/markdown; charset=utf-8',
  json: 'application/json',
} as const;
export type ReportFormat = keyof typeof REPORT_FORMATS;

export const isReportFormat = (text: string): text is ReportFormat => Object.hasOwn(REPORT_FORMATS, text);

/** A report as a file; the PDF of an issued one is not made anew but kept, see `storedPdf`. */
export async function reportFile(
  content: ReportContent,
  stamp: ReportStamp | undefined,
  format: ReportFormat,
  asker: Asker = ALONE,
  files: PictureFiles = {},
  length: Length = 'record',
): Promise<Uint8Array<ArrayBuffer> | string> {
  switch (format) {
    case 'pdf':
      return reportPdf(content, stamp, asker, files, length);
    case 'docx':
      return setDocx(await reportDocument(content, stamp, asker, files, length), asker, files);
    case 'md':
      return documentMarkdown(await reportDocument(content, stamp, asker, files, length));
    case 'json':
      return JSON.stringify({ stamp, ...content }, null, 1);
  }
}

/** A report as an answer to a request, named after its number or the tree. */
export async function reportAnswer(
  content: ReportContent,
  stamp: ReportStamp | undefined,
  format: ReportFormat,
  asker: Asker,
  files: PictureFiles,
  length: Length,
): Promise<Response> {
  const about = `${stamp?.number ?? `draft ${content.tree}`}${length === 'record' ? '' : ` ${length}`}`;
  const name = about.replace(/[^\w -]/g, '');
  const how = format === 'pdf' ? 'inline' : 'attachment';
  return new Response(await reportFile(content, stamp, format, asker, files, length), {
    headers: {
      'content-type': REPORT_FORMATS[format],
      'content-disposition': `${how}; filename="${name}.${format}"`,
    },
  });
}
