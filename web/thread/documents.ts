import { documentDocx } from '../server/reports/docx';
import { documentPdf } from '../server/reports/pdf';
import type { Order } from '../server/reports/setDocument';
import { answering } from './answering';

/** Sets documents as PDF or DOCX, beside the thread that answers requests. */
answering<Order, Uint8Array<ArrayBuffer>>(
  async (order) =>
    new Uint8Array(
      await (order.as === 'pdf' ? documentPdf(order.doc, order.setting) : documentDocx(order.doc)),
    ),
  (file) => [file.buffer],
);
