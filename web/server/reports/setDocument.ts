import type { ReadDocument } from '../../protocol/document';
import type { ReportContent } from '../../protocol/report';
import { documentOf, type ReportStamp } from '../../ui/reportDocument';
import { threadOf } from '../thread';
import type { Setting } from './pdf';

/** A document that is to be set, and as what. */
export type Order = { as: 'pdf'; doc: ReadDocument; setting: Setting } | { as: 'docx'; doc: ReadDocument };

const set = threadOf<Order, Uint8Array<ArrayBuffer>>('documents.mjs');

/** A document as PDF, set in a thread of its own: it takes seconds. */
export const setPdf = (
  doc: ReadDocument,
  setting: Setting = { cover: true, numbered: true },
  signal?: AbortSignal,
): Promise<Uint8Array<ArrayBuffer>> => set({ as: 'pdf', doc, setting }, signal);

/** A document as DOCX, set in the same thread: its pictures take seconds where there are many. */
export const setDocx = (doc: ReadDocument): Promise<Uint8Array<ArrayBuffer>> => set({ as: 'docx', doc });

/** The report as PDF; without a stamp it says that it is a draft. */
export const reportPdf = (content: ReportContent, stamp?: ReportStamp): Promise<Uint8Array<ArrayBuffer>> =>
  setPdf(documentOf(content, stamp));
