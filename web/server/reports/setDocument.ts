import type { ReadDocument } from '../../protocol/document';
import type { ReportContent } from '../../protocol/report';
import { documentOf, type ReportStamp } from '../../documents/reportDocument';
import { ALONE, beside, type Asker } from '../beside';
import type { Setting } from './pdf';

/** A document as PDF, set beside the server: it takes seconds. */
export const setPdf = (
  doc: ReadDocument,
  setting: Setting = { cover: true, numbered: true },
  asker: Asker = ALONE,
): Promise<Uint8Array<ArrayBuffer>> => beside('document', { as: 'pdf', doc, setting }, asker);

/** A document as DOCX, set beside the server: its pictures take seconds where there are many. */
export const setDocx = (doc: ReadDocument, asker: Asker = ALONE): Promise<Uint8Array<ArrayBuffer>> =>
  beside('document', { as: 'docx', doc }, asker);

/** The report as PDF; without a stamp it says that it is a draft. */
export const reportPdf = (
  content: ReportContent,
  stamp?: ReportStamp,
  asker: Asker = ALONE,
): Promise<Uint8Array<ArrayBuffer>> =>
  setPdf(documentOf(content, stamp), { cover: true, numbered: true }, asker);
