import type { Length } from '../../protocol/lengths';
import { ALONE, type Asker } from '../beside';
import { REPORT_FORMATS, type ReportFormat } from '../../work/reports/formats';
import { markdownOf, reportDocument, reportPdf, setDocx } from './setDocument';
import type { ToWrite } from '../../work/reports/written';

/** A report as a file; the PDF of an issued one is not made anew but kept, see `storedPdf`. */
export async function reportFile(
  asked: ToWrite,
  format: ReportFormat,
  asker: Asker = ALONE,
): Promise<Uint8Array<ArrayBuffer> | string> {
  const { content, stamp, length = 'record', files } = asked;
  const said = () => reportDocument(asked, asker);
  switch (format) {
    case 'pdf':
      return (await reportPdf(asked, asker)).bytes;
    case 'docx':
      return setDocx(await said(), asker, files);
    case 'md':
      return markdownOf(await said(), asker);
    case 'json':
      return JSON.stringify(length === 'record' ? { stamp, ...content } : await said(), null, 1);
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
export const reportAnswer = async (asked: ToWrite, format: ReportFormat, asker: Asker): Promise<Response> =>
  fileAnswer(
    await reportFile(asked, format, asker),
    asked.stamp?.number ?? `draft ${asked.content.tree}`,
    asked.length ?? 'record',
    format,
  );
