import type { PictureFiles, ReadDocument } from '../../protocol/document';
import type { ReportContent } from '../../protocol/report';
import { documentOf, type ReportStamp } from '../../documents/reportDocument';
import { ALONE, beside, type Asker } from '../beside';

/** A document as PDF, set beside the server, and how many pages it has. */
export const setPdf = (
  doc: ReadDocument,
  asker: Asker = ALONE,
  files: PictureFiles = {},
): Promise<{ bytes: Uint8Array<ArrayBuffer>; pages: number }> => beside('pdf', { doc, files }, asker);

/** A document as DOCX, set beside the server: its pictures take seconds where there are many. */
export const setDocx = (
  doc: ReadDocument,
  asker: Asker = ALONE,
  files: PictureFiles = {},
): Promise<Uint8Array<ArrayBuffer>> => beside('docx', { doc, files }, asker);

/** The report as PDF; without a stamp it says that it is a draft. */
export const reportPdf = async (
  content: ReportContent,
  stamp?: ReportStamp,
  asker: Asker = ALONE,
  files: PictureFiles = {},
): Promise<Uint8Array<ArrayBuffer>> => (await setPdf(documentOf(content, stamp), asker, files)).bytes;
