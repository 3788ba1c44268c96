import type { ReadDocument } from '../../protocol/document';
import type { ReportContent } from '../../protocol/report';
import { documentOf, type ReportStamp } from '../../ui/reportDocument';
import { threadOf } from '../thread';
import type { PdfOrder } from './pdf';

const set = threadOf<PdfOrder, Uint8Array<ArrayBuffer>>('pdf.mjs');

/** A document as PDF, set in a thread of its own: it takes seconds. */
export const setPdf = (
  doc: ReadDocument,
  setting: PdfOrder['setting'] = { cover: true, numbered: true },
  signal?: AbortSignal,
): Promise<Uint8Array<ArrayBuffer>> => set({ doc, setting }, signal);

/** The report as PDF; without a stamp it says that it is a draft. */
export const reportPdf = (content: ReportContent, stamp?: ReportStamp): Promise<Uint8Array<ArrayBuffer>> =>
  setPdf(documentOf(content, stamp));
