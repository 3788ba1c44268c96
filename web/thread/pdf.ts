import { documentPdf, type PdfOrder } from '../server/reports/pdf';
import { answering } from './answering';

/** Sets documents as PDF, beside the thread that answers requests. */
answering<PdfOrder, Uint8Array<ArrayBuffer>>(
  async ({ doc, setting }) => new Uint8Array(await documentPdf(doc, setting)),
  (pdf) => [pdf.buffer],
);
